import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api } from '../api/client';
import type { Bank, Light } from '../api/document';
import { setField } from '../api/patch';
import { formatStops } from '../controls/quantity';
import { useChoice } from '../frame/choice';
import { useLive } from '../live/store';
import { useDesk, type ShootDesk } from '../live/useShoot';
import { colours, mono, sizes } from '../theme/theme';
import { countIn } from '../rooms/rig/scope';
import { AddLight } from './AddLight';
import { banked } from './banks';
import { BankStrip } from './BankStrip';
import { Fader } from './Fader';
import { Strip, type StripHands } from './Strip';

const THUMBNAIL_REST_MILLIS = 900;

/** Changes when the thumbnails are worth fetching again, and not more often than they can be. */
function useThumbnailVersion(): string | null {
  const step = useLive((s) => s.frame?.step ?? 0);
  const doubling = useLive((s) => Math.floor(Math.log2((s.frame?.samples ?? 0) + 1)));
  const revision = useLive((s) => s.frame?.revision ?? 0);
  const wanted = step === 0 ? null : `${revision}-${step}-${doubling}`;
  const [version, setVersion] = useState<string | null>(null);
  useEffect(() => {
    if (wanted === null || wanted === version) return;
    const timer = setTimeout(
      () => setVersion(wanted),
      version === null ? 0 : THUMBNAIL_REST_MILLIS,
    );
    return () => clearTimeout(timer);
  }, [wanted, version]);
  return version;
}

/** The hands of all strips, which find the desk as it is when they act. */
function useStripHands(desk: ShootDesk): StripHands {
  const latest = useRef(desk);
  useEffect(() => {
    latest.current = desk;
  });
  return useMemo(() => {
    const set = (light: Light, field: string, value: unknown) =>
      setField(latest.current.state.document, 'lights', light.id, field, value);
    return {
      choose: (light) => useChoice.setState({ light: light.id }),
      level: (light, stops) => latest.current.tryOut([set(light, 'levelStops', stops)]),
      keepLevel: (light) => void latest.current.keep(`Level of ${light.name}`),
      mute: (light) =>
        void latest.current.keep(`${light.muted ? 'Unmute' : 'Mute'} ${light.name}`, [
          set(light, 'muted', !light.muted),
        ]),
      solo: (light) =>
        void latest.current.keep(light.solo ? `Unsolo ${light.name}` : `Solo ${light.name}`, [
          set(light, 'solo', !light.solo),
        ]),
      join: (dragged, light) => {
        const { document } = latest.current.state;
        const other = document.lights.find((l) => l.id === dragged);
        if (!other || other.id === light.id) return;
        void latest.current.keep(
          `${other.name} with ${light.name}`,
          light.bank
            ? banked([other.id], light.bank, document)
            : banked([light.id, other.id], undefined, document),
        );
      },
    };
  }, []);
}

/** Lights in the order of the rig, those of a bank together where its first one stands. */
function grouped(lights: Light[], banks: Bank[]): { bank: Bank | null; own: Light[] }[] {
  const to: { bank: Bank | null; own: Light[] }[] = [];
  for (const light of lights) {
    const bank = banks.find((b) => b.id === light.bank) ?? null;
    const there = bank && to.find((g) => g.bank === bank);
    if (there) there.own.push(light);
    else to.push({ bank, own: [light] });
  }
  return to;
}

/** The light desk: a strip a light, the master at the right end. */
export function LightDesk() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const shares = useLive((s) => s.progress?.shares);
  const version = useThumbnailVersion();
  const hands = useStripHands(desk);
  const lights = desk.document.lights;
  const { banks } = desk.document;
  const soloed = (light: Light) => light.solo || banks.some((b) => b.id === light.bank && b.solo);
  const someSoloed = lights.some(soloed);
  const shaped = desk.document.pieces.filter((p) => p.shape).length;
  const strip = (light: Light) => (
    <Strip
      key={light.id}
      light={light}
      chosen={light.id === chosen}
      share={Math.round(1000 * (shares?.[light.id] ?? 0)) / 1000}
      linked={countIn(light.lightLinking, desk.document.pieces) < shaped}
      silenced={(someSoloed && !soloed(light)) || banks.some((b) => b.id === light.bank && b.muted)}
      thumbnail={version && api.layerUrl(desk.state.id, light.id, version)}
      hands={hands}
    />
  );

  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <Box
        role="group"
        aria-label="Light desk"
        sx={{ flex: 1, minWidth: 0, display: 'flex', gap: 1, p: 1.5, overflowX: 'auto' }}
      >
        {lights.length === 0 && (
          <Typography color="text.secondary" sx={{ m: 'auto' }}>
            No light yet. Add the first one with the button at the right.
          </Typography>
        )}
        {grouped(lights, banks).map(({ bank, own }) =>
          bank ? (
            <Box key={bank.id} sx={{ display: 'flex', flex: 'none' }}>
              <BankStrip bank={bank} />
              <Box
                sx={{
                  display: 'flex',
                  gap: 1,
                  border: `1px solid ${colours.quiet}`,
                  borderLeft: 'none',
                  borderRadius: '0 6px 6px 0',
                  p: '2px',
                }}
              >
                {own.map(strip)}
              </Box>
            </Box>
          ) : (
            own.map(strip)
          ),
        )}
      </Box>
      <Box
        role="group"
        aria-label="Master"
        sx={{
          width: sizes.strip,
          flex: 'none',
          borderLeft: `1px solid ${colours.line}`,
          p: 1.5,
          display: 'flex',
          flexDirection: 'column',
          gap: 1,
        }}
      >
        <AddLight />
        <Typography variant="caption" sx={{ textAlign: 'center' }}>
          Master{' '}
          <Box component="span" sx={{ fontFamily: mono }}>
            {formatStops(desk.document.masterStops)}
          </Box>
        </Typography>
        <Box sx={{ flex: 1, minHeight: 0, display: 'flex', justifyContent: 'center' }}>
          <Fader
            name="Master"
            value={desk.document.masterStops}
            onTry={(stops) => desk.tryOut([{ op: 'replace', path: '/masterStops', value: stops }])}
            onKeep={() => void desk.keep('Master level')}
          />
        </Box>
      </Box>
    </Box>
  );
}

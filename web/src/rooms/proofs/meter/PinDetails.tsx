import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../../../api/client';
import type { Incident, Pin, PinReading, Readings } from '../../../api/document';
import { Fold } from '../../../controls/Fold';
import { NameField } from '../../../controls/NameField';
import { PlainSelect } from '../../../controls/PlainSelect';
import { say, useDesk } from '../../../live/useShoot';
import { colours, mono } from '../../../theme/theme';
import { LightBars } from './LightBars';
import { MeterNumber } from './MeterNumber';
import { amountText, castText, ratioText, stopsText } from './meterWords';
import { setMeter, useMeterChoice, withoutPin } from './useMeter';

interface Props {
  pin: Pin;
  reading?: PinReading;
  all?: Readings | null;
}

/** What one pin reads: by light, as a ratio, and the light that arrives there. */
export function PinDetails({ pin, reading, all }: Props) {
  const desk = useDesk();
  const { meter } = desk.document;
  const changed = (part: Partial<Pin>) =>
    meter.pins.map((p) => (p.id === pin.id ? { ...p, ...part } : p));
  const seen = reading?.state === 'SEEN';
  return (
    <Box sx={{ pb: 1 }}>
      <NameField
        label="Name of the pin"
        value={pin.name}
        onKeep={(name) => void desk.keep(`Name ${name}`, [setMeter('pins', changed({ name }))])}
      />
      {seen && (
        <Typography variant="caption" component="div" sx={{ fontFamily: mono, my: 1 }}>
          {stopsText(reading.stops)} · {amountText(reading.luminance, 'cd/m²')}
          <br />
          {castText(reading.redStops, reading.blueStops)}
        </Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, mb: 1 }}>
        <MeterNumber
          label="Area radius"
          edit={`Area of ${pin.name}`}
          part="pins"
          value={pin.radius}
          quantity={{
            unit: 'm',
            others: { cm: 0.01, mm: 0.001 },
            least: 0,
            most: 100,
            step: 0.01,
            digits: 3,
          }}
          write={(radius) => changed({ radius })}
        />
      </Box>
      {seen && <LightBars name={`Light at ${pin.name}`} parts={reading.lights} unit="cd/m²" />}
      <Ratio pin={pin} reading={reading} all={all} />
      <ArrivingLight pin={pin} />
      <Button
        variant="outlined"
        color="inherit"
        sx={{ borderColor: colours.line }}
        onClick={() => {
          useMeterChoice.setState({ pin: null });
          void desk.keep(`Remove ${pin.name}`, withoutPin(desk.state.document.meter, pin.id));
        }}
      >
        Delete pin
      </Button>
    </Box>
  );
}

/** How much brighter than another pin it is. */
function Ratio({ pin, reading, all }: Props) {
  const { pins } = useDesk().document.meter;
  const [other, setOther] = useState<string | null>(null);
  const others = pins.filter((p) => p.id !== pin.id);
  const to = others.find((p) => p.id === other) ?? others[0];
  const there = all?.pins.find((r) => r.id === to?.id);
  if (!to) return null;
  const known = !!reading && !!there && reading.luminance > 0 && there.luminance > 0;
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'end', my: 1.5 }}>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <PlainSelect
          label="Ratio to"
          value={to.id}
          options={others.map((p) => ({ value: p.id, text: p.name }))}
          onChange={setOther}
        />
      </Box>
      <Typography role="status" aria-label="Ratio" sx={{ fontFamily: mono, fontSize: 12, pb: 1 }}>
        {known
          ? `${ratioText(reading.luminance / there.luminance)} · ${stopsText(Math.log2(reading.luminance / there.luminance))}`
          : 'not seen'}
      </Typography>
    </Box>
  );
}

/** Light that arrives, traced from the pin when it is wanted. */
function ArrivingLight({ pin }: { pin: Pin }) {
  const { state, document } = useDesk();
  const [read, setRead] = useState<{ incident: Incident; revision: number } | null>(null);
  const [busy, setBusy] = useState(false);
  const measure = async () => {
    setBusy(true);
    try {
      setRead({ incident: await api.incident(state.id, pin.id), revision: state.revision });
    } catch (error) {
      say(error);
    } finally {
      setBusy(false);
    }
  };
  const incident = read?.incident;
  const strongest = incident?.halfSphere.lights[0];
  return (
    <Fold title="Light arriving here" open>
      <Box>
        <Button variant="outlined" disabled={busy} onClick={() => void measure()}>
          {busy ? 'Measuring …' : 'Measure'}
        </Button>
      </Box>
      {incident && (
        <>
          <Typography variant="caption" component="div" sx={{ fontFamily: mono }}>
            on the surface {amountText(incident.surface.lux, 'lx')}
            <br />
            on a half-sphere {amountText(incident.halfSphere.lux, 'lx')}
            {incident.error > 0.015 && ` ±${Math.round(100 * incident.error)} %`}
            {incident.halfSphere.strongestToRest !== null && strongest && (
              <>
                <br />
                {document.lights.find((l) => l.id === strongest.light)?.name} to the rest{' '}
                {ratioText(incident.halfSphere.strongestToRest)}
              </>
            )}
          </Typography>
          <LightBars
            name={`Light arriving at ${pin.name}`}
            parts={incident.halfSphere.lights}
            unit="lx"
          />
          {read.revision !== state.revision && (
            <Typography variant="caption" color="text.secondary">
              The shoot has changed since.
            </Typography>
          )}
        </>
      )}
    </Fold>
  );
}

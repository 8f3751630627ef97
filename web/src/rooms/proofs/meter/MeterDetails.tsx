import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Pin, PinReading, Readings } from '../../../api/document';
import { Fold } from '../../../controls/Fold';
import { useChoice } from '../../../frame/choice';
import { useLive } from '../../../live/store';
import { useDesk } from '../../../live/useShoot';
import { colours, mono } from '../../../theme/theme';
import { LightBars } from './LightBars';
import { amountText, stopsText } from './meterWords';
import { PinDetails } from './PinDetails';
import {
  addPin,
  armPin,
  type SideReadings,
  useMeterChoice,
  useReadings,
  useSides,
} from './useMeter';

/** Pins with their readings, and what the whole picture reads. */
export function MeterDetails() {
  const desk = useDesk();
  const { pins } = desk.document.meter;
  const { data } = useReadings();
  const sides = useSides();
  const chosen = useMeterChoice((c) => c.pin);
  const pin = pins.find((p) => p.id === chosen);
  return (
    <Box>
      <AddPin />
      {pins.length === 0 ? (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ my: 2 }}>
          A pin reads the light of one place and stays on its piece while the camera moves.
        </Typography>
      ) : (
        <Box role="listbox" aria-label="Pins" sx={{ my: 1.5 }}>
          {sides.length > 1 && <SideNames names={sides.map((s) => s.name)} />}
          {pins.map((p, i) => (
            <PinRow
              key={p.id}
              pin={p}
              number={i + 1}
              readings={sides.map((s) => s.readings?.pins.find((r) => r.id === p.id))}
            />
          ))}
        </Box>
      )}
      {pin && (
        <PinDetails
          key={pin.id}
          pin={pin}
          reading={data?.pins.find((r) => r.id === pin.id)}
          all={data}
        />
      )}
      <WholePicture readings={data} sides={sides} />
    </Box>
  );
}

/** Arms the pointer for a pin; a second press sets it in the middle of the picture. */
function AddPin() {
  const desk = useDesk();
  const armed = useChoice((c) => c.armed?.what === 'Click where light is to be read');
  return (
    <Button
      variant="outlined"
      startIcon={<AddIcon />}
      onClick={() => {
        if (!armed) return armPin(desk);
        useChoice.setState({ armed: null });
        void addPin(desk, 0.5, 0.5);
      }}
    >
      {armed ? 'Pin in the middle' : 'Add pin'}
    </Button>
  );
}

/** Over both columns of readings. */
function SideNames({ names }: { names: string[] }) {
  return (
    <Box
      role="presentation"
      sx={{ display: 'flex', px: 1.5, fontSize: 11, color: colours.quiet, '& span': COLUMN }}
    >
      <Box sx={{ flex: 1 }} />
      {names.map((name, i) => (
        <Box component="span" key={i} title={name}>
          {name}
        </Box>
      ))}
      <span>Change</span>
    </Box>
  );
}

const COLUMN = {
  width: 62,
  textAlign: 'right',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
} as const;

/** By how many stops the second side is over the first. */
function changeText(stops: (number | null | undefined)[]): string {
  const [before, after] = stops;
  return typeof before === 'number' && typeof after === 'number' ? stopsText(after - before) : '';
}

const STATES = { SEEN: '', HIDDEN: 'hidden', OUTSIDE: 'outside', GONE: 'piece gone' };

interface PinRowProps {
  pin: Pin;
  number: number;
  /** Of every side that is read. */
  readings: (PinReading | undefined)[];
}

function PinRow({ pin, number, readings }: PinRowProps) {
  const chosen = useMeterChoice((c) => c.pin === pin.id);
  const choose = () => useMeterChoice.setState({ pin: chosen ? null : pin.id });
  return (
    <Box
      role="option"
      aria-selected={chosen}
      aria-label={pin.name}
      tabIndex={0}
      onClick={choose}
      onKeyDown={(e) => {
        if (e.key === 'Enter') choose();
        const to = e.key === 'ArrowDown' ? 'nextElementSibling' : 'previousElementSibling';
        if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
          (e.currentTarget[to] as HTMLElement | null)?.focus();
        }
      }}
      sx={{
        display: 'flex',
        // Beside the readings of two sides a name would be cut short.
        flexWrap: readings.length > 1 ? 'wrap' : 'nowrap',
        columnGap: 1.5,
        alignItems: 'center',
        justifyContent: 'flex-end',
        px: 1.5,
        py: 1,
        fontSize: 12,
        cursor: 'pointer',
        borderRadius: 1,
        bgcolor: chosen ? colours.control : 'transparent',
        borderBottom: `1px solid ${colours.line}`,
      }}
    >
      <Box component="span" sx={{ fontFamily: mono, color: colours.quiet }}>
        {number}
      </Box>
      <Box
        component="span"
        sx={{
          flex: readings.length > 1 ? '1 0 calc(100% - 32px)' : 1,
          minWidth: 0,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
        }}
      >
        {pin.name}
      </Box>
      {readings.map((reading, i) => (
        <Box component="span" key={i} sx={{ fontFamily: mono, ...COLUMN }}>
          {!reading
            ? '…'
            : reading.state !== 'SEEN'
              ? STATES[reading.state]
              : stopsText(reading.stops)}
        </Box>
      ))}
      {readings.length > 1 && (
        <Box component="span" sx={{ fontFamily: mono, ...COLUMN }}>
          {changeText(readings.map((r) => r?.stops))}
        </Box>
      )}
    </Box>
  );
}

interface WholeProps {
  readings?: Readings | null;
  sides: SideReadings[];
}

function WholePicture({ readings, sides }: WholeProps) {
  const shares = useLive((s) => s.progress?.shares);
  const { document } = useDesk();
  return (
    <Fold title="Whole picture" open>
      {!readings ? (
        <Typography variant="caption" color="text.secondary">
          Readings come with the first whole sample.
        </Typography>
      ) : (
        <>
          <Typography variant="caption" component="div" sx={{ fontFamily: mono }}>
            mean {stopsText(readings.meanStops)} · {amountText(readings.meanLuminance, 'cd/m²')}
            <br />
            brightest region {stopsText(readings.highestStops)}
          </Typography>
          {sides.length > 1 && <MeanOfSides sides={sides} />}
          <LightBars
            name="Light of the picture"
            unit="cd/m²"
            parts={document.lights
              .map((l) => ({ light: l.id, share: shares?.[l.id] ?? 0 }))
              .filter((p) => p.share > 0)
              .sort((a, b) => b.share - a.share)
              .map((p) => ({ ...p, value: p.share * readings.meanLuminance }))}
          />
        </>
      )}
    </Fold>
  );
}

/** The mean of both sides of the comparison, and its change. */
function MeanOfSides({ sides }: { sides: SideReadings[] }) {
  return (
    <Typography variant="caption" component="div" sx={{ fontFamily: mono }}>
      mean: {sides.map((s) => `${s.name} ${stopsText(s.readings?.meanStops ?? null)}`).join(' · ')}
      {' · '}
      change {changeText(sides.map((s) => s.readings?.meanStops))}
    </Typography>
  );
}

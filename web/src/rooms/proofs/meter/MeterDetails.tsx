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
import { addPin, armPin, useMeterChoice, useReadings } from './useMeter';

/** Pins with their readings, and what the whole picture reads. */
export function MeterDetails() {
  const desk = useDesk();
  const { pins } = desk.document.meter;
  const { data } = useReadings();
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
          {pins.map((p, i) => (
            <PinRow
              key={p.id}
              pin={p}
              number={i + 1}
              reading={data?.pins.find((r) => r.id === p.id)}
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
      <WholePicture readings={data} />
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

const STATES = { SEEN: '', HIDDEN: 'hidden', OUTSIDE: 'outside', GONE: 'piece gone' };

function PinRow({ pin, number, reading }: { pin: Pin; number: number; reading?: PinReading }) {
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
        gap: 1.5,
        alignItems: 'center',
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
          flex: 1,
          minWidth: 0,
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          whiteSpace: 'nowrap',
        }}
      >
        {pin.name}
      </Box>
      <Box component="span" sx={{ fontFamily: mono, whiteSpace: 'nowrap' }}>
        {!reading
          ? '…'
          : reading.state !== 'SEEN'
            ? STATES[reading.state]
            : stopsText(reading.stops)}
      </Box>
    </Box>
  );
}

function WholePicture({ readings }: { readings?: Readings | null }) {
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

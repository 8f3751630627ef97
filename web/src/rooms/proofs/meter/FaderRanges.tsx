import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import type { FaderRange } from '../../../api/document';
import { Fold } from '../../../controls/Fold';
import { SwitchOf } from '../../../controls/SwitchOf';
import { quantities } from '../../../controls/quantity';
import { withRange } from '../../../controls/withRange';
import { useDesk } from '../../../live/useShoot';
import { MeterNumber } from './MeterNumber';
import { fadersOf, rangesOf, usualRange, type Fader } from './meterWords';
import { setMeter } from './useMeter';

/** Which faders may move to meet the targets, and how far. */
export function FaderRanges() {
  const desk = useDesk();
  const { meter } = desk.document;
  const ranges = rangesOf(desk.document);
  return (
    <Fold title="Faders that may move" changed={meter.faders.length > 0}>
      <SwitchOf
        label="Move few of them"
        on={meter.fewFaders}
        onChange={(on) => void desk.keep('Faders that may move', [setMeter('fewFaders', on)])}
      />
      <Box>
        {fadersOf(desk.document).map((fader) => (
          <Row
            key={fader.place}
            fader={fader}
            range={ranges.find((r) => r.place === fader.place)}
            ranges={ranges}
          />
        ))}
      </Box>
    </Fold>
  );
}

interface Props {
  fader: Fader;
  range?: FaderRange;
  ranges: FaderRange[];
}

function Row({ fader, range, ranges }: Props) {
  const desk = useDesk();
  const changed = (part: Partial<FaderRange>) =>
    ranges.map((r) => (r.place === fader.place ? { ...r, ...part } : r));
  const keep = (faders: FaderRange[]) =>
    void desk.keep('Faders that may move', [setMeter('faders', faders)]);
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Checkbox
          size="small"
          checked={range !== undefined}
          disabled={range !== undefined && ranges.length === 1}
          onChange={(e) =>
            keep(
              e.target.checked
                ? [...ranges, usualRange(fader.place)]
                : ranges.filter((r) => r.place !== fader.place),
            )
          }
          slotProps={{ input: { 'aria-label': `${fader.name} may move` } }}
          sx={{ p: 0.5 }}
        />
        <Typography variant="caption" noWrap sx={{ flex: 1 }} title={fader.name}>
          {fader.name}
        </Typography>
      </Box>
      {range && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, pl: 3, pb: 1 }}>
          {(['leastStops', 'mostStops'] as const).map((end) => (
            <MeterNumber
              key={end}
              label={end === 'leastStops' ? 'Down to' : 'Up to'}
              name={`${fader.name} ${end === 'leastStops' ? 'down to' : 'up to'}`}
              edit="Faders that may move"
              part="faders"
              value={range[end]}
              quantity={{
                unit: 'st',
                least: end === 'leastStops' ? -20 : 0,
                most: end === 'leastStops' ? 0 : 20,
                step: 1 / 3,
                digits: 2,
                stops: true,
              }}
              write={(value) => changed({ [end]: value })}
            />
          ))}
          {fader.light && (
            <SwitchOf
              label="Colour too"
              name={`${fader.name}: colour too`}
              on={range.colour}
              onChange={(colour) => keep(changed({ colour }))}
            />
          )}
          {fader.light && range.colour && <Box />}
          {fader.light &&
            range.colour &&
            (['leastKelvin', 'mostKelvin'] as const).map((end) => (
              <MeterNumber
                key={end}
                label={end === 'leastKelvin' ? 'From' : 'To'}
                name={`${fader.name} ${end === 'leastKelvin' ? 'from' : 'to'} kelvin`}
                edit="Faders that may move"
                part="faders"
                value={range[end]}
                quantity={withRange(quantities.kelvin, 'faderRange', 'leastKelvin')}
                write={(value) => changed({ [end]: value })}
              />
            ))}
        </Box>
      )}
    </Box>
  );
}

import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Meter, Readings, Target } from '../../../api/document';
import { AddMenu } from '../../../controls/AddMenu';
import { PlainSelect } from '../../../controls/PlainSelect';
import { quantities } from '../../../controls/quantity';
import { withRange } from '../../../controls/withRange';
import { useDesk } from '../../../live/useShoot';
import { colours } from '../../../theme/theme';
import { FaderRanges } from './FaderRanges';
import { MeterNumber } from './MeterNumber';
import { targetText } from './meterWords';
import { Solution } from './Solution';
import { setMeter, useMeterChoice, useReadings } from './useMeter';
import { useSolution } from './useSolution';

const KINDS: { kind: Target['kind']; name: string; pins: number }[] = [
  { kind: 'stops', name: 'Level at a pin', pins: 1 },
  { kind: 'ratio', name: 'Ratio of two pins', pins: 2 },
  { kind: 'neutral', name: 'Neutral pin', pins: 1 },
  { kind: 'mean', name: 'Mean of the picture', pins: 0 },
  { kind: 'ceiling', name: 'Nothing above', pins: 0 },
];

/** A target that wants about what is read now, of the chosen pin where one is chosen. */
function fresh(
  kind: Target['kind'],
  { targets, pins }: Meter,
  readings: Readings | null | undefined,
  chosen: string | null,
): Target {
  let number = 1;
  while (targets.some((t) => t.id === `target-${number}`)) number++;
  const ofPin = kind === 'stops' || kind === 'ratio' || kind === 'neutral';
  const pin = ofPin ? (pins.find((p) => p.id === chosen) ?? pins[0]!).id : null;
  const other = kind === 'ratio' ? pins.find((p) => p.id !== pin)!.id : null;
  const stops = (id: string | null) => readings?.pins.find((r) => r.id === id)?.stops ?? 0;
  const now = {
    stops: stops(pin),
    ratio: stops(pin) - stops(other),
    neutral: 0,
    mean: readings?.meanStops ?? 0,
    ceiling: readings?.highestStops ?? 3,
  }[kind];
  return {
    id: `target-${number}`,
    kind,
    pin,
    other,
    stops: Math.min(20, Math.max(-20, Math.round(3 * now) / 3)),
    weight: 1,
  };
}

/** What is wanted of the light, which faders may move for it, and the levels that meet it. */
export function TargetDetails() {
  const desk = useDesk();
  const { meter } = desk.document;
  const solution = useSolution();
  const { data } = useReadings();
  const chosen = useMeterChoice((c) => c.pin);
  const add = (kind: Target['kind']) => {
    const target = fresh(kind, meter, data, chosen);
    void desk.keep('Add target', [setMeter('targets', [...meter.targets, target])]);
  };
  const able = KINDS.filter((k) => k.pins <= meter.pins.length);
  return (
    <Box>
      <AddMenu text="Add target" items={able} onAdd={add} />
      {able.length < KINDS.length && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 1 }}>
          With two pins set in the Meter there are levels, ratios and neutrals to want, too.
        </Typography>
      )}
      <Box component="ul" aria-label="Targets" sx={{ listStyle: 'none', p: 0, my: 1.5 }}>
        {meter.targets.map((target) => (
          <TargetRow key={target.id} target={target} />
        ))}
      </Box>
      {meter.targets.length > 0 && (
        <>
          <FaderRanges />
          <Solution {...solution} />
        </>
      )}
    </Box>
  );
}

function TargetRow({ target }: { target: Target }) {
  const desk = useDesk();
  const { targets, pins } = desk.document.meter;
  const changed = (part: Partial<Target>) =>
    targets.map((t) => (t.id === target.id ? { ...t, ...part } : t));
  const text = targetText(target, pins);
  const set = (part: Partial<Target>) =>
    void desk.keep('Change target', [setMeter('targets', changed(part))]);
  const options = pins.map((p) => ({ value: p.id, text: p.name }));
  return (
    <Box component="li" sx={{ py: 1, borderTop: `1px solid ${colours.line}` }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography variant="caption" noWrap title={text} sx={{ flex: 1 }}>
          {text}
        </Typography>
        <IconButton
          aria-label={`Delete target: ${text}`}
          onClick={() =>
            void desk.keep('Remove target', [
              setMeter(
                'targets',
                targets.filter((t) => t.id !== target.id),
              ),
            ])
          }
        >
          <DeleteIcon fontSize="inherit" />
        </IconButton>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        {target.pin !== null && (
          <PlainSelect
            label="Pin"
            value={target.pin}
            options={options.filter((o) => o.value !== target.other)}
            onChange={(pin) => set({ pin })}
          />
        )}
        {target.other !== null && (
          <PlainSelect
            label="To"
            value={target.other}
            options={options.filter((o) => o.value !== target.pin)}
            onChange={(other) => set({ other })}
          />
        )}
        {target.kind !== 'neutral' && (
          <MeterNumber
            label="Wanted"
            name={`Wanted: ${text}`}
            edit="Change target"
            part="targets"
            value={target.stops}
            quantity={withRange(quantities.stops, 'target', 'stops')}
            write={(stops) => changed({ stops })}
          />
        )}
        <MeterNumber
          label="Weight"
          name={`Weight: ${text}`}
          edit="Change target"
          part="targets"
          value={target.weight}
          quantity={withRange({ unit: '', step: 1, digits: 2 }, 'target', 'weight')}
          write={(weight) => changed({ weight })}
        />
      </Box>
    </Box>
  );
}

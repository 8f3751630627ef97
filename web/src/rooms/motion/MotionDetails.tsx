import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlineOutlined';
import { plural } from '../../controls/plural';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Key, Motion, Span, Track } from '../../api/document';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { NumberField } from '../../controls/NumberField';
import { PlainSelect } from '../../controls/PlainSelect';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useDesk } from '../../live/useShoot';
import { isChosen, movedKeys, withoutKeys, withSpan } from '../../motion/keysEdit';
import { partNames, placeName, quantityOf } from '../../motion/names';
import { holdsOnly } from '../../motion/track';
import { Links } from './Links';
import { MakeKeys } from './MakeKeys';
import { useMotion } from './motionChoice';
import { useTracks, writing } from './useTracks';

const whole = withRange({ unit: '', step: 1, digits: 0 }, 'motion', 'firstFrame');
const SPANS: { value: Span; text: string }[] = [
  { value: 'hold', text: 'Hold' },
  { value: 'straight', text: 'Straight' },
  { value: 'eased', text: 'Eased' },
  { value: 'free', text: 'Free, by slopes' },
];
const AFTER: { value: Track['after']; text: string }[] = [
  { value: 'hold', text: 'The last value stays' },
  { value: 'loop', text: 'Again from the first key' },
  { value: 'ping_pong', text: 'Back and forth' },
];

/** Details of the Motion: the range, the chosen track, the chosen keys. */
export function MotionDetails() {
  const { motion } = useDesk().document;
  const places = useMotion((m) => m.tracks);
  const track = motion.tracks.find((t) => t.place === places[0]);
  return (
    <>
      {track && <TrackDetails key={track.place} track={track} />}
      <RangeDetails />
      <MakeKeys />
      <Links />
    </>
  );
}

/** How long the shutter is open, as a photographer says it. */
function shutterText({ shutterDegrees, framesPerSecond }: Motion): string {
  const seconds = shutterDegrees / 360 / framesPerSecond;
  return seconds < 0.5 ? `1/${Math.round(1 / seconds)} s` : `${seconds.toFixed(2)} s`;
}

/** How long the motion is, and how many frames a second it has. */
function RangeDetails() {
  const { motion } = useDesk().document;
  const range = (label: string, field: 'framesPerSecond' | 'firstFrame' | 'lastFrame') => (
    <NumberOf
      label={label}
      edit="Frames"
      read={(d) => d.motion[field]}
      write={(_, v) => [
        {
          op: 'replace',
          path: `/motion/${field}`,
          value: field === 'framesPerSecond' ? v : Math.round(v),
        },
      ]}
      quantity={
        field === 'framesPerSecond'
          ? withRange({ ...whole, digits: 3 }, 'motion', 'framesPerSecond')
          : whole
      }
    />
  );
  return (
    <Section title="Frames">
      <Row>
        {range('First', 'firstFrame')}
        {range('Last', 'lastFrame')}
        {range('A second', 'framesPerSecond')}
      </Row>
      <NumberOf
        label="Shutter"
        edit="Shutter"
        read={(d) => d.motion.shutterDegrees}
        write={(_, v) => [{ op: 'replace', path: '/motion/shutterDegrees', value: v }]}
        quantity={withRange({ unit: '°', step: 5, digits: 1 }, 'motion', 'shutterDegrees')}
      />
      <Typography variant="caption" color="text.secondary">
        {motion.shutterDegrees > 0
          ? `Prints blur what moves in ${shutterText(motion)}.`
          : 'At 0° prints are sharp; 180° blurs what moves in half of a frame.'}
      </Typography>
    </Section>
  );
}

function TrackDetails({ track }: { track: Track }) {
  const { document } = useDesk();
  const edit = useTracks();
  const chosen = useMotion((m) => m.keys);
  const { thing, value } = placeName(document, track.place);
  const keys = track.keys.filter((key) => isChosen(chosen, track.place, key));
  const only = keys.length === 1 && chosen.length === 1 ? keys[0] : undefined;
  return (
    <Section title={`${thing}: ${value}`}>
      <PlainSelect
        label="After the last key"
        value={track.after}
        options={AFTER}
        onChange={(after) =>
          edit.keep(
            `After the keys of ${thing}`,
            edit.kept.map((t) =>
              t.place === track.place ? { ...t, after: after as Track['after'] } : t,
            ),
          )
        }
      />
      {chosen.length > 0 && !holdsOnly(track.keys[0]!.value) && (
        <PlainSelect
          label={chosen.length > 1 ? 'To the keys after them' : 'To the key after it'}
          value={keys[0]?.span ?? 'eased'}
          options={SPANS}
          onChange={(span) => edit.keep('Span of keys', withSpan(edit.kept, chosen, span as Span))}
        />
      )}
      {only ? (
        <KeyFields track={track} key={`${track.place} ${only.seconds}`} of={only} />
      ) : (
        <Typography variant="caption" color="text.secondary">
          {chosen.length === 0
            ? `${plural(track.keys.length, 'key')}. Choose one to change it.`
            : `${chosen.length} keys are chosen.`}
        </Typography>
      )}
      <Row>
        {chosen.length > 0 && (
          <Button
            color="inherit"
            onClick={() => edit.keep('Remove keys', withoutKeys(edit.kept, chosen), [])}
          >
            Remove keys
          </Button>
        )}
        <Button
          color="inherit"
          startIcon={<DeleteOutlineIcon />}
          onClick={() => {
            useMotion.setState({ tracks: [] });
            edit.keep(
              `Remove track of ${thing}`,
              edit.kept.filter((t) => t.place !== track.place),
              [],
            );
          }}
        >
          Remove track
        </Button>
      </Row>
    </Section>
  );
}

/** The time and the value of one key. */
function KeyFields({ track, of }: { track: Track; of: Key }) {
  const desk = useDesk();
  const { motion } = desk.state.document;
  const { kept } = useTracks();
  const parts = partNames(track.place, Array.isArray(of.value) ? 3 : 1);
  const set = (value: Key['value']) =>
    kept.map((t) =>
      t.place === track.place
        ? { ...t, keys: t.keys.map((k) => (k.seconds === of.seconds ? { ...k, value } : k)) }
        : t,
    );
  const hands = {
    onKeep: () => void desk.keep('Value of key'),
    onLeave: desk.leave,
  };
  return (
    <>
      <Row>
        <NumberField
          label="At frame"
          value={of.seconds * motion.framesPerSecond}
          quantity={{ ...whole, digits: 2 }}
          onTry={(frame) => {
            const by = frame / motion.framesPerSecond - of.seconds;
            const next = movedKeys(kept, [{ place: track.place, seconds: of.seconds }], by);
            desk.tryOut(writing(next.tracks));
            useMotion.setState({ keys: next.chosen });
          }}
          onKeep={() => void desk.keep('Time of key')}
          onLeave={desk.leave}
        />
        {typeof of.value === 'number' && (
          <NumberField
            label="Value"
            value={of.value}
            quantity={quantityOf(track.place)}
            onTry={(v) => desk.tryOut(writing(set(v)), true)}
            {...hands}
          />
        )}
      </Row>
      {Array.isArray(of.value) && (
        <Row>
          {of.value.map((v, k) => (
            <NumberField
              key={parts[k]}
              label={parts[k]!}
              name={`Value ${parts[k]!}`}
              value={v}
              quantity={quantityOf(track.place)}
              onTry={(next) =>
                desk.tryOut(
                  writing(
                    set((of.value as [number, number, number]).with(k, next) as Key['value']),
                  ),
                  true,
                )
              }
              {...hands}
            />
          ))}
        </Row>
      )}
      {typeof of.value === 'boolean' && (
        <SwitchOf
          label="On"
          on={of.value}
          onChange={(on) => void desk.keep('Value of key', writing(set(on)))}
        />
      )}
      {typeof of.value === 'string' && (
        <Typography variant="caption" color="text.secondary">
          {of.value}
        </Typography>
      )}
    </>
  );
}

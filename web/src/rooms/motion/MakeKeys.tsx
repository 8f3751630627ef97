import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { api } from '../../api/client';
import { Row, Section } from '../../controls/FieldOf';
import { NumberField } from '../../controls/NumberField';
import { PlainSelect } from '../../controls/PlainSelect';
import type { Quantity } from '../../controls/quantity';
import { SwitchOf } from '../../controls/SwitchOf';
import { useChoice } from '../../frame/choice';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { useMotion } from './motionChoice';
import { MOVES, type MoveForm, type Parameter } from './moves';

const frames: Quantity = { unit: '', least: -1e6, most: 1e6, step: 1, digits: 0 };

/** Has the keys of a move made, and keeps them as one edit. */
function useMake() {
  const desk = useDesk();
  return async (
    form: MoveForm,
    of: { id: string; name: string },
    range: { firstFrame: number; lastFrame: number },
    numbers: Record<string, number>,
    sound?: File,
  ) => {
    try {
      const { operations, places } = sound
        ? await api.soundKeys(
            desk.state.id,
            { light: of.id, stops: numbers[form.parameters[0]!.name]!, ...range },
            sound,
          )
        : await api.moveKeys(desk.state.id, {
            kind: form.kind as Exclude<MoveForm['kind'], 'sound'>,
            of: of.id,
            ...range,
            numbers,
          });
      if (await desk.keep(`${form.text} of ${of.name}`, operations)) {
        useMotion.setState({ tracks: places, keys: [] });
      }
    } catch (error) {
      say(error);
    }
  };
}

/** Makes keys of a move: what moves, how, and from which frame to which. */
export function MakeKeys() {
  const { document } = useDesk();
  const choice = useChoice();
  const [kind, setKind] = useState<MoveForm['kind']>('TURNTABLE');
  const [of, setOf] = useState<string | null>(null);
  const [numbers, setNumbers] = useState<Record<string, number>>({});
  const [range, setRange] = useState<{ first?: number; last?: number }>({});
  const form = MOVES.find((m) => m.kind === kind)!;
  const things = form.of(document);
  const chosen =
    things.find((t) => t.id === of) ??
    things.find((t) => [choice.light, choice.piece, choice.shot].includes(t.id)) ??
    things[0];
  const first = range.first ?? document.motion.firstFrame;
  const last = range.last ?? document.motion.lastFrame;
  const value = (p: Parameter) => numbers[`${kind} ${p.name}`] ?? p.start;

  const make = useMake();
  const order = (sound?: File) => {
    if (!chosen) return;
    const values = Object.fromEntries(form.parameters.map((p) => [p.name, value(p)]));
    void make(form, chosen, { firstFrame: first, lastFrame: last }, values, sound);
  };

  return (
    <Section title="Make keys">
      <PlainSelect
        label="Move"
        value={kind}
        options={MOVES.map((m) => ({ value: m.kind, text: m.text }))}
        onChange={(next) => setKind(next as MoveForm['kind'])}
      />
      <Typography variant="caption" color="text.secondary">
        {form.says}
      </Typography>
      {chosen ? (
        <>
          <PlainSelect
            label="Of"
            value={chosen.id}
            options={things.map((t) => ({ value: t.id, text: t.name }))}
            onChange={setOf}
          />
          {form.parameters.length > 0 && (
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
              {form.parameters.map((p) => (
                <ParameterField
                  key={`${kind} ${p.name}`}
                  parameter={p}
                  value={value(p)}
                  onChange={(v) => setNumbers((n) => ({ ...n, [`${kind} ${p.name}`]: v }))}
                />
              ))}
            </Box>
          )}
          <Row>
            <FrameField
              label="From frame"
              value={first}
              onChange={(v) => setRange({ ...range, first: v })}
            />
            <FrameField
              label="To frame"
              value={last}
              onChange={(v) => setRange({ ...range, last: v })}
            />
          </Row>
          {kind === 'sound' ? (
            <SoundButton onFile={order} />
          ) : (
            <MakeButton text="Make keys" onClick={() => order()} />
          )}
        </>
      ) : (
        <Typography variant="caption" color="text.secondary">
          There is nothing in the shoot that can move so.
        </Typography>
      )}
    </Section>
  );
}

interface ParameterFieldProps {
  parameter: Parameter;
  value: number;
  onChange: (value: number) => void;
}

/** A number of a move, or a switch that is 1 when it is on. */
function ParameterField({ parameter: p, value, onChange }: ParameterFieldProps) {
  return p.onOff ? (
    <SwitchOf label={p.label} on={value > 0} onChange={(on) => onChange(on ? 1 : 0)} />
  ) : (
    <NumberField
      label={p.label}
      value={value}
      start={p.start}
      quantity={p.quantity}
      onTry={onChange}
      onKeep={() => undefined}
      onLeave={() => undefined}
    />
  );
}

interface FrameFieldProps {
  label: string;
  value: number;
  onChange: (frame: number) => void;
}

function FrameField({ label, value, onChange }: FrameFieldProps) {
  return (
    <NumberField
      label={label}
      value={value}
      quantity={frames}
      onTry={(v) => onChange(Math.round(v))}
      onKeep={() => undefined}
      onLeave={() => undefined}
    />
  );
}

function MakeButton({ text, onClick }: { text: string; onClick: () => void }) {
  return (
    <Button
      color="inherit"
      variant="outlined"
      onClick={onClick}
      sx={{ borderColor: colours.line, alignSelf: 'start' }}
    >
      {text}
    </Button>
  );
}

/** Chooses a sound file, whose loudness is made into keys. */
function SoundButton({ onFile }: { onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <MakeButton text="Choose a sound …" onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept=".wav,.aif,.aiff,.au,audio/wav"
        aria-label="Sound file"
        hidden
        onChange={(e) => {
          const sound = e.target.files?.[0];
          e.target.value = '';
          if (sound) onFile(sound);
        }}
      />
    </>
  );
}

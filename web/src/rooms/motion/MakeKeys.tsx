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

/** Makes keys of a move: what moves, how, and from which frame to which. */
export function MakeKeys() {
  const desk = useDesk();
  const { document } = desk;
  const choice = useChoice();
  const [kind, setKind] = useState<MoveForm['kind']>('TURNTABLE');
  const [of, setOf] = useState<string | null>(null);
  const [numbers, setNumbers] = useState<Record<string, number>>({});
  const [range, setRange] = useState<{ first?: number; last?: number }>({});
  const file = useRef<HTMLInputElement>(null);
  const form = MOVES.find((m) => m.kind === kind)!;
  const things = form.of(document);
  const chosen =
    things.find((t) => t.id === of) ??
    things.find((t) => [choice.light, choice.piece, choice.shot].includes(t.id)) ??
    things[0];
  const first = range.first ?? document.motion.firstFrame;
  const last = range.last ?? document.motion.lastFrame;
  const value = (p: Parameter) => numbers[`${kind} ${p.name}`] ?? p.start;

  const make = async (sound?: File) => {
    if (!chosen) return;
    try {
      const over = { firstFrame: first, lastFrame: last };
      const { operations, places } = sound
        ? await api.soundKeys(
            desk.state.id,
            { light: chosen.id, stops: value(form.parameters[0]!), ...over },
            sound,
          )
        : await api.moveKeys(desk.state.id, {
            kind: kind as Exclude<MoveForm['kind'], 'sound'>,
            of: chosen.id,
            ...over,
            numbers: Object.fromEntries(form.parameters.map((p) => [p.name, value(p)])),
          });
      if (await desk.keep(`${form.text} of ${chosen.name}`, operations)) {
        useMotion.setState({ tracks: places, keys: [] });
      }
    } catch (error) {
      say(error);
    }
  };

  const field = (p: Parameter) =>
    p.onOff ? (
      <SwitchOf
        key={p.name}
        label={p.label}
        on={value(p) > 0}
        onChange={(on) => setNumbers({ ...numbers, [`${kind} ${p.name}`]: on ? 1 : 0 })}
      />
    ) : (
      <NumberField
        key={`${kind} ${p.name}`}
        label={p.label}
        value={value(p)}
        start={p.start}
        quantity={p.quantity}
        onTry={(v) => setNumbers((n) => ({ ...n, [`${kind} ${p.name}`]: v }))}
        onKeep={() => undefined}
        onLeave={() => undefined}
      />
    );

  const frameField = (label: string, which: 'first' | 'last', shown: number) => (
    <NumberField
      label={label}
      value={shown}
      quantity={frames}
      onTry={(v) => setRange((r) => ({ ...r, [which]: Math.round(v) }))}
      onKeep={() => undefined}
      onLeave={() => undefined}
    />
  );

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
              {form.parameters.map(field)}
            </Box>
          )}
          <Row>
            {frameField('From frame', 'first', first)}
            {frameField('To frame', 'last', last)}
          </Row>
          <Button
            color="inherit"
            variant="outlined"
            onClick={() => (kind === 'sound' ? file.current?.click() : void make())}
            sx={{ borderColor: colours.line, alignSelf: 'start' }}
          >
            {kind === 'sound' ? 'Choose a sound …' : 'Make keys'}
          </Button>
          <input
            ref={file}
            type="file"
            accept=".wav,.aif,.aiff,.au,audio/wav"
            aria-label="Sound file"
            hidden
            onChange={(e) => {
              const sound = e.target.files?.[0];
              e.target.value = '';
              if (sound) void make(sound);
            }}
          />
        </>
      ) : (
        <Typography variant="caption" color="text.secondary">
          There is nothing in the shoot that can move so.
        </Typography>
      )}
    </Section>
  );
}

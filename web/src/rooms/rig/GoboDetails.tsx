import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Tooltip from '@mui/material/Tooltip';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { api } from '../../api/client';
import type { Gobo } from '../../api/document';
import { arrowStep } from '../../controls/arrows';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { say, useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { PicturePicker } from '../set/PicturePicker';
import type { LightProps, Of } from './props';

const plain: Omit<Gobo, 'picture'> = {
  offsetX: 0,
  offsetY: 0,
  rotationDegrees: 0,
  scale: 1,
  edge: 'black',
  contrast: 1,
  gamma: 1,
  invert: false,
  blur: 0,
};

const halves = withRange({ unit: '', step: 0.02, digits: 2 }, 'gobo', 'offsetX');
const scale = withRange({ unit: '', step: 0.05, digits: 2, relative: true }, 'gobo', 'scale');
const contrast = withRange({ unit: '', step: 0.05, digits: 2 }, 'gobo', 'contrast');
const gamma = withRange({ unit: '', step: 0.05, digits: 2, relative: true }, 'gobo', 'gamma');

/** The pattern in a spot's gate: one click swaps it, the arrow keys nudge it. */
export function GoboDetails({ light, here, set, emitter }: LightProps & { emitter: Of<'spot'> }) {
  const desk = useDesk();
  const { gobo } = emitter;
  const patternsQuery = useQuery({
    queryKey: ['gobos'],
    queryFn: api.gobos,
    staleTime: Infinity,
  });
  const patterns = patternsQuery.data;
  const edit = `Pattern of ${light.name}`;
  const put = (picture: string) =>
    void desk.keep(
      edit,
      gobo
        ? set(desk.state.document, 'emitter/gobo/picture', picture)
        : set(desk.state.document, 'emitter/gobo', { ...plain, picture }),
    );
  const take = async (id: string) => {
    try {
      put((await api.takePattern(desk.state.id, id)).name);
    } catch (error) {
      say(error);
    }
  };
  const nudge = (e: React.KeyboardEvent) => {
    const by = arrowStep(e.key);
    if (!by || !gobo || e.target instanceof HTMLInputElement) return;
    e.preventDefault();
    const step = e.shiftKey ? 0.1 : 0.02;
    const now = (here(desk.state.document).emitter as Of<'spot'>).gobo!;
    const round = (v: number) => Math.round(Math.min(10, Math.max(-10, v)) * 1000) / 1000;
    void desk.keep(edit, [
      ...set(desk.state.document, 'emitter/gobo/offsetX', round(now.offsetX + step * by[0])),
      ...set(desk.state.document, 'emitter/gobo/offsetY', round(now.offsetY + step * by[1])),
    ]);
  };
  const number = (
    label: string,
    field: 'offsetX' | 'offsetY' | 'rotationDegrees' | 'scale' | 'contrast' | 'gamma' | 'blur',
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      name={`${label} of the pattern`}
      edit={edit}
      read={(d) => (here(d).emitter as Of<'spot'>).gobo?.[field] ?? 0}
      write={(d, v) => set(d, `emitter/gobo/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <Section title="Gobo">
      <Box
        role="listbox"
        aria-label="Patterns"
        onKeyDown={nudge}
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, 1fr)', gap: 1 }}
      >
        <Fetched of={patternsQuery} what="The patterns" />
        {(patterns ?? []).map(({ id, name }) => {
          const chosen = gobo?.picture === `${id}.png`;
          return (
            <Tooltip key={id} title={name}>
              <Box
                component="button"
                type="button"
                role="option"
                aria-label={name}
                aria-selected={chosen}
                onClick={() => void take(id)}
                sx={{
                  p: 0,
                  aspectRatio: '1',
                  border: `1px solid ${chosen ? colours.ember : colours.line}`,
                  borderRadius: 1,
                  overflow: 'hidden',
                  bgcolor: '#000',
                  cursor: 'pointer',
                }}
              >
                <img
                  src={api.patternUrl(id)}
                  alt=""
                  draggable={false}
                  style={{ width: '100%', height: '100%', display: 'block' }}
                />
              </Box>
            </Tooltip>
          );
        })}
      </Box>
      <PicturePicker
        label="Own picture"
        value={gobo && !patterns?.some((p) => `${p.id}.png` === gobo.picture) ? gobo.picture : null}
        relief={false}
        onPick={({ name }) => put(name)}
      />
      {gobo && (
        <>
          <Row>
            {number('Right by', 'offsetX', halves)}
            {number('Up by', 'offsetY', halves)}
            {number('Turn', 'rotationDegrees', quantities.degrees)}
          </Row>
          <Row>
            {number('Scale', 'scale', scale)}
            {number('Contrast', 'contrast', contrast)}
            {number('Gamma', 'gamma', gamma)}
          </Row>
          <Row>
            {number('Blur', 'blur', quantities.share)}
            <PlainSelect
              label="Edge"
              value={gobo.edge}
              options={[
                { value: 'black', text: 'black' },
                { value: 'repeat', text: 'repeat' },
                { value: 'clamp', text: 'clamp' },
              ]}
              onChange={(edge) =>
                void desk.keep(edit, set(desk.state.document, 'emitter/gobo/edge', edge))
              }
            />
          </Row>
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={gobo.invert}
                onChange={(e) =>
                  void desk.keep(
                    edit,
                    set(desk.state.document, 'emitter/gobo/invert', e.target.checked),
                  )
                }
              />
            }
            label="Invert"
          />
          <Button
            color="inherit"
            onClick={() => void desk.keep(edit, set(desk.state.document, 'emitter/gobo', null))}
          >
            Without a pattern
          </Button>
        </>
      )}
    </Section>
  );
}

import GridOnIcon from '@mui/icons-material/GridOn';
import TouchAppIcon from '@mui/icons-material/TouchApp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { isPlaced } from '../../plan/lights';
import { colours } from '../../theme/theme';
import type { LightProps } from './props';
import { countIn, isIn, scoped } from './scope';

const part: Quantity = {
  unit: '',
  others: { '%': 0.01 },
  least: 0,
  most: 4,
  step: 0.05,
  digits: 2,
};
const fades: Quantity = { ...quantities.length, least: 0 };

/** What a light lights and how: links, parts of the surface, shadow, reach, camera. */
export function ReachDetails({ light, here, set }: LightProps) {
  const desk = useDesk();
  const { pieces } = desk.document;
  const shaped = pieces.filter((p) => p.shape);
  const lit = countIn(light.lit, pieces);
  const casts = countIn(light.shadows, pieces);
  const shadowless = light.shadows.only && light.shadows.pieces.length === 0;
  const allRound = ['environment', 'dome', 'sky', 'sky-sun', 'plate'].includes(light.emitter.kind);
  const keep = (edit: string, field: string, value: unknown) =>
    void desk.keep(edit, set(desk.state.document, field, value));
  const exclude = () =>
    useChoice.setState({
      armed: {
        what: `Point at pieces to exclude from ${light.name}, or to include again`,
        stays: true,
        then: ({ piece }) => {
          const now = here(desk.state.document);
          const all = desk.state.document.pieces;
          const inside = isIn(now.lit, all, piece);
          const name = all.find((p) => p.id === piece)?.name ?? piece;
          keep(
            `${light.name} ${inside ? 'without' : 'with'} ${name}`,
            'lit',
            scoped(now.lit, all, piece, !inside),
          );
        },
      },
    });
  if (light.emitter.kind === 'plate') return null;
  return (
    <>
      <Section title="Light linking">
        <Typography variant="caption" color="text.secondary">
          {lit === shaped.length ? 'Every piece' : `${lit} of ${shaped.length} pieces`}
          {shadowless
            ? ', without shadows'
            : casts === shaped.length
              ? '; every piece casts its shadow'
              : `; ${casts} cast its shadow`}
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          <Button
            color="inherit"
            variant="outlined"
            startIcon={<TouchAppIcon />}
            onClick={exclude}
            sx={{ borderColor: colours.line }}
          >
            Exclude pieces …
          </Button>
          <Button
            color="inherit"
            variant="outlined"
            startIcon={<GridOnIcon />}
            onClick={() => useChoice.setState({ rigTray: 'links' })}
            sx={{ borderColor: colours.line }}
          >
            Links …
          </Button>
        </Box>
        <Row>
          <NumberOf
            label={allRound ? 'Lighting' : 'Matte'}
            edit={`Matte part of ${light.name}`}
            read={(d) => here(d).matte}
            write={(d, v) => set(d, 'matte', v)}
            quantity={part}
          />
          <NumberOf
            label={allRound ? 'In reflections' : 'Gloss'}
            edit={`Gloss part of ${light.name}`}
            read={(d) => here(d).gloss}
            write={(d, v) => set(d, 'gloss', v)}
            quantity={part}
          />
          {isPlaced(light) && light.emitter.kind !== 'sun' && (
            <NumberOf
              label="Fades at (0: never)"
              edit={`Reach of ${light.name}`}
              read={(d) => here(d).fadesAtMetres}
              write={(d, v) => set(d, 'fadesAtMetres', v)}
              quantity={fades}
            />
          )}
        </Row>
        {light.emitter.kind !== 'point' && !light.twin && (
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={light.showsToCamera}
                onChange={(e) =>
                  keep(
                    e.target.checked ? `Show ${light.name}` : `Hide ${light.name}`,
                    'showsToCamera',
                    e.target.checked,
                  )
                }
              />
            }
            label="Seen by the camera"
          />
        )}
      </Section>
      <Section title="Shadow">
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={!shadowless}
              onChange={(e) =>
                keep(
                  `Shadow of ${light.name}`,
                  'shadows',
                  e.target.checked ? { only: false, pieces: [] } : { only: true, pieces: [] },
                )
              }
            />
          }
          label="Casts shadows"
        />
        {!shadowless && (
          <>
            <NumberOf
              label="Depth"
              name="Depth of the shadow"
              edit={`Shadow of ${light.name}`}
              read={(d) => here(d).shadowDepth}
              write={(d, v) => set(d, 'shadowDepth', v)}
              quantity={quantities.share}
            />
            <ColourOf
              label="Colour"
              edit={`Shadow of ${light.name}`}
              read={(d) => here(d).shadowColour}
              write={(d, v) => set(d, 'shadowColour', v)}
            />
          </>
        )}
      </Section>
    </>
  );
}

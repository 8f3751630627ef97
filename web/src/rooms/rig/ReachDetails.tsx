import GridOnIcon from '@mui/icons-material/GridOn';
import TouchAppIcon from '@mui/icons-material/TouchApp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { SwitchOf } from '../../controls/SwitchOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { isPlaced } from '../../plan/lights';
import { colours } from '../../theme/theme';
import { CausticDetails } from './CausticDetails';
import type { LightProps } from './props';
import { countIn, isIn, scoped } from './scope';

const fades = withRange(quantities.length, 'light', 'fadesAtMetres');

/** What a light lights and how: links, parts of the surface, shadow, reach, camera. */
export function ReachDetails({ light, here, set }: LightProps) {
  const desk = useDesk();
  const { pieces } = desk.document;
  const shaped = pieces.filter((p) => p.shape);
  const lit = countIn(light.lightLinking, pieces);
  const casts = countIn(light.shadowLinking, pieces);
  const shadowless = light.shadowLinking.only && light.shadowLinking.pieces.length === 0;
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
          const inside = isIn(now.lightLinking, all, piece);
          const name = all.find((p) => p.id === piece)?.name ?? piece;
          keep(
            `${light.name} ${inside ? 'without' : 'with'} ${name}`,
            'lightLinking',
            scoped(now.lightLinking, all, piece, !inside),
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
            label={allRound ? 'Lighting' : 'Diffuse'}
            edit={`Diffuse part of ${light.name}`}
            read={(d) => here(d).diffuse}
            write={(d, v) => set(d, 'diffuse', v)}
            quantity={quantities.level}
          />
          <NumberOf
            label={allRound ? 'In reflections' : 'Specular'}
            edit={`Specular part of ${light.name}`}
            read={(d) => here(d).specular}
            write={(d, v) => set(d, 'specular', v)}
            quantity={quantities.level}
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
        {light.emitter.kind !== 'point' && !light.mirror && (
          <SwitchOf
            label="Seen by the camera"
            on={light.seenDirectly}
            onChange={(on) =>
              keep(on ? `Show ${light.name}` : `Hide ${light.name}`, 'seenDirectly', on)
            }
          />
        )}
      </Section>
      <Section title="Shadow">
        <SwitchOf
          label="Casts shadows"
          on={!shadowless}
          onChange={(on) =>
            keep(`Shadow of ${light.name}`, 'shadowLinking', { only: !on, pieces: [] })
          }
        />
        {!shadowless && (
          <>
            <NumberOf
              label="Depth"
              name="Depth of the shadow"
              edit={`Shadow of ${light.name}`}
              read={(d) => here(d).shadowDensity}
              write={(d, v) => set(d, 'shadowDensity', v)}
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
      <CausticDetails light={light} here={here} set={set} />
    </>
  );
}

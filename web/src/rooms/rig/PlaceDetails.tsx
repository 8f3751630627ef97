import FlipIcon from '@mui/icons-material/Flip';
import GpsFixedIcon from '@mui/icons-material/GpsFixed';
import TouchAppIcon from '@mui/icons-material/TouchApp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Effect } from '../../api/client';
import type { Light, Vector } from '../../api/document';
import { setField } from '../../api/patch';
import { NumberOf, Row, Section, VectorOf } from '../../controls/FieldOf';
import { PlainMenu } from '../../controls/PlainMenu';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { freeId } from '../../desk/newLight';
import { chosenWith, useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';
import { cross, inverse, minus, parentFrame, point, unit } from '../../picture/frame';
import { inWorld, isAimed } from '../../plan/lights';
import { colours } from '../../theme/theme';
import { placeByEffect } from './placeByEffect';
import type { LightProps } from './props';

const FREE = ' ';
const EFFECTS: [Effect, string][] = [
  ['highlight', 'A highlight'],
  ['shadow', 'A shadow'],
  ['rim', 'A lit edge'],
];

/** Where a light stands, what it aims at, what it moves with. */
export function PlaceDetails({ light, here, set }: LightProps) {
  const desk = useDesk();
  const shot = useChosenShot();
  const { pieces } = desk.document;
  const aimed = isAimed(light);
  const world = inWorld(light, desk.document);

  const tie = (to: string | null) => {
    const frame = inverse(parentFrame(desk.state.document.pieces, to));
    void desk.keep(to ? `Parent of ${light.name}` : `Unparent ${light.name}`, [
      ...set(desk.state.document, 'parent', to),
      ...set(desk.state.document, 'position', point(frame, world.position)),
      ...(light.aimedAt ? [] : set(desk.state.document, 'aim', point(frame, world.aim))),
    ]);
  };
  const aimAt = (to: string | null) => {
    const { document } = desk.state;
    const frame = inverse(parentFrame(document.pieces, to ?? light.parent));
    void desk.keep(`Aim ${light.name}`, [
      ...set(document, 'aimedAt', to),
      ...set(document, 'aim', to ? [0, 0, 0] : point(frame, world.aim)),
    ]);
  };
  const aimByPointing = () =>
    useChoice.setState({
      armed: {
        what: `Point at what ${light.name} aims at`,
        then: ({ position: { x, y, z } }) => {
          const frame = inverse(
            parentFrame(desk.state.document.pieces, light.aimedAt ?? light.parent),
          );
          void desk.keep(
            `Aim ${light.name}`,
            set(desk.state.document, 'aim', point(frame, [x, y, z])),
          );
        },
      },
    });
  /** The mirror image across what the camera looks at. */
  const mirror = async () => {
    const id = freeId(`${light.id}-mirror`, desk.state.document.lights);
    const way = minus(shot.aim, shot.position);
    const normal = unit(cross([way[0], 0, way[2]], [0, 1, 0]));
    const image: Light = {
      ...here(desk.state.document),
      id,
      name: `${light.name}, mirrored`,
      levelStops: 0,
      solo: false,
      mirror: { of: light.id, point: world.aims ? world.aim : shot.aim, normal },
    };
    const kept = desk.keep(`Mirror ${light.name}`, [
      { op: 'add', path: '/lights/-', value: image },
    ]);
    await chosenWith(kept, { light: id });
  };
  const sun = light.emitter.kind === 'sun';
  const distance = Math.hypot(...minus(world.aim, world.position));
  const away = (metres: number): Vector =>
    world.position.map(
      (x, i) => world.aim[i]! + ((x - world.aim[i]!) * metres) / (distance || 1),
    ) as Vector;

  return (
    <Section title="Place">
      <PlainMenu
        label="What the light shall make"
        text="Place by pointing"
        icon={<TouchAppIcon />}
        framed
        head={() => (
          <Typography color="text.secondary" sx={{ px: 4, pb: 1 }}>
            What shall the light make?
          </Typography>
        )}
        items={EFFECTS.map(([effect, text]) => ({
          text,
          onClick: () => placeByEffect(desk, here(desk.state.document), effect),
        }))}
      />
      <VectorOf
        label={light.parent ? 'Position, in its parent' : 'Position'}
        edit={`Move ${light.name}`}
        read={(d) => here(d).position}
        write={(d, v) => set(d, 'position', v)}
        quantity={quantities.metres}
      />
      {aimed && (
        <>
          <VectorOf
            label={light.aimedAt ? 'Aims at, from the piece' : 'Aims at'}
            edit={`Aim ${light.name}`}
            read={(d) => here(d).aim}
            write={(d, v) => set(d, 'aim', v)}
            quantity={quantities.metres}
          />
          <Row>
            {!sun && (
              <NumberOf
                label="Distance"
                edit={`Distance of ${light.name}`}
                read={(d) => {
                  const now = inWorld(here(d), d);
                  return Math.hypot(...minus(now.aim, now.position));
                }}
                write={(d, v) => [
                  setField(
                    d,
                    'lights',
                    light.id,
                    'position',
                    point(inverse(parentFrame(d.pieces, light.parent)), away(v)),
                  ),
                ]}
                quantity={quantities.length}
              />
            )}
            <NumberOf
              label="Roll"
              edit={`Roll ${light.name}`}
              read={(d) => here(d).rollDegrees}
              write={(d, v) => set(d, 'rollDegrees', v)}
              quantity={quantities.degrees}
            />
          </Row>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
            <Button
              color="inherit"
              variant="outlined"
              startIcon={<GpsFixedIcon />}
              onClick={aimByPointing}
              sx={{ borderColor: colours.line }}
            >
              Aim by pointing
            </Button>
            <Button
              color="inherit"
              variant="outlined"
              startIcon={<FlipIcon />}
              onClick={() => void mirror()}
              sx={{ borderColor: colours.line }}
            >
              Mirror light
            </Button>
          </Box>
        </>
      )}
      <Row>
        <PlainSelect
          label="Parent"
          value={light.parent ?? FREE}
          options={[
            { value: FREE, text: 'none' },
            ...pieces.map((p) => ({ value: p.id, text: p.name })),
          ]}
          onChange={(id) => tie(id === FREE ? null : id)}
        />
        {aimed && (
          <PlainSelect
            label="Stays aimed at"
            value={light.aimedAt ?? FREE}
            options={[
              { value: FREE, text: 'a place' },
              ...pieces.map((p) => ({ value: p.id, text: p.name })),
            ]}
            onChange={(id) => aimAt(id === FREE ? null : id)}
          />
        )}
      </Row>
    </Section>
  );
}

import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/Delete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Maps, Material, Operation, ShootDocument, Texture } from '../../api/document';
import { AddMenu } from '../../controls/AddMenu';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { PicturePicker, type Picked } from './PicturePicker';

type Slot =
  | 'colour'
  | 'second'
  | 'mask'
  | 'roughness'
  | 'metalness'
  | 'normal'
  | 'bump'
  | 'displacement'
  | 'opacity';

const SLOTS: { slot: Slot; name: string; what: string; relief: boolean }[] = [
  { slot: 'colour', name: 'Colour', what: 'times the colour', relief: false },
  { slot: 'second', name: 'Second colour', what: 'laid over the first', relief: false },
  { slot: 'mask', name: 'Mask', what: 'where the second shows', relief: true },
  { slot: 'roughness', name: 'Roughness', what: 'times the roughness, by green', relief: true },
  { slot: 'metalness', name: 'Metal', what: 'times the metal, by blue', relief: true },
  { slot: 'bump', name: 'Bump', what: 'heights', relief: true },
  { slot: 'displacement', name: 'Displacement', what: 'pushes the surface out', relief: true },
  { slot: 'opacity', name: 'Opacity', what: 'black is a hole', relief: true },
  { slot: 'normal', name: 'Normals', what: 'a normal map, green up', relief: true },
];

const repeats = withRange({ unit: '', step: 0.1, digits: 3 }, 'texture', 'repeatsU');
const pictures = withRange({ unit: '', step: 0.01, digits: 3 }, 'texture', 'offsetU');
const strength = withRange({ unit: '', step: 0.05, digits: 2 }, 'maps', 'normalStrength');
const falloff = withRange({ unit: '', step: 0.1, digits: 2 }, 'rim', 'falloff');
const relief = withRange(quantities.length, 'maps', 'bumpMetres');

interface Props {
  material: Material;
  here: (d: ShootDocument) => Material;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** A picture as it lies when it is newly put on: in metres when it is known how large it is. */
function laid({ name, metres }: Picked): Texture {
  return {
    picture: name,
    mapping: metres ? 'metres' : 'first',
    offsetU: 0,
    offsetV: 0,
    repeatsU: metres ? 1 / metres : 1,
    repeatsV: metres ? 1 / metres : 1,
    rotationDegrees: 0,
    edge: 'repeat',
    edgeV: 'repeat',
  };
}

/** What varies over a material: pictures, a ramp, a rim. */
export function MapsDetails({ material, here, set }: Props) {
  const desk = useDesk();
  const maps = material.maps;
  const edit = `Pictures of ${material.name}`;
  const keep = (field: keyof Maps, value: unknown) =>
    void desk.keep(edit, set(desk.state.document, `maps/${field}`, value));
  /** A colour picture shows as it is: the colour that it is times becomes white. */
  const putOn = (slot: Slot, picked: Picked) =>
    void desk.keep(edit, [
      ...set(desk.state.document, `maps/${slot}`, laid(picked)),
      ...(slot === 'colour' ? set(desk.state.document, 'colour', [1, 1, 1]) : []),
    ]);
  const number = (
    label: string,
    field: 'normalStrength' | 'bumpMetres' | 'displacementMetres',
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      edit={edit}
      read={(d) => here(d).maps[field]}
      write={(d, v) => set(d, `maps/${field}`, v)}
      quantity={quantity}
    />
  );
  const unused = SLOTS.filter(
    ({ slot }) => !maps[slot] && ((slot !== 'second' && slot !== 'mask') || maps.colour),
  );

  return (
    <>
      <Section title="Pictures">
        {SLOTS.filter(({ slot }) => maps[slot]).map(({ slot, name, what, relief: heights }) => (
          <Box
            key={slot}
            role="group"
            aria-label={`${name} picture`}
            sx={{ borderLeft: `2px solid ${colours.line}`, pl: 2, display: 'grid', gap: 1.5 }}
          >
            <Box sx={{ display: 'flex', alignItems: 'center' }}>
              <Typography variant="caption" sx={{ flex: 1 }}>
                {name}{' '}
                <Box component="span" sx={{ color: colours.quiet }}>
                  {what}
                </Box>
              </Typography>
              <IconButton
                aria-label={`Take the ${name.toLowerCase()} picture off`}
                onClick={() => keep(slot, null)}
              >
                <DeleteIcon fontSize="inherit" />
              </IconButton>
            </Box>
            <PicturePicker
              label={`${name} picture`}
              value={maps[slot]!.picture}
              relief={heights}
              onPick={(picked) => keep(slot, { ...maps[slot]!, picture: picked.name })}
            />
            <Lie slot={slot} name={name} here={here} set={set} edit={edit} />
            {slot === 'bump' && number('Black to white', 'bumpMetres', relief)}
            {slot === 'displacement' &&
              number(
                'Black to white',
                'displacementMetres',
                withRange(relief, 'maps', 'displacementMetres'),
              )}
            {slot === 'normal' && number('Strength', 'normalStrength', strength)}
            {slot === 'colour' && <Ramp material={material} here={here} set={set} edit={edit} />}
          </Box>
        ))}
        {unused.length > 0 && (
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
            {unused.map(({ slot, name, relief: heights }) => (
              <PicturePicker
                key={slot}
                label={name}
                value={null}
                relief={heights}
                onPick={(picked) => putOn(slot, picked)}
              />
            ))}
          </Box>
        )}
      </Section>
      <Section title="Rim by viewing angle">
        {maps.rim ? (
          <>
            <ColourOf
              label="Rim"
              edit={edit}
              read={(d) => here(d).maps.rim?.colour ?? [1, 1, 1]}
              write={(d, v) => set(d, 'maps/rim/colour', v)}
            />
            <Row>
              <NumberOf
                label="Amount"
                name="Amount of the rim"
                edit={edit}
                read={(d) => here(d).maps.rim?.amount ?? 0}
                write={(d, v) => set(d, 'maps/rim/amount', v)}
                quantity={quantities.share}
              />
              <NumberOf
                label="Falloff"
                edit={edit}
                read={(d) => here(d).maps.rim?.falloff ?? 1}
                write={(d, v) => set(d, 'maps/rim/falloff', v)}
                quantity={falloff}
              />
            </Row>
            <Button color="inherit" onClick={() => keep('rim', null)}>
              Without a rim
            </Button>
          </>
        ) : (
          <Button
            color="inherit"
            startIcon={<AddIcon />}
            onClick={() => keep('rim', { colour: [1, 1, 1], amount: 0.6, falloff: 3 })}
          >
            Add a rim
          </Button>
        )}
      </Section>
    </>
  );
}

interface LieProps {
  slot: Slot;
  name: string;
  here: Props['here'];
  set: Props['set'];
  edit: string;
}

/** How a picture lies. */
function Lie({ slot, name, here, set, edit }: LieProps) {
  const desk = useDesk();
  const texture = here(desk.document).maps[slot];
  if (!texture) return null;
  const field = (
    label: string,
    key: 'offsetU' | 'offsetV' | 'repeatsU' | 'repeatsV' | 'rotationDegrees',
    quantity: Quantity,
  ) => (
    <NumberOf
      key={key}
      label={label}
      name={`${label}, ${name.toLowerCase()} picture`}
      edit={edit}
      read={(d) => here(d).maps[slot]?.[key] ?? 0}
      write={(d, v) => set(d, `maps/${slot}/${key}`, v)}
      quantity={quantity}
    />
  );
  const edge = (label: string, key: 'edge' | 'edgeV') => (
    <PlainSelect
      label={label}
      value={texture[key] ?? texture.edge}
      options={[
        { value: 'repeat', text: 'repeat' },
        { value: 'mirror', text: 'mirror' },
        { value: 'clamp', text: 'clamp' },
      ]}
      onChange={(value) =>
        void desk.keep(edit, set(desk.state.document, `maps/${slot}/${key}`, value))
      }
    />
  );
  const unit = texture.mapping === 'metres' ? ' a metre' : '';
  return (
    <>
      <Row>
        <PlainSelect
          label="Mapping"
          value={texture.mapping}
          options={[
            { value: 'first', text: 'first UV set' },
            { value: 'second', text: 'second UV set' },
            { value: 'metres', text: 'metres' },
          ]}
          onChange={(lay) =>
            void desk.keep(edit, set(desk.state.document, `maps/${slot}/mapping`, lay))
          }
        />
      </Row>
      <Row>
        {edge('Edge across', 'edge')}
        {edge('Edge down', 'edgeV')}
      </Row>
      <Row>
        {field(`Across${unit}`, 'repeatsU', repeats)}
        {field(`Down${unit}`, 'repeatsV', repeats)}
      </Row>
      <Row>
        {field('Right by', 'offsetU', pictures)}
        {field('Down by', 'offsetV', pictures)}
        {field('Turn', 'rotationDegrees', quantities.degrees)}
      </Row>
    </>
  );
}

/** A ramp that recolours a picture by its luminance. */
function Ramp({ material, here, set, edit }: Props & { edit: string }) {
  const desk = useDesk();
  const ramp = material.maps.ramp;
  const keep = (value: Maps['ramp']) =>
    void desk.keep(edit, set(desk.state.document, 'maps/ramp', value));
  if (ramp.length === 0) {
    return (
      <Button
        color="inherit"
        startIcon={<AddIcon />}
        onClick={() =>
          keep([
            { at: 0, colour: [0.02, 0.02, 0.03] },
            { at: 1, colour: [0.9, 0.85, 0.75] },
          ])
        }
      >
        Recolour by a ramp
      </Button>
    );
  }
  return (
    <Box role="group" aria-label="Ramp" sx={{ display: 'grid', gap: 1.5 }}>
      {ramp.map((stop, i) => (
        <Box key={i}>
          <Row>
            <NumberOf
              label={`Luminance ${i + 1}`}
              edit={edit}
              read={(d) => here(d).maps.ramp[i]?.at ?? stop.at}
              write={(d, v) => {
                const stops = here(d).maps.ramp;
                const low = stops[i - 1]?.at ?? 0;
                const high = stops[i + 1]?.at ?? 1;
                return set(d, `maps/ramp/${i}/at`, Math.min(high, Math.max(low, v)));
              }}
              quantity={quantities.share}
            />
          </Row>
          <ColourOf
            label={`Colour ${i + 1}`}
            edit={edit}
            read={(d) => here(d).maps.ramp[i]?.colour ?? stop.colour}
            write={(d, v) => set(d, `maps/ramp/${i}/colour`, v)}
          />
        </Box>
      ))}
      <AddMenu
        text="Ramp"
        items={[
          { kind: 'stop', name: 'One stop more' },
          { kind: 'fewer', name: 'One stop fewer' },
          { kind: 'none', name: 'No ramp' },
        ]}
        onAdd={(kind) => {
          const last = ramp.at(-1)!;
          if (kind === 'stop') keep([...ramp, { ...last, at: 1 }]);
          else keep(kind === 'none' || ramp.length === 2 ? [] : ramp.slice(0, -1));
        }}
      />
    </Box>
  );
}

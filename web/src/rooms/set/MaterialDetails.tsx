import CallSplitIcon from '@mui/icons-material/CallSplit';
import { plural } from '../../controls/plural';
import ColorizeIcon from '@mui/icons-material/Colorize';
import LightbulbOutlinedIcon from '@mui/icons-material/LightbulbOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Light, Material, Operation, Piece, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { SwitchOf } from '../../controls/SwitchOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { freeId, lightDefaults } from '../../desk/newLight';
import { useChoice, type At } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { MapsDetails } from './MapsDetails';
import { MakeCaustics } from '../rig/MakeCaustics';
import { MaterialCaustics } from './MaterialCaustics';
import { ReflectionDetails } from './ReflectionDetails';
import { Shelf } from './Shelf';

const ior = withRange({ unit: '', step: 0.01, digits: 3 }, 'material', 'ior');
const priority = withRange({ unit: '', step: 1, digits: 0 }, 'material', 'priority');
const abbe = withRange({ unit: '', step: 1, digits: 1 }, 'material', 'abbe');

/** The material of a piece: which one, and all its numbers. */
export function MaterialDetails({ piece }: { piece: Piece }) {
  const desk = useDesk();
  const document = desk.state.document;
  const material = desk.document.materials.find((m) => m.id === piece.material);
  if (!material) return null;
  const shot = useChoice.getState().shot ?? document.shots[0]?.id;
  const users = document.pieces.filter((p) => p.material === material.id).length;
  const here = (d: ShootDocument) => d.materials.find((m) => m.id === material.id) ?? material;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'materials', material.id, field, value),
  ];
  const edit = `Material ${material.name}`;
  const number = (
    label: string,
    field: string,
    read: (m: Material) => number,
    quantity: Quantity = quantities.share,
  ) => (
    <NumberOf
      key={field}
      label={label}
      name={`${label} of the material`}
      edit={edit}
      read={(d) => read(here(d))}
      write={(d, v) => set(d, field, v)}
      quantity={quantity}
    />
  );

  const takeFrom = ({ material: id }: At) => {
    if (id && id !== material.id) {
      void desk.keep(`Material of ${piece.name}`, [
        setField(desk.state.document, 'pieces', piece.id, 'material', id),
      ]);
    }
  };
  const ownCopy = () => {
    const id = freeId(material.id, document.materials);
    void desk.keep(`A material of its own for ${piece.name}`, [
      {
        op: 'add',
        path: '/materials/-',
        value: { ...here(document), id, name: `${material.name} ${id.split('-').at(-1)}` },
      },
      setField(document, 'pieces', piece.id, 'material', id),
    ]);
  };
  const emits = document.lights.some(
    (l) => l.emitter.kind === 'emissive' && l.emitter.material === material.id,
  );
  const makeLight = () => {
    const base = lightDefaults();
    const light: Light = {
      ...base,
      id: freeId(`${material.id}-light`, document.lights),
      name: `${material.name} light`,
      emitter: { kind: 'emissive', material: material.id, picture: null },
      position: [0, 0, 0],
      aim: [0, 1, 0],
      brightness: { value: 500, unit: 'cd/m2', efficacy: 100 },
      seenDirectly: true,
    };
    void desk.keep(`Make ${material.name} a light`, [
      { op: 'add', path: '/lights/-', value: light },
    ]);
  };

  return (
    <Box key={material.id}>
      <Section title="Material">
        <PlainSelect
          label={`Used by ${plural(users, 'piece')}`}
          value={material.id}
          options={document.materials.map((m) => ({ value: m.id, text: m.name }))}
          onChange={(id) =>
            void desk.keep(`Material of ${piece.name}`, [
              setField(document, 'pieces', piece.id, 'material', id),
            ])
          }
        />
        <Row>
          <Shelf piece={piece} />
          <Button
            color="inherit"
            variant="outlined"
            startIcon={<ColorizeIcon />}
            onClick={() =>
              useChoice.setState({
                armed: { what: `Point at what ${piece.name} is to be made of`, then: takeFrom },
              })
            }
            sx={{ borderColor: colours.line }}
          >
            From the picture
          </Button>
        </Row>
        <NameField
          label="Name of the material"
          value={material.name}
          onKeep={(name) => void desk.keep(`Rename ${material.name}`, set(document, 'name', name))}
        />
        <Row>
          <Button
            color="inherit"
            startIcon={<CallSplitIcon />}
            disabled={users < 2}
            onClick={ownCopy}
          >
            Own copy
          </Button>
          <Button
            color="inherit"
            startIcon={<LightbulbOutlinedIcon />}
            disabled={emits}
            onClick={makeLight}
          >
            {emits ? 'Is a light' : 'Make it a light'}
          </Button>
        </Row>
        <ColourOf
          label="Colour"
          edit={edit}
          read={(d) => here(d).colour}
          write={(d, v) => set(d, 'colour', v)}
        />
        <Row>
          {number('Metal', 'metalness', (m) => m.metalness)}
          {number('Roughness', 'roughness', (m) => m.roughness)}
        </Row>
        <Row>
          {number('Specular', 'specular', (m) => m.specular)}
          {number('Refractive index', 'ior', (m) => m.ior, ior)}
        </Row>
      </Section>
      <MapsDetails material={material} here={here} set={set} />
      <Section title="Glass">
        <Row>
          {number('Transmission', 'transmission', (m) => m.transmission)}
          {number('Abbe (0: none)', 'abbe', (m) => m.abbe, abbe)}
        </Row>
        {material.transmission > 0 && (
          <>
            <ColourOf
              label="Tint"
              edit={edit}
              read={(d) => here(d).tint}
              write={(d, v) => set(d, 'tint', v)}
            />
            <Row>
              {number('Tint at depth', 'tintDepth', (m) => m.tintDepth, quantities.length)}
              <SwitchOf
                label="Thin"
                on={material.thin}
                onChange={(on) => void desk.keep(edit, set(document, 'thin', on))}
              />
            </Row>
            {!material.thin && (
              <Row>
                {number('Priority where bodies overlap', 'priority', (m) => m.priority, priority)}
              </Row>
            )}
          </>
        )}
        <MaterialCaustics
          material={material}
          onChange={(label, on) => void desk.keep(label, set(document, 'castsCaustics', on))}
        />
        {shot && <MakeCaustics name={piece.name} of={{ piece: piece.id, shot }} />}
      </Section>
      <ReflectionDetails material={material} here={here} set={set} />
      <Section title="Coat and sheen">
        <Row>
          {number('Coat', 'coat/amount', (m) => m.coat.amount)}
          {number('Coat roughness', 'coat/roughness', (m) => m.coat.roughness)}
        </Row>
        <ColourOf
          label="Sheen"
          edit={edit}
          read={(d) => here(d).sheen.colour}
          write={(d, v) => set(d, 'sheen/colour', v)}
        />
        {number('Sheen roughness', 'sheen/roughness', (m) => m.sheen.roughness)}
      </Section>
    </Box>
  );
}

import AddIcon from '@mui/icons-material/Add';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import TouchAppIcon from '@mui/icons-material/TouchApp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import Switch from '@mui/material/Switch';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import type { Glow, GlowSource } from '../../api/document';
import { ColourOf } from '../../controls/ColourOf';
import { Fold } from '../../controls/Fold';
import { Row } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { LookNumber } from './LookNumber';
import { newGlow } from './plain';
import { useLook } from './useLook';

const SOURCES: { value: GlowSource; text: string }[] = [
  { value: 'picture', text: 'The whole picture' },
  { value: 'emission', text: 'Emission that is seen' },
  { value: 'lights', text: 'Chosen lights' },
  { value: 'pieces', text: 'Chosen pieces' },
  { value: 'materials', text: 'Chosen materials' },
];

const MOST = 16;

const threshold = withRange(
  { unit: 'st', step: 1 / 3, digits: 2, stops: true },
  'glow',
  'threshold',
);
const knee = withRange({ unit: 'st', step: 0.1, digits: 2 }, 'glow', 'knee');
const bloomSize = withRange({ unit: '%', step: 0.2, digits: 2, relative: true }, 'bloom', 'size');
const length = withRange({ unit: '%', step: 1, digits: 1, relative: true }, 'starRays', 'length');
const turn = withRange(quantities.degrees, 'starRays', 'rotationDegrees');
const starRays = withRange({ unit: '', step: 1, digits: 0 }, 'starRays', 'count');
const lensFlare = withRange({ unit: '', step: 1, digits: 0 }, 'lensFlare', 'count');
const spread = withRange({ unit: '', step: 0.05, digits: 2 }, 'lensFlare', 'spread');

/** What the lens spreads, each from a source of its own. */
export function GlowDetails() {
  const desk = useDesk();
  const { look, set } = useLook();
  const chosen = useChoice((c) => c.glow);
  const open = look.glows.find((g) => g.id === chosen) ?? look.glows[0];
  const add = () => {
    const glow = newGlow(look.glows);
    void desk.keep(`Add ${glow.name}`, set(desk.state.document, 'glows', [...look.glows, glow]));
    useChoice.setState({ glow: glow.id });
  };
  return (
    <Fold
      title="Glow"
      open
      changed={look.glows.some((g) => g.on)}
      aside={
        <Button
          color="inherit"
          startIcon={<AddIcon />}
          onClick={add}
          disabled={look.glows.length >= MOST}
          sx={{ fontSize: 11 }}
        >
          A glow
        </Button>
      }
    >
      {look.glows.length === 0 && (
        <Typography variant="caption" color="text.secondary">
          The lens spreads nothing. Add a glow for bloom, star rays or lens flare round what is
          bright.
        </Typography>
      )}
      {look.glows.length > 1 && (
        <Box role="tablist" aria-label="Glows" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {look.glows.map((g) => (
            <Chip
              key={g.id}
              size="small"
              role="tab"
              aria-selected={g === open}
              label={g.name}
              variant={g.on ? 'filled' : 'outlined'}
              color={g === open ? 'primary' : 'default'}
              onClick={() => useChoice.setState({ glow: g.id })}
            />
          ))}
        </Box>
      )}
      {open && <OneGlow key={open.id} glow={open} />}
    </Fold>
  );
}

function OneGlow({ glow }: { glow: Glow }) {
  const desk = useDesk();
  const { look, set } = useLook();
  const at = `glows/${look.glows.indexOf(glow)}`;
  const keep = (edit: string, field: string, value: unknown) =>
    void desk.keep(edit, set(desk.state.document, `${at}/${field}`, value));
  const remove = () =>
    void desk.keep(
      `Delete ${glow.name}`,
      set(
        desk.state.document,
        'glows',
        look.glows.filter((g) => g.id !== glow.id),
      ),
    );
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Switch
          size="small"
          checked={glow.on}
          onChange={(e) =>
            keep(`${glow.name} ${e.target.checked ? 'on' : 'off'}`, 'on', e.target.checked)
          }
          slotProps={{ input: { 'aria-label': `${glow.name} on` } }}
        />
        <NameField
          label="Name of the glow"
          value={glow.name}
          onKeep={(name) => keep(`Name of ${glow.name}`, 'name', name)}
        />
        <Tooltip title="Delete the glow">
          <IconButton aria-label={`Delete ${glow.name}`} onClick={remove}>
            <DeleteOutlineIcon fontSize="inherit" />
          </IconButton>
        </Tooltip>
      </Box>
      <PlainSelect
        label="Comes from"
        value={glow.source.kind}
        options={SOURCES}
        onChange={(kind) => keep(`Source of ${glow.name}`, 'source', { kind, of: [] })}
      />
      <Chosen glow={glow} onChange={(of) => keep(`Source of ${glow.name}`, 'source/of', of)} />
      <Row>
        <LookNumber
          label="Threshold"
          name={`Threshold of ${glow.name}`}
          edit={`Threshold of ${glow.name}`}
          field={`${at}/threshold`}
          quantity={threshold}
        />
        <LookNumber
          label="Knee"
          name={`Knee of ${glow.name}`}
          edit={`Threshold of ${glow.name}`}
          field={`${at}/knee`}
          quantity={knee}
        />
      </Row>
      <SwitchOf
        label="Lamps outside of the frame too"
        on={glow.outsideFrame}
        onChange={(on) => keep(`${glow.name} from outside`, 'outsideFrame', on)}
      />
      <Part glow={glow} at={at} part="bloom" title="Bloom">
        <LookNumber
          label="Size"
          name="Size of the bloom"
          edit={`Bloom of ${glow.name}`}
          field={`${at}/bloom/size`}
          quantity={bloomSize}
        />
      </Part>
      <Part glow={glow} at={at} part="starRays" title="Star rays">
        <LookNumber
          label="Length"
          name="Length of the star rays"
          edit={`Star rays of ${glow.name}`}
          field={`${at}/starRays/length`}
          quantity={length}
        />
        <LookNumber
          label="Count"
          name="Count of the star rays"
          edit={`Star rays of ${glow.name}`}
          field={`${at}/starRays/count`}
          quantity={starRays}
        />
        <LookNumber
          label="Turn"
          name="Rotation of the star rays"
          edit={`Star rays of ${glow.name}`}
          field={`${at}/starRays/rotationDegrees`}
          quantity={turn}
        />
      </Part>
      <Part glow={glow} at={at} part="lensFlare" title="Lens flare">
        <LookNumber
          label="Count"
          name="Count of the lens flare"
          edit={`Lens flare of ${glow.name}`}
          field={`${at}/lensFlare/count`}
          quantity={lensFlare}
        />
        <LookNumber
          label="Spread"
          name="Spread of the lens flare"
          edit={`Lens flare of ${glow.name}`}
          field={`${at}/lensFlare/spread`}
          quantity={spread}
        />
      </Part>
    </>
  );
}

interface PartProps {
  glow: Glow;
  at: string;
  part: 'bloom' | 'starRays' | 'lensFlare';
  title: string;
  children: React.ReactNode;
}

/** Bloom, star rays or lens flare of a glow, with the colour of what is spread. */
function Part({ glow, at, part, title, children }: PartProps) {
  const { here, set, keep } = useLook();
  const edit = `${title} of ${glow.name}`;
  const spoken = title.toLowerCase();
  const now = glow[part];
  return (
    <Box
      role="group"
      aria-label={title}
      sx={{ pl: 2, borderLeft: `2px solid ${now.on ? colours.ember : colours.line}` }}
    >
      <SwitchOf
        label={title}
        on={now.on}
        onChange={(on) => keep(`${edit} ${on ? 'on' : 'off'}`, `${at}/${part}/on`, on)}
      />
      {now.on && (
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: 1 }}>
          <Row>
            <LookNumber
              label="Level"
              name={`Level of the ${spoken}`}
              edit={edit}
              field={`${at}/${part}/level`}
              quantity={quantities.share}
            />
            {children}
          </Row>
          <LookNumber
            label="Own colour"
            name={`Own colour of the ${spoken}`}
            edit={edit}
            field={`${at}/${part}/ownShare`}
            quantity={quantities.share}
          />
          {now.ownShare > 0 && (
            <ColourOf
              label={`Colour of the ${spoken}`}
              edit={edit}
              read={(d) => here(d).glows.find((g) => g.id === glow.id)?.[part].colour ?? [1, 1, 1]}
              write={(d, v) =>
                // Black has no colour to give.
                v.some((c) => c > 0) ? set(d, `${at}/${part}/colour`, v) : []
              }
            />
          )}
        </Box>
      )}
    </Box>
  );
}

/** The lights, pieces or materials that glow; pieces may be pointed at. */
function Chosen({ glow, onChange }: { glow: Glow; onChange: (of: string[]) => void }) {
  const desk = useDesk();
  const { here } = useLook();
  const { kind, of } = glow.source;
  if (kind === 'picture' || kind === 'emission') return null;
  const all: { id: string; name: string }[] =
    kind === 'lights'
      ? desk.document.lights
      : kind === 'materials'
        ? desk.document.materials
        : desk.document.pieces.filter((p) => of.includes(p.id));
  const flip = (id: string, now: string[]) =>
    now.includes(id) ? now.filter((o) => o !== id) : [...now, id];
  const point = () =>
    useChoice.setState({
      armed: {
        what: `Choose what ${glow.name} comes from, or take it out again`,
        stays: true,
        then: ({ piece, material }) => {
          const id = kind === 'materials' ? material : piece;
          const now = here(desk.state.document).glows.find((g) => g.id === glow.id);
          if (id && now) onChange(flip(id, now.source.of));
        },
      },
    });
  return (
    <Box>
      {kind !== 'lights' && (
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<TouchAppIcon />}
          onClick={point}
          sx={{ borderColor: colours.line, mb: 1 }}
        >
          Point at them …
        </Button>
      )}
      <Box
        role="group"
        aria-label={`Source of ${glow.name}`}
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, maxHeight: 120, overflowY: 'auto' }}
      >
        {all.map(({ id, name }) => (
          <Chip
            key={id}
            size="small"
            label={name}
            aria-pressed={of.includes(id)}
            variant={of.includes(id) ? 'filled' : 'outlined'}
            color={of.includes(id) ? 'primary' : 'default'}
            onClick={() => onChange(flip(id, of))}
          />
        ))}
        {all.length === 0 && (
          <Typography variant="caption" color="text.secondary">
            Nothing is chosen yet.
          </Typography>
        )}
      </Box>
    </Box>
  );
}

import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import InventoryIcon from '@mui/icons-material/Inventory2Outlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import { api } from '../../api/client';
import { withoutTracks } from '../../desk/withoutTracks';
import { setField } from '../../api/patch';
import { Section } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { useChosenShot } from '../../frame/useChosenShot';
import { useLive, type Denoise } from '../../live/store';
import { say, useChannel, useDesk } from '../../live/useShoot';
import { ExposureDetails } from './ExposureDetails';
import { GlowDetails } from './GlowDetails';
import { GradeDetails } from './GradeDetails';
import { LensDetails } from './LensDetails';
import { freeId, freeName } from './plain';
import { ToneDetails } from './ToneDetails';
import { useLook } from './useLook';

/** Details of the look that the shown shot wears, in the order of work. */
export function LookDetails() {
  const { look } = useLook();
  return (
    <Box key={look.id}>
      <Head />
      <ExposureDetails />
      <ToneDetails />
      <GlowDetails />
      <GradeDetails />
      <LensDetails />
      <Box sx={{ mt: 3 }}>
        <CleanTo />
      </Box>
    </Box>
  );
}

/** Name of the look, who wears it, and what can be done with the whole. */
function Head() {
  const desk = useDesk();
  const shot = useChosenShot();
  const client = useQueryClient();
  const { look, keep } = useLook();
  const { shots, looks } = desk.document;
  const wearing = shots.filter((s) => s.look === look.id);
  const copy = () => {
    const own = { ...look, id: freeId(looks, look.id), name: freeName(looks, look.name) };
    void desk.keep(`Copy the look ${look.name}`, [
      { op: 'add', path: '/looks/-', value: own },
      setField(desk.state.document, 'shots', shot.id, 'look', own.id),
    ]);
  };
  const remove = () => {
    const other = looks.find((l) => l.id !== look.id)!;
    void desk.keep(`Delete the look ${look.name}`, [
      ...withoutTracks('looks', new Set([look.id]), desk.state.document),
      ...wearing.map((s) => setField(desk.state.document, 'shots', s.id, 'look', other.id)),
      { op: 'remove', path: `/looks/${looks.findIndex((l) => l.id === look.id)}` },
    ]);
  };
  const shelve = async () => {
    try {
      await api.keepLook(desk.state.id, look.id);
      await client.invalidateQueries({ queryKey: ['kept-looks'] });
      enqueueSnackbar(`“${look.name}” is kept for all shoots.`);
    } catch (error) {
      say(error);
    }
  };
  return (
    <Box sx={{ mb: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <NameField
          label="Name of the look"
          value={look.name}
          onKeep={(name) => keep(`Name of ${look.name}`, 'name', name)}
        />
        <Act name="Duplicate look" onClick={copy}>
          <ContentCopyIcon fontSize="inherit" />
        </Act>
        <Act name="Keep for all shoots" onClick={() => void shelve()}>
          <InventoryIcon fontSize="inherit" />
        </Act>
        <Act name="Delete the look" off={looks.length < 2} onClick={remove}>
          <DeleteOutlineIcon fontSize="inherit" />
        </Act>
      </Box>
      <Typography variant="caption" color="text.secondary">
        Worn by {wearing.map((s) => s.name).join(', ')}. Hold O to see without it.
      </Typography>
    </Box>
  );
}

function Act(p: { name: string; off?: boolean; onClick: () => void; children: React.ReactNode }) {
  return (
    <Tooltip title={p.name}>
      <span>
        <IconButton aria-label={p.name} disabled={p.off} onClick={p.onClick}>
          {p.children}
        </IconButton>
      </span>
    </Tooltip>
  );
}

const NOISES = [20, 10, 5, 2, 1, 0.5];

const DENOISE: { value: Denoise; text: string }[] = [
  { value: 'never', text: 'Never' },
  { value: 'noisy', text: 'While above 5 %' },
  { value: 'always', text: 'Always' },
];

/** The noise at which the live picture is good enough, and when it is denoised; not kept with the shoot. */
function CleanTo() {
  const channel = useChannel();
  const wanted = useLive((s) => s.wantedPercent);
  const denoise = useLive((s) => s.denoise);
  return (
    <Section title="Live picture">
      <PlainSelect
        label="Traced until its noise is below"
        value={String(wanted)}
        options={NOISES.map((n) => ({ value: String(n), text: `${n} %` }))}
        onChange={(value) => channel?.clean(Number(value))}
      />
      <PlainSelect
        label="Denoise"
        value={denoise}
        options={DENOISE}
        onChange={(value) => channel?.denoise(value as Denoise)}
      />
    </Section>
  );
}

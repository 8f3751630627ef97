import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef } from 'react';
import type { Proof } from '../../api/document';
import { Fold } from '../../controls/Fold';
import { PlainSelect } from '../../controls/PlainSelect';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { ReferenceMatch } from './match/ReferenceMatch';
import { variantOf } from './proofWords';
import { useProofChoice, type Against, type Mode, type Variant } from './useProofs';

const VARIANTS: Variant[] = ['without', 'only', 'glow', 'look', 'traced'];

/** What the proof, or the picture as it is now, is compared with, and how. */
export function Comparison({ proof, all }: { proof: Proof | null; all: Proof[] }) {
  const { against, mode, reference } = useProofChoice();
  const { lights = [] } = useDesk().document;
  const chosen = useChoice((c) => c.light);
  const light = lights.find((l) => l.id === chosen) ?? lights[0];
  const others = all.filter((p) => p.id !== proof?.id);
  const layered = proof !== null && proof.layerBytes > 0;
  const withs = [
    { value: 'now', text: proof ? 'The picture now' : 'Nothing' },
    ...(layered ? [{ value: 'developed', text: 'Its light, set as now' }] : []),
    ...VARIANTS.flatMap((v) => {
      const made = variantOf(v, light);
      return made ? [{ value: v as string, text: proof ? `Now: ${made.text}` : made.text }] : [];
    }),
    ...(reference ? [{ value: 'reference', text: 'The reference picture' }] : []),
    ...others.map((p) => ({ value: String(p.id), text: p.name })),
  ];
  const shown = withs.some((w) => w.value === String(against)) ? String(against) : 'now';
  const measured =
    layered && (shown === 'now' || others.some((p) => String(p.id) === shown && p.layerBytes > 0));
  const modes = [
    { value: 'wipe', text: 'Wipe' },
    { value: 'beside', text: 'Side by side' },
    ...(measured ? [{ value: 'difference', text: 'Difference' }] : []),
  ];
  return (
    <Fold title={proof ? 'Compare' : 'Compare the picture now'} open>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <PlainSelect
          label="With"
          value={shown}
          options={withs}
          onChange={(v) =>
            useProofChoice.setState({ against: /^\d+$/.test(v) ? Number(v) : (v as Against) })
          }
        />
        <PlainSelect
          label="Shown"
          value={modes.some((m) => m.value === mode) ? mode : 'wipe'}
          options={modes}
          onChange={(v) => useProofChoice.setState({ mode: v as Mode })}
        />
      </Box>
      {shown === 'developed' && (
        <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 1 }}>
          Its layers with the levels, colours and looks that the shoot has now, without tracing
          light.
        </Typography>
      )}
      <Reference />
      {shown === 'reference' && <ReferenceMatch />}
    </Fold>
  );
}

/** Takes a picture from a file to compare with; it stays in the page. */
function Reference() {
  const input = useRef<HTMLInputElement>(null);
  const take = (file: File | undefined) => {
    if (!file) return;
    const before = useProofChoice.getState().reference;
    if (before) URL.revokeObjectURL(before);
    useProofChoice.setState({
      reference: URL.createObjectURL(file),
      referenceFile: file,
      against: 'reference',
    });
  };
  return (
    <Box
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        take(e.dataTransfer.files[0]);
      }}
    >
      <Button color="inherit" onClick={() => input.current?.click()} sx={{ px: 1 }}>
        Reference picture …
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        hidden
        aria-label="Reference picture"
        onChange={(e) => {
          take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </Box>
  );
}

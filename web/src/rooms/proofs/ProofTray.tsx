import AddAPhotoIcon from '@mui/icons-material/AddAPhotoOutlined';
import { plural } from '../../controls/plural';
import StarIcon from '@mui/icons-material/Star';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { api } from '../../api/client';
import type { Proof } from '../../api/document';
import { Fetched } from '../../controls/Fetched';
import { duration } from '../../frame/duration';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { bytesOf } from '../print/order';
import { cleanOf, takenAt } from './proofWords';
import { useProofChoice, useProofs, useTakeProof } from './useProofs';

/** Tray of the proofs: a strip of them, oldest left. */
export function ProofTray() {
  const { id } = useDesk().state;
  const query = useProofs();
  const take = useTakeProof();
  const chosen = useProofChoice((c) => c.proof);
  const proofs = query.data ?? [];
  const bytes = proofs.reduce((sum, p) => sum + p.bytes, 0);
  return (
    <Box sx={{ display: 'flex', height: '100%', minWidth: 0 }}>
      <Box
        role="listbox"
        aria-label="Proofs"
        aria-orientation="horizontal"
        sx={{
          flex: 1,
          minWidth: 0,
          display: 'flex',
          gap: 1.5,
          p: 1.5,
          overflowX: 'auto',
          alignItems: 'flex-start',
        }}
      >
        <Fetched
          of={query}
          what="The proofs"
          empty="No proof yet. P keeps the picture as it is now, with all settings."
        />
        {proofs.map((proof) => (
          <ProofCard key={proof.id} proof={proof} chosen={proof.id === chosen} />
        ))}
      </Box>
      <Box sx={{ width: 124, flex: 'none', borderLeft: `1px solid ${colours.line}`, p: 1.5 }}>
        <Button
          fullWidth
          variant="outlined"
          startIcon={<AddAPhotoIcon />}
          title="Keep the picture with all settings (P)"
          onClick={() => void take(id)}
        >
          Take proof
        </Button>
        {proofs.length > 0 && (
          <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 1.5 }}>
            {plural(proofs.length, 'proof')}, {bytesOf(bytes)}
          </Typography>
        )}
      </Box>
    </Box>
  );
}

function ProofCard({ proof, chosen }: { proof: Proof; chosen: boolean }) {
  const choose = () => useProofChoice.setState({ page: 'proof', proof: chosen ? null : proof.id });
  return (
    <Box
      role="option"
      aria-selected={chosen}
      aria-label={proof.name}
      tabIndex={0}
      onClick={choose}
      onKeyDown={(e) => {
        if (e.key === 'Enter') choose();
        const to = e.key === 'ArrowRight' ? 'nextElementSibling' : 'previousElementSibling';
        if (e.key === 'ArrowRight' || e.key === 'ArrowLeft') {
          (e.currentTarget[to] as HTMLElement | null)?.focus();
        }
      }}
      sx={{
        width: 168,
        flex: 'none',
        cursor: 'pointer',
        borderRadius: 1.5,
        overflow: 'hidden',
        bgcolor: chosen ? colours.control : colours.raised,
        border: `1px solid ${chosen ? colours.ember : colours.line}`,
      }}
    >
      <Box
        component="img"
        alt=""
        loading="lazy"
        src={api.proofPictureUrl(proof.id)}
        sx={{
          display: 'block',
          width: '100%',
          height: 94,
          objectFit: 'contain',
          bgcolor: colours.surround,
        }}
      />
      <Box sx={{ p: 1 }}>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
          <Typography variant="caption" noWrap sx={{ fontWeight: 600, flex: 1 }} title={proof.name}>
            {proof.name}
          </Typography>
          {proof.star && (
            <StarIcon aria-label="Starred" sx={{ fontSize: 14, color: colours.ember }} />
          )}
        </Box>
        <Typography variant="caption" noWrap component="div" color="text.secondary">
          {takenAt(proof)} · {duration(proof.tracedSeconds)}
        </Typography>
        <Typography variant="caption" noWrap component="div" color="text.secondary">
          {cleanOf(proof)}
        </Typography>
      </Box>
    </Box>
  );
}

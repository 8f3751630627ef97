import StarIcon from '@mui/icons-material/Star';
import StarBorderIcon from '@mui/icons-material/StarBorder';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../api/client';
import type { Proof } from '../../api/document';
import { Fold } from '../../controls/Fold';
import { NameField } from '../../controls/NameField';
import { duration } from '../../frame/duration';
import { say, useDesk } from '../../live/useShoot';
import { frameOf, timeText } from '../../motion/time';
import { colours } from '../../theme/theme';
import { bytesOf } from '../print/order';
import { Changes } from './Changes';
import { Comparison } from './Comparison';
import { cleanOf, takenAt } from './proofWords';
import { proofsKey, useProofChoice, useProofs } from './useProofs';

const PARTS = [
  ['all', 'Whole shoot'],
  ['rig', 'Rig'],
  ['set', 'Set'],
  ['look', 'Looks'],
] as const;

/** Details of the proofs: the chosen one, how it is compared, and the ways back to it. */
export function ProofDetails() {
  const { data } = useProofs();
  const chosen = useProofChoice((c) => c.proof);
  const proof = data?.find((p) => p.id === chosen);
  if (!proof) {
    return (
      <>
        <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 2 }}>
          A proof keeps the picture with its layers and all settings. Choose one to compare it with
          the picture as it is now, to see what has changed, and to go back. B held shows it.
        </Typography>
        <Comparison proof={null} all={data ?? []} />
      </>
    );
  }
  return <OneProof key={proof.id} proof={proof} all={data ?? []} />;
}

function OneProof({ proof, all }: { proof: Proof; all: Proof[] }) {
  const client = useQueryClient();
  const { id } = useDesk().state;
  const act = async (what: () => Promise<unknown>) => {
    try {
      await what();
    } catch (error) {
      say(error);
    } finally {
      await client.invalidateQueries({ queryKey: proofsKey(id) });
    }
  };
  const write = (part: Partial<Pick<Proof, 'name' | 'note' | 'star'>>) =>
    void act(() => {
      const { name, note, star } = { ...proof, ...part };
      return api.writeProof(proof.id, { name, note, star });
    });
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <NameField
          label="Name of the proof"
          value={proof.name}
          onKeep={(name) => write({ name })}
        />
        <IconButton
          aria-label="Star"
          aria-pressed={proof.star}
          onClick={() => write({ star: !proof.star })}
          sx={{ color: proof.star ? colours.ember : colours.quiet }}
        >
          {proof.star ? <StarIcon fontSize="inherit" /> : <StarBorderIcon fontSize="inherit" />}
        </IconButton>
      </Box>
      <Note value={proof.note} onKeep={(note) => write({ note })} />
      <Facts proof={proof} />
      <Comparison proof={proof} all={all} />
      <WaysBack proof={proof} />
      <Changes proof={proof} />
      <Space proof={proof} act={act} />
    </Box>
  );
}

function Note({ value, onKeep }: { value: string; onKeep: (note: string) => void }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <InputBase
      fullWidth
      multiline
      minRows={2}
      placeholder="Note"
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => {
        if (text !== null && text !== value) onKeep(text);
        setText(null);
      }}
      onKeyDown={(e) => e.stopPropagation()}
      slotProps={{ input: { 'aria-label': 'Note', maxLength: 4000 } }}
      sx={{ my: 1, px: 1.5, py: 1, fontSize: 12, bgcolor: colours.control, borderRadius: 1.5 }}
    />
  );
}

function Facts({ proof }: { proof: Proof }) {
  const { motion } = useDesk().document;
  const facts: [string, string][] = [
    ['Shot', proof.shotName],
    ['Size', `${proof.width} × ${proof.height}`],
    ['Clean', cleanOf(proof)],
    ['Traced', duration(proof.tracedSeconds)],
    ...(proof.seconds === null
      ? []
      : ([['Frame', timeText(motion, frameOf(motion, proof.seconds), false)]] as [
          string,
          string,
        ][])),
    ['Taken', takenAt(proof)],
  ];
  return (
    <Box
      component="dl"
      sx={{
        display: 'grid',
        gridTemplateColumns: '64px 1fr',
        gap: 0.5,
        fontSize: 12,
        m: 0,
        mb: 1.5,
      }}
    >
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: colours.quiet }}>
            {name}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** Brings the shoot, or a part of it, back to what it was, as one edit. */
function WaysBack({ proof }: { proof: Proof }) {
  const desk = useDesk();
  const back = async (part: (typeof PARTS)[number][0], text: string) => {
    try {
      const operations = await api.proofOperations(proof.id, part);
      if (operations.length > 0) await desk.keep(`${text} as in ${proof.name}`, operations);
    } catch (error) {
      say(error);
    }
  };
  return (
    <Fold title="Back to its settings" open>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {PARTS.map(([part, text]) => (
          <Button
            key={part}
            variant="outlined"
            color="inherit"
            onClick={() => void back(part, text)}
            sx={{ borderColor: colours.line }}
          >
            {text}
          </Button>
        ))}
      </Box>
    </Fold>
  );
}

interface SpaceProps {
  proof: Proof;
  act: (what: () => Promise<unknown>) => Promise<void>;
}

/** The space that it takes, and what gives it back. */
function Space({ proof, act }: SpaceProps) {
  return (
    <Fold title="Space">
      <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 1 }}>
        {bytesOf(proof.bytes)}
        {proof.layerBytes > 0 ? `, of which its layers take ${bytesOf(proof.layerBytes)}.` : '.'}
      </Typography>
      {proof.layerBytes > 0 && (
        <Button
          variant="outlined"
          color="inherit"
          onClick={() => void act(() => api.deleteLayers(proof.id))}
          sx={{ borderColor: colours.line, mr: 1 }}
        >
          Let layers go
        </Button>
      )}
      <Button
        variant="outlined"
        color="inherit"
        onClick={() =>
          void act(async () => {
            await api.deleteProof(proof.id);
            useProofChoice.setState({ proof: null });
          })
        }
        sx={{ borderColor: colours.line }}
      >
        Delete
      </Button>
    </Fold>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import { create } from 'zustand';
import { api } from '../../api/client';
import { useLive } from '../../live/store';
import { say, useDesk } from '../../live/useShoot';

export type Mode = 'wipe' | 'beside' | 'difference';

/** The live picture with one thing otherwise: without a light, by it alone, and so on. */
export type Variant = 'without' | 'only' | 'glow' | 'look' | 'traced';

/**
 * What is compared with: the live picture or a variant of it, the proof's own layers as the shoot is
 * set now, a picture from a file, or another proof.
 */
export type Against = 'now' | 'developed' | 'reference' | Variant | number;

/** What the details show. */
export type DetailsPage = 'proof' | 'meter' | 'targets' | 'look';

interface Choice {
  page: DetailsPage;
  /** The proof whose details are shown, and which is compared. */
  proof: number | null;
  /** What it is compared with. */
  against: Against;
  mode: Mode;
  /** Address of a picture from a file to compare with, and the file. */
  reference: string | null;
  referenceFile: File | null;
  /** Its width over its height, once it is loaded. */
  referenceAspect: number | null;
  /** Where the wipe stands, 0…1 of the picture's width. */
  wipe: number;
  /** B is held: the proof is shown alone. */
  flipped: boolean;
}

/** What is chosen among the proofs. */
export const useProofChoice = create<Choice>(() => ({
  page: 'proof',
  proof: null,
  against: 'now',
  mode: 'wipe',
  reference: null,
  referenceFile: null,
  referenceAspect: null,
  wipe: 0.5,
  flipped: false,
}));

export const proofsKey = (shoot: string) => ['proofs', shoot];

/** The proofs of the shoot, oldest first. */
export function useProofs() {
  const { id } = useDesk().state;
  return useQuery({ queryKey: proofsKey(id), queryFn: () => api.proofs(id) });
}

/** Waits until all edits are kept, so that what is asked of the server knows them. */
export async function settled() {
  while (useLive.getState().pending.length > 0) {
    await new Promise((done) => setTimeout(done, 30));
  }
}

/** Takes a proof of what the page shows, and chooses it; named, where words are given. */
export function useTakeProof() {
  const client = useQueryClient();
  return async (shoot: string, words?: { name: string; note: string }) => {
    try {
      await settled();
      let proof = await api.takeProof(shoot);
      if (words) proof = await api.writeProof(proof.id, { ...words, star: false });
      useProofChoice.setState({ proof: proof.id });
      enqueueSnackbar(`${proof.name} is kept`);
      await client.invalidateQueries({ queryKey: proofsKey(shoot) });
    } catch (error) {
      say(error);
    }
  };
}

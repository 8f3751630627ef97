import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api } from '../../../api/client';
import type { Finding } from '../../../api/document';
import { useLive } from '../../../live/store';
import { useDesk } from '../../../live/useShoot';

const OFTEN_MILLIS = 4000;

/** Which finding is open. */
export const useFindingChoice = create<{ key: string | null }>(() => ({ key: null }));

/** What second look finds now. */
export function useFindings(on: boolean) {
  const { state } = useDesk();
  // What a hand is trying is not looked over.
  const trying = useLive((l) => l.trial !== null);
  return useQuery({
    queryKey: ['findings', state.id, state.revision],
    queryFn: () => api.findings(state.id),
    refetchInterval: trying ? false : OFTEN_MILLIS,
    placeholderData: (before) => before,
    enabled: on && !trying,
  });
}

/** The findings that are shown, and those that are silenced. */
export function parted(findings: Finding[]): { shown: Finding[]; silenced: Finding[] } {
  return {
    shown: findings.filter((f) => f.silenced === null),
    silenced: findings.filter((f) => f.silenced !== null),
  };
}

/** How much a finding matters, in a word. */
export function weightWord(weight: number): 'serious' | 'notable' | 'minor' {
  return weight >= 0.6 ? 'serious' : weight >= 0.35 ? 'notable' : 'minor';
}

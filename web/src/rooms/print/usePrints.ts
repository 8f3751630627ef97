import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api } from '../../api/client';
import type { PrintOrder } from '../../api/document';

interface Choice {
  /** The job whose details are shown; null shows the order. */
  job: number | null;
  order: PrintOrder | null;
  /** Shots of the order; none for the chosen one. */
  shots: string[];
}

/** What is chosen in the print room. */
export const usePrintChoice = create<Choice>(() => ({ job: null, order: null, shots: [] }));

/** The jobs, newest first, looked at often while one of them goes on. */
export function usePrints() {
  return useQuery({
    queryKey: ['prints'],
    queryFn: api.prints,
    refetchInterval: (query) =>
      query.state.data?.some((j) => ['printing', 'waiting', 'stopping'].includes(j.state))
        ? 1000
        : 5000,
  });
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { enqueueSnackbar } from 'notistack';
import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { api, Problem } from '../api/client';
import type { Operation, ShootDocument, ShootState } from '../api/document';
import { patched } from '../api/patch';
import { documentAt, keyed, linked } from '../motion/keying';
import { secondsOf, useTime } from '../motion/time';
import type { LiveChannel } from './channel';
import { onNextPicture } from './nextPicture';
import { arrive } from './arrive';
import { useLive } from './store';

/** How often at most the fields follow the hand. */
const FIELDS_MILLIS = 120;

/** A rest of the hand after which they do, where what it holds shows itself where it has got to. */
const REST_MILLIS = 300;

/** How long they wait at most for such a rest. */
const OTHERS_MILLIS = 2000;

export interface ShootDesk {
  /**
   * As kept, with the edits that are on their way, at the time that is shown: what the next edit is
   * made on.
   */
  state: ShootState;
  /** The document as kept, with what the hand is just trying. */
  document: ShootDocument;
  /**
   * Shows operations at once without keeping them. When the control in the hand shows its own
   * value, all others may follow later.
   */
  tryOut: (operations: Operation[], own?: boolean) => void;
  /** Keeps what was tried, or the operations given, as one edit. */
  keep: (label: string, operations?: Operation[]) => Promise<boolean>;
  /** Does what the server makes a new state of, in line with other edits. */
  run: (step: (revision: number) => Promise<ShootState>) => Promise<boolean>;
  /** Forgets what was tried. */
  leave: () => void;
  undo: () => void;
  redo: () => void;
}

export const ChannelContext = createContext<LiveChannel | null>(null);
export const ShootContext = createContext<ShootDesk | null>(null);

export function useDesk(): ShootDesk {
  return useContext(ShootContext)!;
}

export function useChannel(): LiveChannel | null {
  return useContext(ChannelContext);
}

/** Says a problem in the corner: what happened, what was kept, what to do. */
export function say(error: unknown) {
  const text =
    error instanceof Problem
      ? `${error.message} ${error.kept} ${error.todo}`
      : `Something went wrong in the page: ${String(error)}`;
  enqueueSnackbar(text, { variant: 'error' });
}

/** Passes a file on that was added, and says what is mended in it. */
export async function noted<T extends { notes?: string[] }>(added: Promise<T>): Promise<T> {
  const file = await added;
  file.notes?.forEach((note) => enqueueSnackbar(`${note}.`, { variant: 'info' }));
  return file;
}

export function shootKey(id: string) {
  return ['shoot', id];
}

/**
 * What the hand tries, taken over some times a second; nothing at once. The page is not drawn anew
 * in between.
 */
function useSettledTrial(): Operation[] | null {
  const [settled, setSettled] = useState(() => useLive.getState().trial);
  useEffect(() => {
    let since = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const take = () => {
      since = performance.now();
      setSettled(useLive.getState().trial);
    };
    const end = useLive.subscribe((now, before) => {
      if (now.trial === before.trial && now.own === before.own) return;
      clearTimeout(timer);
      const left = since - performance.now();
      if (now.trial === null) take();
      else if (!now.own) timer = setTimeout(take, Math.max(0, left + FIELDS_MILLIS));
      else timer = setTimeout(take, Math.max(0, Math.min(REST_MILLIS, left + OTHERS_MILLIS)));
    });
    return () => {
      clearTimeout(timer);
      end();
    };
  }, []);
  return settled;
}

/**
 * The document with what the hand is trying at this moment, for what is in the hand or shows it;
 * otherwise the desk's.
 */
export function useTried(atOnce: boolean): ShootDocument {
  const { state, document } = useDesk();
  const [trial, setTrial] = useState<Operation[] | null>(null);
  useEffect(() => {
    if (!atOnce) return;
    const take = () => setTrial(useLive.getState().trial);
    take();
    const end = useLive.subscribe((now, before) => {
      if (now.trial !== before.trial) onNextPicture(take);
    });
    return () => {
      end();
      setTrial(null);
    };
  }, [atOnce]);
  return useMemo(
    () => (trial ? linked(patched(state.document, trial)) : document),
    [trial, state, document],
  );
}

/** The state of a shoot and the ways to change it. Edits go one after the other. */
export function useShootDesk(id: string, channel: LiveChannel | null): ShootDesk | null {
  const client = useQueryClient();
  const { data: state } = useQuery({ queryKey: shootKey(id), queryFn: () => api.state(id) });
  // The fields may lag behind the hand; the picture may not.
  const trial = useDeferredValue(useSettledTrial());
  const pending = useLive((s) => s.pending);
  const frame = useTime((t) => t.frame);
  const line = useRef(Promise.resolve(true));
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
    };
  }, [id]);

  const inLine = useCallback(
    (step: (revision: number) => Promise<ShootState>, label: string | null = null) => {
      line.current = line.current.then(async () => {
        try {
          const now = client.getQueryData<ShootState>(shootKey(id))!;
          const next = await arrive(step, now, label, {
            state: () => api.state(id),
            storage: api.storage,
            waits: (obstacle) => useLive.setState({ obstacle }),
            left: () => left.current,
          });
          client.setQueryData(shootKey(id), next);
          return true;
        } catch (error) {
          if (left.current) return false;
          say(error);
          await client.invalidateQueries({ queryKey: shootKey(id) });
          channel?.untry();
          return false;
        }
      });
      return line.current;
    },
    [client, id, channel],
  );

  return useMemo(() => {
    if (!state) return null;
    // What is on its way comes before all that follows it, so that follows on it.
    const rest = pending.length > 0 ? patched(state.document, pending.flat()) : state.document;
    const { motion } = rest;
    const seconds = secondsOf(motion, frame);
    const expected = { ...state, document: documentAt(rest, seconds) };
    const meant = (operations: Operation[]) =>
      keyed(rest, expected.document, operations, seconds, {
        on: useTime.getState().record,
        firstSeconds: secondsOf(motion, motion.firstFrame),
      });
    return {
      state: expected,
      document: trial ? linked(patched(expected.document, trial)) : expected.document,
      tryOut: (operations, own = false) => {
        useLive.setState({ trial: operations, own });
        const now = useLive.getState();
        const tried = meant(operations);
        // What waits is not known to the application yet.
        channel?.tryOut(now.obstacle ? [...now.pending.flat(), ...tried] : tried);
      },
      keep: async (label, operations) => {
        const wanted = operations ?? useLive.getState().trial;
        if (!wanted) return true;
        const kept = meant(wanted);
        useLive.setState({
          own: false,
          trial: null,
          pending: [...useLive.getState().pending, kept],
        });
        channel?.kept();
        return inLine((revision) => api.edit(id, revision, label, kept), label).finally(() =>
          useLive.setState({ pending: useLive.getState().pending.filter((p) => p !== kept) }),
        );
      },
      run: (step) => inLine(step),
      leave: () => {
        useLive.setState({ trial: null });
        channel?.untry();
      },
      undo: () => void inLine((revision) => api.undo(id, revision)),
      redo: () => void inLine((revision) => api.redo(id, revision)),
    };
  }, [state, trial, pending, frame, channel, id, inLine]);
}

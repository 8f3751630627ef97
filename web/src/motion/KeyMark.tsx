import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { Operation } from '../api/document';
import { useDesk } from '../live/useShoot';
import { colours } from '../theme/theme';
import { keyedAt, toggled, type Keyed } from './keying';
import { placesOf } from './place';
import { secondsOf, useTime } from './time';

interface Props {
  /** What is keyed, as the field is called. */
  name: string;
  /** What another value would be written as; says where the field's value stands. */
  writes: () => Operation[];
}

const SAYS: Record<Keyed, string> = {
  not: 'not keyed: a click sets a key',
  between: 'between keys: a click sets one',
  on: 'on a key: a click takes it away',
};

/** A field's mark that says whether it is keyed now; a click sets a key or takes it away. */
export function KeyMark({ name, writes }: Props) {
  const desk = useDesk();
  const frame = useTime((t) => t.frame);
  const { document } = desk;
  const places = placesOf(document, writes());
  if (places.length === 0) return null;
  const { motion } = document;
  const seconds = secondsOf(motion, frame);
  const all = places.map((place) => keyedAt(motion.tracks, place, seconds));
  const state: Keyed = all.every((k) => k === 'on')
    ? 'on'
    : all.some((k) => k !== 'not')
      ? 'between'
      : 'not';
  const says = `${name}: ${SAYS[state]}`;
  const click = () =>
    void desk.keep(
      state === 'on' ? `Remove key of ${name}` : `Key ${name}`,
      toggled(desk.state.document, places, seconds),
    );
  return (
    <Tooltip title={says}>
      <Box
        component="button"
        type="button"
        className="key-mark"
        aria-label={says}
        data-keyed={state}
        onClick={click}
        sx={{
          all: 'unset',
          position: 'absolute',
          top: 0,
          right: 0,
          width: 14,
          height: 14,
          cursor: 'pointer',
          opacity: state === 'not' ? 0 : 1,
          transition: 'opacity 120ms',
          '&:focus-visible': { outline: `2px solid ${colours.ember}`, opacity: 1 },
        }}
      >
        <Peg state={state} />
      </Box>
    </Tooltip>
  );
}

/** A key as it is drawn everywhere: a stem with a head; hollow, half or full. */
export function Peg({ state }: { state: Keyed }) {
  const ink = state === 'not' ? colours.quiet : colours.ember;
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden style={{ display: 'block' }}>
      <line x1="7" x2="7" y1="7" y2="13" stroke={ink} strokeWidth="1.5" />
      <circle cx="7" cy="4.5" r="3" fill={state === 'on' ? ink : 'none'} stroke={ink} />
      {state === 'between' && <path d="M 4 4.5 A 3 3 0 0 0 10 4.5 Z" fill={ink} />}
    </svg>
  );
}

import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';
import type { Motion, Track } from '../../api/document';
import { isChosen, type KeyRef } from '../../motion/keysEdit';
import { secondsOf, timeText, useTime } from '../../motion/time';
import { colours } from '../../theme/theme';
import type { TimeScale } from './useTimeScale';

export const ROW_HEIGHT = 22;

/** Beyond so many keys in sight a row shows where they are, not each. */
const MOST_PEGS = 400;

interface Props {
  motion: Motion;
  track: Track;
  /** What the track is called, for screen readers. */
  name: string;
  scale: TimeScale;
  chosen: KeyRef[];
  /** The hand takes a key. */
  onTake: (e: PointerEvent, at: KeyRef) => void;
}

/** The keys of a track along the time line. */
export function TrackRow({ motion, track, name, scale, chosen, onTake }: Props) {
  const inSeconds = useTime((t) => t.inSeconds);
  const least = secondsOf(motion, scale.from) - 0.5;
  const most = secondsOf(motion, scale.to) + 0.5;
  const inSight = track.keys.filter((key) => key.seconds >= least && key.seconds <= most);
  const first = track.keys[0]!.seconds;
  const last = track.keys.at(-1)!.seconds;
  const at = (seconds: number) => scale.x(seconds * motion.framesPerSecond);
  const pegs = inSight.length > MOST_PEGS ? [] : inSight;
  return (
    <>
      <Box
        aria-hidden
        sx={{
          position: 'absolute',
          top: ROW_HEIGHT / 2 - 1,
          height: inSight.length > MOST_PEGS ? 6 : 2,
          left: at(first),
          width: Math.max(0, at(last) - at(first)),
          bgcolor: inSight.length > MOST_PEGS ? colours.ember : colours.line,
        }}
      />
      {track.after !== 'hold' && track.keys.length > 1 && (
        <Box
          aria-hidden
          sx={{
            position: 'absolute',
            top: ROW_HEIGHT / 2 - 1,
            left: at(last),
            right: 0,
            borderTop: `2px ${track.after === 'loop' ? 'dashed' : 'dotted'} ${colours.line}`,
          }}
        />
      )}
      {pegs.map((key) => {
        const on = isChosen(chosen, track.place, key);
        const frame = key.seconds * motion.framesPerSecond;
        return (
          <Box
            key={key.seconds}
            component="button"
            type="button"
            aria-label={`Key of ${name} at ${timeText(motion, Math.round(frame), inSeconds)}`}
            aria-pressed={on}
            data-key
            onPointerDown={(e: PointerEvent) =>
              onTake(e, { place: track.place, seconds: key.seconds })
            }
            sx={{
              all: 'unset',
              position: 'absolute',
              left: at(key.seconds) - 6,
              top: 2,
              width: 12,
              height: ROW_HEIGHT - 4,
              cursor: 'grab',
              '&:focus-visible': { outline: `2px solid ${colours.ember}` },
            }}
          >
            <svg width="12" height="18" viewBox="0 0 12 18" aria-hidden>
              <line x1="6" x2="6" y1="9" y2="17" stroke={on ? colours.ember : colours.quiet} />
              <Head span={key.span} on={on} />
            </svg>
          </Box>
        );
      })}
    </>
  );
}

/** A key's head says how it goes on: held is square, straight pointed, eased round, free open. */
function Head({ span, on }: { span: Track['keys'][number]['span']; on: boolean }) {
  const ink = on ? colours.ember : colours.text;
  if (span === 'hold') return <rect x="2.5" y="3" width="7" height="7" fill={ink} />;
  if (span === 'straight') return <path d="M 6 1.5 L 10.5 10 L 1.5 10 Z" fill={ink} />;
  if (span === 'eased') return <circle cx="6" cy="6.5" r="3.8" fill={ink} />;
  return <circle cx="6" cy="6.5" r="3.2" fill={colours.panel} stroke={ink} strokeWidth="1.6" />;
}

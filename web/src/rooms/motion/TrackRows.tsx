import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Track } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { withoutKeys, type KeyRef } from '../../motion/keysEdit';
import { placeName } from '../../motion/names';
import { useTime } from '../../motion/time';
import { colours } from '../../theme/theme';
import { useMotion } from './motionChoice';
import { Playhead } from './Playhead';
import { ROW_HEIGHT, TrackRow } from './TrackRow';
import { useKeyDrag } from './useKeyDrag';
import type { TimeScale } from './useTimeScale';
import type { useTracks } from './useTracks';

export const NAMES_WIDTH = 188;

type Edit = ReturnType<typeof useTracks>;

/** A frame drawn over empty room, which takes the keys under it. */
function useMarquee(edit: Edit, scale: TimeScale) {
  const { motion } = useDesk().document;
  const [frame, setFrame] = useState<{ x: number; y: number; toX: number; toY: number } | null>(
    null,
  );
  const area = useRef<HTMLDivElement>(null);

  /** Dragging over empty room takes the keys under it. */
  const begin = (e: PointerEvent<HTMLDivElement>) => {
    if (e.button !== 0) return;
    const r = area.current!.getBoundingClientRect();
    e.currentTarget.setPointerCapture(e.pointerId);
    const from = { x: e.clientX - r.left, y: e.clientY - r.top };
    setFrame({ ...from, toX: from.x, toY: from.y });
    if (!e.shiftKey) useMotion.setState({ keys: [] });
  };
  const grow = (e: PointerEvent<HTMLDivElement>) => {
    if (!frame) return;
    const r = area.current!.getBoundingClientRect();
    setFrame({ ...frame, toX: e.clientX - r.left, toY: e.clientY - r.top });
  };
  const end = () => {
    if (!frame) return;
    const [left, right] = [Math.min(frame.x, frame.toX), Math.max(frame.x, frame.toX)];
    const [top, bottom] = [Math.min(frame.y, frame.toY), Math.max(frame.y, frame.toY)];
    const inside: KeyRef[] = edit.tracks.flatMap((track, row) =>
      (row + 1) * ROW_HEIGHT < top || row * ROW_HEIGHT > bottom
        ? []
        : track.keys
            .map((key) => ({ place: track.place, seconds: key.seconds }))
            .filter(({ seconds }) => {
              const at = scale.x(seconds * motion.framesPerSecond);
              return at >= left && at <= right;
            }),
    );
    if (right - left > 3) useMotion.setState({ keys: inside });
    setFrame(null);
  };
  return { area, frame, begin, grow, end };
}

/** What the tracks are called; a click chooses one, with shift several. */
function TrackNames({ tracks }: { tracks: Track[] }) {
  const { document } = useDesk();
  const chosenTracks = useMotion((m) => m.tracks);
  return (
    <Box sx={{ width: NAMES_WIDTH, flex: 'none' }}>
      {tracks.map((track) => {
        const { thing, value } = placeName(document, track.place);
        const on = chosenTracks.includes(track.place);
        return (
          <Box
            key={track.place}
            component="button"
            type="button"
            aria-pressed={on}
            aria-label={`Track ${thing}, ${value}`}
            title={`${thing}: ${value}`}
            onClick={(e: React.MouseEvent) =>
              useMotion.setState({
                tracks: e.shiftKey ? [...new Set([...chosenTracks, track.place])] : [track.place],
              })
            }
            sx={{
              all: 'unset',
              boxSizing: 'border-box',
              display: 'block',
              width: '100%',
              height: ROW_HEIGHT,
              lineHeight: `${ROW_HEIGHT}px`,
              px: 1.5,
              fontSize: 11,
              cursor: 'pointer',
              whiteSpace: 'nowrap',
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              bgcolor: on ? colours.control : 'transparent',
              '&:focus-visible': { outline: `2px solid ${colours.ember}`, outlineOffset: -2 },
            }}
          >
            {thing} <span style={{ color: colours.quiet }}>{value}</span>
          </Box>
        );
      })}
    </Box>
  );
}

/** Tracks as rows: names at the left, keys along the time. */
export function TrackRows({ edit, scale, x }: { edit: Edit; scale: TimeScale; x: number }) {
  const desk = useDesk();
  const { motion } = desk.document;
  const chosenTracks = useMotion((m) => m.tracks);
  const { take } = useKeyDrag(motion, scale, edit);
  const { area, frame, begin, grow, end } = useMarquee(edit, scale);
  useKeysOfTracks(edit);

  return (
    <Box sx={{ display: 'flex', minHeight: '100%' }}>
      <TrackNames tracks={edit.tracks} />
      <Box
        ref={area}
        onPointerDown={begin}
        onPointerMove={grow}
        onPointerUp={end}
        sx={{ flex: 1, minWidth: 0, position: 'relative', touchAction: 'none', overflow: 'hidden' }}
      >
        {edit.tracks.map((track) => {
          const { thing, value } = placeName(desk.document, track.place);
          return (
            <Box
              key={track.place}
              sx={{
                position: 'relative',
                height: ROW_HEIGHT,
                borderBottom: `1px solid ${colours.raised}`,
                bgcolor: chosenTracks.includes(track.place) ? colours.raised : 'transparent',
              }}
            >
              <TrackRow
                motion={motion}
                track={track}
                name={`${thing}, ${value}`}
                scale={scale}
                chosen={edit.chosen}
                onTake={take}
              />
            </Box>
          );
        })}
        {frame && (
          <Box
            aria-hidden
            sx={{
              position: 'absolute',
              left: Math.min(frame.x, frame.toX),
              top: Math.min(frame.y, frame.toY),
              width: Math.abs(frame.toX - frame.x),
              height: Math.abs(frame.toY - frame.y),
              border: `1px solid ${colours.ember}`,
              pointerEvents: 'none',
            }}
          />
        )}
        <Playhead x={x} width={scale.width} />
      </Box>
    </Box>
  );
}

/** Delete takes chosen keys away; , and . step a frame. */
function useKeysOfTracks(edit: Edit) {
  const desk = useDesk();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const at = document.activeElement;
      if (at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement) return;
      const { motion } = desk.state.document;
      const { frame } = useTime.getState();
      if ((e.key === 'Delete' || e.key === 'Backspace') && edit.chosen.length > 0) {
        e.preventDefault();
        edit.keep('Remove keys', withoutKeys(edit.kept, edit.chosen), []);
      } else if (e.key === ',' || e.key === '.') {
        const to = frame + (e.key === '.' ? 1 : -1);
        if (to >= motion.firstFrame && to <= motion.lastFrame) {
          useTime.setState({ frame: to, playing: false });
        }
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [edit, desk]);
}

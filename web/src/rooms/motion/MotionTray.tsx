import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { useDesk } from '../../live/useShoot';
import { placeName } from '../../motion/names';
import { withoutKeys, type KeyRef } from '../../motion/keysEdit';
import { useDraftFrames } from '../../motion/useDraftFrames';
import { useFrames } from '../../motion/frames';
import { secondsOf, useTime } from '../../motion/time';
import { colours } from '../../theme/theme';
import { AddTrack } from './AddTrack';
import { CurveView } from './CurveView';
import { FrameStrip } from './FrameStrip';
import { useMotion } from './motionChoice';
import { Ruler } from './Ruler';
import { ROW_HEIGHT, TrackRow } from './TrackRow';
import { Transport } from './Transport';
import { useKeyDrag } from './useKeyDrag';
import { useTimeScale } from './useTimeScale';
import { useTracks } from './useTracks';

const NAMES_WIDTH = 188;

/** Tray of the Motion: tracks with their keys over time, or their curves. */
export function MotionTray() {
  const { motion } = useDesk().document;
  const frame = useTime((t) => t.frame);
  const shown = useMotion((m) => m.shown);
  const { box, scale } = useTimeScale(motion);
  const edit = useTracks();
  const at = scale.x(frame);
  const drafts = useFrames((f) => f.drafts);
  const ready = [...drafts].filter(([, draft]) => draft.fresh).map(([f]) => f);
  useDraftFrames();
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', minWidth: 0 }}>
      <Transport />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', minWidth: 0 }}>
        <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
          <Box sx={{ display: 'flex', flex: 'none' }}>
            <Box sx={{ width: NAMES_WIDTH, flex: 'none', px: 1.5, alignSelf: 'end' }}>
              <AddTrack />
            </Box>
            <Box ref={box} sx={{ flex: 1, minWidth: 0, position: 'relative' }}>
              {edit.tracks.length > 0 && <FrameStrip scale={scale} motion={motion} />}
              <Ruler motion={motion} scale={scale} ready={ready} />
              <StretchBar scale={scale} edit={edit} />
              <Playhead x={at} width={scale.width} />
            </Box>
          </Box>
          <Box sx={{ flex: 1, minHeight: 0, overflowY: 'auto', position: 'relative' }}>
            {edit.tracks.length === 0 ? (
              <Typography color="text.secondary" sx={{ p: 2 }}>
                Nothing moves yet. Add a track, or go to any room, move the time above, and set a
                key by the mark at a field.
              </Typography>
            ) : shown === 'keys' ? (
              <Rows edit={edit} scale={scale} x={at} />
            ) : (
              <CurveView edit={edit} scale={scale} x={at} />
            )}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

/** The time that is shown, as a line over everything. */
export function Playhead({ x, width }: { x: number; width: number }) {
  if (x < 0 || x > width) return null;
  return (
    <Box
      aria-hidden
      sx={{
        position: 'absolute',
        left: x,
        top: 0,
        bottom: 0,
        borderLeft: `1px solid ${colours.ember}`,
        pointerEvents: 'none',
      }}
    />
  );
}

type Edit = ReturnType<typeof useTracks>;
type Scale = ReturnType<typeof useTimeScale>['scale'];

/** A bar over chosen keys; its ends stretch them. */
function StretchBar({ scale, edit }: { scale: Scale; edit: Edit }) {
  const { motion } = useDesk().document;
  const { stretch } = useKeyDrag(motion, scale, edit);
  const times = edit.chosen.map((c) => c.seconds);
  const first = Math.min(...times);
  const last = Math.max(...times);
  if (times.length < 2 || first === last) return null;
  const left = scale.x(first * motion.framesPerSecond);
  const right = scale.x(last * motion.framesPerSecond);
  const end = (name: string, x: number, about: number, held: number) => (
    <Box
      component="button"
      type="button"
      aria-label={name}
      onPointerDown={(e: PointerEvent) => stretch(e, about, held)}
      sx={{
        all: 'unset',
        position: 'absolute',
        left: x - 4,
        bottom: 0,
        width: 8,
        height: 10,
        bgcolor: colours.ember,
        cursor: 'col-resize',
        borderRadius: '2px',
      }}
    />
  );
  return (
    <>
      <Box
        aria-hidden
        sx={{
          position: 'absolute',
          left,
          width: right - left,
          bottom: 3,
          height: 3,
          bgcolor: colours.ember,
          pointerEvents: 'none',
        }}
      />
      {end('Stretch chosen keys to the left', left, last, first)}
      {end('Stretch chosen keys to the right', right, first, last)}
    </>
  );
}

/** Tracks as rows: names at the left, keys along the time. */
function Rows({ edit, scale, x }: { edit: Edit; scale: Scale; x: number }) {
  const desk = useDesk();
  const { motion } = desk.document;
  const chosenTracks = useMotion((m) => m.tracks);
  const { take } = useKeyDrag(motion, scale, edit);
  const [frame, setFrame] = useState<{ x: number; y: number; toX: number; toY: number } | null>(
    null,
  );
  const area = useRef<HTMLDivElement>(null);
  useRemoval(edit);

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

  return (
    <Box sx={{ display: 'flex', minHeight: '100%' }}>
      <Box sx={{ width: NAMES_WIDTH, flex: 'none' }}>
        {edit.tracks.map((track) => {
          const { thing, value } = placeName(desk.document, track.place);
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
function useRemoval(edit: Edit) {
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
        if (
          secondsOf(motion, to) !== undefined &&
          to >= motion.firstFrame &&
          to <= motion.lastFrame
        ) {
          useTime.setState({ frame: to, playing: false });
        }
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [edit, desk]);
}

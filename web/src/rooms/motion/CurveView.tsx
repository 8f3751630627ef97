import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, type PointerEvent, type RefObject } from 'react';
import type { Key, Motion, Track } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { extent, isChosen, movedKeys, withSlope } from '../../motion/keysEdit';
import { holdsOnly, valueAt } from '../../motion/track';
import { partNames, placeName } from '../../motion/names';
import { secondsOf } from '../../motion/time';
import { colours, mono } from '../../theme/theme';
import { useMotion } from './motionChoice';
import { Playhead } from './Playhead';
import { NAMES_WIDTH } from './TrackRows';
import type { TimeScale } from './useTimeScale';
import type { useTracks } from './useTracks';

const HEIGHT = 400;
const MARGIN = 14;

/** Lines of several curves differ by their dashes, as well as by their colour. */
const LINES = [
  { ink: '#ececec', dash: '' },
  { ink: '#e8b04a', dash: '6 3' },
  { ink: '#9fc1e8', dash: '2 3' },
  { ink: '#b4d99a', dash: '9 3 2 3' },
  { ink: '#d9a3d0', dash: '4 2 1 2' },
  { ink: '#c9c9a0', dash: '1 2' },
];

interface Line {
  track: Track;
  part: number;
  name: string;
  least: number;
  most: number;
}

function partsOf(value: Key['value']): number[] {
  return Array.isArray(value) ? value : [Number(value)];
}

/** The curves of tracks, a line for every number. */
function linesOf(tracks: Track[], motion: Motion, scale: TimeScale, name: (t: Track) => string) {
  const from = secondsOf(motion, scale.from);
  const to = secondsOf(motion, scale.to);
  return tracks
    .filter((track) => typeof track.keys[0]!.value !== 'string')
    .flatMap((track): Line[] => {
      const [low, high] = extent(track, from, to);
      const room = Math.max(
        1e-6,
        0.08 * (high - low),
        high === low ? Math.abs(high) * 0.1 || 1 : 0,
      );
      const parts = partNames(track.place, partsOf(track.keys[0]!.value).length);
      return parts.map((part, k) => ({
        track,
        part: k,
        name: part ? `${name(track)} ${part}` : name(track),
        least: low - room,
        most: high + room,
      }));
    });
}

interface Held {
  line: Line;
  key: Key;
  kind: 'key' | 'in' | 'out';
  x: number;
  y: number;
}

/** Keys and slopes in the hand. */
function useCurveDrag(
  edit: ReturnType<typeof useTracks>,
  scale: TimeScale,
  motion: Motion,
  box: RefObject<SVGSVGElement | null>,
) {
  const held = useRef<Held | null>(null);
  const latest = useRef({ edit, scale, motion });
  useEffect(() => {
    latest.current = { edit, scale, motion };
  });
  useEffect(() => {
    const move = (e: globalThis.PointerEvent) => {
      const h = held.current;
      const r = box.current?.getBoundingClientRect();
      if (!h || !r) return;
      const now = latest.current;
      const perPixel = ((h.line.most - h.line.least) * HEIGHT) / (HEIGHT - 2 * MARGIN) / r.height;
      const byValue = -(e.clientY - h.y) * perPixel;
      const frames = now.scale.frame(e.clientX) - now.scale.frame(h.x);
      const bySeconds =
        (useMotion.getState().snap ? Math.round(frames) : frames) / now.motion.framesPerSecond;
      const of = now.edit.kept.find((t) => t.place === h.line.track.place);
      if (!of) return;
      const next =
        h.kind === 'key'
          ? valued(of, h.key, h.line.part, byValue)
          : sloped(of, h, e.clientX, e.clientY, perPixel, now.scale, now.motion, e.altKey);
      const all = now.edit.kept.map((t) => (t === of ? next : t));
      const ref = { place: of.place, seconds: h.key.seconds };
      now.edit.tryTracks(
        h.kind === 'key' ? movedKeys(all, [ref], bySeconds) : { tracks: all, chosen: [ref] },
      );
    };
    const up = () => {
      if (held.current) {
        latest.current.edit.keepHeld(held.current.kind === 'key' ? 'Move key' : 'Slope of key');
      }
      held.current = null;
    };
    addEventListener('pointermove', move);
    addEventListener('pointerup', up);
    return () => {
      removeEventListener('pointermove', move);
      removeEventListener('pointerup', up);
    };
  }, [box]);

  const take = (e: PointerEvent, line: Line, key: Key, kind: Held['kind']) => {
    e.stopPropagation();
    useMotion.setState({ keys: [{ place: line.track.place, seconds: key.seconds }] });
    held.current = { line, key, kind, x: e.clientX, y: e.clientY };
  };
  return take;
}

/** Chosen tracks as curves: keys are dragged in time and value, free ones have slopes. */
export function CurveView(p: { edit: ReturnType<typeof useTracks>; scale: TimeScale; x: number }) {
  const { edit, scale } = p;
  const { document } = useDesk();
  const { motion } = document;
  const chosen = useMotion((m) => m.tracks);
  const box = useRef<SVGSVGElement>(null);
  const name = (track: Track) => {
    const { thing, value } = placeName(document, track.place);
    return `${thing}, ${value}`;
  };
  const tracks = edit.tracks.filter((t) => chosen.includes(t.place));
  const drawn = tracks.length > 0 ? tracks : edit.tracks.slice(0, 3);
  const lines = linesOf(drawn, motion, scale, name);
  const x = (seconds: number) => scale.x(seconds * motion.framesPerSecond);
  const y = (line: Line, value: number) =>
    HEIGHT - MARGIN - ((value - line.least) / (line.most - line.least)) * (HEIGHT - 2 * MARGIN);

  const take = useCurveDrag(edit, scale, motion, box);

  return (
    <Box sx={{ display: 'flex', height: '100%' }}>
      <LineNames lines={lines} />
      <Box sx={{ flex: 1, minWidth: 0, position: 'relative' }}>
        <svg
          ref={box}
          width={scale.width}
          height="100%"
          viewBox={`0 0 ${scale.width} ${HEIGHT}`}
          preserveAspectRatio="none"
          role="img"
          aria-label="Curves over time"
          style={{ display: 'block', touchAction: 'none' }}
        >
          {lines.map((line, i) => (
            <polyline
              key={line.name}
              points={curve(line, scale, motion, y)}
              fill="none"
              stroke={LINES[i % LINES.length]!.ink}
              strokeDasharray={LINES[i % LINES.length]!.dash}
              strokeWidth={1.5}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
        {lines.flatMap((line, i) =>
          line.track.keys.slice(0, 2000).map((key) => {
            const value = partsOf(key.value)[line.part]!;
            const on = isChosen(edit.chosen, line.track.place, key);
            return (
              <Knob
                key={`${line.name} ${key.seconds}`}
                name={`${line.name}: key at frame ${Math.round(key.seconds * motion.framesPerSecond)}`}
                x={x(key.seconds)}
                top={y(line, value) / HEIGHT}
                ink={on ? colours.ember : LINES[i % LINES.length]!.ink}
                onTake={(e) => take(e, line, key, 'key')}
              />
            );
          }),
        )}
        <Slopes lines={lines} edit={edit} x={x} y={y} scale={scale} motion={motion} take={take} />
        {lines.length > 0 && <Bounds line={lines[0]!} many={drawn.length > 1} />}
        <Playhead x={p.x} width={scale.width} />
      </Box>
    </Box>
  );
}

/** What the lines are of, with their inks and dashes. */
function LineNames({ lines }: { lines: Line[] }) {
  return (
    <Box sx={{ width: NAMES_WIDTH, flex: 'none', px: 1.5, overflowY: 'auto' }}>
      {lines.map((line, i) => (
        <Box key={line.name} sx={{ display: 'flex', gap: 1, alignItems: 'center', height: 18 }}>
          <svg width="22" height="6" aria-hidden style={{ flex: 'none' }}>
            <line
              x2="22"
              y1="3"
              y2="3"
              stroke={LINES[i % LINES.length]!.ink}
              strokeDasharray={LINES[i % LINES.length]!.dash}
              strokeWidth="2"
            />
          </svg>
          <Typography variant="caption" noWrap title={line.name}>
            {line.name}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

function curve(
  line: Line,
  scale: TimeScale,
  motion: Motion,
  y: (line: Line, value: number) => number,
): string {
  const steps = Math.min(800, Math.max(60, Math.round(scale.width)));
  return Array.from({ length: steps + 1 }, (_, i) => {
    const frame = scale.from + ((scale.to - scale.from) * i) / steps;
    const value = partsOf(valueAt(line.track, secondsOf(motion, frame)))[line.part]!;
    return `${scale.x(frame).toFixed(1)},${y(line, value).toFixed(1)}`;
  }).join(' ');
}

/** A track whose key has another value. */
function valued(track: Track, key: Key, part: number, by: number): Track {
  const keys = track.keys.map((k) => {
    if (k.seconds !== key.seconds || holdsOnly(k.value)) return k;
    const value = Array.isArray(k.value)
      ? k.value.with(part, k.value[part]! + by)
      : (k.value as number) + by;
    return { ...k, value: value as Key['value'] };
  });
  return { ...track, keys };
}

/** A track whose key has the slope to where the hand is. */
function sloped(
  track: Track,
  h: Held,
  clientX: number,
  clientY: number,
  perPixel: number,
  scale: TimeScale,
  motion: Motion,
  broken: boolean,
): Track {
  const side = h.kind === 'in' ? -1 : 1;
  const reach = reachOf(scale, motion);
  const seconds = Math.max(
    reach * 0.1,
    reach + (side * (scale.frame(clientX) - scale.frame(h.x))) / motion.framesPerSecond,
  );
  const slopes = partsOf((h.kind === 'in' ? h.key.slopeIn : h.key.slopeOut) ?? 0);
  const slope = (slopes[h.line.part] ?? 0) * reach + side * -(clientY - h.y) * perPixel;
  return withSlope(
    track,
    h.key.seconds,
    h.line.part,
    slope / seconds,
    broken ? (h.kind === 'in' ? 'in' : 'out') : 'both',
  );
}

/** How long a slope's handle is, in seconds. */
function reachOf(scale: TimeScale, motion: Motion): number {
  return (scale.frame(40) - scale.frame(0)) / motion.framesPerSecond;
}

interface SlopesProps {
  lines: Line[];
  edit: ReturnType<typeof useTracks>;
  x: (seconds: number) => number;
  y: (line: Line, value: number) => number;
  scale: TimeScale;
  motion: Motion;
  take: (e: PointerEvent, line: Line, key: Key, kind: Held['kind']) => void;
}

/** Handles of the slopes of chosen keys whose spans are free; Alt moves one side alone. */
function Slopes({ lines, edit, x, y, scale, motion, take }: SlopesProps) {
  const reach = reachOf(scale, motion);
  return (
    <>
      {lines.flatMap((line) =>
        line.track.keys.flatMap((key, i) => {
          if (!isChosen(edit.chosen, line.track.place, key) || holdsOnly(key.value)) return [];
          const value = partsOf(key.value)[line.part]!;
          const sides: Held['kind'][] = [];
          if (line.track.keys[i - 1]?.span === 'free') sides.push('in');
          if (key.span === 'free') sides.push('out');
          return sides.map((side) => {
            const slope =
              partsOf((side === 'in' ? key.slopeIn : key.slopeOut) ?? 0)[line.part] ?? 0;
            const way = side === 'in' ? -1 : 1;
            return (
              <Knob
                key={`${line.name} ${key.seconds} ${side}`}
                name={`Slope ${side === 'in' ? 'before' : 'after'} the key of ${line.name}`}
                x={x(key.seconds + way * reach)}
                top={y(line, value + way * reach * slope) / HEIGHT}
                ink={colours.ember}
                open
                onTake={(e) => take(e, line, key, side)}
              />
            );
          });
        }),
      )}
    </>
  );
}

function Knob(p: {
  name: string;
  x: number;
  top: number;
  ink: string;
  open?: boolean;
  onTake: (e: PointerEvent) => void;
}) {
  return (
    <Box
      component="button"
      type="button"
      aria-label={p.name}
      title={p.name}
      onPointerDown={p.onTake}
      sx={{
        all: 'unset',
        position: 'absolute',
        left: p.x - 5,
        top: `calc(${100 * p.top}% - 5px)`,
        width: 8,
        height: 8,
        borderRadius: 5,
        border: `1px solid ${p.ink}`,
        bgcolor: p.open ? 'transparent' : p.ink,
        cursor: 'move',
        '&:focus-visible': { outline: `2px solid ${colours.ember}` },
      }}
    />
  );
}

/** What the top and the foot of the curves are; several tracks have a scale each. */
function Bounds({ line, many }: { line: Line; many: boolean }) {
  const text = (value: number) => (many ? '' : `${Number(value.toPrecision(4))}`);
  return (
    <>
      {[line.most, line.least].map((value, i) => (
        <Box
          key={i}
          component="span"
          sx={{
            position: 'absolute',
            right: 4,
            [i === 0 ? 'top' : 'bottom']: 0,
            fontFamily: mono,
            fontSize: 10,
            color: colours.quiet,
            pointerEvents: 'none',
          }}
        >
          {text(value)}
        </Box>
      ))}
    </>
  );
}

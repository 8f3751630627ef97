import Box from '@mui/material/Box';
import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import type { Operation, Piece, Shot, Vector } from '../api/document';
import { setField } from '../api/patch';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { colours, mono } from '../theme/theme';
import {
  after,
  composed,
  cross,
  decomposed,
  direction,
  inverse,
  minus,
  nearestAlong,
  parentFrame,
  plus,
  projected,
  rayThrough,
  times,
  turnedAbout,
  unit,
  type Frame,
} from './frame';

const REACH_PIXELS = 84;
const AXES: Vector[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];
const NAMES = ['X', 'Y', 'Z'];

interface Props {
  piece: Piece;
  shot: Shot;
  canvas: RefObject<HTMLCanvasElement | null>;
  width: number;
  height: number;
  scale: number;
}

interface Held {
  axis: number;
  start: number;
  parent: Frame;
  own: Frame;
  piece: Piece;
}

const rounded = (v: number, step: number, free: boolean) =>
  free ? v : Math.round(v / step) * step;
const tidy = (v: Vector): Vector => v.map((x) => Math.round(x * 1e6) / 1e6) as Vector;

/** Handles over the picture that move, turn or size the chosen piece; shift goes without steps. */
export function Handles({ piece, shot, canvas, width, height, scale }: Props) {
  const desk = useDesk();
  const tool = useChoice((c) => c.handle);
  const held = useRef<Held | null>(null);
  const [said, setSaid] = useState<{ axis: number; text: string } | null>(null);
  const aspect = width / height;
  const parent = parentFrame(desk.document.pieces, piece.parent);
  const own = after(parent, composed(piece.position, piece.rotationDegrees, piece.scale));
  const middle = projected(shot, aspect, own.shift);
  if (!middle || width < 64) return null;
  const reach =
    ((REACH_PIXELS / scale / width) * middle.depth * shot.sensorWidthMm) / shot.focalLengthMm;
  const axes = tool === 'size' ? [own.x, own.y, own.z].map(unit) : AXES;
  const px = (p: { x: number; y: number }) => ({ x: p.x * width, y: p.y * height });
  const centre = px(middle);

  const ray = (e: PointerEvent) => {
    const box = canvas.current!.getBoundingClientRect();
    return rayThrough(
      shot,
      aspect,
      (e.clientX - box.left) / box.width,
      (e.clientY - box.top) / box.height,
    );
  };
  /** What the pointer says: metres along an axis, or radians about it. */
  const measure = (e: PointerEvent, axis: number, at: Vector): number | null => {
    const line = axes[axis]!;
    if (tool !== 'turn') return nearestAlong(at, line, shot.position, ray(e));
    const way = ray(e);
    const facing = way[0] * line[0] + way[1] * line[1] + way[2] * line[2];
    if (Math.abs(facing) < 0.02) return null;
    const w = minus(at, shot.position);
    const t = (w[0] * line[0] + w[1] * line[1] + w[2] * line[2]) / facing;
    const hit = minus(plus(shot.position, times(way, t)), at);
    const [u, v] = across(line);
    return Math.atan2(
      hit[0] * v[0] + hit[1] * v[1] + hit[2] * v[2],
      hit[0] * u[0] + hit[1] * u[1] + hit[2] * u[2],
    );
  };

  const down = (axis: number) => (e: PointerEvent<SVGElement>) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    const start = measure(e, axis, own.shift);
    if (start === null) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    held.current = { axis, start, parent, own, piece };
    setSaid({ axis, text: '' });
  };
  const move = (e: PointerEvent<SVGElement>) => {
    const h = held.current;
    if (!h) return;
    e.stopPropagation();
    const now = measure(e, h.axis, h.own.shift);
    if (now === null) return;
    const line = axes[h.axis]!;
    const name = NAMES[h.axis]!;
    const tell = (text: string) => setSaid({ axis: h.axis, text });
    const document = desk.state.document;
    const set = (field: string, value: unknown): Operation =>
      setField(document, 'pieces', h.piece.id, field, value);
    if (tool === 'move') {
      const by = rounded(now - h.start, stepOf(reach), e.shiftKey);
      const shift = direction(inverse(h.parent), times(line, by));
      tell(`${name} ${by >= 0 ? '+' : '−'}${Math.abs(by).toFixed(3)} m`);
      desk.tryOut([set('position', tidy(plus(h.piece.position, shift)))]);
    } else if (tool === 'turn') {
      const turn = rounded(((now - h.start) * 180) / Math.PI, 5, e.shiftKey);
      const around = turnedAbout(line, (turn * Math.PI) / 180);
      const world: Frame = { ...after(around, h.own), shift: h.own.shift };
      const { rotationDegrees, scale } = decomposed(after(inverse(h.parent), world));
      tell(`${name} ${turn.toFixed(1)}°`);
      desk.tryOut([
        set('rotationDegrees', tidy(rotationDegrees)),
        ...(h.piece.scale[0] * scale[0] < 0 ? [set('scale', tidy(scale))] : []),
      ]);
    } else {
      const by = Math.max(0.01, rounded(now / h.start, 0.05, e.shiftKey));
      const size = h.piece.scale.with(h.axis, h.piece.scale[h.axis]! * by) as Vector;
      tell(`${name} × ${by.toFixed(2)}`);
      desk.tryOut([set('scale', tidy(size))]);
    }
  };
  const up = () => {
    if (held.current && said && said.text !== '') {
      const verb = tool === 'move' ? 'Move' : tool === 'turn' ? 'Turn' : 'Size';
      void desk.keep(tool === 'size' ? `Size of ${piece.name}` : `${verb} ${piece.name}`);
    }
    held.current = null;
    setSaid(null);
  };
  const grip = (axis: number) => ({
    onPointerDown: down(axis),
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: up,
    style: { pointerEvents: 'all' as const, cursor: 'move' },
  });
  const thin = 1.6 / scale;
  const colour = (axis: number) => (said?.axis === axis ? colours.ember : '#fff');

  return (
    <svg
      width={width}
      height={height}
      aria-label={`Handles of ${piece.name}`}
      style={{ position: 'absolute', inset: 0, overflow: 'visible', pointerEvents: 'none' }}
    >
      <g stroke="#000" strokeOpacity={0.5} strokeWidth={thin / 2}>
        {axes.map((axis, i) => {
          if (tool === 'turn') {
            const d = ringOf(own.shift, axis, reach * (0.75 + 0.16 * i))
              .map((p) => projected(shot, aspect, p))
              .map((p) => (p ? `${(p.x * width).toFixed(1)},${(p.y * height).toFixed(1)}` : null));
            if (d.includes(null)) return null;
            return (
              <g key={i} data-handle={NAMES[i]} {...grip(i)}>
                <polyline
                  points={d.join(' ')}
                  fill="none"
                  stroke="transparent"
                  strokeWidth={10 / scale}
                />
                <polyline
                  points={d.join(' ')}
                  fill="none"
                  stroke={colour(i)}
                  strokeOpacity={1}
                  strokeWidth={thin}
                  strokeDasharray={dash(i, scale)}
                />
                <Label at={d[6 + 12 * i]!} scale={scale} text={NAMES[i]!} />
              </g>
            );
          }
          const tip = projected(shot, aspect, plus(own.shift, times(axis, reach)));
          if (!tip) return null;
          const to = px(tip);
          return (
            <g key={i} data-handle={NAMES[i]} {...grip(i)}>
              <line
                x1={centre.x}
                y1={centre.y}
                x2={to.x}
                y2={to.y}
                stroke="transparent"
                strokeWidth={12 / scale}
              />
              <line
                x1={centre.x}
                y1={centre.y}
                x2={to.x}
                y2={to.y}
                stroke={colour(i)}
                strokeOpacity={1}
                strokeWidth={thin}
                strokeDasharray={dash(i, scale)}
              />
              <Label
                at={`${to.x},${to.y}`}
                scale={scale}
                text={NAMES[i]!}
                square={tool === 'size'}
              />
            </g>
          );
        })}
        <circle cx={centre.x} cy={centre.y} r={3 / scale} fill={colours.ember} />
      </g>
      {said && (
        <text
          x={centre.x + 12 / scale}
          y={centre.y - 12 / scale}
          fontFamily={mono}
          fontSize={13 / scale}
          fill="#fff"
          stroke="#000"
          strokeWidth={3 / scale}
          paintOrder="stroke"
        >
          {said.text}
        </text>
      )}
    </svg>
  );
}

/** X is whole, Y dashed long, Z dotted, so that no colour has to say which is which. */
function dash(axis: number, scale: number): string | undefined {
  return [undefined, `${9 / scale} ${4 / scale}`, `${2.5 / scale} ${3 / scale}`][axis];
}

/** A step that suits the size of what is seen. */
function stepOf(reach: number): number {
  return reach < 0.1 ? 0.001 : reach < 1.5 ? 0.01 : 0.1;
}

/** Two directions across an axis. */
function across(axis: Vector): [Vector, Vector] {
  const helper: Vector = Math.abs(axis[1]) > 0.9 ? [1, 0, 0] : [0, 1, 0];
  const u = unit(cross(helper, axis));
  return [u, cross(axis, u)];
}

function ringOf(at: Vector, axis: Vector, radius: number): Vector[] {
  const [u, v] = across(axis);
  return Array.from({ length: 49 }, (_, i) => {
    const a = (2 * Math.PI * i) / 48;
    return plus(at, plus(times(u, radius * Math.cos(a)), times(v, radius * Math.sin(a))));
  });
}

function Label(p: { at: string; scale: number; text: string; square?: boolean }) {
  const [x, y] = p.at.split(',').map(Number) as [number, number];
  const r = 8 / p.scale;
  return (
    <g>
      <rect
        x={x - r}
        y={y - r}
        width={2 * r}
        height={2 * r}
        rx={p.square ? 1 / p.scale : r}
        fill="#1f1f1f"
      />
      <text
        x={x}
        y={y + 3.6 / p.scale}
        textAnchor="middle"
        fontFamily={mono}
        fontSize={10 / p.scale}
        fill="#fff"
        stroke="none"
      >
        {p.text}
      </text>
    </g>
  );
}

/** Which handles are shown. */
export function HandleChoice() {
  const tool = useChoice((c) => c.handle);
  return (
    <Box
      role="group"
      aria-label="Handles"
      onPointerDown={(e) => e.stopPropagation()}
      sx={{
        position: 'absolute',
        left: 8,
        top: 8,
        display: 'flex',
        bgcolor: '#1f1f1fd0',
        borderRadius: 1.5,
        p: 0.5,
      }}
    >
      {(['move', 'turn', 'size'] as const).map((kind) => (
        <Box
          key={kind}
          component="button"
          type="button"
          aria-pressed={tool === kind}
          onClick={() => useChoice.setState({ handle: kind })}
          sx={{
            all: 'unset',
            cursor: 'pointer',
            fontSize: 12,
            px: 2,
            py: 0.75,
            borderRadius: 1,
            color: tool === kind ? colours.ember : colours.quiet,
            bgcolor: tool === kind ? colours.control : 'transparent',
            '&:hover': { color: colours.text },
            '&:focus-visible': { outline: `2px solid ${colours.ember}` },
          }}
        >
          {kind === 'move' ? 'Move' : kind === 'turn' ? 'Turn' : 'Size'}
        </Box>
      ))}
    </Box>
  );
}

import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../controls/Fetched';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { api } from '../api/client';
import type { Light, Operation, Piece, Vector } from '../api/document';
import { setField } from '../api/patch';
import { useChoice } from '../frame/choice';
import { useChosenShot } from '../frame/useChosenShot';
import { useDesk } from '../live/useShoot';
import {
  after,
  composed,
  cross,
  decomposed,
  direction,
  inverse,
  minus,
  parentFrame,
  plus,
  turnedAbout,
} from '../picture/frame';
import { colours, mono } from '../theme/theme';
import { inWorld, isPlaced } from './lights';
import { carried, dragOffset } from './dragOffset';
import { CameraOnPlan, LightOnPlan, PieceHandles } from './marks';
import { barMetres, fitted, inSpace, onPlan, outlined, type From, type Window } from './look';

const VIEWS: [From, string][] = [
  ['top', 'From above'],
  ['side', 'From the right'],
  ['front', 'From in front'],
];

/** Outlines larger than this do not count when the plan is fitted, metres. */
const LARGE = 14;
const SNAP = 0.05;

type Held =
  | { kind: 'light' | 'aim'; light: Light; x: number; y: number; moved: boolean }
  | { kind: 'piece'; piece: Piece; x: number; y: number; moved: boolean }
  | {
      kind: 'handle';
      does: 'turn' | 'size';
      piece: Piece;
      x: number;
      y: number;
      moved: boolean;
      /** The piece's middle, in the window. */
      centre: [number, number];
    }
  | { kind: 'pan'; x: number; y: number; moved: boolean };

const tidy = (v: Vector): Vector => v.map((x) => Math.round(x * 1e4) / 1e4) as Vector;

/** The set from above or from a side, to scale, with the lights and the camera; all can be moved. */
export function Plan() {
  const desk = useDesk();
  const shot = useChosenShot();
  const from = useChoice((c) => c.planFrom);
  const light = useChoice((c) => c.light);
  const piece = useChoice((c) => c.piece);
  const place = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [window, setWindow] = useState<Window | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const held = useRef<Held | null>(null);
  const planQuery = useQuery({
    queryKey: ['plan', desk.state.id, desk.state.revision],
    queryFn: () => api.plan(desk.state.id),
    placeholderData: (before) => before,
    // The set is compiled behind the first picture of a change.
    refetchInterval: (q) => (q.state.dataUpdateCount < 3 ? 700 : false),
  });
  const data = planQuery.data;
  useEffect(() => {
    const node = place.current;
    if (!node) return;
    const observer = new ResizeObserver(() =>
      setSize({ width: node.clientWidth, height: node.clientHeight }),
    );
    observer.observe(node);
    return () => observer.disconnect();
  }, []);

  const lights = useMemo(
    () =>
      desk.document.lights
        .filter((l) => isPlaced(l))
        .map((l) => ({ l, ...inWorld(l, desk.document) })),
    [desk.document],
  );
  const outlines = useMemo(
    () =>
      (data ?? []).map((o) => ({
        piece: o.piece,
        shapes: o[from].map((corners) => outlined(from, corners)),
      })),
    [data, from],
  );
  // What the hand is just doing to a piece shows at once; the outlines follow when it is kept.
  const shown = useMemo(
    () =>
      outlines.map((o) => {
        const by = dragOffset(o.piece, desk.state.document, desk.document);
        return by ? { ...o, shapes: o.shapes.map((s) => carried(from, s, by)) } : o;
      }),
    [outlines, from, desk.state.document, desk.document],
  );
  const whole = useMemo(() => {
    const points: [number, number][] = lights
      .filter(({ l }) => l.emitter.kind !== 'sun')
      .map(({ position: p }) => onPlan(from, p));
    points.push(onPlan(from, shot.position), onPlan(from, shot.aim));
    for (const { shapes } of outlines) {
      for (const shape of shapes) {
        const xs = shape.map((p) => p[0]);
        const ys = shape.map((p) => p[1]);
        const wide = Math.max(...xs) - Math.min(...xs);
        if (Math.max(wide, Math.max(...ys) - Math.min(...ys)) < LARGE) points.push(...shape);
      }
    }
    return fitted(points, size.width, size.height);
  }, [lights, outlines, shot, from, size]);
  const w = window ?? whole;
  const px = ([x, y]: [number, number]): [number, number] => [
    size.width / 2 + (x - w.x) * w.scale,
    size.height / 2 + (y - w.y) * w.scale,
  ];

  const begin = (e: PointerEvent, hold: Held) => {
    if (e.button !== 0 && hold.kind !== 'pan') return;
    e.stopPropagation();
    place.current?.setPointerCapture(e.pointerId);
    held.current = hold;
    // The plan holds still under the hand.
    setWindow(w);
  };
  const move = (e: PointerEvent) => {
    const h = held.current;
    if (!h) return;
    const dx = e.clientX - h.x;
    const dy = e.clientY - h.y;
    if (!h.moved && Math.hypot(dx, dy) < 3) return;
    h.moved = true;
    if (h.kind === 'pan') {
      setWindow({ ...w, x: w.x - e.movementX / w.scale, y: w.y - e.movementY / w.scale });
      return;
    }
    if (h.kind === 'handle') {
      handled(h, e);
      return;
    }
    const step = (metres: number) => (e.shiftKey ? metres : Math.round(metres / SNAP) * SNAP);
    const by = inSpace(from, step(dx / w.scale), step(dy / w.scale));
    const { document } = desk.state;
    if (h.kind === 'piece') {
      const frame = inverse(parentFrame(document.pieces, h.piece.parent));
      const next = tidy(plus(h.piece.position, direction(frame, by)));
      setSaid(`${h.piece.name} moved by ${Math.hypot(...by).toFixed(2)} m`);
      desk.tryOut([setField(document, 'pieces', h.piece.id, 'position', next)]);
      return;
    }
    const own = h.kind === 'light' ? h.light.parent : (h.light.aimedAt ?? h.light.parent);
    const frame = inverse(parentFrame(document.pieces, own));
    const field = h.kind === 'light' ? 'position' : 'aim';
    const next = tidy(plus(h.light[field], direction(frame, by)));
    const operations: Operation[] = [setField(document, 'lights', h.light.id, field, next)];
    const there = inWorld({ ...h.light, [field]: next }, document);
    setSaid(
      `${h.light.name}: ${Math.hypot(...minus(there.aim, there.position)).toFixed(2)} m to its aim, ${there.position[1].toFixed(2)} m high`,
    );
    desk.tryOut(operations);
  };
  /** Turns the chosen piece about the line of sight, or sizes it evenly. */
  const handled = (h: Extract<Held, { kind: 'handle' }>, e: PointerEvent) => {
    const { document } = desk.state;
    const start = [h.x - h.centre[0], h.y - h.centre[1]] as const;
    const now = [e.clientX - h.centre[0], e.clientY - h.centre[1]] as const;
    const set = (field: string, value: Vector) =>
      setField(document, 'pieces', h.piece.id, field, tidy(value));
    if (h.does === 'size') {
      const by = Math.hypot(...now) / Math.max(4, Math.hypot(...start));
      const factor = Math.max(0.05, e.shiftKey ? by : Math.round(by / SNAP) * SNAP);
      setSaid(`${h.piece.name} × ${factor.toFixed(2)}`);
      desk.tryOut([set('scale', h.piece.scale.map((v) => v * factor) as Vector)]);
      return;
    }
    const angle = Math.atan2(now[1], now[0]) - Math.atan2(start[1], start[0]);
    const degrees = (((angle * 180) / Math.PI + 540) % 360) - 180;
    const turn = e.shiftKey ? degrees : Math.round(degrees / 5) * 5;
    const axis = cross(inSpace(from, 1, 0), inSpace(from, 0, 1));
    const parent = parentFrame(document.pieces, h.piece.parent);
    const own = after(parent, composed(h.piece.position, h.piece.rotationDegrees, h.piece.scale));
    const world = { ...after(turnedAbout(axis, (turn * Math.PI) / 180), own), shift: own.shift };
    const { rotationDegrees, scale } = decomposed(after(inverse(parent), world));
    setSaid(`${h.piece.name} turned by ${turn.toFixed(0)}°`);
    desk.tryOut([set('rotationDegrees', rotationDegrees), set('scale', scale)]);
  };
  const up = () => {
    const h = held.current;
    held.current = null;
    setSaid(null);
    if (!h?.moved) {
      if (h?.kind === 'pan') useChoice.setState({ piece: null });
      return;
    }
    if (h.kind === 'light') void desk.keep(`Move ${h.light.name}`);
    if (h.kind === 'aim') void desk.keep(`Aim ${h.light.name}`);
    if (h.kind === 'piece') void desk.keep(`Move ${h.piece.name}`);
    if (h.kind === 'handle') {
      void desk.keep(h.does === 'turn' ? `Turn ${h.piece.name}` : `Size of ${h.piece.name}`);
    }
  };
  const bar = barMetres(w.scale, 110);
  const room = useChoice((c) => c.room);
  const inHand = room === 'set' || !light;
  const chosenPiece = inHand ? desk.document.pieces.find((p) => p.id === piece) : undefined;

  return (
    <Box
      ref={place}
      role="group"
      aria-label="Plan"
      onPointerDown={(e) => begin(e, { kind: 'pan', x: e.clientX, y: e.clientY, moved: false })}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onWheel={(e) => {
        const factor = Math.exp(-e.deltaY * 0.0012);
        setWindow({ ...w, scale: Math.min(4000, Math.max(2, w.scale * factor)) });
      }}
      onDoubleClick={() => setWindow(null)}
      sx={{
        position: 'absolute',
        inset: 0,
        bgcolor: '#2a2a2a',
        overflow: 'hidden',
        userSelect: 'none',
        touchAction: 'none',
        borderLeft: `1px solid ${colours.line}`,
      }}
    >
      {!data && <Fetched of={planQuery} what="The plan" />}
      <svg width={size.width} height={size.height} aria-hidden style={{ display: 'block' }}>
        <Grid window={w} width={size.width} height={size.height} step={bar / 2} />
        {shown.map(({ piece: id, shapes }) => {
          const own = desk.state.document.pieces.find((p) => p.id === id);
          const lit = id === piece;
          return (
            <g
              key={id}
              data-piece={id}
              fill={lit ? `${colours.ember}18` : '#ffffff07'}
              stroke={lit ? colours.ember : '#8a8a8a'}
              strokeWidth={lit ? 1.4 : 0.8}
              style={{ cursor: lit ? 'move' : 'pointer' }}
              onPointerDown={(e) => {
                if (!own || e.button !== 0) return;
                const large = shapes.some((s) => {
                  const xs = s.map((p) => p[0]);
                  return Math.max(...xs) - Math.min(...xs) > LARGE;
                });
                // A piece is chosen first and moved then, so that none is moved by mistake.
                if (large && !lit) return;
                if (!lit) {
                  e.stopPropagation();
                  useChoice.setState({ piece: id, light: null });
                  return;
                }
                begin(e, { kind: 'piece', piece: own, x: e.clientX, y: e.clientY, moved: false });
              }}
            >
              {shapes.map((shape, i) => (
                <polygon
                  key={i}
                  points={shape
                    .map((p) =>
                      px(p)
                        .map((v) => v.toFixed(1))
                        .join(','),
                    )
                    .join(' ')}
                />
              ))}
            </g>
          );
        })}
        <CameraOnPlan shot={shot} from={from} px={px} />
        {lights.map(({ l, position: p, aim, aims }) => (
          <LightOnPlan
            key={l.id}
            light={l}
            position={p}
            aim={aim}
            aims={aims}
            from={from}
            px={px}
            scale={w.scale}
            chosen={l.id === light}
            document={desk.document}
            onPlace={(e) => {
              useChoice.setState({ light: l.id });
              const kept = desk.state.document.lights.find((x) => x.id === l.id);
              if (!kept || kept.mirror) return e.stopPropagation();
              begin(e, { kind: 'light', light: kept, x: e.clientX, y: e.clientY, moved: false });
            }}
            onAim={(e) => {
              const kept = desk.state.document.lights.find((x) => x.id === l.id);
              if (!kept || kept.mirror) return;
              begin(e, { kind: 'aim', light: kept, x: e.clientX, y: e.clientY, moved: false });
            }}
          />
        ))}
        {chosenPiece && (
          <PieceHandles
            piece={chosenPiece}
            at={px(
              onPlan(
                from,
                after(
                  parentFrame(desk.document.pieces, chosenPiece.parent),
                  composed(chosenPiece.position, chosenPiece.rotationDegrees, chosenPiece.scale),
                ).shift,
              ),
            )}
            onHold={(does, e, centre) => {
              const kept = desk.state.document.pieces.find((p) => p.id === chosenPiece.id);
              const box = place.current?.getBoundingClientRect();
              if (!kept || !box) return;
              begin(e, {
                kind: 'handle',
                does,
                piece: kept,
                x: e.clientX,
                y: e.clientY,
                moved: false,
                centre: [box.left + centre[0], box.top + centre[1]],
              });
            }}
          />
        )}
        <g
          transform={`translate(16 ${size.height - 16})`}
          stroke={colours.text}
          fill={colours.text}
        >
          <path d={`M0 -4V0H${bar * w.scale}V-4`} fill="none" />
          <text x={bar * w.scale + 6} y={1} fontSize={11} stroke="none" fontFamily={mono}>
            {bar} m
          </text>
        </g>
      </svg>
      <Box
        onPointerDown={(e) => e.stopPropagation()}
        sx={{ position: 'absolute', left: 8, top: 8, display: 'flex', gap: 1 }}
      >
        {VIEWS.map(([which, text]) => (
          <Box
            key={which}
            component="button"
            type="button"
            aria-pressed={from === which}
            onClick={() => {
              setWindow(null);
              useChoice.setState({ planFrom: which });
            }}
            sx={{
              border: 'none',
              px: 2,
              height: 24,
              fontSize: 12,
              fontFamily: 'inherit',
              borderRadius: 1,
              cursor: 'pointer',
              bgcolor: from === which ? colours.control : '#1f1f1fd0',
              color: from === which ? colours.text : colours.quiet,
            }}
          >
            {text}
          </Box>
        ))}
      </Box>
      {said && (
        <Box
          role="status"
          sx={{
            position: 'absolute',
            left: 8,
            top: 40,
            px: 2,
            py: 1,
            fontSize: 12,
            fontFamily: mono,
            bgcolor: '#1f1f1fd0',
            borderRadius: 1.5,
          }}
        >
          {said}
        </Box>
      )}
    </Box>
  );
}

function Grid({
  window: w,
  width,
  height,
  step,
}: {
  window: Window;
  width: number;
  height: number;
  step: number;
}) {
  if (width === 0) return null;
  const lines: string[] = [];
  const left = w.x - width / 2 / w.scale;
  const top = w.y - height / 2 / w.scale;
  for (let x = Math.ceil(left / step) * step; x < left + width / w.scale; x += step) {
    lines.push(`M${((x - left) * w.scale).toFixed(1)} 0V${height}`);
  }
  for (let y = Math.ceil(top / step) * step; y < top + height / w.scale; y += step) {
    lines.push(`M0 ${((y - top) * w.scale).toFixed(1)}H${width}`);
  }
  return <path d={lines.join('')} stroke="#343434" fill="none" />;
}

import type { PointerEvent, ReactElement } from 'react';
import type { Light, Piece, ShootDocument, Shot, Vector } from '../api/document';
import { cross, minus, plus, times, unit } from '../picture/frame';
import { colours } from '../theme/theme';
import { mirrorSource } from './lights';
import { onPlan, type From } from './look';

type Pixels = (p: [number, number]) => [number, number];

const path = (points: [number, number][]) =>
  points.map((p, i) => `${i ? 'L' : 'M'}${p[0].toFixed(1)} ${p[1].toFixed(1)}`).join('');

/** The camera with its angle of view. */
export function CameraOnPlan({ shot, from, px }: { shot: Shot; from: From; px: Pixels }) {
  const way = minus(shot.aim, shot.position);
  const reach = 1.15 * Math.hypot(...way);
  const ahead = unit(way);
  const level: Vector = [0, 1, 0];
  const right = unit(cross(ahead, Math.abs(ahead[1]) > 0.999 ? [0, 0, -1] : level));
  const up = cross(right, ahead);
  const half = shot.sensorWidthMm / shot.focalLengthMm / 2;
  // From the side the height of the frame is what is seen of it.
  const across = from === 'top' ? times(right, half) : times(up, (half * 9) / 16);
  const edge = (sign: number) =>
    px(onPlan(from, plus(shot.position, times(plus(ahead, times(across, sign)), reach))));
  const at = px(onPlan(from, shot.position));
  return (
    <g aria-hidden pointerEvents="none">
      <path
        d={`${path([at, edge(-1), edge(1)])}Z`}
        fill="#ffffff0a"
        stroke="#c8c8c8"
        strokeDasharray="2 3"
      />
      <rect x={at[0] - 6} y={at[1] - 4} width={12} height={8} rx={1.5} fill="#c8c8c8" />
      <circle cx={at[0]} cy={at[1]} r={2} fill="#2a2a2a" />
    </g>
  );
}

interface Props {
  light: Light;
  position: Vector;
  aim: Vector;
  aims: boolean;
  from: From;
  px: Pixels;
  scale: number;
  chosen: boolean;
  document: ShootDocument;
  onPlace: (e: PointerEvent) => void;
  onAim: (e: PointerEvent) => void;
}

/** A light by its kind and size, with its throw. */
export function LightOnPlan(p: Props) {
  const { light, from, px, scale } = p;
  const { emitter } = mirrorSource(light, p.document);
  const at = px(onPlan(from, p.position));
  const aim = px(onPlan(from, p.aim));
  const colour = p.chosen ? colours.ember : '#f0d9a8';
  const ahead = unit(minus(p.aim, p.position));
  const right = unit(cross(ahead, Math.abs(ahead[1]) > 0.999 ? [0, 0, -1] : [0, 1, 0]));
  const up = cross(right, ahead);
  const roll = (light.rollDegrees * Math.PI) / 180;
  const across = plus(times(right, Math.cos(roll)), times(up, Math.sin(roll)));
  const above = minus(times(up, Math.cos(roll)), times(right, Math.sin(roll)));
  const corner = (a: number, b: number) =>
    px(onPlan(from, plus(p.position, plus(times(across, a), times(above, b)))));
  const shape = (): ReactElement => {
    switch (emitter.kind) {
      case 'rectangle': {
        const [a, b] = [emitter.width / 2, emitter.height / 2];
        return (
          <path
            d={`${path([corner(-a, -b), corner(a, -b), corner(a, b), corner(-a, b)])}Z`}
            fill={`${colour}50`}
            strokeWidth={2}
          />
        );
      }
      case 'disc': {
        const ring = Array.from({ length: 24 }, (_, i) => (i / 12) * Math.PI).map((t) =>
          corner(emitter.radius * Math.cos(t), emitter.radius * Math.sin(t)),
        );
        return <path d={`${path(ring)}Z`} fill={`${colour}50`} strokeWidth={2} />;
      }
      case 'tube':
        return (
          <path
            d={path([corner(-emitter.length / 2, 0), corner(emitter.length / 2, 0)])}
            strokeWidth={4}
          />
        );
      case 'sphere':
        return (
          <circle
            cx={at[0]}
            cy={at[1]}
            r={Math.max(5, emitter.radius * scale)}
            fill={`${colour}50`}
          />
        );
      case 'spot': {
        const reach = Math.hypot(...minus(p.aim, p.position));
        const half = Math.tan((Math.min(170, emitter.coneDegrees) / 2) * (Math.PI / 180));
        const side = from === 'top' ? right : up;
        const edge = (sign: number) =>
          px(onPlan(from, plus(p.position, times(plus(ahead, times(side, sign * half)), reach))));
        return (
          <>
            <path
              d={`${path([at, edge(-1), edge(1)])}Z`}
              fill={`${colour}14`}
              strokeOpacity={0.4}
            />
            <circle cx={at[0]} cy={at[1]} r={6} fill="#2a2a2a" strokeWidth={2} />
          </>
        );
      }
      case 'sun':
        return (
          <>
            <circle cx={at[0]} cy={at[1]} r={8} fill={`${colour}50`} />
            <path d={`M${at[0] - 12} ${at[1]}h24M${at[0]} ${at[1] - 12}v24`} strokeOpacity={0.6} />
          </>
        );
      case 'point':
      case 'environment':
      case 'dome':
      case 'sky':
      case 'sky-sun':
      case 'plate':
      case 'emissive':
        return (
          <>
            <circle cx={at[0]} cy={at[1]} r={3} fill={colour} />
            <path d={`M${at[0] - 8} ${at[1]}h16M${at[0]} ${at[1] - 8}v16`} strokeOpacity={0.8} />
          </>
        );
    }
  };
  return (
    <g stroke={colour} fill="none" opacity={light.muted ? 0.45 : 1}>
      {p.aims && (
        <path
          d={path([at, aim])}
          strokeDasharray="4 3"
          strokeOpacity={p.chosen ? 0.9 : 0.45}
          pointerEvents="none"
        />
      )}
      <g data-light-mark={light.id} style={{ cursor: 'move' }} onPointerDown={p.onPlace}>
        <circle cx={at[0]} cy={at[1]} r={12} fill="transparent" stroke="none" />
        {shape()}
        <text
          x={at[0] + 10}
          y={at[1] - 9}
          fontSize={11}
          fill={p.chosen ? colour : '#d0d0d0'}
          stroke="#2a2a2a"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {light.name}
        </text>
      </g>
      {p.chosen && p.aims && (
        <g data-aim-mark={light.id} style={{ cursor: 'move' }} onPointerDown={p.onAim}>
          <circle cx={aim[0]} cy={aim[1]} r={9} fill="transparent" />
          <path d={`M${aim[0] - 5} ${aim[1]}h10M${aim[0]} ${aim[1] - 5}v10`} strokeWidth={2} />
        </g>
      )}
    </g>
  );
}

interface HandlesProps {
  piece: Piece;
  at: [number, number];
  onHold: (kind: 'turn' | 'size', e: PointerEvent, centre: [number, number]) => void;
}

/** Handles that turn and size the chosen piece about its own place. */
export function PieceHandles({ piece, at, onHold }: HandlesProps) {
  const reach = 44;
  return (
    <g stroke={colours.ember} fill="#2a2a2a" strokeWidth={1.5}>
      <circle
        cx={at[0]}
        cy={at[1]}
        r={reach}
        fill="none"
        strokeOpacity={0.35}
        pointerEvents="none"
      />
      <circle
        cx={at[0] + reach}
        cy={at[1]}
        r={6}
        role="img"
        aria-label={`Turn ${piece.name}`}
        data-plan-handle="turn"
        style={{ cursor: 'move' }}
        onPointerDown={(e) => onHold('turn', e, at)}
      />
      <rect
        x={at[0] + 0.71 * reach - 5}
        y={at[1] + 0.71 * reach - 5}
        width={10}
        height={10}
        role="img"
        aria-label={`Size ${piece.name}`}
        data-plan-handle="size"
        style={{ cursor: 'move' }}
        onPointerDown={(e) => onHold('size', e, at)}
      />
    </g>
  );
}

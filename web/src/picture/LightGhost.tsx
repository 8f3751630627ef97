import { LightMark } from '../desk/LightMark';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { inWorld, isPlaced } from '../plan/lights';
import { colours, mono } from '../theme/theme';
import type { Shot } from '../api/document';
import { ghostOf } from './ghost';

interface Props {
  shot: Shot;
  width: number;
  height: number;
  scale: number;
}

/** Where the light is just going while it is placed by what it should do. */
export function LightGhost({ shot, width, height, scale }: Props) {
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const following = useChoice((c) => c.armed?.hover !== undefined);
  const light = desk.document.lights.find((l) => l.id === chosen);
  if (!following || !light || !isPlaced(light)) return null;
  const world = inWorld(light, desk.document);
  const ghost = ghostOf(shot, width / height, world.position, world.aim);
  if (!ghost) return null;
  const [ax, ay] = [ghost.from.x * width, ghost.from.y * height];
  const [bx, by] = [ghost.to.x * width, ghost.to.y * height];
  const far = Math.hypot(bx - ax, by - ay);
  if (far < 1) return null;
  const [ux, uy] = [(bx - ax) / far, (by - ay) / far];
  const r = 13 / scale;
  // At the frame's edge the mark stands inside of it.
  const [cx, cy] = ghost.inside ? [bx, by] : [bx - 2 * r * ux, by - 2 * r * uy];
  const head = [
    [cx + 1.8 * r * ux, cy + 1.8 * r * uy],
    [cx + 1.2 * r * ux - 0.5 * r * uy, cy + 1.2 * r * uy + 0.5 * r * ux],
    [cx + 1.2 * r * ux + 0.5 * r * uy, cy + 1.2 * r * uy - 0.5 * r * ux],
  ];
  const right = cx < width / 2;
  return (
    <svg
      role="img"
      aria-label={`${light.name} is ${ghost.metres.toFixed(2)} m from there`}
      width={width}
      height={height}
      style={{ position: 'absolute', inset: 0, overflow: 'visible', pointerEvents: 'none' }}
    >
      <g stroke={colours.ember} fill="none" strokeWidth={1.3 / scale}>
        <line
          x1={ax}
          y1={ay}
          x2={cx - r * ux}
          y2={cy - r * uy}
          strokeDasharray={`${4 / scale} ${3 / scale}`}
        />
        <circle cx={cx} cy={cy} r={r} fill="#1f1f1fb0" />
        {!ghost.inside && (
          <polygon points={head.map((p) => p.join(',')).join(' ')} fill={colours.ember} />
        )}
      </g>
      <text
        x={cx + (right ? 1.5 : -1.5) * r}
        y={cy + 4 / scale}
        textAnchor={right ? 'start' : 'end'}
        fill="#fff"
        stroke="#1f1f1f"
        strokeWidth={3 / scale}
        paintOrder="stroke"
        fontFamily={mono}
        fontSize={12 / scale}
      >
        {`${ghost.metres.toFixed(2)} m`}
      </text>
      <foreignObject x={cx - r / 2} y={cy - r / 2} width={r} height={r}>
        <div style={{ color: colours.ember, lineHeight: 0 }}>
          <LightMark kind={light.emitter.kind} size={r} />
        </div>
      </foreignObject>
    </svg>
  );
}

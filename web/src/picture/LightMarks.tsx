import { useRef, type PointerEvent, type RefObject } from 'react';
import type { Light, Shot, Vector } from '../api/document';
import { setField } from '../api/patch';
import { LightMark } from '../desk/LightMark';
import { useChoice } from '../frame/choice';
import { useDesk } from '../live/useShoot';
import { inWorld, isPlaced } from '../plan/lights';
import { colours } from '../theme/theme';
import { inverse, minus, parentFrame, plus, point, projected, rayThrough, times } from './frame';

interface Props {
  shot: Shot;
  canvas: RefObject<HTMLCanvasElement | null>;
  width: number;
  height: number;
  scale: number;
}

const tidy = (v: Vector): Vector => v.map((x) => Math.round(x * 1e4) / 1e4) as Vector;

/** The lights that stand in view, drawn over the picture; dragging moves one across the view. */
export function LightMarks({ shot, canvas, width, height, scale }: Props) {
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const armed = useChoice((c) => c.armed);
  const held = useRef<{ light: Light; depth: number; moved: boolean } | null>(null);
  const aspect = width / height;
  if (width < 64 || armed) return null;
  const size = 22 / scale;

  const at = (e: PointerEvent, depth: number): Vector => {
    const box = canvas.current!.getBoundingClientRect();
    const x = (e.clientX - box.left) / box.width;
    const y = (e.clientY - box.top) / box.height;
    const way = rayThrough(shot, aspect, x, y);
    const middle = rayThrough(shot, aspect, 0.5, 0.5);
    const along = way[0] * middle[0] + way[1] * middle[1] + way[2] * middle[2];
    return plus(shot.position, times(way, depth / along));
  };
  const move = (e: PointerEvent) => {
    const h = held.current;
    if (!h) return;
    e.stopPropagation();
    h.moved = true;
    const { document } = desk.state;
    const frame = inverse(parentFrame(document.pieces, h.light.parent));
    const place = tidy(point(frame, at(e, h.depth)));
    desk.tryOut([setField(document, 'lights', h.light.id, 'position', place)]);
  };
  const up = () => {
    const h = held.current;
    held.current = null;
    if (h?.moved) void desk.keep(`Move ${h.light.name}`);
  };

  return (
    <>
      {desk.document.lights.filter(isPlaced).map((light) => {
        const world = inWorld(light, desk.document);
        const seen = projected(shot, aspect, world.position);
        if (!seen || seen.x < 0 || seen.x > 1 || seen.y < 0 || seen.y > 1) return null;
        const lit = light.id === chosen;
        const aim = world.aims ? projected(shot, aspect, world.aim) : null;
        const toward = minus(world.aim, world.position);
        return (
          <div key={light.id}>
            {lit && aim && (
              <svg
                width={width}
                height={height}
                style={{ position: 'absolute', inset: 0, overflow: 'visible' }}
                aria-hidden
                data-throw={toward.map((x) => x.toFixed(2)).join(' ')}
              >
                <line
                  x1={seen.x * width}
                  y1={seen.y * height}
                  x2={aim.x * width}
                  y2={aim.y * height}
                  stroke={colours.ember}
                  strokeOpacity={0.7}
                  strokeWidth={1.2 / scale}
                  strokeDasharray={`${4 / scale} ${3 / scale}`}
                />
              </svg>
            )}
            <button
              type="button"
              aria-label={`${light.name} in the picture`}
              data-mark={light.id}
              onPointerDown={(e) => {
                if (e.button !== 0) return;
                e.stopPropagation();
                useChoice.setState({ light: light.id });
                if (light.mirror) return;
                e.currentTarget.setPointerCapture(e.pointerId);
                held.current = { light, depth: seen.depth, moved: false };
              }}
              onPointerMove={move}
              onPointerUp={up}
              onPointerCancel={up}
              style={{
                position: 'absolute',
                left: seen.x * width - size / 2,
                top: seen.y * height - size / 2,
                width: size,
                height: size,
                padding: 0,
                display: 'grid',
                placeItems: 'center',
                pointerEvents: 'all',
                cursor: 'move',
                borderRadius: size,
                border: `${1 / scale}px solid ${lit ? colours.ember : '#ffffff90'}`,
                background: '#1f1f1fb0',
                color: lit ? colours.ember : '#fff',
                opacity: light.muted ? 0.5 : 1,
              }}
            >
              <LightMark kind={light.emitter.kind} size={14 / scale} />
            </button>
          </div>
        );
      })}
    </>
  );
}

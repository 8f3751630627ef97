import { useRef, useState, type PointerEvent } from 'react';
import type { Operation, Shot } from '../api/document';
import { setField } from '../api/patch';
import { useDesk } from '../live/useShoot';
import { dollied, orbited, slid } from './orbit';

type Grip = 'orbit' | 'dolly' | 'slide' | 'pan';

interface Held {
  grip: Grip;
  x: number;
  y: number;
  lastX: number;
  lastY: number;
  shot: Shot;
  moved: boolean;
}

const LABELS: Record<Exclude<Grip, 'pan'>, string> = {
  orbit: 'Orbit the camera',
  dolly: 'Dolly the camera',
  slide: 'Slide the camera',
};

/**
 * The hand on the picture: drag orbits the camera, with shift it dollies, with control it slides;
 * the middle button or the space bar pans the picture.
 */
export function useCameraHand(
  shot: Shot | undefined,
  locked: boolean,
  pan: (dx: number, dy: number) => void,
  spaceDown: () => boolean,
  onClick: (x: number, y: number) => void,
) {
  const desk = useDesk();
  const held = useRef<Held | null>(null);
  const [grip, setGrip] = useState<Grip | null>(null);

  const onPointerDown = (e: PointerEvent<HTMLElement>) => {
    if (!shot) return;
    const panning = e.button === 1 || (e.button === 0 && spaceDown());
    if (!panning && e.button !== 0) return;
    e.preventDefault();
    e.currentTarget.setPointerCapture(e.pointerId);
    const next: Grip = panning ? 'pan' : e.shiftKey ? 'dolly' : e.ctrlKey ? 'slide' : 'orbit';
    held.current = {
      grip: next,
      x: e.clientX,
      y: e.clientY,
      lastX: e.clientX,
      lastY: e.clientY,
      shot,
      moved: false,
    };
    setGrip(next);
  };

  const onPointerMove = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    if (!h) return;
    if (h.grip === 'pan') {
      pan(e.clientX - h.lastX, e.clientY - h.lastY);
      h.lastX = e.clientX;
      h.lastY = e.clientY;
      return;
    }
    const dx = e.clientX - h.x;
    const dy = e.clientY - h.y;
    if (!h.moved && Math.hypot(dx, dy) < 3) return;
    h.moved = true;
    if (locked) return;
    const document = desk.state.document;
    const set = (field: string, value: unknown): Operation =>
      setField(document, 'shots', h.shot.id, field, value);
    if (h.grip === 'orbit') {
      desk.tryOut([set('position', orbited(h.shot, -dx * 0.006, dy * 0.006))]);
    } else if (h.grip === 'dolly') {
      desk.tryOut([set('position', dollied(h.shot, Math.exp(dy * 0.005)))]);
    } else {
      const width = e.currentTarget.clientWidth;
      const moved = slid(h.shot, -dx / width, dy / width);
      desk.tryOut([set('position', moved.position), set('aim', moved.aim)]);
    }
  };

  const onPointerUp = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    held.current = null;
    setGrip(null);
    if (!h || h.grip === 'pan') return;
    if (!h.moved) onClick(e.clientX, e.clientY);
    else if (!locked) void desk.keep(LABELS[h.grip]);
  };

  return { grip, onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp };
}

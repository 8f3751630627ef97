import { useEffect, useRef, useState } from 'react';
import type { Motion } from '../../api/document';
import { useMotion } from './motionChoice';

/** Empty room at both ends of a time line, in pixels. */
const MARGIN = 10;

export interface TimeScale {
  width: number;
  from: number;
  to: number;
  /** Pixels from the left of a frame, which may be in between. */
  x: (frame: number) => number;
  /** The frame at so many pixels from the left. */
  frame: (x: number) => number;
  /** Frames between two marks of the ruler that have room for their numbers. */
  every: number;
}

/** A scale of frames over so many pixels. */
export function timeScale(from: number, to: number, width: number): TimeScale {
  const long = Math.max(1e-6, to - from);
  const wide = Math.max(1, width - 2 * MARGIN);
  const steps = [1, 2, 5, 10, 12, 24, 48, 100, 120, 240, 500, 1000, 2500, 5000, 10000, 25000];
  return {
    width,
    from,
    to,
    x: (frame) => MARGIN + ((frame - from) / long) * wide,
    frame: (x) => from + ((x - MARGIN) / wide) * long,
    every: steps.find((s) => (s / long) * wide >= 46) ?? 100000,
  };
}

/** The scale of the time line in a box that is measured, zoomed by the wheel. */
export function useTimeScale(motion: Motion) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(600);
  const span = useMotion((m) => m.span);
  const from = span?.from ?? motion.firstFrame - 1;
  const to = Math.max(from + 1, span?.to ?? motion.lastFrame);
  useEffect(() => {
    const node = box.current;
    if (!node) return;
    const observer = new ResizeObserver(() => setWidth(node.clientWidth));
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  useEffect(() => {
    const node = box.current;
    if (!node) return;
    const wheel = (e: WheelEvent) => {
      if (!e.ctrlKey && !e.altKey && Math.abs(e.deltaX) <= Math.abs(e.deltaY)) {
        if (!(e.target as HTMLElement).closest('[data-ruler]')) return;
      }
      e.preventDefault();
      const scale = timeScale(from, to, node.clientWidth);
      if (Math.abs(e.deltaX) > Math.abs(e.deltaY)) {
        const by = scale.frame(e.deltaX) - scale.frame(0);
        useMotion.setState({ span: { from: from + by, to: to + by } });
        return;
      }
      const at = scale.frame(e.clientX - node.getBoundingClientRect().left);
      const factor = Math.exp(e.deltaY * 0.002);
      const next = { from: at + (from - at) * factor, to: at + (to - at) * factor };
      if (next.to - next.from >= 4 && next.to - next.from <= 200_000) {
        useMotion.setState({ span: next });
      }
    };
    node.addEventListener('wheel', wheel, { passive: false });
    return () => node.removeEventListener('wheel', wheel);
  }, [from, to]);
  return { box, scale: timeScale(from, to, width) };
}

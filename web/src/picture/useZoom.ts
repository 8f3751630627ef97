import { useCallback, useEffect, useState, type RefObject } from 'react';

export interface Zoom {
  /** 1 fits the picture into its place. */
  scale: number;
  x: number;
  y: number;
}

const FIT: Zoom = { scale: 1, x: 0, y: 0 };
const MOST = 16;

/** Zoom about the pointer with the wheel, pan, and back to fit. Offsets are from the middle. */
export function useZoom(place: RefObject<HTMLElement | null>) {
  const [zoom, setZoom] = useState<Zoom>(FIT);

  useEffect(() => {
    const node = place.current;
    if (!node) return;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const box = node.getBoundingClientRect();
      const px = event.clientX - box.left - box.width / 2;
      const py = event.clientY - box.top - box.height / 2;
      setZoom((z) => {
        const scale = Math.min(MOST, Math.max(1, z.scale * Math.exp(-event.deltaY / 400)));
        if (scale === 1) return FIT;
        const k = scale / z.scale;
        return { scale, x: px - (px - z.x) * k, y: py - (py - z.y) * k };
      });
    };
    node.addEventListener('wheel', wheel, { passive: false });
    return () => node.removeEventListener('wheel', wheel);
  }, [place]);

  const pan = useCallback((dx: number, dy: number) => {
    setZoom((z) => (z.scale === 1 ? z : { ...z, x: z.x + dx, y: z.y + dy }));
  }, []);
  const fit = useCallback(() => setZoom(FIT), []);
  return { zoom, pan, fit };
}

import { useEffect, type RefObject } from 'react';
import { useLive } from '../live/store';
import { drawPicture } from './draw';

/** Draws the live picture on a canvas straight from the store: it must not wait for the page to render. */
export function useLivePicture(canvas: RefObject<HTMLCanvasElement | null>) {
  useEffect(() => {
    const draw = () => {
      const { image, frame } = useLive.getState();
      if (canvas.current && image && frame) drawPicture(canvas.current, image, frame);
    };
    draw();
    return useLive.subscribe((now, before) => {
      if (now.image !== before.image) draw();
    });
  }, [canvas]);
}

import type { Frame } from '../live/store';

/** Draws a frame on the picture's canvas, stretched when it was sent coarser than full size. */
export function drawPicture(canvas: HTMLCanvasElement, image: ImageData, frame: Frame) {
  if (canvas.width !== frame.width || canvas.height !== frame.height) {
    canvas.width = frame.width;
    canvas.height = frame.height;
  }
  const context = canvas.getContext('2d');
  if (!context) return;
  if (image.width === frame.width && image.height === frame.height) {
    context.putImageData(image, 0, 0);
    return;
  }
  const span = Math.ceil(frame.width / image.width);
  const small = new OffscreenCanvas(image.width, image.height);
  small.getContext('2d')!.putImageData(image, 0, 0);
  context.imageSmoothingQuality = 'medium';
  context.drawImage(small, 0, 0, image.width * span, image.height * span);
}

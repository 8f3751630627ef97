import { expect, test } from 'vitest';
import { isPicture } from './pictureFiles';

test('pictures are told by their endings, of any case', () => {
  expect(['a.HDR', 'b.exr', 'c.webp', 'd.tiff', 'e.jpeg'].every(isPicture)).toBe(true);
  expect(['a.glb', 'hdr', 'b.cube', 'png.txt'].some(isPicture)).toBe(false);
});

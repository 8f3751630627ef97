package levelember.look;

import levelember.texture.Picture;

/**
 * A stage of the look that needs what is about a pixel, on linear light. Stages are records of what
 * they depend on: two looks whose stages are equal make the same of a picture.
 */
interface PictureStage {
  /** What it makes of a picture in cd/m²: another one, or the same one changed. */
  Picture of(Picture linear);
}

package levelember.look;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * Sharpening of linear light: each pixel is multiplied by 1 + 2·amount·(Y − B)/(Y + B), between a
 * quarter and four, Y being its luminance and B the blurred one. Flat areas stay as they are,
 * nothing falls below black, and colour stays.
 *
 * @param strength the amount, 0 for none
 * @param size deviation of the blur, percent of the picture's height
 */
record Sharpening(double strength, double size) implements PictureStage {
  private static final float LEAST = 0.25f, MOST = 4;

  @Override
  public Picture of(Picture picture) {
    int w = picture.width(), h = picture.height();
    float[] y = new float[w * h];
    float[] a = picture.rgb();
    IntStream.range(0, h)
        .parallel()
        .forEach(row -> {
          for (int i = row * w; i < (row + 1) * w; i++) {
            y[i] = Colour.luminance(a[3 * i], a[3 * i + 1], a[3 * i + 2]);
          }
        });
    float[] soft = Blur.gaussian(y, w, h, size / 100 * h);
    float amount = 2 * (float) strength;
    IntStream.range(0, h)
        .parallel()
        .forEach(row -> {
          for (int i = row * w; i < (row + 1) * w; i++) {
            float sum = y[i] + soft[i];
            float f = sum > 1e-20f ? 1 + amount * (y[i] - soft[i]) / sum : 1;
            float factor = Math.clamp(f, LEAST, MOST);
            for (int k = 3 * i; k < 3 * i + 3; k++) {
              a[k] *= factor;
            }
          }
        });
    return picture;
  }
}

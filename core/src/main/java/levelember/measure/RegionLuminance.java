package levelember.measure;

import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * Light of a frame by regions of the picture: means over a grid of 16 by 9, of every layer, before
 * and after frames were mixed; what flicker is found by.
 */
public final class RegionLuminance {
  /** Regions of the picture. */
  public static final int COLUMNS = 16, ROWS = 9;

  private RegionLuminance() {}

  /**
   * How much of a change of a layer is seen in each pixel: 1 where its light alone is shown dark,
   * less and less where that alone is burnt. It goes by the light without its level, which may be
   * keyed.
   *
   * @param own weights of the layer, three
   * @param fullScale luminance that is shown as 1.0, cd/m²
   */
  public static float[] displayWeights(Film shown, int layer, float[] own, double fullScale) {
    float[] weights = new float[3 * shown.layers()];
    System.arraycopy(own, 0, weights, 3 * layer, 3);
    float[] rgb = LayerMix.layer(shown, layer, weights).rgb();
    float[] to = new float[rgb.length / 3];
    for (int i = 0; i < to.length; i++) {
      double part = Colour.luminance(rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]) / fullScale;
      to[i] = (float) (1 / (1 + part * part));
    }
    return to;
  }

  /**
   * Mean luminance of a layer over every region, of unit light.
   *
   * @param weights by which pixels count, as {@link #displayWeights}
   * @return by rows and columns
   */
  public static float[] means(Film shown, int layer, float[] weights) {
    float[] unit = new float[3 * shown.layers()];
    unit[3 * layer] = unit[3 * layer + 1] = unit[3 * layer + 2] = 1;
    return means(LayerMix.layer(shown, layer, unit), weights);
  }

  private static float[] means(Picture picture, float[] weights) {
    float[] sums = new float[COLUMNS * ROWS];
    int[] counts = new int[COLUMNS * ROWS];
    float[] rgb = picture.rgb();
    for (int y = 0; y < picture.height(); y++) {
      int row = y * ROWS / picture.height();
      for (int x = 0; x < picture.width(); x++) {
        int at = row * COLUMNS + x * COLUMNS / picture.width();
        int i = y * picture.width() + x;
        sums[at] += weights[i] * Colour.luminance(rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2]);
        counts[at]++;
      }
    }
    for (int i = 0; i < sums.length; i++) {
      sums[i] /= Math.max(1, counts[i]);
    }
    return sums;
  }
}

package levelember.noise;

import levelember.film.Film;
import levelember.math.Colour;

/** The standard error of every pixel's luminance, from the renderings of even and odd samples. */
public final class PixelNoise {
  private PixelNoise() {}

  /**
   * Errors of some rows, cd/m²; 0 where a layer has fewer than two samples.
   *
   * @param weights three a layer, as in {@code LayerMix}
   */
  public static float[] of(Film film, float[] weights, int first, int last) {
    float[] to = new float[(last - first) * film.width()];
    for (int k = 0; k < film.layers(); k++) {
      float w = Colour.luminance(weights[3 * k], weights[3 * k + 1], weights[3 * k + 2]);
      float[] even = film.even(k), sums = film.sums(k);
      for (int i = 0; w != 0 && i < to.length; i++) {
        int at = first * film.width() + i;
        int n = film.samples(k, at % film.width(), at / film.width()), odd = n / 2;
        if (odd > 0) {
          float all = Colour.luminance(sums[3 * at], sums[3 * at + 1], sums[3 * at + 2]);
          to[i] += w * (even[at] / (n - odd) - (all - even[at]) / odd);
        }
      }
    }
    for (int i = 0; i < to.length; i++) {
      to[i] = 0.5f * Math.abs(to[i]);
    }
    return to;
  }
}

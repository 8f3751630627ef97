package levelember.denoise;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.math.Colour;

/**
 * How far a denoised picture is from its limit, as a display shows it, without knowing the limit.
 *
 * <p>Stein's unbiased risk estimate (Stein 1981, "Estimation of the Mean of a Multivariate Normal
 * Distribution"; for filters of pictures Li, Wu and Chuang 2012): the squared difference to the
 * traced picture, less that one's variance, which its even and odd samples tell, plus twice the
 * variance times the weight with which a pixel stays what it was. That weight is near 0 where the
 * filter blurs and near 1 where it leaves pixels alone; there the sum of the first two is minus the
 * variance, so the amount over a tile is right for both. Errors are those of square roots, as a
 * display shows light: an error of luminance over twice the square root of it.
 */
public final class DenoisedError {
  private static final float DARK = 0.02f, BURNT = 1.5f;

  private DenoisedError() {}

  /**
   * Root mean square over the picture, 1 for 100 percent of what a display shows as white.
   *
   * @param traced every tile of every layer with two samples or more; else the answer is NaN
   * @param denoised of the same size and layers
   * @param weights three a layer, as in {@code LayerMix}
   * @param fullScale luminance that is shown as 1.0, cd/m²
   */
  public static double of(Film traced, Film denoised, float[] weights, double fullScale) {
    float[] w = new float[traced.layers()];
    for (int k = 0; k < w.length; k++) {
      w[k] =
          (float)
              (Colour.luminance(weights[3 * k], weights[3 * k + 1], weights[3 * k + 2])
                  / fullScale);
    }
    double[] tiles = new double[traced.tiles()];
    IntStream.range(0, tiles.length)
        .parallel()
        .forEach(t -> tiles[t] = squared(traced, denoised, w, t));
    return Math.sqrt(Arrays.stream(tiles).average().orElse(Double.NaN));
  }

  private static double squared(Film traced, Film denoised, float[] w, int tile) {
    int left = traced.left(tile), n = traced.right(tile) - left;
    float[][] rows = new float[3][n];
    double error = 0, mean = 0;
    for (int y = traced.top(tile); y < traced.bottom(tile); y++) {
      for (float[] row : rows) {
        Arrays.fill(row, 0);
      }
      for (int k = 0; k < w.length; k++) {
        if (w[k] != 0 && !add(traced, denoised, k, w[k], y, left, tile, rows)) {
          return Double.NaN;
        }
      }
      for (int x = 0; x < n; x++) {
        float a = Math.min(rows[0][x], BURNT), b = Math.min(rows[1][x], BURNT);
        float apart = Math.min(rows[2][x], BURNT) - 0.5f * (a + b);
        error += apart * apart - 0.25 * (a - b) * (a - b);
        mean += 0.5 * (a + b);
      }
    }
    int pixels = n * (traced.bottom(tile) - traced.top(tile));
    return Math.abs(error) / pixels / (4 * (mean / pixels + DARK));
  }

  /** Adds a layer of a row: even samples, odd samples, denoised; false where it has no two. */
  private static boolean add(
      Film traced, Film denoised, int k, float w, int y, int left, int tile, float[][] rows) {
    int n = traced.samples(k, tile), odd = n / 2, made = denoised.samples(k, tile);
    if (odd == 0 || made == 0) {
      return false;
    }
    float a = w / (n - odd), b = w / odd;
    float[] even = traced.even(k), sums = traced.sums(k), clean = denoised.sums(k);
    for (int x = 0; x < rows[0].length; x++) {
      int at = y * traced.width() + left + x;
      float all = Colour.luminance(sums[3 * at], sums[3 * at + 1], sums[3 * at + 2]);
      rows[0][x] += a * even[at];
      rows[1][x] += b * (all - even[at]);
      rows[2][x] +=
          w / made * Colour.luminance(clean[3 * at], clean[3 * at + 1], clean[3 * at + 2]);
    }
    return true;
  }
}

package levelember.noise;

import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.math.Colour;

/**
 * How far a displayed picture still is from its limit.
 *
 * <p>The standard error of a pixel's exposed luminance is half the difference between the
 * renderings of even and of odd samples. A tile's noise is its root mean square over the tile's
 * mean plus 0.05; the picture's is the root mean square over its tiles. What both renderings show
 * burnt out counts as clean. Lights of strong colour are weighed by their luminance.
 *
 * @param whole of the picture, 1 for 100 percent; infinite while some tile has fewer than two
 *     samples
 * @param tiles of every tile
 */
public record Noise(double whole, float[] tiles) {
  private static final float DARK = 0.05f;
  private static final float BURNT = 1.5f;

  /**
   * Measures a film.
   *
   * @param weights three a layer, as in {@code LayerMix}
   * @param fullScale luminance that is shown as 1.0, cd/m²
   */
  public static Noise of(Film film, float[] weights, double fullScale) {
    float[] tiles = new float[film.tiles()];
    float[] w = new float[film.layers()];
    for (int k = 0; k < w.length; k++) {
      w[k] =
          (float)
              (Colour.luminance(weights[3 * k], weights[3 * k + 1], weights[3 * k + 2])
                  / fullScale);
    }
    IntStream.range(0, tiles.length).parallel().forEach(t -> tiles[t] = tile(film, w, t));
    return new Noise(whole(tiles), tiles);
  }

  /** Noise of a picture by that of its tiles. */
  public static double whole(float[] tiles) {
    double sum = 0;
    for (float t : tiles) {
      sum += (double) t * t;
    }
    return tiles.length == 0 ? 0 : Math.sqrt(sum / tiles.length);
  }

  private static float tile(Film film, float[] w, int tile) {
    int left = film.left(tile), right = film.right(tile);
    float[] first = new float[right - left];
    float[] second = new float[right - left];
    double error = 0, mean = 0;
    int pixels = 0;
    for (int y = film.top(tile); y < film.bottom(tile); y++) {
      java.util.Arrays.fill(first, 0);
      java.util.Arrays.fill(second, 0);
      for (int k = 0; k < w.length; k++) {
        if (w[k] == 0) {
          continue;
        }
        int n = film.samples(k, tile), odd = n / 2;
        if (odd == 0) {
          return Float.POSITIVE_INFINITY;
        }
        float a = w[k] / (n - odd), b = w[k] / odd;
        float[] even = film.even(k), sums = film.sums(k);
        for (int x = left; x < right; x++) {
          int at = y * film.width() + x;
          float e = even[at];
          float all = Colour.luminance(sums[3 * at], sums[3 * at + 1], sums[3 * at + 2]);
          first[x - left] += a * e;
          second[x - left] += b * (all - e);
        }
      }
      for (int x = 0; x < first.length; x++) {
        float a = Math.min(first[x], BURNT), b = Math.min(second[x], BURNT);
        error += 0.25 * (a - b) * (a - b);
        mean += 0.5 * (a + b);
      }
      pixels += first.length;
    }
    return (float) (Math.sqrt(error / pixels) / (mean / pixels + DARK));
  }
}

package levelember.measure;

import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.math.Colour;

/**
 * What the picture says at one place.
 *
 * @param luminance cd/m²
 * @param stops from mid grey; −∞ for black
 * @param layer number of the light that gave most of it, −1 in the dark
 * @param share of that light, 0…1
 */
public record Reading(double luminance, double stops, int layer, double share) {

  /** Reads a square of pixels, {@code reach} to every side of (x, y). */
  public static Reading at(Film film, float[] weights, double ev, int x, int y, int reach) {
    double sum = 0, most = 0;
    int best = -1;
    for (int k = 0; k < film.layers(); k++) {
      double own = luminance(film, k, weights, x, y, reach);
      sum += own;
      if (own > most) {
        most = own;
        best = k;
      }
    }
    double stops = StrictMath.log(sum / DisplayCurve.midGrey(ev)) / StrictMath.log(2);
    return new Reading(sum, stops, best, sum > 0 ? most / sum : 0);
  }

  private static double luminance(Film film, int layer, float[] w, int x, int y, int reach) {
    double sum = 0;
    int n = 0;
    for (int j = Math.max(0, y - reach); j <= Math.min(film.height() - 1, y + reach); j++) {
      for (int i = Math.max(0, x - reach); i <= Math.min(film.width() - 1, x + reach); i++) {
        int samples = film.samples(layer, i, j);
        n++;
        if (samples > 0) {
          sum += pixel(film, layer, w, j, i) / samples;
        }
      }
    }
    return n == 0 ? 0 : sum / n;
  }

  private static double pixel(Film film, int layer, float[] w, int y, int x) {
    float[] s = film.sums(layer);
    int at = 3 * (y * film.width() + x);
    return Colour.luminance(
        w[3 * layer] * s[at], w[3 * layer + 1] * s[at + 1], w[3 * layer + 2] * s[at + 2]);
  }

  /** Mean luminance that every layer adds to the picture, cd/m². */
  public static double[] means(Film film, float[] weights) {
    return weighed(unitMeans(film), weights);
  }

  /** Mean of every layer at unit weight: red, green and blue of each, cd/m². */
  public static double[] unitMeans(Film film) {
    double[] means = new double[3 * film.layers()];
    IntStream.range(0, film.layers()).parallel().forEach(k -> unitMean(film, k, means));
    return means;
  }

  private static void unitMean(Film film, int layer, double[] to) {
    double pixels = (double) film.width() * film.height();
    double[] sum = new double[3];
    for (int tile = 0; tile < film.tiles(); tile++) {
      unitSum(film, layer, tile, sum);
      for (int c = 0; c < 3; c++) {
        to[3 * layer + c] += sum[c] / pixels;
      }
    }
  }

  /**
   * What a layer at unit weight has in a tile, summed over its pixels.
   *
   * @param to three numbers by channel, cd/m² times pixels
   */
  static void unitSum(Film film, int layer, int tile, double[] to) {
    float[] s = film.sums(layer);
    int n = film.samples(layer, tile);
    double r = 0, g = 0, b = 0;
    for (int y = film.top(tile); y < film.bottom(tile) && n > 0; y++) {
      int end = 3 * (y * film.width() + film.right(tile));
      for (int i = 3 * (y * film.width() + film.left(tile)); i < end; i += 3) {
        r += s[i];
        g += s[i + 1];
        b += s[i + 2];
      }
    }
    double share = n > 0 ? 1.0 / n : 0;
    to[0] = r * share;
    to[1] = g * share;
    to[2] = b * share;
  }

  /** Mean luminance of every layer from its unit mean. */
  public static double[] weighed(double[] unitMeans, float[] weights) {
    double[] means = new double[unitMeans.length / 3];
    for (int k = 0; k < means.length; k++) {
      means[k] =
          Colour.luminance(
              (float) (weights[3 * k] * unitMeans[3 * k]),
              (float) (weights[3 * k + 1] * unitMeans[3 * k + 1]),
              (float) (weights[3 * k + 2] * unitMeans[3 * k + 2]));
    }
    return means;
  }
}

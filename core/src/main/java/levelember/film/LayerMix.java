package levelember.film;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.texture.Picture;

/** Adds layers up to a picture, each by its weight; nothing is traced. */
public final class LayerMix {
  private LayerMix() {}

  /**
   * The picture in cd/m².
   *
   * @param weights three a layer, as {@link levelember.light.LayerWeights}
   */
  public static Picture picture(Film film, float[] weights) {
    Picture to = Picture.black(film.width(), film.height());
    IntStream.range(0, film.height()).parallel().forEach(row -> row(film, weights, row, to.rgb()));
    return to;
  }

  /** One layer by itself, in cd/m². */
  public static Picture layer(Film film, int layer, float[] weights) {
    float[] only = new float[3 * film.layers()];
    System.arraycopy(weights, 3 * layer, only, 3 * layer, 3);
    return picture(film, only);
  }

  /** Writes one mixed row into a picture of the film's size; allocates nothing. */
  public static void row(Film film, float[] weights, int row, float[] to) {
    int from = 3 * row * film.width(), end = from + 3 * film.width();
    Arrays.fill(to, from, end, 0);
    for (int layer = 0; layer < film.layers(); layer++) {
      int n = film.samples(layer, row);
      float r = weights[3 * layer], g = weights[3 * layer + 1], b = weights[3 * layer + 2];
      if (n == 0 || r == 0 && g == 0 && b == 0) {
        continue;
      }
      float[] sums = film.sums(layer);
      r /= n;
      g /= n;
      b /= n;
      for (int i = from; i < end; i += 3) {
        to[i] += r * sums[i];
        to[i + 1] += g * sums[i + 1];
        to[i + 2] += b * sums[i + 2];
      }
    }
  }
}

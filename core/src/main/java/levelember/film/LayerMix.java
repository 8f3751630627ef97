package levelember.film;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.texture.Picture;

/** Adds layers up to a picture, each by its weight; nothing is traced. */
public final class LayerMix {
  private LayerMix() {}

  /**
   * The picture in cd/m². Shadow catchers take no more of what is behind them than there is.
   *
   * @param weights three a layer, as {@link levelember.photometry.LayerWeights}
   */
  public static Picture picture(Film film, float[] weights) {
    Picture to = Picture.black(film.width(), film.height());
    IntStream.range(0, film.height())
        .parallel()
        .forEach(row -> {
          row(film, weights, row, to.rgb());
          clip(to.rgb(), 3 * row * film.width(), 3 * (row + 1) * film.width());
        });
    return to;
  }

  /** One layer by itself, in cd/m²; less than 0 where shadow catchers take it from other layers. */
  public static Picture layer(Film film, int layer, float[] weights) {
    float[] only = only(weights, layer);
    Picture to = Picture.black(film.width(), film.height());
    IntStream.range(0, film.height()).parallel().forEach(row -> row(film, only, row, to.rgb()));
    return to;
  }

  /** Weights of one layer, and 0 for the others. */
  public static float[] only(float[] weights, int layer) {
    float[] to = new float[weights.length];
    System.arraycopy(weights, 3 * layer, to, 3 * layer, 3);
    return to;
  }

  /** Writes one mixed row into a picture of the film's size; allocates nothing. */
  public static void row(Film film, float[] weights, int row, float[] to) {
    rowInto(film, weights, row, to, 3 * row * film.width());
  }

  /** Writes one mixed row at a place of an array; less than 0 where shadow catchers take light. */
  public static void rowInto(Film film, float[] weights, int row, float[] to, int at) {
    Arrays.fill(to, at, at + 3 * film.width(), 0);
    for (int layer = 0; layer < film.layers(); layer++) {
      float r = weights[3 * layer], g = weights[3 * layer + 1], b = weights[3 * layer + 2];
      if (r != 0 || g != 0 || b != 0) {
        add(film, layer, row, r, g, b, to, at);
      }
    }
  }

  /** Sets what is below zero to zero. */
  public static void clip(float[] to, int from, int end) {
    for (int i = from; i < end; i++) {
      to[i] = Math.max(0, to[i]);
    }
  }

  /** The same of one component of every layer. */
  public static void rowInto(
      Film film, Component component, float[] weights, int row, float[] to, int at) {
    Arrays.fill(to, at, at + 3 * film.width(), 0);
    for (int layer = 0; layer < film.layers(); layer++) {
      float r = weights[3 * layer], g = weights[3 * layer + 1], b = weights[3 * layer + 2];
      if (r != 0 || g != 0 || b != 0) {
        add(film, film.sums(layer, component), layer, row, r, g, b, to, at);
      }
    }
  }

  /** Adds one weighed row of a layer; {@code at} is where the row begins in {@code to}. */
  public static void add(
      Film film, int layer, int row, float r, float g, float b, float[] to, int at) {
    add(film, film.sums(layer), layer, row, r, g, b, to, at);
  }

  private static void add(
      Film film, float[] sums, int layer, int row, float r, float g, float b, float[] to, int at) {
    int begin = 3 * row * film.width();
    for (int x = 0; x < film.width(); x += Film.TILE_WIDTH) {
      int n = film.samples(layer, x, row);
      if (n == 0) {
        continue;
      }
      float rn = r / n, gn = g / n, bn = b / n;
      int end = begin + 3 * Math.min(film.width(), x + Film.TILE_WIDTH);
      for (int i = begin + 3 * x, j = at + 3 * x; i < end; i += 3, j += 3) {
        to[j] += rn * sums[i];
        to[j + 1] += gn * sums[i + 1];
        to[j + 2] += bn * sums[i + 2];
      }
    }
  }
}

package levelember.film;

import java.util.Arrays;

/**
 * One linear layer a light, as sums of samples, and for every layer and row how many samples are
 * in. Rows are traced whole by one thread at a time, in the order of their samples, so the sums do
 * not depend on how many threads there are.
 */
public final class Film {
  private final int width, height;
  private final int step;
  private final int fullWidth, fullHeight;
  private final float[][] sums;
  private final int[][] rowSamples;

  /**
   * An empty film.
   *
   * @throws IllegalArgumentException when a layer would have more than 2³¹ values
   */
  public Film(int width, int height, int layers) {
    this(width, height, 1, emptySums(width, height, layers), new int[layers][height]);
  }

  private Film(int fullWidth, int fullHeight, int step, float[][] sums, int[][] rowSamples) {
    this.fullWidth = fullWidth;
    this.fullHeight = fullHeight;
    this.step = step;
    this.width = over(fullWidth, step);
    this.height = over(fullHeight, step);
    this.sums = sums;
    this.rowSamples = rowSamples;
  }

  /** An empty film each of whose pixels spans {@code step} pixels of a picture either way. */
  static Film coarse(int fullWidth, int fullHeight, int step, int layers) {
    int width = over(fullWidth, step), height = over(fullHeight, step);
    float[][] sums = emptySums(width, height, layers);
    return new Film(fullWidth, fullHeight, step, sums, new int[layers][height]);
  }

  private static int over(int size, int step) {
    return (size + step - 1) / step;
  }

  private static float[][] emptySums(int width, int height, int layers) {
    if (width < 1 || height < 1 || 3L * width * height > Integer.MAX_VALUE - 8) {
      throw new IllegalArgumentException(
          "a film is 1×1 to about 700 million pixels, not " + width + "×" + height);
    }
    float[][] sums = new float[layers][];
    for (int i = 0; i < layers; i++) {
      sums[i] = new float[3 * width * height];
    }
    return sums;
  }

  /**
   * A film with other layers that shares what stays.
   *
   * @param from for every new layer the old one it goes on from, or −1 for an empty one
   */
  public Film withLayers(int[] from) {
    float[][] s = new float[from.length][];
    int[][] n = new int[from.length][];
    for (int i = 0; i < from.length; i++) {
      s[i] = from[i] < 0 ? new float[3 * width * height] : sums[from[i]];
      n[i] = from[i] < 0 ? new int[height] : rowSamples[from[i]];
    }
    return new Film(fullWidth, fullHeight, step, s, n);
  }

  /** Pixels of the whole picture that one pixel spans either way; 1 but for coarse films. */
  public int step() {
    return step;
  }

  /** Width of the picture whose pixels the steps are counted in. */
  public int fullWidth() {
    return fullWidth;
  }

  /** Height of the picture whose pixels the steps are counted in. */
  public int fullHeight() {
    return fullHeight;
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  public int layers() {
    return sums.length;
  }

  /** The sums of a layer: three floats a pixel. */
  public float[] sums(int layer) {
    return sums[layer];
  }

  /** Samples of every pixel of a row in a layer. */
  public int samples(int layer, int row) {
    return rowSamples[layer][row];
  }

  /** Notes one more sample of a row. */
  public void sampled(int layer, int row) {
    rowSamples[layer][row]++;
  }

  /** Least samples of any layer in a row; 0 without layers. */
  public int samples(int row) {
    int least = Integer.MAX_VALUE;
    for (int[] layer : rowSamples) {
      least = Math.min(least, layer[row]);
    }
    return least == Integer.MAX_VALUE ? 0 : least;
  }

  /** Least samples of any layer in any row. */
  public int samples() {
    int least = Integer.MAX_VALUE;
    for (int row = 0; row < height; row++) {
      least = Math.min(least, samples(row));
    }
    return least;
  }

  /** Empties a layer. */
  public void clear(int layer) {
    Arrays.fill(sums[layer], 0);
    Arrays.fill(rowSamples[layer], 0);
  }

  /** Bytes that the layers hold. */
  public long bytes() {
    return 4L * sums.length * (3L * width * height + height);
  }
}

package levelember.denoise;

import java.util.Arrays;

/** Means of 25 values about each pixel, as far as they lie in the picture. */
final class BoxMean {
  private static final int REACH = 2;

  private BoxMean() {}

  /**
   * The means of a row.
   *
   * @param sums scratch, one float a column
   * @param step between the values that are taken
   */
  static void row(float[] of, float[] to, float[] sums, int width, int height, int y, int step) {
    row(of, to, y * width, sums, width, height, y, step);
  }

  /** The means of a row, to a place of an array. */
  static void row(
      float[] of, float[] to, int at, float[] sums, int width, int height, int y, int step) {
    Arrays.fill(sums, 0);
    int n = 0;
    for (int j = y - REACH * step; j <= y + REACH * step; j += step) {
      if (j < 0 || j >= height) {
        continue;
      }
      n++;
      for (int x = 0, q = j * width; x < width; x++, q++) {
        sums[x] += of[q];
      }
    }
    int inner = REACH * step;
    float share = 1f / (n * (2 * REACH + 1));
    for (int x = inner; x < width - inner; x++) {
      float five = sums[x - inner] + sums[x - step] + sums[x] + sums[x + step] + sums[x + inner];
      to[at + x] = five * share;
    }
    for (int x = 0; x < width; x++) {
      if (x < inner || x >= width - inner) {
        to[at + x] = edge(sums, x, width, step) / n;
      }
    }
  }

  private static float edge(float[] sums, int x, int width, int step) {
    float sum = 0;
    int n = 0;
    for (int i = x - REACH * step; i <= x + REACH * step; i += step) {
      if (i >= 0 && i < width) {
        sum += sums[i];
        n++;
      }
    }
    return sum / n;
  }
}

package levelember.look;

import java.util.stream.IntStream;
import levelember.texture.Picture;

/** Blurring and resizing of linear pictures; there is nothing outside of a picture. */
final class Blur {
  /** Farther than so many deviations a Gaussian is cut. */
  private static final double CUT = 3;

  /** Below this deviation, in pixels, nothing is blurred. */
  private static final double LEAST = 0.2;

  private Blur() {}

  /** Half the size, each pixel the mean of four; what lies over the edge counts as black. */
  static Picture half(Picture from) {
    int w = from.width(), h = from.height();
    Picture to = Picture.black((w + 1) / 2, (h + 1) / 2);
    IntStream.range(0, to.height())
        .parallel()
        .forEach(y -> {
          float[] a = from.rgb();
          int upper = 6 * y * w, lower = 2 * y + 1 < h ? upper + 3 * w : -1;
          half(a, upper, lower, w, to.rgb(), 3 * y * to.width());
        });
    return to;
  }

  /** Averages two rows into one of half the length; {@code lower} is −1 below the last row. */
  static void half(float[] from, int upper, int lower, int width, float[] to, int at) {
    int pairs = width / 2;
    if (lower < 0) {
      for (int x = 0; x < pairs; x++, at += 3, upper += 6) {
        for (int k = 0; k < 3; k++) {
          to[at + k] = 0.25f * (from[upper + k] + from[upper + 3 + k]);
        }
      }
      for (int k = 0; (width & 1) == 1 && k < 3; k++) {
        to[at + k] = 0.25f * from[upper + k];
      }
      return;
    }
    for (int x = 0; x < pairs; x++, at += 3, upper += 6, lower += 6) {
      for (int k = 0; k < 3; k++) {
        to[at + k] =
            0.25f * (from[upper + k] + from[upper + 3 + k] + from[lower + k] + from[lower + 3 + k]);
      }
    }
    for (int k = 0; (width & 1) == 1 && k < 3; k++) {
      to[at + k] = 0.25f * (from[upper + k] + from[lower + k]);
    }
  }

  /** A Gaussian blur, in two passes. */
  static Picture gaussian(Picture from, double deviation) {
    if (deviation < LEAST) {
      return from;
    }
    float[] taps = taps(deviation);
    int w = from.width(), h = from.height();
    Picture across = Picture.black(w, h);
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> along(from.rgb(), 3 * y * w, 3 * w, 3, taps, across.rgb(), 3 * y * w));
    Picture to = Picture.black(w, h);
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          for (int t = 1 - taps.length; t < taps.length; t++) {
            if (y + t >= 0 && y + t < h) {
              add(across.rgb(), 3 * (y + t) * w, 3 * w, taps[Math.abs(t)], to.rgb(), 3 * y * w);
            }
          }
        });
    return to;
  }

  /** Blurs a single channel of a picture's size, in two passes, the borders held. */
  static float[] gaussian(float[] from, int w, int h, double deviation) {
    float[] taps = taps(Math.max(deviation, LEAST));
    float[] across = new float[from.length];
    float[] to = new float[from.length];
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          for (int x = 0; x < w; x++) {
            float sum = 0;
            for (int t = 1 - taps.length; t < taps.length; t++) {
              sum += taps[Math.abs(t)] * from[y * w + Math.clamp(x + t, 0, w - 1)];
            }
            across[y * w + x] = sum;
          }
        });
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          for (int t = 1 - taps.length; t < taps.length; t++) {
            add(across, w * Math.clamp(y + t, 0, h - 1), w, taps[Math.abs(t)], to, y * w);
          }
        });
    return to;
  }

  /** Weights of a Gaussian from its middle outwards, which add up to one on both sides. */
  private static float[] taps(double deviation) {
    int reach = Math.max(1, (int) Math.ceil(CUT * deviation));
    double[] exact = new double[reach + 1];
    double sum = 0;
    for (int t = 0; t <= reach; t++) {
      exact[t] = Math.exp(-0.5 * t * t / (deviation * deviation));
      sum += t == 0 ? exact[t] : 2 * exact[t];
    }
    float[] taps = new float[reach + 1];
    for (int t = 0; t <= reach; t++) {
      taps[t] = (float) (exact[t] / sum);
    }
    return taps;
  }

  private static void along(
      float[] from, int at, int length, int stride, float[] taps, float[] to, int into) {
    add(from, at, length, taps[0], to, into);
    for (int t = 1; t < taps.length; t++) {
      int shift = stride * t;
      if (shift < length) {
        add(from, at + shift, length - shift, taps[t], to, into);
        add(from, at, length - shift, taps[t], to, into + shift);
      }
    }
  }

  /** Adds a run, weighed. */
  static void add(float[] from, int at, int length, float weight, float[] to, int into) {
    for (int i = 0; i < length; i++) {
      to[into + i] += weight * from[at + i];
    }
  }

  /** Adds a picture of half the size, stretched between its pixels. */
  static void addDoubled(Picture from, Picture to) {
    IntStream.range(0, to.height())
        .parallel()
        .forEach(y ->
            addDoubled(
                from, y, 0, to.width(), new float[3 * from.width()], to.rgb(), 3 * y * to.width()));
  }

  /**
   * Adds one row of a picture of half the size.
   *
   * @param y row of the doubled picture
   * @param x0 first column of it
   * @param row memory for a row of {@code from}
   */
  static void addDoubled(Picture from, int y, int x0, int width, float[] row, float[] to, int at) {
    int w = from.width();
    // A pixel lies a quarter off the middle of the one that it came from.
    int near = y >> 1, far = (y & 1) == 0 ? near - 1 : near + 1;
    java.util.Arrays.fill(row, 0);
    if (near < from.height()) {
      add(from.rgb(), 3 * near * w, 3 * w, 0.75f, row, 0);
    }
    if (far >= 0 && far < from.height()) {
      add(from.rgb(), 3 * far * w, 3 * w, 0.25f, row, 0);
    }
    for (int x = x0; x < x0 + width; x++, at += 3) {
      int a = x >> 1, b = (x & 1) == 0 ? a - 1 : a + 1;
      if (a >= w) {
        continue;
      }
      int i = 3 * a;
      if (b >= 0 && b < w) {
        int j = 3 * b;
        to[at] += 0.75f * row[i] + 0.25f * row[j];
        to[at + 1] += 0.75f * row[i + 1] + 0.25f * row[j + 1];
        to[at + 2] += 0.75f * row[i + 2] + 0.25f * row[j + 2];
      } else {
        to[at] += 0.75f * row[i];
        to[at + 1] += 0.75f * row[i + 1];
        to[at + 2] += 0.75f * row[i + 2];
      }
    }
  }
}

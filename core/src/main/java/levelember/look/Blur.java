package levelember.look;

import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import levelember.texture.Picture;

/** Blurring and resizing of linear pictures; there is nothing outside of a picture. */
final class Blur {
  /** Farther than so many deviations a Gaussian is cut. */
  private static final double CUT = 3;

  /** Below this deviation, in pixels, nothing is blurred. */
  private static final double LEAST = 0.2;

  private static final RowMath ROWS = RowMath.ofMachine();

  /** Pixels that are sooner done than handed over. */
  private static final int FEW = 60_000;

  private Blur() {}

  /** Does something with every row; on several threads when there is enough to do. */
  static void rows(int width, int height, IntConsumer row) {
    IntStream all = IntStream.range(0, height);
    (width * height < FEW ? all : all.parallel()).forEach(row);
  }

  /** Half the size, each pixel the mean of four; what lies over the edge counts as black. */
  static Picture half(Picture from) {
    int w = from.width(), h = from.height();
    Picture to = Picture.black((w + 1) / 2, (h + 1) / 2);
    rows(
        to.width(),
        to.height(),
        y -> {
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
    rows(w, h, y -> along(from.rgb(), 3 * y * w, 3 * w, 3, taps, across.rgb(), 3 * y * w));
    Picture to = Picture.black(w, h);
    rows(
        w,
        h,
        y -> {
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
    rows(
        w,
        h,
        y -> {
          for (int x = 0; x < w; x++) {
            float sum = 0;
            for (int t = 1 - taps.length; t < taps.length; t++) {
              sum += taps[Math.abs(t)] * from[y * w + Math.clamp(x + t, 0, w - 1)];
            }
            across[y * w + x] = sum;
          }
        });
    rows(
        w,
        h,
        y -> {
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
    ROWS.add(from, at, length, weight, to, into);
  }

  /** Adds a picture of half the size, stretched between its pixels. */
  static void addDoubled(Picture from, Picture to) {
    rows(
        to.width(),
        to.height(),
        y -> {
          float[] memory = new float[3 * from.width()];
          addStretched(from, 1, y, to.width(), memory, to.rgb(), 3 * y * to.width());
        });
  }

  /**
   * Adds one row of a smaller picture, stretched between its pixels.
   *
   * @param level how often it was halved
   * @param y row of the stretched picture
   * @param width of the stretched row
   * @param row memory for a row of {@code from}
   */
  static void addStretched(
      Picture from, int level, int y, int width, float[] row, float[] to, int at) {
    int w = from.width(), step = 1 << level, half = step >> 1;
    float down = (y - half + 0.5f) / step;
    int upper = (int) Math.floor(down);
    float part = down - upper;
    java.util.Arrays.fill(row, 0);
    if (upper >= 0 && upper < from.height()) {
      add(from.rgb(), 3 * upper * w, 3 * w, 1 - part, row, 0);
    }
    if (upper + 1 < from.height()) {
      add(from.rgb(), 3 * (upper + 1) * w, 3 * w, part, row, 0);
    }
    float[] parts = new float[step];
    for (int p = 0; p < step; p++) {
      parts[p] = (p + 0.5f) / step;
    }
    // From the middle of one small pixel to the middle of the next, nothing beyond the ends.
    for (int a = -1; a < w; a++) {
      int left = 3 * a, x0 = a * step + half;
      boolean from0 = a >= 0, to1 = a + 1 < w;
      float r0 = from0 ? row[left] : 0, g0 = from0 ? row[left + 1] : 0;
      float b0 = from0 ? row[left + 2] : 0;
      float dr = (to1 ? row[left + 3] : 0) - r0, dg = (to1 ? row[left + 4] : 0) - g0;
      float db = (to1 ? row[left + 5] : 0) - b0;
      int begin = Math.max(0, -x0), end = Math.min(step, width - x0);
      for (int p = begin, i = at + 3 * (x0 + begin); p < end; p++, i += 3) {
        float t = parts[p];
        to[i] += r0 + t * dr;
        to[i + 1] += g0 + t * dg;
        to[i + 2] += b0 + t * db;
      }
    }
  }
}

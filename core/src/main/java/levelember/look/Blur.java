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

  /** Rows that one thread takes at a time where they share work. */
  private static final int BAND = 16;

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
          for (int t = 1 - taps.length; t < taps.length; t++) {
            addHeld(from, y * w, w, t, taps[Math.abs(t)], across);
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

  /** Adds a row moved by some places to itself in another picture, its ends held. */
  private static void addHeld(
      float[] from, int at, int length, int shift, float weight, float[] to) {
    int begin = Math.clamp(-shift, 0, length), end = Math.clamp(length - shift, 0, length);
    for (int x = 0; x < begin; x++) {
      to[at + x] = Math.fma(weight, from[at], to[at + x]);
    }
    if (end > begin) {
      add(from, at + begin + shift, end - begin, weight, to, at + begin);
    }
    for (int x = end; x < length; x++) {
      to[at + x] = Math.fma(weight, from[at + length - 1], to[at + x]);
    }
  }

  /** Weights of a Gaussian from its middle outwards, which add up to one on both sides. */
  private static float[] taps(double deviation) {
    int reach = Math.max(1, (int) Math.ceil(CUT * deviation));
    double[] exact = new double[reach + 1];
    double sum = 0;
    for (int t = 0; t <= reach; t++) {
      exact[t] = StrictMath.exp(-0.5 * t * t / (deviation * deviation));
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
    int w = to.width(), h = to.height();
    rows(
        BAND * w,
        (h + BAND - 1) / BAND,
        band -> {
          UpsampledHalo stretched = new UpsampledHalo(from, 1, w);
          for (int y = band * BAND; y < Math.min(h, (band + 1) * BAND); y++) {
            stretched.add(y, to.rgb(), 3 * y * w);
          }
        });
  }
}

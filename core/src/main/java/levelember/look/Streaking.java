package levelember.look;

import levelember.shoot.Glow;
import levelember.texture.Picture;

/**
 * Lines of light that leave their source to chosen sides and fall off exponentially. The picture is
 * read along slanted lines, each is run through a recursive filter, and what comes out is read back
 * between the lines, so that a line stays thin however long it is.
 */
final class Streaking {
  /** Width of a line as deviation, of the picture's height. */
  private static final double WIDTH = 0.002;

  /** Pixels of a tile along each side. */
  private static final int TILE = 16;

  private static final RowMath ROWS = RowMath.ofMachine();

  private Streaking() {}

  /**
   * Draws the streaks of a source.
   *
   * @param height of the whole picture in pixels of {@code source}
   */
  static Picture drawn(Picture source, Glow.Streaks streaks, double height) {
    Picture soft = Blur.gaussian(source, WIDTH * height);
    Picture turned = null;
    Picture to = Picture.black(source.width(), source.height());
    Picture sideways = null;
    int n = streaks.count();
    boolean[] done = new boolean[n];
    double fall = streaks.length() / 100 * height;
    for (int i = 0; i < n; i++) {
      if (done[i]) {
        continue;
      }
      double angle = Math.toRadians(streaks.turnDegrees() + 360.0 * i / n);
      double dx = Math.cos(angle), dy = -Math.sin(angle);
      boolean both = n % 2 == 0;
      if (both) {
        done[(i + n / 2) % n] = true;
      }
      if (Math.abs(dx) >= Math.abs(dy)) {
        along(soft, dx, dy, both, fall, 1f / n, to);
      } else {
        if (turned == null) {
          turned = turned(soft);
          sideways = Picture.black(turned.width(), turned.height());
        }
        along(turned, dy, dx, both, fall, 1f / n, sideways);
      }
    }
    if (sideways != null) {
      Picture back = turned(sideways);
      Blur.add(back.rgb(), 0, back.rgb().length, 1, to.rgb(), 0);
    }
    return to;
  }

  private static Picture turned(Picture from) {
    int w = from.width(), h = from.height();
    Picture to = Picture.black(h, w);
    float[] a = from.rgb(), b = to.rgb();
    tiles(
        h,
        w,
        (y0, y1, x, end) -> {
          for (int j = 3 * (x * h + y0); x < end; x++, j = 3 * (x * h + y0)) {
            for (int y = y0, i = 3 * (y * w + x); y < y1; y++, i += 3 * w, j += 3) {
              b[j] = a[i];
              b[j + 1] = a[i + 1];
              b[j + 2] = a[i + 2];
            }
          }
        });
    return to;
  }

  /** Does something with the columns from {@code x0} to {@code x1} of some rows. */
  private interface Tile {
    void with(int x0, int x1, int y0, int y1);
  }

  /** Goes over a picture in tiles, as what is slanted would else be far apart in memory. */
  private static void tiles(int width, int height, Tile work) {
    Blur.rows(
        width * TILE,
        (height + TILE - 1) / TILE,
        band -> {
          int y0 = band * TILE, y1 = Math.min(height, y0 + TILE);
          for (int x0 = 0; x0 < width; x0 += TILE) {
            work.with(x0, Math.min(width, x0 + TILE), y0, y1);
          }
        });
  }

  /**
   * Slanted lines, one below the other.
   *
   * @param first number of the first; line k runs through the rows k + slope·x
   * @param down whole rows that a line has gone down at each column
   * @param part how far it lies from there to the next row, 0…1
   */
  private record Slant(
      int first, int last, double slope, int width, int height, int[] down, float[] part) {
    static Slant of(double slope, int width, int height) {
      int[] down = new int[width];
      float[] part = new float[width];
      for (int x = 0; x < width; x++) {
        double y = slope * x;
        down[x] = (int) Math.floor(y);
        part[x] = (float) (y - down[x]);
      }
      int end = down[width - 1];
      int first = -1 - Math.max(0, end), last = height - 1 - Math.min(0, end);
      return new Slant(first, last, slope, width, height, down, part);
    }

    /** The first column at which a line may give something, or the one after the last. */
    int column(int line, boolean begin) {
      if (slope == 0) {
        return begin ? 0 : width;
      }
      // Where it is a row above the picture, and where it is below it.
      double above = (-1 - line) / slope, below = (height - line) / slope;
      double at = begin ? Math.min(above, below) - 1 : Math.max(above, below) + 2;
      return (int) Math.clamp(at, 0.0, width);
    }
  }

  /** Adds the lines of one direction, |dx| ≥ |dy|, and of the opposite one when {@code both}. */
  private static void along(
      Picture from, double dx, double dy, boolean both, double fall, float share, Picture to) {
    int w = from.width(), h = from.height();
    Slant slant = Slant.of(dy / dx, w, h);
    float keep = (float) Math.pow(0.1, Math.hypot(1, slant.slope()) / fall);
    boolean right = both || dx > 0, left = both || dx < 0;
    int first = slant.first();
    int count = slant.last() - first + 1;
    float[][] lines = new float[count][];
    Blur.rows(
        w * TILE,
        (count + TILE - 1) / TILE,
        band -> {
          int from0 = band * TILE, to0 = Math.min(count, from0 + TILE);
          float[][] in = read(from, slant, first + from0, to0 - from0);
          for (int i = from0; i < to0; i++) {
            lines[i] = filtered(in[i - from0], slant, first + i, keep, right, left, share);
          }
        });
    int[] down = slant.down();
    float[] part = slant.part();
    float[] out = to.rgb();
    tiles(
        w,
        h,
        (x0, x1, y0, y1) -> {
          for (int y = y0; y < y1; y++) {
            for (int x = x0, at = 3 * (y * w + x0); x < x1; x++, at += 3) {
              // Of the two lines that run past the pixel the upper one does so by the part.
              int lower = y - down[x] - first;
              add(lines[lower], 3 * x, 1 - part[x], out, at);
              add(lines[lower - 1], 3 * x, part[x], out, at);
            }
          }
        });
  }

  private static void add(float[] line, int j, float weight, float[] to, int at) {
    if (line != null) {
      to[at] += weight * line[j];
      to[at + 1] += weight * line[j + 1];
      to[at + 2] += weight * line[j + 2];
    }
  }

  /** What lies along some lines. */
  private static float[][] read(Picture from, Slant slant, int first, int count) {
    int w = from.width(), h = from.height();
    float[] a = from.rgb();
    float[][] to = new float[count][3 * w];
    for (int x0 = 0; x0 < w; x0 += TILE) {
      for (int n = 0; n < count; n++) {
        int k = first + n;
        int begin = Math.max(x0, slant.column(k, true));
        int end = Math.min(Math.min(w, x0 + TILE), slant.column(k, false));
        read(a, w, h, slant, k, begin, end, to[n]);
      }
    }
    return to;
  }

  private static void read(
      float[] a, int w, int h, Slant slant, int k, int begin, int end, float[] to) {
    float[] part = slant.part();
    int[] down = slant.down();
    for (int x = begin, j = 3 * begin; x < end; x++, j += 3) {
      int i = k + down[x];
      float lower = part[x], upper = 1 - lower;
      int at = 3 * (i * w + x), under = at + 3 * w;
      if (i >= 0 && i < h - 1) {
        to[j] = upper * a[at] + lower * a[under];
        to[j + 1] = upper * a[at + 1] + lower * a[under + 1];
        to[j + 2] = upper * a[at + 2] + lower * a[under + 2];
      } else if (i == h - 1) {
        to[j] = upper * a[at];
        to[j + 1] = upper * a[at + 1];
        to[j + 2] = upper * a[at + 2];
      } else if (i == -1) {
        to[j] = lower * a[under];
        to[j + 1] = lower * a[under + 1];
        to[j + 2] = lower * a[under + 2];
      }
    }
  }

  /** A line run to the right, to the left or both; null where it is dark. */
  private static float[] filtered(
      float[] in, Slant slant, int k, float keep, boolean right, boolean left, float share) {
    int begin = slant.column(k, true), end = slant.column(k, false);
    if (end <= begin || !ROWS.anyAbove(in, 3 * begin, 3 * end, 0)) {
      return null;
    }
    float[] to = new float[in.length];
    float gain = (1 - keep) * share;
    if (right) {
      run(in, to, 3 * begin, 3, end - begin, keep, gain);
    }
    if (left) {
      run(in, to, 3 * (end - 1), -3, end - begin, keep, gain);
    }
    return to;
  }

  private static void run(float[] in, float[] to, int at, int step, int n, float keep, float gain) {
    float r = 0, g = 0, b = 0;
    for (int i = 0; i < n; i++, at += step) {
      r = keep * r + gain * in[at];
      g = keep * g + gain * in[at + 1];
      b = keep * b + gain * in[at + 2];
      to[at] += r;
      to[at + 1] += g;
      to[at + 2] += b;
    }
  }
}

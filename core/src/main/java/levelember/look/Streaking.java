package levelember.look;

import java.util.stream.IntStream;
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
    Blur.rows(
        h,
        w,
        x -> {
          for (int y = 0; y < h; y++) {
            int i = 3 * (y * w + x), j = 3 * (x * h + y);
            b[j] = a[i];
            b[j + 1] = a[i + 1];
            b[j + 2] = a[i + 2];
          }
        });
    return to;
  }

  /** Adds the lines of one direction, |dx| ≥ |dy|, and of the opposite one when {@code both}. */
  private static void along(
      Picture from, double dx, double dy, boolean both, double fall, float share, Picture to) {
    int w = from.width(), h = from.height();
    double slope = dy / dx;
    int first = (int) Math.floor(Math.min(0, -slope * (w - 1)));
    int last = h - 1 + (int) Math.ceil(Math.max(0, -slope * (w - 1)));
    float keep = (float) Math.pow(0.1, Math.sqrt(1 + slope * slope) / fall);
    boolean right = both || dx > 0, left = both || dx < 0;
    float[][] lines = new float[last - first + 1][];
    IntStream.rangeClosed(first, last)
        .parallel()
        .forEach(k -> lines[k - first] = line(from, k, slope, keep, right, left, share));
    Blur.rows(
        w,
        h,
        y -> {
          float[] out = to.rgb();
          for (int x = 0, at = 3 * y * w; x < w; x++, at += 3) {
            double k = y - slope * x - first;
            int i = (int) k;
            float part = (float) (k - i);
            add(lines, i, 3 * x, 1 - part, out, at);
            add(lines, i + 1, 3 * x, part, out, at);
          }
        });
  }

  private static void add(float[][] lines, int i, int j, float weight, float[] to, int at) {
    if (i >= 0 && i < lines.length && lines[i] != null) {
      to[at] += weight * lines[i][j];
      to[at + 1] += weight * lines[i][j + 1];
      to[at + 2] += weight * lines[i][j + 2];
    }
  }

  /**
   * One line, y = k + slope·x, or null where it is dark; filtered to the right, to the left or
   * both.
   */
  private static float[] line(
      Picture from, int k, double slope, float keep, boolean right, boolean left, float share) {
    int w = from.width(), h = from.height();
    float[] a = from.rgb();
    float[] in = new float[3 * w];
    for (int x = 0, j = 0; x < w; x++, j += 3) {
      double y = k + slope * x;
      int i = (int) Math.floor(y);
      float part = (float) (y - i);
      int upper = 3 * (i * w + x), lower = upper + 3 * w;
      if (i >= 0 && i < h) {
        in[j] = (1 - part) * a[upper];
        in[j + 1] = (1 - part) * a[upper + 1];
        in[j + 2] = (1 - part) * a[upper + 2];
      }
      if (i >= -1 && i < h - 1) {
        in[j] += part * a[lower];
        in[j + 1] += part * a[lower + 1];
        in[j + 2] += part * a[lower + 2];
      }
    }
    float most = 0;
    for (float v : in) {
      most = Math.max(most, v);
    }
    if (most == 0) {
      return null;
    }
    float[] to = new float[3 * w];
    float gain = (1 - keep) * share;
    if (right) {
      run(in, to, 0, 3, w, keep, gain);
    }
    if (left) {
      run(in, to, 3 * (w - 1), -3, w, keep, gain);
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

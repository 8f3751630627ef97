package levelember.look;

import java.util.stream.IntStream;
import levelember.shoot.Optics;
import levelember.texture.Picture;

/**
 * Distortion and colour fringing by reading a picture at other places (Catmull–Rom between pixels).
 * A place at r of the way to a corner is read at r·(1 + d·r²)/(1 + max(d, 0)), so that the frame
 * stays filled; red and blue are read a little farther out and in.
 */
final class Bending {
  private Bending() {}

  static Picture bent(Picture from, Optics optics) {
    int w = from.width(), h = from.height();
    double corner = Math.hypot(w, h) / 2;
    double d = optics.distortion();
    double whole = 1 / (1 + Math.max(d, 0));
    double fringe = optics.fringing() / 100 * h / corner;
    double[] scales = {whole * (1 - fringe), whole, whole * (1 + fringe)};
    Picture to = Picture.black(w, h);
    IntStream.range(0, h)
        .parallel()
        .forEach(y -> {
          Reader reader = new Reader(from);
          double v = y + 0.5 - h / 2.0;
          for (int x = 0, at = 3 * y * w; x < w; x++, at += 3) {
            double u = x + 0.5 - w / 2.0;
            double bend = 1 + d * (u * u + v * v) / (corner * corner);
            for (int k = 0; k < 3; k++) {
              if (k == 0 || fringe != 0) {
                double s = bend * scales[k];
                reader.at(s * u + w / 2.0 - 0.5, s * v + h / 2.0 - 0.5);
              }
              to.rgb()[at + k] = reader.read(k);
            }
          }
        });
    return to;
  }

  /** Reads between pixels, the borders held; the weights of a place are made once. */
  private static final class Reader {
    /** Pixels before the first that a place lies at most; numbers are cut off towards zero. */
    private static final int BEFORE = 1 << 16;

    private final float[] rgb;
    private final int width, height;
    private final int[] columns = new int[4], rows = new int[4];
    private int first;
    private boolean inside;
    private float a0, a1, a2, a3, b0, b1, b2, b3;

    Reader(Picture from) {
      rgb = from.rgb();
      width = from.width();
      height = from.height();
    }

    void at(double x, double y) {
      int i = (int) (x + BEFORE) - BEFORE, j = (int) (y + BEFORE) - BEFORE;
      float fx = (float) (x - i), fy = (float) (y - j);
      a0 = outer(1 + fx);
      a1 = inner(fx);
      a2 = inner(1 - fx);
      a3 = outer(2 - fx);
      b0 = outer(1 + fy);
      b1 = inner(fy);
      b2 = inner(1 - fy);
      b3 = outer(2 - fy);
      inside = i > 0 && j > 0 && i + 2 < width && j + 2 < height;
      first = 3 * ((j - 1) * width + i - 1);
      if (!inside) {
        for (int k = 0; k < 4; k++) {
          columns[k] = 3 * Math.clamp(i + k - 1, 0, width - 1);
          rows[k] = 3 * width * Math.clamp(j + k - 1, 0, height - 1);
        }
      }
    }

    float read(int channel) {
      float sum;
      if (inside) {
        int at = first + channel, down = 3 * width;
        sum =
            b0 * line(at)
                + b1 * line(at + down)
                + b2 * line(at + 2 * down)
                + b3 * line(at + 3 * down);
      } else {
        sum =
            b0 * held(rows[0] + channel)
                + b1 * held(rows[1] + channel)
                + b2 * held(rows[2] + channel)
                + b3 * held(rows[3] + channel);
      }
      return Math.max(0, sum);
    }

    private float line(int at) {
      return a0 * rgb[at] + a1 * rgb[at + 3] + a2 * rgb[at + 6] + a3 * rgb[at + 9];
    }

    private float held(int at) {
      return a0 * rgb[at + columns[0]]
          + a1 * rgb[at + columns[1]]
          + a2 * rgb[at + columns[2]]
          + a3 * rgb[at + columns[3]];
    }

    private static float inner(float a) {
      return 1 + a * a * (1.5f * a - 2.5f);
    }

    private static float outer(float a) {
      return 2 + a * (-4 + a * (2.5f - 0.5f * a));
    }
  }
}

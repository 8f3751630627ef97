package levelember.look;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.texture.Picture;

/**
 * Distortion and colour fringing by reading a picture at other places (Catmull–Rom between pixels).
 * A place at r of the way to a corner is read at r·(1 + d·r²)/(1 + max(d, 0)), so that the frame
 * stays filled; red and blue are read a little farther out and in.
 */
record LensDistortion(double distortion, double fringing) implements PictureStage {
  private static final RowMath ROWS = RowMath.ofMachine();

  /** Rows that one thread takes at a time. */
  private static final int BAND = 16;

  @Override
  public Picture of(Picture from) {
    int w = from.width(), h = from.height();
    double corner = StrictMath.hypot(w, h) / 2;
    double d = distortion;
    double whole = 1 / (1 + Math.max(d, 0));
    double fringe = fringing / 100 * h / corner;
    RowMath.Lens[] lenses = new RowMath.Lens[3];
    for (int k = 0; k < 3; k++) {
      double out = whole * (1 + (k - 1) * fringe);
      lenses[k] = new RowMath.Lens((float) d, (float) (1 / (corner * corner)), (float) out);
    }
    RowMath.Planes planes = planes(from);
    Picture to = Picture.black(w, h);
    bands(
        h,
        (first, last) -> {
          float[][] rows = new float[3][w];
          RowMath.LensMemory memory = new RowMath.LensMemory(w);
          for (int y = first; y < last; y++) {
            for (int k = 0; k < 3; k++) {
              ROWS.lens(planes, k, lenses[k], y, rows[k], memory);
            }
            join(rows, to.rgb(), 3 * y * w);
          }
        });
    return to;
  }

  private static void join(float[][] rows, float[] to, int at) {
    float[] r = rows[0], g = rows[1], b = rows[2];
    for (int x = 0, i = at; x < r.length; x++, i += 3) {
      to[i] = r[x];
      to[i + 1] = g[x];
      to[i + 2] = b[x];
    }
  }

  /** The picture's channels, with borders. */
  static RowMath.Planes planes(Picture from) {
    int w = from.width(), h = from.height(), border = RowMath.Planes.BORDER;
    int stride = w + 2 * border;
    float[][] channels = new float[3][stride * (h + 2 * border) + RowMath.Planes.AFTER];
    bands(
        h,
        (first, last) -> {
          float[][] rows = new float[3][w];
          for (int y = first; y < last; y++) {
            ROWS.part(from.rgb(), 3 * y * w, rows[0], rows[1], rows[2], w);
            for (int k = 0; k < 3; k++) {
              int at = (y + border) * stride;
              System.arraycopy(rows[k], 0, channels[k], at + border, w);
              Arrays.fill(channels[k], at, at + border, rows[k][0]);
              Arrays.fill(channels[k], at + border + w, at + stride, rows[k][w - 1]);
            }
          }
        });
    for (float[] channel : channels) {
      int last = (h + border - 1) * stride;
      for (int i = 0; i < border; i++) {
        System.arraycopy(channel, border * stride, channel, i * stride, stride);
        System.arraycopy(channel, last, channel, last + (i + 1) * stride, stride);
      }
    }
    return new RowMath.Planes(w, h, stride, channels);
  }

  private interface Band {
    void rows(int first, int last);
  }

  private static void bands(int rows, Band work) {
    IntStream.range(0, (rows + BAND - 1) / BAND)
        .parallel()
        .forEach(i -> work.rows(i * BAND, Math.min(rows, (i + 1) * BAND)));
  }
}

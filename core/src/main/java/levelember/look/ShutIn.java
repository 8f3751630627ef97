package levelember.look;

import java.util.stream.IntStream;
import levelember.film.FirstHits;

/**
 * How much of what every pixel shows is shut in by what is near, smoothed along surfaces in three
 * passes of growing step that stop at edges and folds (after Dammertz et al. 2010).
 */
public final class ShutIn {
  /** Rows beyond those wanted that smoothing looks at. */
  public static final int REACH = 12;

  private static final int[] STEPS = {1, 2, 3};

  /** Cosine of normals that are too far apart. */
  private static final float FOLD = 0.8f;

  /** Parts of a distance that are too far apart. */
  private static final float EDGE = 0.04f;

  private ShutIn() {}

  /**
   * Rows of it, 0 in the open to 1.
   *
   * @param first row wanted
   * @param last row after those wanted
   * @param reach metres over which it fades out
   */
  public static float[] of(FirstHits hits, int first, int last, double reach) {
    int top = Math.max(hits.firstRow(), first - REACH);
    int bottom = Math.min(hits.firstRow() + hits.rows(), last + REACH);
    int width = hits.width(), rows = bottom - top;
    float[] guides = new float[4 * width * rows];
    float[] from = new float[width * rows];
    float[] whole = from;
    IntStream.range(0, rows)
        .parallel()
        .forEach(y -> {
          float[] g = new float[4];
          for (int x = 0; x < width; x++) {
            int at = y * width + x;
            whole[at] = hits.shutIn(x, top + y, reach);
            hits.guide(x, top + y, g);
            System.arraycopy(g, 0, guides, 4 * at, 4);
          }
        });
    for (int step : STEPS) {
      float[] in = from;
      float[] out = new float[in.length];
      IntStream.range(0, rows)
          .parallel()
          .forEach(y -> smooth(in, guides, width, rows, y, step, out));
      from = out;
    }
    return java.util.Arrays.copyOfRange(from, (first - top) * width, (last - top) * width);
  }

  private static void smooth(
      float[] in, float[] guides, int width, int rows, int y, int step, float[] out) {
    for (int x = 0; x < width; x++) {
      int at = y * width + x;
      float sum = 0, whole = 0;
      for (int row = y - 2 * step; row <= y + 2 * step; row += step) {
        if (row < 0 || row >= rows) {
          continue;
        }
        for (int column = x - 2 * step; column <= x + 2 * step; column += step) {
          if (column >= 0 && column < width) {
            int other = row * width + column;
            float w = alike(guides, 4 * at, 4 * other);
            sum += w * in[other];
            whole += w;
          }
        }
      }
      out[at] = whole > 0 ? sum / whole : in[at];
    }
  }

  private static float alike(float[] g, int a, int b) {
    float cos = g[a] * g[b] + g[a + 1] * g[b + 1] + g[a + 2] * g[b + 2];
    if (cos <= FOLD) {
      return a == b ? 1 : 0;
    }
    float far = Math.abs(g[a + 3] - g[b + 3]) / Math.max(1e-6f, g[a + 3]);
    return (cos - FOLD) * Math.max(0, 1 - far / EDGE);
  }
}

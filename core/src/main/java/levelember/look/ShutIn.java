package levelember.look;

import java.util.Arrays;
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

  private static final RowMath ROWS = RowMath.ofMachine();

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
    float[][] guides = new float[4][width * rows];
    float[] from = new float[width * rows];
    float[] whole = from;
    IntStream.range(0, rows)
        .parallel()
        .forEach(y -> {
          hits.shutIn(top + y, reach, whole, y * width);
          hits.guides(top + y, guides, y * width);
        });
    RowMath.Surfaces surfaces = RowMath.Surfaces.of(width, rows, guides);
    for (int step : STEPS) {
      float[] in = from;
      float[] out = new float[in.length];
      IntStream.range(0, rows).parallel().forEach(y -> ROWS.smooth(in, surfaces, y, step, out));
      from = out;
    }
    return Arrays.copyOfRange(from, (first - top) * width, (last - top) * width);
  }
}

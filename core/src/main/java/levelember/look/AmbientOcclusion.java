package levelember.look;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.film.FirstHits;

/**
 * How much of what every pixel shows is shut in by what is near, smoothed along surfaces in three
 * passes of growing step that stop at edges and folds (after Dammertz et al. 2010).
 */
public final class AmbientOcclusion {
  /** Rows beyond those wanted that smoothing looks at. */
  public static final int REACH = 12;

  private static final int[] STEPS = {1, 2, 3};

  private static final RowMath ROWS = RowMath.ofMachine();

  private final FirstHits hits;
  private final int first, last, top, rows;
  private final RowMath.Surfaces surfaces;

  /**
   * Prepares some rows.
   *
   * @param first row wanted
   * @param last row after those wanted
   */
  public AmbientOcclusion(FirstHits hits, int first, int last) {
    this.hits = hits;
    this.first = first;
    this.last = last;
    top = Math.max(hits.firstRow(), first - REACH);
    rows = Math.min(hits.firstRow() + hits.rows(), last + REACH) - top;
    int width = hits.width();
    float[][] guides = new float[4][width * rows];
    IntStream.range(0, rows).parallel().forEach(y -> hits.guides(top + y, guides, y * width));
    surfaces = RowMath.Surfaces.of(width, rows, guides);
  }

  /**
   * The rows wanted, 0 in the open to 1.
   *
   * @param reach metres over which it fades out
   */
  public float[] within(double reach) {
    int width = hits.width();
    float[] from = new float[width * rows];
    float[] whole = from;
    IntStream.range(0, rows).parallel().forEach(y -> hits.shutIn(top + y, reach, whole, y * width));
    for (int step : STEPS) {
      float[] in = from;
      float[] out = new float[in.length];
      IntStream.range(0, rows).parallel().forEach(y -> ROWS.smooth(in, surfaces, y, step, out));
      from = out;
    }
    return Arrays.copyOfRange(from, (first - top) * width, (last - top) * width);
  }
}

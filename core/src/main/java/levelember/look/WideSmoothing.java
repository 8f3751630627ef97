package levelember.look;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.look.RowMath.Surfaces;

/** Smoothing along surfaces, as many pixels at a time as there are lanes. */
final class WideSmoothing {
  private static final VectorSpecies<Float> LANES = WideRows.LANES;

  private WideSmoothing() {}

  /** A row, as {@link RowMath#smooth} says. */
  static void row(float[] in, Surfaces s, int y, int step, float[] out) {
    int reach = 2 * step, lanes = LANES.length();
    int first = Math.min(reach, s.width()), x = first;
    PlainRows.smooth(in, s, y, step, 0, first, out);
    int end = s.width() - reach - lanes;
    for (; x <= end; x += lanes) {
      SMOOTH[lit(in, s, x, y, step) ? 0 : 1].go(in, s, x, y, step, out);
    }
    if (end >= first) {
      // The last lanes once more, that fewer are left to be done one by one.
      SMOOTH[0].go(in, s, end, y, step, out);
      x = end + lanes;
    }
    PlainRows.smooth(in, s, y, step, x, s.width(), out);
  }

  /** Smooths some lanes. */
  private interface Smoothing {
    void go(float[] in, Surfaces s, int x, int y, int step, float[] out);
  }

  private static final Smoothing[] SMOOTH = {WideSmoothing::smooth, WideSmoothing::dark};

  /** Whether any of what some lanes are made of is above 0. */
  private static boolean lit(float[] in, Surfaces s, int x, int y, int step) {
    int top = Math.max(y - 2 * step, y % step), bottom = Math.min(y + 2 * step, s.rows() - 1);
    for (int row = top; row <= bottom; row += step) {
      int from = row * s.width() + x;
      if (WideRows.above(in, from - 2 * step, from + 2 * step + LANES.length(), 0)) {
        return true;
      }
    }
    return false;
  }

  private static void dark(float[] in, Surfaces s, int x, int y, int step, float[] out) {
    WideMath.all(0).intoArray(out, y * s.width() + x);
  }

  private static void smooth(float[] in, Surfaces s, int x, int y, int step, float[] out) {
    float[] nx = s.x(), ny = s.y(), nz = s.z(), near = s.near();
    int width = s.width(), at = y * width + x;
    FloatVector cx = FloatVector.fromArray(LANES, nx, at);
    FloatVector cy = FloatVector.fromArray(LANES, ny, at);
    FloatVector cz = FloatVector.fromArray(LANES, nz, at);
    FloatVector here = FloatVector.fromArray(LANES, near, at);
    FloatVector sharp = FloatVector.fromArray(LANES, s.sharp(), at);
    FloatVector sum = WideMath.all(0), whole = WideMath.all(0);
    int top = Math.max(y - 2 * step, y % step), bottom = Math.min(y + 2 * step, s.rows() - 1);
    for (int row = top; row <= bottom; row += step) {
      int from = row * width + x;
      for (int other = from - 2 * step; other <= from + 2 * step; other += step) {
        FloatVector cos = cx.mul(FloatVector.fromArray(LANES, nx, other));
        cos = cos.add(cy.mul(FloatVector.fromArray(LANES, ny, other)));
        cos = cos.add(cz.mul(FloatVector.fromArray(LANES, nz, other)));
        FloatVector apart = FloatVector.fromArray(LANES, near, other).sub(here).abs();
        FloatVector far = WideMath.atLeast(WideMath.all(1).sub(apart.mul(sharp)), 0);
        VectorMask<Float> fold = cos.compare(VectorOperators.LE, Surfaces.FOLD);
        FloatVector w = cos.sub(Surfaces.FOLD).mul(far).blend(other == at ? 1 : 0, fold);
        sum = sum.add(w.mul(FloatVector.fromArray(LANES, in, other)));
        whole = whole.add(w);
      }
    }
    FloatVector own = FloatVector.fromArray(LANES, in, at);
    sum.div(whole).blend(own, whole.compare(VectorOperators.LE, 0)).intoArray(out, at);
  }
}

package levelember.measure;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.CholeskyDecomposition;
import org.apache.commons.math3.linear.RealMatrix;

/**
 * Least squares with bounds on the unknowns, by an active set (Stark and Parker 1995,
 * "Bounded-Variable Least-Squares"), on normal equations whose matrix must be positive definite.
 */
final class BoundedLeastSquares {
  private static final double NONE_LEFT = 1e-12;

  private BoundedLeastSquares() {}

  /**
   * Minimizes ½ xᵀNx − bᵀx.
   *
   * @param normal N, symmetric and positive definite
   * @param right b
   * @param least bounds from below, at most 0
   * @param most bounds from above, at least 0
   */
  static double[] solve(double[][] normal, double[] right, double[] least, double[] most) {
    int n = right.length;
    double[] x = new double[n];
    boolean[] bound = new boolean[n];
    for (int round = 0; round < 10 * n + 10; round++) {
      double[] free = freeSolution(normal, right, x, bound);
      double step = longestStep(x, free, bound, least, most);
      for (int i = 0; i < n; i++) {
        if (!bound[i]) {
          x[i] = Math.clamp(x[i] + step * (free[i] - x[i]), least[i], most[i]);
          bound[i] = step < 1 && (x[i] <= least[i] || x[i] >= most[i]);
        }
      }
      if (step >= 1) {
        int released = mostViolating(normal, right, x, bound, least);
        if (released < 0) {
          break;
        }
        bound[released] = false;
      }
    }
    return x;
  }

  /** The unbounded minimum over those unknowns that are at no bound. */
  private static double[] freeSolution(
      double[][] normal, double[] right, double[] x, boolean[] bound) {
    List<Integer> free = new ArrayList<>();
    for (int i = 0; i < x.length; i++) {
      if (!bound[i]) {
        free.add(i);
      }
    }
    double[] to = x.clone();
    if (free.isEmpty()) {
      return to;
    }
    RealMatrix part = new Array2DRowRealMatrix(free.size(), free.size());
    ArrayRealVector side = new ArrayRealVector(free.size());
    for (int r = 0; r < free.size(); r++) {
      int i = free.get(r);
      double b = right[i];
      for (int j = 0; j < x.length; j++) {
        if (bound[j]) {
          b -= normal[i][j] * x[j];
        }
      }
      side.setEntry(r, b);
      for (int c = 0; c < free.size(); c++) {
        part.setEntry(r, c, normal[i][free.get(c)]);
      }
    }
    double[] solved = new CholeskyDecomposition(part).getSolver().solve(side).toArray();
    for (int r = 0; r < solved.length; r++) {
      to[free.get(r)] = solved[r];
    }
    return to;
  }

  /** Share of the way to the unbounded minimum until the first bound; 1 when none is met. */
  private static double longestStep(
      double[] x, double[] free, boolean[] bound, double[] least, double[] most) {
    double step = 1;
    for (int i = 0; i < x.length; i++) {
      double way = free[i] - x[i];
      if (bound[i] || way == 0) {
        continue;
      }
      double room = way > 0 ? most[i] - x[i] : least[i] - x[i];
      step = Math.min(step, room / way);
    }
    return Math.max(0, step);
  }

  /** The bounded unknown that gains most by leaving its bound, or −1. */
  private static int mostViolating(
      double[][] normal, double[] right, double[] x, boolean[] bound, double[] least) {
    int best = -1;
    double gain = NONE_LEFT;
    for (int i = 0; i < x.length; i++) {
      if (!bound[i]) {
        continue;
      }
      double slope = right[i];
      for (int j = 0; j < x.length; j++) {
        slope -= normal[i][j] * x[j];
      }
      double inwards = x[i] <= least[i] ? slope : -slope;
      if (inwards > gain) {
        gain = inwards;
        best = i;
      }
    }
    return best;
  }
}

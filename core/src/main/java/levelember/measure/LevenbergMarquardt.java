package levelember.measure;

import java.util.function.UnaryOperator;

/**
 * Nonlinear least squares with bounds and a small share of the squares of the unknowns (Levenberg
 * 1944, Marquardt 1963); each step is solved within the bounds by {@link BoundedLeastSquares}.
 */
final class LevenbergMarquardt {
  private static final int STEPS = 60;
  private static final double DIFFERENCE = 1e-4, LONGEST_STEP = 3;
  private static final double LEAST_DAMPING = 1e-9, MOST_DAMPING = 1e6, STILL = 1e-5;

  private LevenbergMarquardt() {}

  /**
   * Minimizes the sum of squares of residuals.
   *
   * @param residuals of the unknowns; as many at every call
   * @param start within the bounds
   * @param ridge factor on the square of each unknown, above 0
   * @param least bounds from below
   * @param most bounds from above
   */
  static double[] minimum(
      UnaryOperator<double[]> residuals,
      double[] start,
      double[] ridge,
      double[] least,
      double[] most) {
    double[] x = start.clone();
    double[] r = residuals.apply(x);
    double cost = cost(r, x, ridge), damping = 1e-3;
    for (int step = 0; step < STEPS && x.length > 0; step++) {
      double[][] slopes = jacobian(residuals, x, r);
      double[] move = step(slopes, r, x, ridge, damping, least, most);
      double[] next = x.clone();
      double longest = 0;
      for (int i = 0; i < x.length; i++) {
        next[i] += move[i];
        longest = Math.max(longest, Math.abs(move[i]));
      }
      double[] there = residuals.apply(next);
      double reached = cost(there, next, ridge);
      if (reached < cost) {
        x = next;
        r = there;
        cost = reached;
        damping = Math.max(LEAST_DAMPING, damping / 5);
      } else {
        damping *= 8;
      }
      if (longest < STILL || damping > MOST_DAMPING) {
        break;
      }
    }
    return x;
  }

  /** By unknown and residual, how fast the residual grows. */
  static double[][] jacobian(UnaryOperator<double[]> residuals, double[] x, double[] r) {
    double[][] to = new double[x.length][];
    for (int i = 0; i < x.length; i++) {
      double[] moved = x.clone();
      moved[i] += DIFFERENCE;
      to[i] = residuals.apply(moved);
      for (int k = 0; k < r.length; k++) {
        to[i][k] = (to[i][k] - r[k]) / DIFFERENCE;
      }
    }
    return to;
  }

  private static double cost(double[] r, double[] x, double[] ridge) {
    double sum = 0;
    for (double v : r) {
      sum += v * v;
    }
    for (int i = 0; i < x.length; i++) {
      sum += ridge[i] * x[i] * x[i];
    }
    return sum;
  }

  private static double[] step(
      double[][] slopes,
      double[] r,
      double[] x,
      double[] ridge,
      double damping,
      double[] least,
      double[] most) {
    int n = x.length;
    double[][] normal = new double[n][n];
    double[] right = new double[n], low = new double[n], high = new double[n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j <= i; j++) {
        double sum = 0;
        for (int k = 0; k < r.length; k++) {
          sum += slopes[i][k] * slopes[j][k];
        }
        normal[i][j] = normal[j][i] = sum;
      }
      double sum = -ridge[i] * x[i];
      for (int k = 0; k < r.length; k++) {
        sum -= slopes[i][k] * r[k];
      }
      right[i] = sum;
      normal[i][i] += ridge[i] + damping;
      low[i] = Math.min(0, Math.max(-LONGEST_STEP, least[i] - x[i]));
      high[i] = Math.max(0, Math.min(LONGEST_STEP, most[i] - x[i]));
    }
    return BoundedLeastSquares.solve(normal, right, low, high);
  }
}

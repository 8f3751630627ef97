package levelember.denoise;

import java.util.Arrays;
import levelember.math.Colour;

/**
 * Fits the filtered light of the pixels about one that holds several surfaces by a first-order
 * function of the guides (Bitterli et al. 2016, "Nonlinearly weighted first-order regression"), so
 * that edges get their mixture though no neighbour agrees with them. One object a thread.
 */
final class MixedPixelFit {
  private static final int REACH = 2, SIDE = 2 * REACH + 1, TAPS = SIDE * SIDE;
  private static final int TERMS = 1 + PixelGuides.VALUES;

  /** Weight of a neighbour that holds several surfaces itself. */
  private static final double MIXED_WEIGHT = 0.05;

  /** Ridge on all terms but the constant, by the sum of weights. */
  private static final double RIDGE = 0.003;

  private static final double[] WEIGHT = new double[TAPS];

  static {
    for (int j = -REACH; j <= REACH; j++) {
      for (int i = -REACH; i <= REACH; i++) {
        WEIGHT[(j + REACH) * SIDE + i + REACH] = StrictMath.exp(-(i * i + j * j) * 3 / 8.0);
      }
    }
  }

  private final PixelGuides guides;
  private final int width, height;
  private final int[] tap = new int[TAPS];
  private final double[] weight = new double[TAPS];
  private final double[][] terms = new double[TAPS][TERMS];
  private final double[][] factor = new double[TERMS][TERMS];
  private final double[] solved = new double[TERMS];

  /** By which the taps' values are summed to the fit's value at the pixel itself. */
  private final double[] interceptWeights = new double[TAPS];

  private final double[] luminance = new double[TAPS];
  private int taps;
  private double weights;

  MixedPixelFit(PixelGuides guides, int width, int height) {
    this.guides = guides;
    this.width = width;
    this.height = height;
  }

  /** Does a row of some layers: changes light, with the surface's colour, of its mixed pixels. */
  void row(DenoiserPlane[] planes, float[][] lights, int y) {
    for (int x = 0; x < width; x++) {
      int p = y * width + x;
      if (!guides.mixed[p]) {
        continue;
      }
      boolean known = false;
      for (int k = 0; k < planes.length; k++) {
        if (planes[k].variance[p] == 0) {
          continue;
        }
        if (!known) {
          neighbours(x, y, p);
          factorise();
          solveIntercept();
          known = true;
        }
        fit(planes[k], lights[k], p);
      }
    }
  }

  private void neighbours(int x, int y, int p) {
    taps = 0;
    weights = 0;
    float near = Math.max(1e-6f, guides.mean[PixelGuides.VALUES - 1][p]);
    for (int j = Math.max(0, y - REACH); j <= Math.min(height - 1, y + REACH); j++) {
      for (int i = Math.max(0, x - REACH); i <= Math.min(width - 1, x + REACH); i++) {
        int q = j * width + i;
        double w = WEIGHT[(j - y + REACH) * SIDE + i - x + REACH];
        w = guides.mixed[q] ? MIXED_WEIGHT * w : w;
        double[] term = terms[taps];
        term[0] = 1;
        for (int k = 0; k < PixelGuides.VALUES; k++) {
          term[k + 1] = guides.mean[k][q] - guides.mean[k][p];
        }
        term[TERMS - 1] /= near;
        tap[taps] = q;
        weight[taps++] = w;
        weights += w;
      }
    }
  }

  /** Cholesky factor of the normal equations. */
  private void factorise() {
    for (int a = 0; a < TERMS; a++) {
      for (int b = 0; b <= a; b++) {
        double sum = a == b && a > 0 ? RIDGE * weights : 0;
        for (int t = 0; t < taps; t++) {
          sum += weight[t] * terms[t][a] * terms[t][b];
        }
        for (int c = 0; c < b; c++) {
          sum -= factor[a][c] * factor[b][c];
        }
        factor[a][b] = a == b ? Math.sqrt(Math.max(1e-12, sum)) : sum / factor[b][b];
      }
    }
  }

  /** Solves the normal equations for a right-hand side that {@link #solved} holds. */
  private void solve() {
    for (int a = 0; a < TERMS; a++) {
      double sum = solved[a];
      for (int c = 0; c < a; c++) {
        sum -= factor[a][c] * solved[c];
      }
      solved[a] = sum / factor[a][a];
    }
    for (int a = TERMS - 1; a >= 0; a--) {
      double sum = solved[a];
      for (int c = a + 1; c < TERMS; c++) {
        sum -= factor[c][a] * solved[c];
      }
      solved[a] = sum / factor[a][a];
    }
  }

  /** The constant term is linear in the values: the first row of the inverse says how. */
  private void solveIntercept() {
    Arrays.fill(solved, 0);
    solved[0] = 1;
    solve();
    for (int t = 0; t < taps; t++) {
      interceptWeights[t] = weight[t] * fitAt(t);
    }
  }

  /** What was solved last, at a tap. */
  private double fitAt(int t) {
    double sum = 0;
    for (int a = 0; a < TERMS; a++) {
      sum += solved[a] * terms[t][a];
    }
    return sum;
  }

  private void fit(DenoiserPlane plane, float[] to, int p) {
    double r = 0, g = 0, b = 0;
    Arrays.fill(solved, 0);
    for (int t = 0; t < taps; t++) {
      int q = tap[t];
      double red = plane.r[q] * colour(0, q);
      double green = plane.g[q] * colour(1, q);
      double blue = plane.b[q] * colour(2, q);
      r += interceptWeights[t] * red;
      g += interceptWeights[t] * green;
      b += interceptWeights[t] * blue;
      luminance[t] = Colour.luminance((float) red, (float) green, (float) blue);
      double weighted = weight[t] * luminance[t];
      for (int a = 0; a < TERMS; a++) {
        solved[a] += weighted * terms[t][a];
      }
    }
    solve();
    double bright = Colour.luminance(colour(0, p), colour(1, p), colour(2, p));
    double variance = plane.variance[p] * bright * bright;
    double k = variance / (variance + residual());
    to[3 * p] += (float) (k * (Math.max(0, r) - to[3 * p]));
    to[3 * p + 1] += (float) (k * (Math.max(0, g) - to[3 * p + 1]));
    to[3 * p + 2] += (float) (k * (Math.max(0, b) - to[3 * p + 2]));
  }

  /** Mean squared residual of the luminances' fit. */
  private double residual() {
    double sum = 0;
    for (int t = 0; t < taps; t++) {
      double off = luminance[t] - fitAt(t);
      sum += weight[t] * off * off;
    }
    return sum / weights;
  }

  private float colour(int channel, int p) {
    return Math.max(Denoiser.LEAST_COLOUR, guides.mean[channel][p]);
  }
}

package levelember.film;

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
  private final double[][] values = new double[3][TAPS];
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
      neighbours(x, y, p);
      factorise();
      for (int k = 0; k < planes.length; k++) {
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

  /** Coefficients of the terms for values of the neighbours. */
  private void solve(double[] of) {
    for (int a = 0; a < TERMS; a++) {
      double sum = 0;
      for (int t = 0; t < taps; t++) {
        sum += weight[t] * terms[t][a] * of[t];
      }
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

  private void fit(DenoiserPlane plane, float[] to, int p) {
    for (int t = 0; t < taps; t++) {
      int q = tap[t];
      values[0][t] = plane.r[q] * colour(0, q);
      values[1][t] = plane.g[q] * colour(1, q);
      values[2][t] = plane.b[q] * colour(2, q);
    }
    double residual = 0;
    double[] fitted = new double[3];
    for (int channel = 0; channel < 3; channel++) {
      solve(values[channel]);
      fitted[channel] = Math.max(0, solved[0]);
      residual +=
          Colour.luminance(channel == 0 ? 1 : 0, channel == 1 ? 1 : 0, channel == 2 ? 1 : 0)
              * mean(values[channel]);
    }
    double bright = Colour.luminance(colour(0, p), colour(1, p), colour(2, p));
    double variance = plane.variance[p] * bright * bright;
    double k = variance + residual > 0 ? variance / (variance + residual) : 0;
    for (int channel = 0; channel < 3; channel++) {
      to[3 * p + channel] = (float) ((1 - k) * to[3 * p + channel] + k * fitted[channel]);
    }
  }

  /** Mean squared residual of what was solved last. */
  private double mean(double[] of) {
    double sum = 0;
    for (int t = 0; t < taps; t++) {
      double at = 0;
      for (int a = 0; a < TERMS; a++) {
        at += solved[a] * terms[t][a];
      }
      sum += weight[t] * (of[t] - at) * (of[t] - at);
    }
    return sum / weights;
  }

  private float colour(int channel, int p) {
    return Math.max(Denoiser.LEAST_COLOUR, guides.mean[channel][p]);
  }
}

package levelember.look;

import levelember.photometry.ColourTemperature;
import levelember.shoot.look.WhiteBalance;

/**
 * White balance: the light of a scene's white becomes the display's, by adaptation in sharpened
 * cone responses (the Bradford transform, as in CIE 159:2004). A balance of the display's own white
 * changes nothing.
 */
public final class Balance {
  private static final double[][] TO_XYZ = {
    {0.4124564, 0.3575761, 0.1804375},
    {0.2126729, 0.7151522, 0.0721750},
    {0.0193339, 0.1191920, 0.9503041}
  };
  private static final double[][] CONES = {
    {0.8951, 0.2664, -0.1614},
    {-0.7502, 1.7135, 0.0367},
    {0.0389, -0.0685, 1.0296}
  };

  private Balance() {}

  /** Nine factors, by rows, for linear red, green and blue. */
  public static float[] matrix(WhiteBalance balance) {
    float[] to = {1, 0, 0, 0, 1, 0, 0, 0, 1};
    if (balance.equals(WhiteBalance.NEUTRAL)) {
      return to;
    }
    double[] from = cones(ColourTemperature.xy(balance.kelvin(), balance.tint()));
    double[] neutral = cones(ColourTemperature.xy(WhiteBalance.NEUTRAL.kelvin(), 0));
    double[][] toCones = times(CONES, TO_XYZ);
    double[][] back = inverse(toCones);
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        double sum = 0;
        for (int k = 0; k < 3; k++) {
          sum += back[i][k] * neutral[k] / from[k] * toCones[k][j];
        }
        to[3 * i + j] = (float) sum;
      }
    }
    return to;
  }

  /**
   * The balance that shows a colour as a grey; the nearest there is when the colour lies far from
   * all lamps.
   *
   * @param r linear red, as traced, together with {@code g} and {@code b} brighter than black
   */
  public static WhiteBalance of(double r, double g, double b) {
    double[] xyz = new double[3];
    for (int i = 0; i < 3; i++) {
      xyz[i] = TO_XYZ[i][0] * r + TO_XYZ[i][1] * g + TO_XYZ[i][2] * b;
    }
    double sum = xyz[0] + xyz[1] + xyz[2];
    double[] uv = uv(xyz[0] / sum, xyz[1] / sum);
    double best = Double.POSITIVE_INFINITY, kelvin = WhiteBalance.NEUTRAL.kelvin();
    // In reciprocal kelvins steps along the locus look alike.
    for (double mired = 25; mired <= 1000; mired += 0.25) {
      double[] at = uv(ColourTemperature.xy(1e6 / mired, 0));
      double d = StrictMath.hypot(at[0] - uv[0], at[1] - uv[1]);
      if (d < best) {
        best = d;
        kelvin = 1e6 / mired;
      }
    }
    double tint = 0;
    best = Double.POSITIVE_INFINITY;
    for (double t = -50; t <= 50; t += 0.1) {
      double[] at = uv(ColourTemperature.xy(kelvin, t));
      double d = StrictMath.hypot(at[0] - uv[0], at[1] - uv[1]);
      if (d < best) {
        best = d;
        tint = t;
      }
    }
    return new WhiteBalance(Math.rint(kelvin), Math.rint(10 * tint) / 10);
  }

  private static double[] uv(double... xy) {
    double d = -2 * xy[0] + 12 * xy[1] + 3;
    return new double[] {4 * xy[0] / d, 6 * xy[1] / d};
  }

  private static double[] cones(double[] xy) {
    double[] xyz = {xy[0] / xy[1], 1, (1 - xy[0] - xy[1]) / xy[1]};
    double[] to = new double[3];
    for (int i = 0; i < 3; i++) {
      to[i] = CONES[i][0] * xyz[0] + CONES[i][1] * xyz[1] + CONES[i][2] * xyz[2];
    }
    return to;
  }

  private static double[][] times(double[][] a, double[][] b) {
    double[][] to = new double[3][3];
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        to[i][j] = a[i][0] * b[0][j] + a[i][1] * b[1][j] + a[i][2] * b[2][j];
      }
    }
    return to;
  }

  private static double[][] inverse(double[][] m) {
    double[][] to = new double[3][3];
    double det = 0;
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        int a = (j + 1) % 3, b = (j + 2) % 3, c = (i + 1) % 3, d = (i + 2) % 3;
        to[i][j] = m[a][c] * m[b][d] - m[a][d] * m[b][c];
      }
      det +=
          m[0][i] * (m[1][(i + 1) % 3] * m[2][(i + 2) % 3] - m[1][(i + 2) % 3] * m[2][(i + 1) % 3]);
    }
    for (double[] row : to) {
      for (int j = 0; j < 3; j++) {
        row[j] /= det;
      }
    }
    return to;
  }
}

package levelember.formats.picture;

import levelember.formats.RefusedFile;
import levelember.texture.Picture;

/**
 * Linear colours of any primaries brought to BT.709 and D65, the white point adapted.
 *
 * <p>Methods: SMPTE RP 177-1993 (primaries to XYZ); Lam 1985 (Bradford adaptation).
 */
final class Chromaticities {
  /** Red, green, blue and white of BT.709, x and y each. */
  static final float[] BT709 = {0.64f, 0.33f, 0.30f, 0.60f, 0.15f, 0.06f, 0.3127f, 0.3290f};

  private static final double[][] BRADFORD = {
    {0.8951, 0.2664, -0.1614}, {-0.7502, 1.7135, 0.0367}, {0.0389, -0.0685, 1.0296}
  };

  private Chromaticities() {}

  /**
   * Turns a picture's colours.
   *
   * @param from chromaticities of its red, green, blue and white, x and y each
   * @param what it is, for refusals
   * @throws RefusedFile when they are none
   */
  static void toBt709(Picture picture, float[] from, String what) {
    if (!same(from)) {
      double[][] toSource = product(adapted(from, what), toXyz(from, what));
      turn(picture, product(inverse(toXyz(BT709, what), what), toSource));
    }
  }

  private static boolean same(float[] other) {
    for (int i = 0; i < BT709.length; i++) {
      if (!(Math.abs(other[i] - BT709[i]) < 1e-3)) {
        return false;
      }
    }
    return true;
  }

  private static void turn(Picture picture, double[][] m) {
    float[] rgb = picture.rgb();
    for (int i = 0; i < rgb.length; i += 3) {
      double r = rgb[i], g = rgb[i + 1], b = rgb[i + 2];
      for (int k = 0; k < 3; k++) {
        rgb[i + k] = (float) (m[k][0] * r + m[k][1] * g + m[k][2] * b);
      }
    }
  }

  /** Primaries to XYZ, white of luminance 1. */
  static double[][] toXyz(float[] c, String what) {
    double[][] columns = new double[3][3];
    for (int k = 0; k < 3; k++) {
      double x = c[2 * k], y = c[2 * k + 1];
      if (!(y > 1e-6)) {
        throw new RefusedFile(what + " names chromaticities that are none");
      }
      columns[0][k] = x / y;
      columns[1][k] = 1;
      columns[2][k] = (1 - x - y) / y;
    }
    double[] scale = apply(inverse(columns, what), white(c, what));
    for (double[] row : columns) {
      for (int k = 0; k < 3; k++) {
        row[k] *= scale[k];
      }
    }
    return columns;
  }

  private static double[] white(float[] c, String what) {
    if (!(c[7] > 1e-6f)) {
      throw new RefusedFile(what + " names a white that is none");
    }
    return new double[] {c[6] / c[7], 1, (1 - c[6] - c[7]) / c[7]};
  }

  /** From a white to D65. */
  private static double[][] adapted(float[] from, String what) {
    double[] source = apply(BRADFORD, white(from, what)),
        target = apply(BRADFORD, white(BT709, what));
    double[][] scaled = new double[3][3];
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        scaled[i][k] = BRADFORD[i][k] * target[i] / source[i];
      }
    }
    return product(inverse(BRADFORD, what), scaled);
  }

  private static double[] apply(double[][] m, double[] v) {
    double[] to = new double[3];
    for (int i = 0; i < 3; i++) {
      to[i] = m[i][0] * v[0] + m[i][1] * v[1] + m[i][2] * v[2];
    }
    return to;
  }

  private static double[][] product(double[][] a, double[][] b) {
    double[][] to = new double[3][3];
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        to[i][k] = a[i][0] * b[0][k] + a[i][1] * b[1][k] + a[i][2] * b[2][k];
      }
    }
    return to;
  }

  private static double[][] inverse(double[][] m, String what) {
    double[][] to = new double[3][3];
    double det = 0;
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        int a = (i + 1) % 3, b = (i + 2) % 3, c = (k + 1) % 3, d = (k + 2) % 3;
        to[k][i] = m[a][c] * m[b][d] - m[a][d] * m[b][c];
      }
      det += m[0][i] * to[i][0];
    }
    if (!(Math.abs(det) > 1e-12)) {
      throw new RefusedFile(what + " names chromaticities on one line");
    }
    for (double[] row : to) {
      for (int k = 0; k < 3; k++) {
        row[k] /= det;
      }
    }
    return to;
  }
}

package levelember.math;

/**
 * Circular functions for the hot path, right to 5·10⁻⁸, several times quicker than the library's.
 *
 * <p>Polynomials of Abramowitz and Stegun 1964, "Handbook of Mathematical Functions", 4.3.97
 * (sine), 4.4.46 (inverse cosine) and 4.4.49 (inverse tangent).
 */
public final class Trig {
  private static final double HALF_PI = Math.PI / 2;

  private Trig() {}

  /** Sine of an angle in turns of 2π. */
  public static double sine(double turns) {
    double x = turns - Math.rint(turns);
    if (x > 0.25) {
      x = 0.5 - x;
    } else if (x < -0.25) {
      x = -0.5 - x;
    }
    double a = 2 * Math.PI * x, s = a * a;
    double p = Math.fma(s, -0.0000000239, 0.0000027526);
    p = Math.fma(s, p, -0.0001984090);
    p = Math.fma(s, p, 0.0083333315);
    p = Math.fma(s, p, -0.1666666664);
    return a * Math.fma(s, p, 1);
  }

  /** Cosine of an angle in turns of 2π. */
  public static double cosine(double turns) {
    return sine(turns + 0.25);
  }

  /** Angle of the point (x, y) seen from the origin, −π…π. */
  public static double angle(double y, double x) {
    double ax = Math.abs(x), ay = Math.abs(y);
    double large = ax > ay ? ax : ay, small = ax > ay ? ay : ax;
    if (large == 0) {
      return 0;
    }
    double z = small / large, s = z * z;
    double p = Math.fma(s, 0.0028662257, -0.0161657367);
    p = Math.fma(s, p, 0.0429096138);
    p = Math.fma(s, p, -0.0752896400);
    p = Math.fma(s, p, 0.1065626393);
    p = Math.fma(s, p, -0.1420889944);
    p = Math.fma(s, p, 0.1999355085);
    p = Math.fma(s, p, -0.3333314528);
    double a = z * Math.fma(s, p, 1);
    a = ay > ax ? HALF_PI - a : a;
    a = x < 0 ? Math.PI - a : a;
    return y < 0 ? -a : a;
  }

  /** Inverse cosine of −1…1. */
  public static double arcCosine(double c) {
    double x = c < 0 ? -c : c;
    x = x > 1 ? 1 : x;
    double p = Math.fma(x, -0.0012624911, 0.0066700901);
    p = Math.fma(x, p, -0.0170881256);
    p = Math.fma(x, p, 0.0308918810);
    p = Math.fma(x, p, -0.0501743046);
    p = Math.fma(x, p, 0.0889789874);
    p = Math.fma(x, p, -0.2145988016);
    p = Math.fma(x, p, 1.5707963050);
    double a = Math.sqrt(1 - x) * p;
    return c < 0 ? Math.PI - a : a;
  }
}

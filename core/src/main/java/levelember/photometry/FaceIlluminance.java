package levelember.photometry;

import levelember.light.EggCrate;

/**
 * Illuminance that a face of 1 cd/m² gives at one metre from it, straight in front of its middle,
 * on a surface that faces it, lx. From round bodies the metre counts from their nearest point.
 */
final class FaceIlluminance {
  private static final int STEPS = 128;

  private FaceIlluminance() {}

  /**
   * Of a rectangle (closed form of the point-to-rectangle form factor, Howell's catalogue C-11,
   * four times a quarter).
   *
   * @param width metres
   * @param height metres
   * @param spreadDegrees of an egg-crate, or 180 for none
   */
  static double rectangle(double width, double height, double spreadDegrees) {
    double lean = EggCrate.lean(spreadDegrees), a = width / 2, b = height / 2;
    if (lean == Double.POSITIVE_INFINITY) {
      double p = Math.sqrt(1 + a * a), q = Math.sqrt(1 + b * b);
      return 2 * (a / p * StrictMath.atan(b / p) + b / q * StrictMath.atan(a / q));
    }
    double sum = 0;
    for (int i = 0; i < STEPS; i++) {
      for (int j = 0; j < STEPS; j++) {
        sum += through(lean, a * (i + 0.5) / STEPS, b * (j + 0.5) / STEPS);
      }
    }
    return sum * width * height / (STEPS * STEPS);
  }

  /** Of a disc; π sin² of the angle to its rim where it is open. */
  static double disc(double radius, double spreadDegrees) {
    double lean = EggCrate.lean(spreadDegrees);
    if (lean == Double.POSITIVE_INFINITY) {
      return Math.PI * radius * radius / (1 + radius * radius);
    }
    double sum = 0;
    for (int i = 0; i < STEPS; i++) {
      double r = radius * Math.sqrt((i + 0.5) / STEPS);
      for (int j = 0; j < STEPS; j++) {
        double angle = Math.PI / 2 * (j + 0.5) / STEPS;
        sum += through(lean, r * StrictMath.cos(angle), r * StrictMath.sin(angle));
      }
    }
    return sum * Math.PI * radius * radius / (STEPS * STEPS);
  }

  /** What a place of a face with an egg-crate gives, per square metre. */
  private static double through(double lean, double x, double y) {
    double d2 = x * x + y * y + 1, d = Math.sqrt(d2);
    return EggCrate.open(lean, x / d, y / d, 1 / d) / (d2 * d2);
  }

  static double sphere(double radius) {
    double sine = radius / (1 + radius);
    return Math.PI * sine * sine;
  }

  /** Of the side of a tube, its ends dark. */
  static double tube(double radius, double length) {
    double distance = 1 + radius, half = StrictMath.acos(radius / distance);
    double end = StrictMath.atan(length / 2), sum = 0;
    for (int i = 0; i < STEPS; i++) {
      double phi = half * (i + 0.5) / STEPS, c = StrictMath.cos(phi), s = StrictMath.sin(phi);
      for (int j = 0; j < STEPS; j++) {
        double angle = end * (j + 0.5) / STEPS, along = StrictMath.tan(angle);
        double x = distance - radius * c, y = radius * s;
        double d2 = x * x + y * y + along * along;
        double leaving = x * c - y * s;
        if (leaving > 0) {
          sum += leaving * x / (d2 * d2) * (1 + along * along);
        }
      }
    }
    // A quarter of what is seen was counted; along is the tangent of the angle.
    return 4 * sum * radius * half * end / (STEPS * STEPS);
  }
}

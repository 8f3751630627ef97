package levelember.surface;

/** Reflectance of smooth interfaces for unpolarised light. */
final class Fresnel {
  private Fresnel() {}

  /**
   * Between two dielectrics.
   *
   * @param cos of the angle on the side of the ray, 0…1
   * @param eta index of the ray's side over that of the other
   * @return 1 under total reflection
   */
  static float dielectric(float cos, float eta) {
    float sin2 = eta * eta * (1 - cos * cos);
    if (sin2 >= 1) {
      return 1;
    }
    float ct = (float) Math.sqrt(1 - sin2);
    float rs = (eta * cos - ct) / (eta * cos + ct);
    float rp = (cos - eta * ct) / (cos + eta * ct);
    return 0.5f * (rs * rs + rp * rp);
  }

  /** From air onto a metal of complex index n + ik (Born and Wolf, "Principles of Optics"). */
  static float conductor(float cos, float n, float k) {
    float c2 = cos * cos, s2 = 1 - c2;
    float a = n * n - k * k - s2;
    float both = (float) Math.sqrt(a * a + 4 * n * n * k * k);
    float re = (float) Math.sqrt(Math.max(0, 0.5f * (both + a)));
    float rs = (both + c2 - 2 * cos * re) / (both + c2 + 2 * cos * re);
    float t = 2 * cos * re * s2;
    float rp = rs * (c2 * both + s2 * s2 - t) / (c2 * both + s2 * s2 + t);
    return 0.5f * (rs + rp);
  }

  /** Reflectance of a dielectric at normal incidence. */
  static float normal(double ior) {
    double f = (ior - 1) / (ior + 1);
    return (float) (f * f);
  }

  /** (1 − cos)⁵ of Schlick 1994. */
  static float fifth(float cos) {
    float x = 1 - cos, x2 = x * x;
    return x2 * x2 * x;
  }

  /**
   * How much the edge tint takes from Schlick's curve, as a factor of cos·(1 − cos)⁶, so that at
   * cos = 1/7 the curve is tinted by {@code edge} (the error term of Lazányi and Szirmay-Kalos
   * 2005, "Fresnel term approximations for metals").
   */
  static float edge(float f0, float edge) {
    float c = 1 / 7f;
    float schlick = f0 + (1 - f0) * fifth(c);
    float sixth = fifth(c) * (1 - c);
    return schlick * (1 - edge) / (c * sixth);
  }
}

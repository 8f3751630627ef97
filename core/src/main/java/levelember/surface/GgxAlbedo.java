package levelember.surface;

/**
 * Directional albedo of a GGX reflector by cosine and roughness: of one that reflects everything,
 * and of a dielectric.
 *
 * <p>Integrated by midpoint samples of the visible normals, finest in the tail.
 */
final class GgxAlbedo {
  private static final int SIDE = 48;

  /** Strata across the visible normals. */
  static final int ACROSS = 48;

  private static final int ROUND = 12;

  private static final float[] WHOLE = new float[SIDE * SIDE];

  static {
    for (int i = 0; i < SIDE; i++) {
      float alpha = Ggx.alpha(i / (SIDE - 1.0));
      for (int j = 0; j < SIDE; j++) {
        WHOLE[i * SIDE + j] = integral(cosine(j), alpha, Float.NaN);
      }
    }
  }

  /**
   * Mean over the visible normals.
   *
   * @param eta of the reflector as {@link Fresnel#dielectric} has it, or NaN for one that reflects
   *     everything
   */
  private static float integral(float cos, float alpha, float eta) {
    float[] m = new float[3];
    float ox = (float) Math.sqrt(1 - cos * cos);
    double sum = 0;
    for (int k = 0; k < ACROSS * ROUND; k++) {
      float u = across(k / ROUND), v = (k % ROUND + 0.5f) / ROUND;
      Ggx.visibleNormal(ox, 0, cos, alpha, u, v, m);
      float c = ox * m[0] + cos * m[2];
      float iz = 2 * c * m[2] - cos;
      if (iz > 0) {
        double g = Ggx.maskingTwo(cos, iz, alpha) / Ggx.maskingOne(cos, alpha);
        g *= weight(k / ROUND) / ROUND;
        sum += Float.isNaN(eta) ? g : g * Fresnel.dielectric(Math.min(1, c), eta);
      }
    }
    return (float) sum;
  }

  private GgxAlbedo() {}

  /** The first number of stratum {@code i}: 1 − (1 − t)² over even t, as the tail is long. */
  static float across(int i) {
    float t = 1 - (i + 0.5f) / ACROSS;
    return 1 - t * t;
  }

  /** What stratum {@code i} counts; all together 1. */
  static double weight(int i) {
    return 2 * (1 - (i + 0.5) / ACROSS) / ACROSS;
  }

  /** Cells are finer towards grazing, where the albedo bends most. */
  private static float cosine(int j) {
    float s = j / (SIDE - 1f);
    return Math.max(0.002f, s * s);
  }

  static float whole(float cos, double roughness) {
    return look(WHOLE, cos, roughness);
  }

  /**
   * Of a dielectric, integrated for every call.
   *
   * @param eta index outside over that inside
   */
  static float dielectric(float cos, float alpha, float eta) {
    return integral(Math.max(0.002f, cos), alpha, eta);
  }

  private static float look(float[] table, float cos, double roughness) {
    float x = (float) Math.sqrt(Math.clamp(cos, 0f, 1f)) * (SIDE - 1);
    float y = (float) Math.clamp(roughness, 0.0, 1.0) * (SIDE - 1);
    int i = Math.min((int) y, SIDE - 2), j = Math.min((int) x, SIDE - 2);
    float fy = y - i, fx = x - j;
    int at = i * SIDE + j;
    float low = table[at] + fx * (table[at + 1] - table[at]);
    float high = table[at + SIDE] + fx * (table[at + SIDE + 1] - table[at + SIDE]);
    return low + fy * (high - low);
  }
}

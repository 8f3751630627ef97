package levelember.surface;

import levelember.math.Trig;

/**
 * The soft rim of fibres: the inverted Gaussian of Estevez and Kulla 2017, "Production Friendly
 * Microfacet Sheen BRDF", with the smooth masking of Neubelt and Pettineo 2013, held to an albedo
 * of at most 1.
 */
final class Sheen {
  private static final int STEPS = 64;
  private static final int STRATA = 48;
  private final float sharp;
  private final float[] albedo = new float[STEPS + 1];

  Sheen(double roughness) {
    sharp = (float) (1 / roughness);
    for (int i = 0; i <= STEPS; i++) {
      float root = (float) i / STEPS;
      albedo[i] = (float) integrated(Math.max(1e-4f, root * root));
    }
  }

  private double integrated(float oz) {
    float ox = (float) Math.sqrt(1 - oz * oz);
    double sum = 0;
    for (int k = 0; k < STRATA * STRATA; k++) {
      double iz = (k / STRATA + 0.5) / STRATA;
      double r = Math.sqrt(1 - iz * iz), turn = (k % STRATA + 0.5) / STRATA;
      float ix = (float) (r * Trig.cosine(turn)), iy = (float) (r * Trig.sine(turn));
      sum += raw(ox, 0, oz, ix, iy, (float) iz) * iz;
    }
    return 2 * Math.PI * sum / (STRATA * STRATA);
  }

  private float raw(float ox, float oy, float oz, float ix, float iy, float iz) {
    float hx = ox + ix, hy = oy + iy, hz = oz + iz;
    float l2 = hx * hx + hy * hy + hz * hz;
    float sin2 = (hx * hx + hy * hy) / Math.max(l2, 1e-12f);
    float d = (2 + sharp) * (float) StrictMath.pow(sin2, 0.5f * sharp) / (2 * (float) Math.PI);
    return d / (4 * (oz + iz - oz * iz));
  }

  private float whole(float cos) {
    float x = (float) Math.sqrt(cos) * STEPS;
    int i = Math.min((int) x, STEPS - 1);
    return albedo[i] + (x - i) * (albedo[i + 1] - albedo[i]);
  }

  /** Share of light that white sheen reflects from a direction, 0…1. */
  float albedo(float cos) {
    return Math.min(1, whole(cos));
  }

  /** Value of white sheen, times cosine. */
  float value(float ox, float oy, float oz, float ix, float iy, float iz) {
    return raw(ox, oy, oz, ix, iy, iz) * iz / Math.max(1, whole(oz));
  }
}

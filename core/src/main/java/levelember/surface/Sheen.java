package levelember.surface;

import levelember.math.Trig;

/**
 * The soft rim of fibres: the inverted Gaussian of Estevez and Kulla 2017, "Production Friendly
 * Microfacet Sheen BRDF", with the smooth masking of Neubelt and Pettineo 2013, held to an albedo
 * of at most 1 in a way that is the same for both directions.
 */
final class Sheen {
  private static final int STRATA = 48;
  private final float sharp;

  /** Albedo of the bare formula, which may be over 1. */
  private final AlbedoTable bare;

  private final AlbedoTable albedo;

  Sheen(double roughness) {
    sharp = (float) (1 / roughness);
    bare = AlbedoTable.of(cos -> integrated(cos, false));
    albedo = AlbedoTable.of(cos -> Math.min(1, integrated(cos, true)));
  }

  private float integrated(float cos, boolean held) {
    float oz = Math.max(1e-4f, cos), ox = (float) Math.sqrt(1 - oz * oz);
    double sum = 0;
    for (int k = 0; k < STRATA * STRATA; k++) {
      float iz = (k / STRATA + 0.5f) / STRATA;
      double r = Math.sqrt(1 - iz * iz), turn = (k % STRATA + 0.5) / STRATA;
      float ix = (float) (r * Trig.cosine(turn)), iy = (float) (r * Trig.sine(turn));
      sum += held ? value(ox, 0, oz, ix, iy, iz) : raw(ox, 0, oz, ix, iy, iz) * iz;
    }
    return (float) (2 * Math.PI * sum / (STRATA * STRATA));
  }

  private float raw(float ox, float oy, float oz, float ix, float iy, float iz) {
    float hx = ox + ix, hy = oy + iy, hz = oz + iz;
    float l2 = hx * hx + hy * hy + hz * hz;
    float sin2 = (hx * hx + hy * hy) / Math.max(l2, 1e-12f);
    float d = (2 + sharp) * (float) StrictMath.pow(sin2, 0.5f * sharp) / (2 * (float) Math.PI);
    return d / (4 * (oz + iz - oz * iz));
  }

  /** Share of light that white sheen reflects from a direction, 0…1. */
  float albedo(float cos) {
    return albedo.at(cos);
  }

  /** Value of white sheen, times cosine. */
  float value(float ox, float oy, float oz, float ix, float iy, float iz) {
    return raw(ox, oy, oz, ix, iy, iz) * iz / Math.max(1, Math.max(bare.at(oz), bare.at(iz)));
  }
}

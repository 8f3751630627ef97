package levelember.surface;

/**
 * What the layers above leave to a lobe, so that reflection is the same both ways and no light is
 * lost or made: the lobe's value is multiplied by h(o)·h(i), where h is such that of the light
 * which the lobe reflects from direction i the layers leave T(i) in all. Found by balancing
 * (Sinkhorn and Knopp 1967, symmetric) over the light that a perfect reflector of the lobe's
 * roughness reflects.
 */
final class Coupling {
  private static final int AROUND = 16;
  private static final int SAMPLES = GgxAlbedo.ACROSS * AROUND;
  private static final int ROUNDS = 24;

  private Coupling() {}

  /**
   * The factor h for microfacets.
   *
   * @param eta index outside over that inside, or 0 for microfacets that reflect all light
   * @param left share T of a direction's light that passes the layers above, more than 0
   */
  static AlbedoTable microfacets(float alpha, float eta, AlbedoTable.Function left) {
    float[] cosines = new float[AlbedoTable.ENTRIES * SAMPLES];
    float[] weights = new float[cosines.length];
    AlbedoTable passing = AlbedoTable.of(left);
    passing.from((entry, cos, t) -> reflected(alpha, eta, entry, cos, cosines, weights));
    AlbedoTable h = passing.from((entry, cos, t) -> (float) Math.sqrt(t));
    for (int round = 0; round < ROUNDS; round++) {
      AlbedoTable last = h;
      h =
          passing.from((entry, cos, t) -> {
            double mean = 0;
            for (int k = entry * SAMPLES; k < (entry + 1) * SAMPLES; k++) {
              mean += weights[k] > 0 ? weights[k] * last.at(cosines[k]) : 0;
            }
            float now = last.entry(entry);
            return mean > 0 ? (float) Math.sqrt(now * t / mean) : now;
          });
    }
    return h;
  }

  /** Samples what is reflected towards a direction: cosines, and weights that add up to 1. */
  private static float reflected(
      float alpha, float eta, int entry, float cos, float[] cosines, float[] weights) {
    float oz = Math.max(1e-3f, cos), ox = (float) Math.sqrt(1 - oz * oz);
    float[] m = new float[3];
    double sum = 0;
    for (int j = 0; j < SAMPLES; j++) {
      float v = (j % AROUND + 0.5f) / AROUND;
      Ggx.visibleNormal(ox, 0, oz, alpha, GgxAlbedo.across(j / AROUND), v, m);
      float c = ox * m[0] + oz * m[2], iz = 2 * c * m[2] - oz;
      if (iz > 0) {
        int at = entry * SAMPLES + j;
        cosines[at] = iz;
        float f = eta == 0 ? 1 : Fresnel.dielectric(c, eta);
        weights[at] = (float) (f * GgxAlbedo.weight(j / AROUND) * Ggx.maskingTwo(oz, iz, alpha));
        sum += weights[at];
      }
    }
    for (int k = entry * SAMPLES; k < (entry + 1) * SAMPLES; k++) {
      weights[k] = sum > 0 ? (float) (weights[k] / sum) : 0;
    }
    return 0;
  }

  /**
   * The factor h for the diffuse base.
   *
   * @param face albedo of the dielectric face on it
   */
  static AlbedoTable diffuse(AlbedoTable face, AlbedoTable.Function left) {
    AlbedoTable passing = AlbedoTable.of(left);
    float base = AlbedoTable.of(cos -> 1 - face.at(cos)).mean();
    float both = AlbedoTable.of(cos -> (1 - face.at(cos)) * passing.at(cos)).mean();
    float root = base > 0 ? (float) Math.sqrt(both / base) : 1;
    return passing.from((entry, cos, t) -> t / root);
  }
}

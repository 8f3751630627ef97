package levelember.path;

/**
 * Weights of multiple importance sampling by the power heuristic (Veach and Guibas 1995), or by one
 * technique alone.
 */
public final class MisWeight {
  private final Sampling.Technique technique;

  public MisWeight(Sampling.Technique technique) {
    this.technique = technique;
  }

  /** Whether several techniques are combined. */
  public boolean combines() {
    return technique == Sampling.Technique.BOTH;
  }

  /**
   * Weight of light that BSDF sampling has met.
   *
   * @param pdf of BSDF sampling, per steradian
   * @param light density of light sampling in the same direction
   */
  public float ofBsdf(float pdf, float light) {
    return switch (technique) {
      case BOTH -> power(pdf, light);
      case LIGHT -> 0;
      case BSDF -> 1;
    };
  }

  /**
   * Weight of light that light sampling has found.
   *
   * @param pdf of light sampling, per steradian
   * @param bsdf density of BSDF sampling in the same direction
   */
  public float ofLight(float pdf, float bsdf) {
    return switch (technique) {
      case BOTH -> power(pdf, bsdf);
      case LIGHT -> 1;
      case BSDF -> 0;
    };
  }

  private static float power(float own, float other) {
    float times = other / own;
    return own == Float.POSITIVE_INFINITY ? 1 : 1 / (1 + times * times);
  }
}

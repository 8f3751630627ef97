package levelember.shoot;

/**
 * Light that reaches a rough surface over a mirror-like or glassy one (caustics and their like),
 * which path tracing finds by rare bright samples.
 */
public enum LightOverGloss {
  /** As physics has it. */
  EVERYTHING,

  /**
   * Surfaces seen from a rough one are made rougher, by how rough the path has been before
   * (Jendersie and Grosch 2019, "Microfacet Model Regularization for Robust Light Transport";
   * Kaplanyan and Dachsbacher 2013, "Path Space Regularization"). Fades out with the samples, so
   * that the picture goes to the same limit.
   */
  SOFT,

  /** Left out where a surface smoother than that would give it. */
  NONE
}

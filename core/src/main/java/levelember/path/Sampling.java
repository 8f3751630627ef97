package levelember.path;

/**
 * How paths are sampled. Everything but {@link #USUAL} is there to be compared with it: all choices
 * go to the same picture, at another price.
 *
 * @param technique how the light of lights that have a size is found
 * @param stratified points of a pixel keep away from each other (Owen-scrambled Sobol) rather than
 *     being independent
 * @param roulette paths of little weight end by chance
 * @param always all lights are sampled at every vertex, however rough the path
 */
public record Sampling(Technique technique, boolean stratified, boolean roulette, boolean always) {
  /** What the renderer does when nothing is said. */
  public static final Sampling USUAL = new Sampling(Technique.BOTH, true, true, false);

  /**
   * Ways to find the light of lights that have a size; points are always found by light sampling.
   */
  public enum Technique {
    /** Light and BSDF sampling, combined by the power heuristic. */
    BOTH,

    /** Light sampling alone; BSDF sampling finds lights only behind mirrors and smooth glass. */
    LIGHT,

    /** BSDF sampling alone. */
    BSDF
  }
}

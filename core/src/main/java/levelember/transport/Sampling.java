package levelember.transport;

/**
 * How paths are sampled. Everything but {@link #USUAL} is there to be compared with it: all choices
 * go to the same picture, at another price.
 *
 * @param technique how light of lamps that have a size is found
 * @param stratified points of a pixel keep away from each other (Owen-scrambled Sobol) rather than
 *     being independent
 * @param roulette paths of little weight end by chance
 * @param always lights are asked at every surface, however often the path has spread
 */
public record Sampling(Technique technique, boolean stratified, boolean roulette, boolean always) {
  /** What the renderer does when nothing is said. */
  public static final Sampling USUAL = new Sampling(Technique.BOTH, true, true, false);

  /** Ways to find the light of lamps that have a size; those of a point are always drawn. */
  public enum Technique {
    /** Drawn from lights and met by turns, combined by the power heuristic. */
    BOTH,

    /** Drawn from lights alone; turns find them only after clear glass. */
    LIGHTS,

    /** Met by turns alone. */
    TURNS
  }
}

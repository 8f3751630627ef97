package levelember.shoot;

/**
 * What a piece shows to.
 *
 * @param camera seen by the camera directly
 * @param reflection seen in reflections
 * @param refraction seen through glass
 * @param shadow keeps lights' direct light off others
 * @param bounce takes part in light between matte surfaces
 * @param catcher seen by the camera as nothing but the shadows that fall on it
 */
public record Showing(
    boolean camera,
    boolean reflection,
    boolean refraction,
    boolean shadow,
    boolean bounce,
    boolean catcher) {
  /** To everything. */
  public static final Showing ALL = new Showing(true, true, true, true, true, false);

  /** Gear that blocks or bounces light without being seen. */
  public static final Showing GEAR = new Showing(false, false, false, true, true, false);

  /** Gear that shows in reflections alone besides: a bounce card. */
  public static final Showing CARD = new Showing(false, true, true, true, true, false);
}

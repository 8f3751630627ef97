package levelember.shoot;

/**
 * Who sees a piece and what it casts.
 *
 * @param camera seen by the camera directly
 * @param reflection seen in reflections
 * @param refraction seen through glass
 * @param shadow keeps lights' direct light off others
 * @param bounce takes part in light between matte surfaces
 * @param shadowCatcher seen by the camera as nothing but the shadows that fall on it
 */
public record Visibility(
    boolean camera,
    boolean reflection,
    boolean refraction,
    boolean shadow,
    boolean bounce,
    boolean shadowCatcher) {
  /** Seen by everything, casts everything. */
  public static final Visibility ALL = new Visibility(true, true, true, true, true, false);

  /** Gear that blocks or bounces light without being seen. */
  public static final Visibility GEAR = new Visibility(false, false, false, true, true, false);

  /** Gear that shows in reflections alone besides: a bounce card. */
  public static final Visibility CARD = new Visibility(false, true, true, true, true, false);
}

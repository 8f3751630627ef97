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
 * @param portal a flat opening through which light of the surroundings comes in, marked so that
 *     directions are drawn through it; it changes noise, not light. An opaque piece that is marked
 *     is not there itself, whatever else it shows to
 * @param reflectedIn the pieces that reflect it, where it is seen in reflections at all
 */
public record Visibility(
    boolean camera,
    boolean reflection,
    boolean refraction,
    boolean shadow,
    boolean bounce,
    boolean shadowCatcher,
    boolean portal,
    Scope reflectedIn) {
  /** Seen by everything, casts everything. */
  public static final Visibility ALL = new Visibility(true, true, true, true, true, false);

  /** Gear that blocks or bounces light without being seen. */
  public static final Visibility GEAR = new Visibility(false, false, false, true, true, false);

  /** Gear that shows in reflections alone besides: a bounce card. */
  public static final Visibility CARD = new Visibility(false, true, true, true, true, false);

  public Visibility {
    if (reflectedIn == null) {
      throw new ImpossibleValue("reflectedIn", null, "a scope");
    }
  }

  /** Seen in the reflections of all pieces, if of any. */
  public Visibility(
      boolean camera,
      boolean reflection,
      boolean refraction,
      boolean shadow,
      boolean bounce,
      boolean shadowCatcher) {
    this(camera, reflection, refraction, shadow, bounce, shadowCatcher, false, Scope.ALL);
  }

  /** The same reflected by other pieces. */
  public Visibility reflectedIn(Scope pieces) {
    return new Visibility(
        camera, reflection, refraction, shadow, bounce, shadowCatcher, portal, pieces);
  }

  /** The same marked as a portal, or not. */
  public Visibility asPortal(boolean marked) {
    return new Visibility(
        camera, reflection, refraction, shadow, bounce, shadowCatcher, marked, reflectedIn);
  }
}

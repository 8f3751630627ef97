package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** Who sees a piece and what it casts. */
public record Visibility(
    @Field(says = "seen by the camera directly", usual = "true") boolean camera,
    @Field(says = "seen in reflections", usual = "true") boolean reflection,
    @Field(says = "seen through glass", usual = "true") boolean refraction,
    @Field(says = "keeps lights' direct light off others", usual = "true") boolean shadow,
    @Field(says = "takes part in light between matte surfaces", usual = "true") boolean bounce,
    @Field(says = "seen by the camera as nothing but the shadows that fall on it", usual = "false")
        boolean shadowCatcher,
    @Field(
            says =
                "a flat opening through which directions to the surroundings are drawn, "
                    + "of less noise and the same light; an opaque piece that is marked is "
                    + "not there itself",
            usual = "false")
        boolean portal,
    @Field(
            says = "the pieces that reflect it, where it is seen in reflections at all",
            usual = "{}")
        Scope reflectedIn) {
  /** Seen by everything, casts everything. */
  public static final Visibility ALL = new Visibility(true, true, true, true, true, false);

  /** Gear that blocks or bounces light without being seen. */
  public static final Visibility GEAR = new Visibility(false, false, false, true, true, false);

  /** Gear that shows in reflections alone besides: a bounce card. */
  public static final Visibility CARD = new Visibility(false, true, true, true, true, false);

  public Visibility {
    RecordFields.check(
        Visibility.class,
        camera,
        reflection,
        refraction,
        shadow,
        bounce,
        shadowCatcher,
        portal,
        reflectedIn);
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

package levelember.shoot.piece;

import levelember.document.Field;
import levelember.document.RecordFields;

/** Who sees a piece and what it casts. */
public record Visibility(
    @Field(meaning = "seen by the camera directly", defaultValue = "true") boolean camera,
    @Field(meaning = "seen in reflections", defaultValue = "true") boolean reflection,
    @Field(meaning = "seen through glass", defaultValue = "true") boolean refraction,
    @Field(meaning = "keeps lights' direct light off others", defaultValue = "true") boolean shadow,
    @Field(meaning = "takes part in light between matte surfaces", defaultValue = "true")
        boolean bounce,
    @Field(
            meaning = "seen by the camera as nothing but the shadows that fall on it",
            defaultValue = "false")
        boolean shadowCatcher,
    @Field(
            meaning =
                "a flat opening through which directions to the surroundings are drawn, "
                    + "of less noise and the same light; an opaque piece that is marked is "
                    + "not there itself",
            defaultValue = "false")
        boolean portal,
    @Field(
            meaning = "the pieces that reflect it, where it is seen in reflections at all",
            defaultValue = "{}")
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

package levelember.shoot;

import levelember.document.Field;
import levelember.document.Inline;
import levelember.document.RecordFields;

/** How light goes on from surface to surface. */
public record Bounce(
    @Field(
            meaning = "bounces of a path; 64 leaves it to the renderer",
            defaultValue = "64",
            min = 1,
            max = Bounce.MOST)
        int maxBounces,
    @Field(
            meaning =
                "level of all light that has bounced between matte surfaces; 1 is as "
                    + "physics has it",
            defaultValue = "1",
            min = 0,
            max = 4)
        double level,
    @Field(
            meaning = "how far such light goes from one surface to the next, 0 for any distance",
            defaultValue = "0",
            min = 0,
            max = 1e6,
            unit = "m")
        double fadesAtMetres,
    @Field(
            meaning = "what becomes of light that reaches rough surfaces over smooth ones",
            defaultValue = "\"soft\"")
        LightOverGloss overGloss,
    @Inline MirrorBounces mirrors) {
  /** Bounces that are as good as any number. */
  public static final int MOST = 64;

  /** As physics has it. */
  public static final Bounce NATURAL = new Bounce(Bounce.MOST, 1, 0, LightOverGloss.EVERYTHING);

  /** What a new shoot has. */
  public static final Bounce USUAL = NATURAL.with(LightOverGloss.SOFT);

  public Bounce {
    RecordFields.check(Bounce.class, maxBounces, level, fadesAtMetres, overGloss, mirrors);
  }

  /** Mirrors are followed as far as light is. */
  public Bounce(int maxBounces, double level, double fadesAtMetres, LightOverGloss overGloss) {
    this(maxBounces, level, fadesAtMetres, overGloss, MirrorBounces.ALL);
  }

  /** As physics has it, but for light over gloss. */
  public Bounce(int maxBounces, double level, double fadesAtMetres) {
    this(maxBounces, level, fadesAtMetres, LightOverGloss.EVERYTHING);
  }

  /** The same with another way for light over gloss. */
  public Bounce with(LightOverGloss other) {
    return new Bounce(maxBounces, level, fadesAtMetres, other, mirrors);
  }

  /** The same whose mirrors are followed otherwise. */
  public Bounce with(MirrorBounces other) {
    return new Bounce(maxBounces, level, fadesAtMetres, overGloss, other);
  }
}

package levelember.shoot;

/**
 * How light goes on from surface to surface.
 *
 * @param maxBounces bounces of a path, 1…64; 64 leaves it to the renderer
 * @param level of all light that has bounced between matte surfaces, 0…4; 1 is as physics has it
 * @param fadesAtMetres how far such light goes from one surface to the next, 0 for any distance
 * @param overGloss what becomes of light that reaches rough surfaces over smooth ones
 * @param mirrors how far reflections in mirrors are followed
 */
public record Bounce(
    int maxBounces,
    double level,
    double fadesAtMetres,
    LightOverGloss overGloss,
    MirrorBounces mirrors) {
  /** Bounces that are as good as any number. */
  public static final int MOST = 64;

  /** As physics has it. */
  public static final Bounce NATURAL = new Bounce(Bounce.MOST, 1, 0, LightOverGloss.EVERYTHING);

  /** What a new shoot has. */
  public static final Bounce USUAL = NATURAL.with(LightOverGloss.SOFT);

  public Bounce {
    Checks.range("maxBounces", maxBounces, 1, MOST);
    Checks.range("level", level, 0, 4);
    Checks.range("fadesAtMetres", fadesAtMetres, 0, 1e6);
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

package levelember.shoot;

/**
 * What a light lights, and how: its links, the parts of the surface it shows on, its shadows and
 * how far it goes. All but the links are an artist's levers; at {@link #WHOLE} light is as physics
 * has it.
 *
 * @param lights the pieces that it lights
 * @param shadows the pieces that cast its shadows
 * @param matte level of its light on the matte part of surfaces, 0…4
 * @param gloss level of its light in reflections and refractions, 0…4
 * @param shadowDepth how much of its light a shadow takes, 0…1
 * @param shadowColour of what a shadow leaves at full depth, linear, 0…1
 * @param fadesAtMetres where it has faded to nothing, 0 for never
 */
public record Reach(
    Scope lights,
    Scope shadows,
    double matte,
    double gloss,
    double shadowDepth,
    Rgb shadowColour,
    double fadesAtMetres) {
  /** Everything, untouched. */
  public static final Reach WHOLE = new Reach(Scope.ALL, Scope.ALL, 1, 1, 1, new Rgb(0, 0, 0), 0);

  public Reach {
    if (lights == null || shadows == null) {
      throw new ImpossibleValue(lights == null ? "lights" : "shadows", null, "a scope");
    }
    Checks.range("matte", matte, 0, 4);
    Checks.range("gloss", gloss, 0, 4);
    Checks.range("shadowDepth", shadowDepth, 0, 1);
    shadowColour.checked("shadowColour", 1);
    Checks.range("fadesAtMetres", fadesAtMetres, 0, 1e6);
  }

  /** The same that fades at a distance. */
  public Reach fading(double metres) {
    return new Reach(lights, shadows, matte, gloss, shadowDepth, shadowColour, metres);
  }

  /** The same with other levels on the parts of surfaces. */
  public Reach levelled(double otherMatte, double otherGloss) {
    return new Reach(
        lights, shadows, otherMatte, otherGloss, shadowDepth, shadowColour, fadesAtMetres);
  }

  /** The same with other shadows. */
  public Reach shadowed(double depth, Rgb colour) {
    return new Reach(lights, shadows, matte, gloss, depth, colour, fadesAtMetres);
  }

  /** The same with other links. */
  public Reach linked(Scope otherLights, Scope otherShadows) {
    return new Reach(
        otherLights, otherShadows, matte, gloss, shadowDepth, shadowColour, fadesAtMetres);
  }
}

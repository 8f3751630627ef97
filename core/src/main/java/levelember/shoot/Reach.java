package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What a light lights, and how: its links, the parts of the surface it shows on, its shadows and
 * how far it goes. All but the links are an artist's levers; at {@link #WHOLE} light is as physics
 * has it.
 *
 * @param lightLinking the pieces that it lights
 * @param shadowLinking the pieces that cast its shadows
 * @param diffuse level of its light in diffuse reflection, 0…4
 * @param specular level of its light in specular reflection and refraction, 0…4
 * @param shadowDensity how much of its light a shadow takes, 0…1
 * @param shadowColour of what a shadow leaves at full depth, linear, 0…1
 * @param fadesAtMetres where it has faded to nothing, 0 for never
 * @param caustics what it throws through glass and off mirrors
 */
@RecordBuilder
public record Reach(
    Scope lightLinking,
    Scope shadowLinking,
    double diffuse,
    double specular,
    double shadowDensity,
    Rgb shadowColour,
    double fadesAtMetres,
    Caustics caustics)
    implements ReachBuilder.With {
  /** Everything, untouched. */
  public static final Reach WHOLE =
      new Reach(Scope.ALL, Scope.ALL, 1, 1, 1, new Rgb(0, 0, 0), 0, Caustics.AUTOMATIC);

  public Reach {
    if (lightLinking == null || shadowLinking == null) {
      throw new ImpossibleValue(
          lightLinking == null ? "lightLinking" : "shadowLinking", null, "a scope");
    }
    Checks.range("diffuse", diffuse, 0, 4);
    Checks.range("specular", specular, 0, 4);
    Checks.range("shadowDensity", shadowDensity, 0, 1);
    shadowColour.checked("shadowColour", 1);
    Checks.range("fadesAtMetres", fadesAtMetres, 0, 1e6);
  }

  /** The same that fades at a distance. */
  public Reach fading(double metres) {
    return withFadesAtMetres(metres);
  }

  /** The same with other levels on the parts of surfaces. */
  public Reach levelled(double otherDiffuse, double otherSpecular) {
    return with(r -> r.diffuse(otherDiffuse).specular(otherSpecular));
  }

  /** The same with other shadows. */
  public Reach shadowed(double depth, Rgb colour) {
    return with(r -> r.shadowDensity(depth).shadowColour(colour));
  }

  /** The same with other links. */
  public Reach linked(Scope otherLights, Scope otherShadows) {
    return with(r -> r.lightLinking(otherLights).shadowLinking(otherShadows));
  }
}

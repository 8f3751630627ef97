package levelember.shoot.lighting;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.Inline;
import levelember.document.RecordFields;
import levelember.math.Rgb;
import levelember.shoot.piece.Scope;

/**
 * What a light lights, and how: its links, the parts of the surface it shows on, its shadows and
 * how far it goes. All but the links are an artist's levers; at {@link #WHOLE} light is as physics
 * has it.
 */
@RecordBuilder
public record LightControls(
    @Field(meaning = "the pieces that it lights", defaultValue = "{}") Scope lightLinking,
    @Field(meaning = "the pieces that cast its shadows", defaultValue = "{}") Scope shadowLinking,
    @Field(
            meaning = "level of its light in diffuse reflection",
            defaultValue = "1",
            min = 0,
            max = 4)
        double diffuse,
    @Field(
            meaning = "level of its light in specular reflection and refraction",
            defaultValue = "1",
            min = 0,
            max = 4)
        double specular,
    @Field(meaning = "how much of its light a shadow takes", defaultValue = "1", min = 0, max = 1)
        double shadowDensity,
    @Field(
            meaning = "linear colour of what a shadow leaves at full depth",
            defaultValue = "[0, 0, 0]",
            min = 0,
            max = 1)
        Rgb shadowColour,
    @Field(
            meaning = "distance at which its light has faded to nothing, 0 for never",
            defaultValue = "0",
            min = 0,
            max = 1e6,
            unit = "m")
        double fadesAtMetres,
    @Inline Caustics caustics)
    implements LightControlsBuilder.With {
  /** Everything, untouched. */
  public static final LightControls WHOLE =
      new LightControls(Scope.ALL, Scope.ALL, 1, 1, 1, new Rgb(0, 0, 0), 0, Caustics.AUTOMATIC);

  public LightControls {
    RecordFields.check(
        LightControls.class,
        lightLinking,
        shadowLinking,
        diffuse,
        specular,
        shadowDensity,
        shadowColour,
        fadesAtMetres,
        caustics);
  }

  /** The same that fades at a distance. */
  public LightControls fading(double metres) {
    return withFadesAtMetres(metres);
  }

  /** The same with other levels on the parts of surfaces. */
  public LightControls levelled(double otherDiffuse, double otherSpecular) {
    return with(r -> r.diffuse(otherDiffuse).specular(otherSpecular));
  }

  /** The same with other shadows. */
  public LightControls shadowed(double depth, Rgb colour) {
    return with(r -> r.shadowDensity(depth).shadowColour(colour));
  }

  /** The same with other links. */
  public LightControls linked(Scope otherLights, Scope otherShadows) {
    return with(r -> r.lightLinking(otherLights).shadowLinking(otherShadows));
  }
}

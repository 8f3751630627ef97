package levelember.shoot.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.shoot.material.Texture;

/**
 * Ripples of water that bend its light without moving its surface: a tangent-space normal map that
 * drifts over it.
 */
@RecordBuilder
public record FineRipples(
    @Field(
            meaning = "name of a tangent-space normal map, green up; one that is built in if none",
            defaultValue = "null")
        String picture,
    @Field(
            meaning = "width and height that the picture stands for",
            defaultValue = "0.5",
            min = 0.001,
            max = 1000,
            unit = "m")
        double size,
    @Field(
            meaning = "factor on the slopes, 1 as the picture says",
            defaultValue = "1",
            min = 0,
            max = 10)
        double strength,
    @Field(
            meaning = "heading that they drift to, from +X towards −Z",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(
            meaning = "speed that they drift with",
            defaultValue = "0",
            min = 0,
            max = 100,
            unit = "m/s")
        double speed)
    implements FineRipplesBuilder.With {
  public FineRipples {
    RecordFields.check(FineRipples.class, picture, size, strength, headingDegrees, speed);
  }

  /** The map that is built in, lying still, with half of its slopes. */
  public static FineRipples still(double size) {
    return new FineRipples(null, size, 0.5, 0, 0);
  }

  /**
   * The normal map as it lies on the water.
   *
   * @param builtIn name of the picture that is built in
   * @param seconds on the clock of the water
   */
  public Texture texture(String builtIn, double seconds) {
    double a = Math.toRadians(headingDegrees), drift = speed * seconds / size;
    // The picture's v runs along +Z. Whole pictures make no difference.
    double u = -drift * StrictMath.cos(a), v = drift * StrictMath.sin(a);
    return Texture.metres(picture == null ? builtIn : picture, size, size)
        .with(t -> t.offsetU(u - Math.floor(u)).offsetV(v - Math.floor(v)));
  }
}

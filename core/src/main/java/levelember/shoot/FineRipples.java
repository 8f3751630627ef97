package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * Ripples of water that bend its light without moving its surface: a tangent-space normal map that
 * drifts over it.
 */
@RecordBuilder
public record FineRipples(
    @Field(
            says = "name of a tangent-space normal map, green up; one that is built in if none",
            usual = "null")
        String picture,
    @Field(
            says = "width and height that the picture stands for",
            usual = "0.5",
            least = 0.001,
            most = 1000,
            unit = "m")
        double size,
    @Field(says = "factor on the slopes, 1 as the picture says", usual = "1", least = 0, most = 10)
        double strength,
    @Field(
            says = "heading that they drift to, from +X towards −Z",
            usual = "0",
            least = -36_000,
            most = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(says = "speed that they drift with", usual = "0", least = 0, most = 100, unit = "m/s")
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

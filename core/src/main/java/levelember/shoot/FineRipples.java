package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Ripples of water that bend its light without moving its surface: a tangent-space normal map that
 * drifts over it.
 *
 * @param picture name of the normal map among the assets, green up; null for one that is built in
 * @param size width and height that the picture stands for, metres
 * @param strength of the slopes, 1 as the picture says, 0…10
 * @param headingDegrees that they drift to, from +X towards −Z
 * @param speed that they drift with, metres a second
 */
@RecordBuilder
public record FineRipples(
    String picture, double size, double strength, double headingDegrees, double speed)
    implements FineRipplesBuilder.With {
  public FineRipples {
    if (picture != null) {
      Checks.name("picture", picture);
    }
    Checks.range("size", size, 0.001, 1000);
    Checks.range("strength", strength, 0, 10);
    Checks.range("headingDegrees", headingDegrees, -36_000, 36_000);
    Checks.range("speed", speed, 0, 100);
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

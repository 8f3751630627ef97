package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.math.Vec3;

/**
 * A picture of a shoot's assets laid on a surface. A place of the surface becomes a place of the
 * picture by factor, then turn, then offset, with 0, 0 at the picture's upper left and 1, 1 at its
 * lower right (as KHR_texture_transform has it).
 *
 * @param picture name of the asset
 * @param mapping what the surface's places are
 * @param offsetU to the right, in pictures
 * @param offsetV downwards, in pictures
 * @param repeatsU pictures across one unit of the surface, not 0
 * @param repeatsV pictures down one unit of the surface, not 0
 * @param rotationDegrees counter-clockwise
 * @param edge what is beyond the picture's left and right edge
 * @param edgeV what is beyond its upper and lower edge
 */
@RecordBuilder
public record Texture(
    String picture,
    Mapping mapping,
    double offsetU,
    double offsetV,
    double repeatsU,
    double repeatsV,
    double rotationDegrees,
    Edge edge,
    Edge edgeV)
    implements TextureBuilder.With {

  /** What the places of a surface are that a picture is laid by. */
  public enum Mapping {
    /** The shape's own places, 0…1 over each of its faces, or the first set of a model. */
    FIRST,
    /** The second set of a model; the first where there is no second. */
    SECOND,
    /** Metres in the piece's own frame, seen along the axis that the face looks along most. */
    METRES
  }

  /** What is beyond a picture's edge. */
  public enum Edge {
    /** The picture again. */
    REPEAT,
    /** The picture mirrored. */
    MIRROR,
    /** The picture's outermost pixels. */
    CLAMP
  }

  public Texture {
    Checks.name("picture", picture);
    Checks.range("offsetU", offsetU, -1000, 1000);
    Checks.range("offsetV", offsetV, -1000, 1000);
    Checks.vector("repeats", new Vec3(repeatsU, repeatsV, 0), -100_000, 100_000);
    if (Math.abs(repeatsU) < 1e-6 || Math.abs(repeatsV) < 1e-6) {
      throw new ImpossibleValue("repeats", repeatsU + ", " + repeatsV, "apart from 0");
    }
    Checks.range("rotationDegrees", rotationDegrees, -36_000, 36_000);
  }

  /** A picture that fills the surface's places once. */
  public static Texture once(String picture) {
    return new Texture(picture, Mapping.FIRST, 0, 0, 1, 1, 0, Edge.REPEAT, Edge.REPEAT);
  }

  /** A picture of the given width and height in metres, again and again. */
  public static Texture metres(String picture, double width, double height) {
    return new Texture(
        picture, Mapping.METRES, 0, 0, 1 / width, 1 / height, 0, Edge.REPEAT, Edge.REPEAT);
  }

  /** The same turned to so many degrees. */
  public Texture turned(double degrees) {
    return withRotationDegrees(degrees);
  }
}

package levelember.shoot.material;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/**
 * A picture of a shoot's assets laid on a surface. A place of the surface becomes a place of the
 * picture by factor, then turn, then offset, with 0, 0 at the picture's upper left and 1, 1 at its
 * lower right (as KHR_texture_transform has it).
 */
@RecordBuilder
public record Texture(
    @Field(meaning = "name of a picture") String picture,
    @Field(
            meaning = "coordinates of the surface that the picture is laid by",
            defaultValue = "\"first\"")
        Mapping mapping,
    @Field(meaning = "shift to the right, in pictures", defaultValue = "0", min = -1000, max = 1000)
        double offsetU,
    @Field(meaning = "shift downwards, in pictures", defaultValue = "0", min = -1000, max = 1000)
        double offsetV,
    @Field(
            meaning = "pictures across one unit of the surface, not 0",
            defaultValue = "1",
            min = -100_000,
            max = 100_000)
        double repeatsU,
    @Field(
            meaning = "pictures down one unit of the surface, not 0",
            defaultValue = "1",
            min = -100_000,
            max = 100_000)
        double repeatsV,
    @Field(
            meaning = "turn counter-clockwise",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double rotationDegrees,
    @Field(
            meaning = "what is beyond the picture's left and right edge",
            defaultValue = "\"repeat\"")
        Edge edge,
    @Field(meaning = "what is beyond its upper and lower edge", defaultValue = "@edge") Edge edgeV)
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
    RecordFields.check(
        Texture.class,
        picture,
        mapping,
        offsetU,
        offsetV,
        repeatsU,
        repeatsV,
        rotationDegrees,
        edge,
        edgeV);
    if (Math.abs(repeatsU) < 1e-6 || Math.abs(repeatsV) < 1e-6) {
      throw new ImpossibleValue("repeats", repeatsU + ", " + repeatsV, "apart from 0");
    }
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

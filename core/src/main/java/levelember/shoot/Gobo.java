package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** A pattern in a lamp's gate; the cone's edge is one picture's half away from its middle. */
public record Gobo(
    @Field(says = "name of a picture whose colours tint the light") String picture,
    @Field(says = "shift to the right, in halves of the cone", usual = "0", least = -10, most = 10)
        double offsetX,
    @Field(says = "shift upwards, in halves of the cone", usual = "0", least = -10, most = 10)
        double offsetY,
    @Field(
            says = "turn counter-clockwise, seen from the lamp",
            usual = "0",
            least = -36_000,
            most = 36_000,
            unit = "°")
        double rotationDegrees,
    @Field(
            says = "size of the picture, 1 fills the cone's width",
            usual = "1",
            least = 0.01,
            most = 100)
        double scale,
    @Field(says = "what is beyond the picture", usual = "\"black\"") Edge edge,
    @Field(
            says = "contrast about mid grey: 1 as the picture is, 0 flat",
            usual = "1",
            least = 0,
            most = 4)
        double contrast,
    @Field(says = "power of the picture's values", usual = "1", least = 0.1, most = 10)
        double gamma,
    @Field(says = "dark and light change places", usual = "false") boolean invert,
    @Field(
            says = "part of the cone's half over which it is softened, over what the source does",
            usual = "0",
            least = 0,
            most = 1)
        double blur) {
  /** What is beyond the edge of a pattern. */
  public enum Edge {
    /** No light. */
    BLACK,
    /** The pattern again. */
    REPEAT,
    /** Its outermost pixels. */
    CLAMP
  }

  public Gobo {
    RecordFields.check(
        Gobo.class,
        picture,
        offsetX,
        offsetY,
        rotationDegrees,
        scale,
        edge,
        contrast,
        gamma,
        invert,
        blur);
  }

  /** A pattern that fills the cone. */
  public static Gobo of(String picture) {
    return new Gobo(picture, 0, 0, 0, 1, Edge.BLACK, 1, 1, false, 0);
  }
}

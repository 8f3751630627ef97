package levelember.shoot.lighting;

import levelember.document.Field;
import levelember.document.RecordFields;

/** A pattern in a lamp's gate; the cone's edge is one picture's half away from its middle. */
public record Gobo(
    @Field(meaning = "name of a picture whose colours tint the light") String picture,
    @Field(
            meaning = "shift to the right, in halves of the cone",
            defaultValue = "0",
            min = -10,
            max = 10)
        double offsetX,
    @Field(
            meaning = "shift upwards, in halves of the cone",
            defaultValue = "0",
            min = -10,
            max = 10)
        double offsetY,
    @Field(
            meaning = "turn counter-clockwise, seen from the lamp",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double rotationDegrees,
    @Field(
            meaning = "size of the picture, 1 fills the cone's width",
            defaultValue = "1",
            min = 0.01,
            max = 100)
        double scale,
    @Field(meaning = "what is beyond the picture", defaultValue = "\"black\"") Edge edge,
    @Field(
            meaning = "contrast about mid grey: 1 as the picture is, 0 flat",
            defaultValue = "1",
            min = 0,
            max = 4)
        double contrast,
    @Field(meaning = "power of the picture's values", defaultValue = "1", min = 0.1, max = 10)
        double gamma,
    @Field(meaning = "dark and light change places", defaultValue = "false") boolean invert,
    @Field(
            meaning =
                "part of the cone's half over which it is softened, over what the source does",
            defaultValue = "0",
            min = 0,
            max = 1)
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

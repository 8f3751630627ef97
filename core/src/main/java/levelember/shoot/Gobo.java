package levelember.shoot;

/**
 * A pattern in a lamp's gate; the cone's edge is one picture's half away from its middle.
 *
 * @param picture name of the asset; its colours tint the light
 * @param offsetX to the right, in halves of the cone
 * @param offsetY upwards, in halves of the cone
 * @param rotationDegrees counter-clockwise, seen from the lamp
 * @param scale size of the picture, 1 fills the cone's width
 * @param edge what is beyond the picture
 * @param contrast about mid grey: 1 as the picture is, 0 flat
 * @param gamma power of its values
 * @param invert dark and light change places
 * @param blur part of the cone's half over which it is softened, over what the source does
 */
public record Gobo(
    String picture,
    double offsetX,
    double offsetY,
    double rotationDegrees,
    double scale,
    Edge edge,
    double contrast,
    double gamma,
    boolean invert,
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
    Checks.name("picture", picture);
    Checks.range("offsetX", offsetX, -10, 10);
    Checks.range("offsetY", offsetY, -10, 10);
    Checks.range("rotationDegrees", rotationDegrees, -36_000, 36_000);
    Checks.range("scale", scale, 0.01, 100);
    Checks.range("contrast", contrast, 0, 4);
    Checks.range("gamma", gamma, 0.1, 10);
    Checks.range("blur", blur, 0, 1);
  }

  /** A pattern that fills the cone. */
  public static Gobo of(String picture) {
    return new Gobo(picture, 0, 0, 0, 1, Edge.BLACK, 1, 1, false, 0);
  }
}

package levelember.math;

/**
 * A linear colour with BT.709 primaries and D65 white; as an albedo its channels are 0…1.
 *
 * @param r red
 * @param g green
 * @param b blue
 */
public record Rgb(double r, double g, double b) {
  public static final Rgb WHITE = new Rgb(1, 1, 1);
  public static final Rgb MID_GREY = new Rgb(0.18, 0.18, 0.18);

  public static Rgb grey(double level) {
    return new Rgb(level, level, level);
  }

  /** Luminance in the unit of the channels. */
  public double luminance() {
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  }
}

package levelember.shoot;

/**
 * From exposed light to display light.
 *
 * @param curve which one
 * @param shoulderStart display value from which the plain curve holds highlights, 0…1; 1 clips hard
 * @param highlightRangeStops stops above 1.0 that still keep some drawing, 0…8; every curve is
 *     white there
 * @param highlightDesaturation how far what is nearly burnt out turns white rather than stay
 *     coloured, 0…1
 * @param blackPoint exposed value that is shown black, −0.1…0.5; below 0 lifts the blacks
 * @param contrast power about mid grey, 0.2…4
 * @param saturation 0…4; 1 as it is
 */
public record Tone(
    Curve curve,
    double shoulderStart,
    double highlightRangeStops,
    double highlightDesaturation,
    double blackPoint,
    double contrast,
    double saturation) {

  /** Curves of display light. */
  public enum Curve {
    /** Straight up to a shoulder. */
    PLAIN,
    /** Colour negative and its print: soft, mid grey a little up. */
    NEGATIVE,
    /** Slide film: steep, deep blacks. */
    SLIDE,
    /** Baryta paper: soft, its black and its white are those of paper. */
    BARYTA
  }

  /** As much of it as looks like film. */
  private static final double USUAL_DESATURATION = 0.75;

  public Tone {
    Checks.given("curve", curve);
    Checks.range("shoulderStart", shoulderStart, 0, 1);
    Checks.range("highlightRangeStops", highlightRangeStops, 0, 8);
    Checks.range("highlightDesaturation", highlightDesaturation, 0, 1);
    Checks.range("blackPoint", blackPoint, -0.1, 0.5);
    Checks.range("contrast", contrast, 0.2, 4);
    Checks.range("saturation", saturation, 0, 4);
  }

  /** The plain curve with nothing but a shoulder. */
  public static Tone shoulder(double start, double stops) {
    return new Tone(Curve.PLAIN, start, stops, USUAL_DESATURATION, 0, 1, 1);
  }

  /** One of the curves, white so many stops above 1.0. */
  public static Tone of(Curve curve, double stops) {
    return new Tone(curve, 0.5, stops, USUAL_DESATURATION, 0, 1, 1);
  }

  /** The same with other blacks, contrast and saturation. */
  public Tone shaped(double black, double power, double colour) {
    return new Tone(
        curve, shoulderStart, highlightRangeStops, highlightDesaturation, black, power, colour);
  }
}

package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** From exposed light to display light. */
public record Tone(
    @Field(says = "curve of display light", usual = "\"plain\"") Curve curve,
    @Field(
            says = "display value from which the plain curve holds highlights; 1 clips hard",
            usual = "0.5",
            least = 0,
            most = 1)
        double shoulderStart,
    @Field(
            says = "stops above 1.0 that still keep some drawing; every curve is white there",
            usual = "3",
            least = 0,
            most = 8,
            unit = "stops")
        double highlightRangeStops,
    @Field(
            says = "how far what is nearly burnt out turns white rather than stay coloured",
            usual = "0.75",
            least = 0,
            most = 1)
        double highlightDesaturation,
    @Field(
            says = "exposed value that is shown black; below 0 lifts the blacks",
            usual = "0",
            least = -0.1,
            most = 0.5)
        double blackPoint,
    @Field(says = "contrast: power about mid grey", usual = "1", least = 0.2, most = 4)
        double contrast,
    @Field(says = "saturation; 1 as it is", usual = "1", least = 0, most = 4) double saturation) {

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
    RecordFields.check(
        Tone.class,
        curve,
        shoulderStart,
        highlightRangeStops,
        highlightDesaturation,
        blackPoint,
        contrast,
        saturation);
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

package levelember.shoot.look;

import levelember.document.Field;
import levelember.document.RecordFields;

/** From exposed light to display light. */
public record Tone(
    @Field(meaning = "curve of display light", defaultValue = "\"plain\"") Curve curve,
    @Field(
            meaning = "display value from which the plain curve holds highlights; 1 clips hard",
            defaultValue = "0.5",
            min = 0,
            max = 1)
        double shoulderStart,
    @Field(
            meaning = "stops above 1.0 that still keep some drawing; every curve is white there",
            defaultValue = "3",
            min = 0,
            max = 8,
            unit = "stops")
        double highlightRangeStops,
    @Field(
            meaning = "how far what is nearly burnt out turns white rather than stay coloured",
            defaultValue = "0.75",
            min = 0,
            max = 1)
        double highlightDesaturation,
    @Field(
            meaning = "exposed value that is shown black; below 0 lifts the blacks",
            defaultValue = "0",
            min = -0.1,
            max = 0.5)
        double blackPoint,
    @Field(meaning = "contrast: power about mid grey", defaultValue = "1", min = 0.2, max = 4)
        double contrast,
    @Field(meaning = "saturation; 1 as it is", defaultValue = "1", min = 0, max = 4)
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

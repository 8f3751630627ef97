package levelember.shoot.look;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/** What a lens and a sensor do besides glow; all zero by default. */
@RecordBuilder
public record Optics(
    @Field(meaning = "what the corners lose", defaultValue = "0", min = -4, max = 4, unit = "stops")
        double vignette,
    @Field(
            meaning =
                "how far a corner moves, of its distance from the middle; barrel below "
                    + "zero, cushion above",
            defaultValue = "0",
            min = -0.4,
            max = 0.4)
        double distortion,
    @Field(
            meaning = "how far red and blue part at a corner, of the picture's height",
            defaultValue = "0",
            min = -1,
            max = 1,
            unit = "%")
        double fringing,
    @Field(meaning = "amount of sharpening", defaultValue = "0", min = 0, max = 3)
        double sharpening,
    @Field(
            meaning = "radius of sharpening, of the picture's height",
            defaultValue = "0.12",
            min = 0.02,
            max = 2,
            unit = "%")
        double sharpeningSize,
    @Field(
            meaning = "deviation of grain in mid tones, of the display's range",
            defaultValue = "0",
            min = 0,
            max = 0.3)
        double grain,
    @Field(
            meaning = "size of a grain, of the picture's height",
            defaultValue = "0.25",
            min = 0.05,
            max = 2,
            unit = "%")
        double grainSize)
    implements OpticsBuilder.With {
  public static final Optics NONE = new Optics(0, 0, 0, 0, 0.12, 0, 0.25);

  public Optics {
    RecordFields.check(
        Optics.class, vignette, distortion, fringing, sharpening, sharpeningSize, grain, grainSize);
  }

  /** The same with other grain. */
  public Optics grained(double amount, double size) {
    return with(o -> o.grain(amount).grainSize(size));
  }

  /** Corners that lose so many stops, and nothing else. */
  public static Optics vignette(double stops) {
    return NONE.withVignette(stops);
  }

  /** The same, sharpened. */
  public Optics sharpened(double amount) {
    return withSharpening(amount);
  }
}

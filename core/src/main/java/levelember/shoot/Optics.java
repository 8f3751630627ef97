package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** What a lens and a sensor do besides glow; all zero by default. */
public record Optics(
    @Field(says = "what the corners lose", usual = "0", least = -4, most = 4, unit = "stops")
        double vignette,
    @Field(
            says =
                "how far a corner moves, of its distance from the middle; barrel below "
                    + "zero, cushion above",
            usual = "0",
            least = -0.4,
            most = 0.4)
        double distortion,
    @Field(
            says = "how far red and blue part at a corner, of the picture's height",
            usual = "0",
            least = -1,
            most = 1,
            unit = "%")
        double fringing,
    @Field(says = "amount of sharpening", usual = "0", least = 0, most = 3) double sharpening,
    @Field(
            says = "radius of sharpening, of the picture's height",
            usual = "0.12",
            least = 0.02,
            most = 2,
            unit = "%")
        double sharpeningSize,
    @Field(
            says = "deviation of grain in mid tones, of the display's range",
            usual = "0",
            least = 0,
            most = 0.3)
        double grain,
    @Field(
            says = "size of a grain, of the picture's height",
            usual = "0.25",
            least = 0.05,
            most = 2,
            unit = "%")
        double grainSize) {
  public static final Optics NONE = new Optics(0, 0, 0, 0, 0.12, 0, 0.25);

  public Optics {
    RecordFields.check(
        Optics.class, vignette, distortion, fringing, sharpening, sharpeningSize, grain, grainSize);
  }

  /** The same with other grain. */
  public Optics grained(double amount, double size) {
    return new Optics(vignette, distortion, fringing, sharpening, sharpeningSize, amount, size);
  }

  /** Corners that lose so many stops, and nothing else. */
  public static Optics vignette(double stops) {
    return new Optics(stops, 0, 0, 0, NONE.sharpeningSize, 0, NONE.grainSize);
  }

  /** The same, sharpened. */
  public Optics sharpened(double amount) {
    return new Optics(vignette, distortion, fringing, amount, sharpeningSize, grain, grainSize);
  }
}

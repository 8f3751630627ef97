package levelember.shoot;

/**
 * What a lens and a sensor do besides glow; all zero by default.
 *
 * @param vignette stops that the corners lose, −4…4
 * @param distortion barrel below zero, cushion above: how far a corner moves, of its distance from
 *     the middle, −0.4…0.4
 * @param fringing how far red and blue part at a corner, percent of the picture's height, −1…1
 * @param sharpening amount, 0…3
 * @param sharpeningSize radius, percent of the picture's height, 0.02…2
 * @param grain deviation in mid tones, of the display's range, 0…0.3
 * @param grainSize of a grain, percent of the picture's height, 0.05…2
 */
public record Optics(
    double vignette,
    double distortion,
    double fringing,
    double sharpening,
    double sharpeningSize,
    double grain,
    double grainSize) {
  public static final Optics NONE = new Optics(0, 0, 0, 0, 0.12, 0, 0.25);

  public Optics {
    Checks.range("vignette", vignette, -4, 4);
    Checks.range("distortion", distortion, -0.4, 0.4);
    Checks.range("fringing", fringing, -1, 1);
    Checks.range("sharpening", sharpening, 0, 3);
    Checks.range("sharpeningSize", sharpeningSize, 0.02, 2);
    Checks.range("grain", grain, 0, 0.3);
    Checks.range("grainSize", grainSize, 0.05, 2);
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

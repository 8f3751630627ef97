package levelember.shoot;

/**
 * An artist's levers on what a surface reflects specularly, beside its physical values; what it
 * scatters and lets through stays as those have it.
 *
 * @param level of the reflected light, 0…4; 1 is as physics has it
 * @param tint of the reflected light, 0…1
 * @param roughness added to that of metal, gloss and coat, −1…1; not to that of glass
 */
public record Reflections(double level, Rgb tint, double roughness) {
  /** As physics has them. */
  public static final Reflections NATURAL = new Reflections(1, Rgb.WHITE, 0);

  public Reflections {
    Checks.range("level", level, 0, 4);
    tint.checked("tint", 1);
    Checks.range("roughness", roughness, -1, 1);
  }

  /** A perceptual roughness as it is reflected with, 0…1. */
  public double roughness(double physical) {
    return Math.clamp(physical + roughness, 0, 1);
  }
}

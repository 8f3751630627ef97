package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * An artist's levers on what a surface reflects specularly, beside its physical values; what it
 * scatters and lets through stays as those have it.
 */
public record Reflections(
    @Field(
            says = "level of the reflected light; 1 is as physics has it",
            usual = "1",
            least = 0,
            most = 4)
        double level,
    @Field(says = "tint of the reflected light", usual = "[1, 1, 1]", least = 0, most = 1) Rgb tint,
    @Field(
            says = "added to the roughness of metal, gloss and coat; not to that of glass",
            usual = "0",
            least = -1,
            most = 1)
        double roughness) {
  /** As physics has them. */
  public static final Reflections NATURAL = new Reflections(1, Rgb.WHITE, 0);

  public Reflections {
    RecordFields.check(Reflections.class, level, tint, roughness);
  }

  /** A perceptual roughness as it is reflected with, 0…1. */
  public double roughness(double physical) {
    return Math.clamp(physical + roughness, 0, 1);
  }
}

package levelember.shoot.material;

import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/**
 * An artist's levers on what a surface reflects specularly, beside its physical values; what it
 * scatters and lets through stays as those have it.
 */
public record Reflections(
    @Field(
            meaning = "level of the reflected light; 1 is as physics has it",
            defaultValue = "1",
            min = 0,
            max = 4)
        double level,
    @Field(meaning = "tint of the reflected light", defaultValue = "[1, 1, 1]", min = 0, max = 1)
        Rgb tint,
    @Field(
            meaning = "added to the roughness of metal, gloss and coat; not to that of glass",
            defaultValue = "0",
            min = -1,
            max = 1)
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

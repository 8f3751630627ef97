package levelember.shoot.lighting;

import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/** A light's colour: white of a colour temperature with a tint, times a filter. */
public record LightColour(
    @Field(
            meaning = "colour temperature; 6500 with tint 0 is near the neutral of the picture",
            defaultValue = "6504",
            min = 1000,
            max = 40_000,
            unit = "K")
        double kelvin,
    @Field(
            meaning =
                "distance across the Planckian locus, in thousandths of Duv; green "
                    + "above, magenta below",
            defaultValue = "0",
            min = -50,
            max = 50)
        double tint,
    @Field(
            meaning = "linear colour that multiplies; white leaves the temperature alone",
            defaultValue = "[1, 1, 1]",
            min = 0,
            max = 1)
        Rgb filter) {
  public static final LightColour NEUTRAL = new LightColour(6504, 0, Rgb.WHITE);

  public LightColour {
    RecordFields.check(LightColour.class, kelvin, tint, filter);
  }
}

package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** A light's colour: white of a colour temperature with a tint, times a filter. */
public record LightColour(
    @Field(
            says = "colour temperature; 6500 with tint 0 is near the neutral of the picture",
            usual = "6504",
            least = 1000,
            most = 40_000,
            unit = "K")
        double kelvin,
    @Field(
            says =
                "distance across the Planckian locus, in thousandths of Duv; green "
                    + "above, magenta below",
            usual = "0",
            least = -50,
            most = 50)
        double tint,
    @Field(
            says = "linear colour that multiplies; white leaves the temperature alone",
            usual = "[1, 1, 1]",
            least = 0,
            most = 1)
        Rgb filter) {
  public static final LightColour NEUTRAL = new LightColour(6504, 0, Rgb.WHITE);

  public LightColour {
    RecordFields.check(LightColour.class, kelvin, tint, filter);
  }
}

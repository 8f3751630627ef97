package levelember.shoot.look;

import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.shoot.lighting.LightColour;

/** The light that is shown as white. */
public record WhiteBalance(
    @Field(
            meaning = "colour temperature that is shown as white",
            defaultValue = "6504",
            min = 1000,
            max = 40_000,
            unit = "K")
        double kelvin,
    @Field(
            meaning = "tint across the Planckian locus; positive is greener, as of a light",
            defaultValue = "0",
            min = -50,
            max = 50)
        double tint) {
  /** Daylight of the display's own white: changes nothing. */
  public static final WhiteBalance NEUTRAL = new WhiteBalance(LightColour.NEUTRAL.kelvin(), 0);

  public WhiteBalance {
    RecordFields.check(WhiteBalance.class, kelvin, tint);
  }
}

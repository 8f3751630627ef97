package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** The light that is shown as white. */
public record WhiteBalance(
    @Field(
            says = "colour temperature that is shown as white",
            usual = "6504",
            least = 1000,
            most = 40_000,
            unit = "K")
        double kelvin,
    @Field(
            says = "tint across the Planckian locus; positive is greener, as of a light",
            usual = "0",
            least = -50,
            most = 50)
        double tint) {
  /** Daylight of the display's own white: changes nothing. */
  public static final WhiteBalance NEUTRAL = new WhiteBalance(LightColour.NEUTRAL.kelvin(), 0);

  public WhiteBalance {
    RecordFields.check(WhiteBalance.class, kelvin, tint);
  }
}

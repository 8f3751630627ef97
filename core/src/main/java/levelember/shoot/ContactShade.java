package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * Shade where surfaces come close to each other, whatever the light: a lever outside of physics.
 */
public record ContactShade(
    @Field(
            says = "how much it shades; 0 leaves the picture as it was traced",
            usual = "0",
            least = 0,
            most = 1)
        double amount,
    @Field(
            says = "distance over which it fades out",
            usual = "0.25",
            least = 0.01,
            most = ContactShade.MAX_REACH,
            unit = "m")
        double reach) {
  /** The greatest reach, metres. */
  public static final double MAX_REACH = 10;

  public static final ContactShade NONE = new ContactShade(0, 0.25);

  public ContactShade {
    RecordFields.check(ContactShade.class, amount, reach);
  }
}

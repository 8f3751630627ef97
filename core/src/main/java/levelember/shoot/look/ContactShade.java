package levelember.shoot.look;

import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * Shade where surfaces come close to each other, whatever the light: a lever outside of physics.
 */
public record ContactShade(
    @Field(
            meaning = "how much it shades; 0 leaves the picture as it was traced",
            defaultValue = "0",
            min = 0,
            max = 1)
        double amount,
    @Field(
            meaning = "distance over which it fades out",
            defaultValue = "0.25",
            min = 0.01,
            max = ContactShade.MAX_REACH,
            unit = "m")
        double reach) {
  /** The greatest reach, metres. */
  public static final double MAX_REACH = 10;

  public static final ContactShade NONE = new ContactShade(0, 0.25);

  public ContactShade {
    RecordFields.check(ContactShade.class, amount, reach);
  }
}

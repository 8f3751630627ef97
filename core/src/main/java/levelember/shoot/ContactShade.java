package levelember.shoot;

/**
 * Shade where surfaces come close to each other, whatever the light: a lever outside of physics.
 *
 * @param amount 0…1; 0 leaves the picture as it was traced
 * @param reach metres over which it fades out, 0.01…10
 */
public record ContactShade(double amount, double reach) {
  /** The greatest reach, metres. */
  public static final double MAX_REACH = 10;

  public static final ContactShade NONE = new ContactShade(0, 0.25);

  public ContactShade {
    Checks.range("amount", amount, 0, 1);
    Checks.range("reach", reach, 0.01, MAX_REACH);
  }
}

package levelember.shoot;

/**
 * The light that is shown as white.
 *
 * @param kelvin its temperature, 1000…40000
 * @param tint across the locus, −50…50; positive is greener, as of a light
 */
public record WhiteBalance(double kelvin, double tint) {
  /** Daylight of the display's own white: changes nothing. */
  public static final WhiteBalance NEUTRAL = new WhiteBalance(LightColour.NEUTRAL.kelvin(), 0);

  public WhiteBalance {
    Checks.range("kelvin", kelvin, 1000, 40_000);
    Checks.range("tint", tint, -50, 50);
  }
}

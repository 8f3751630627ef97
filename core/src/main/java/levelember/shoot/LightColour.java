package levelember.shoot;

/**
 * A light's colour: white of a colour temperature with a tint, times a filter.
 *
 * @param kelvin 1000…40000; 6500 with tint 0 is near the neutral of the picture
 * @param tint distance from the locus across it, in thousandths of Duv; green above, magenta below
 * @param filter linear colour that multiplies; white leaves the temperature alone
 */
public record LightColour(double kelvin, double tint, Rgb filter) {
  public static final LightColour NEUTRAL = new LightColour(6504, 0, Rgb.WHITE);

  public LightColour {
    Checks.range("kelvin", kelvin, 1000, 40_000);
    Checks.range("tint", tint, -50, 50);
    filter.checked("filter", 1);
  }
}

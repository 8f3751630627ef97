package levelember.shoot;

/**
 * A light's unit value as read off a lamp; the light's level in stops stands on top of it.
 *
 * @param value in {@code unit}, 0 or more
 * @param unit how the value is meant
 * @param efficacy luminous efficacy of the lamp, 0.1…683 lm/W; used by {@link Unit#WATT} alone
 */
public record Brightness(double value, Unit unit, double efficacy) {
  /** Of a usual LED lamp, lm/W. */
  public static final double LED_EFFICACY = 100;

  /** A brightness of a lamp of {@link #LED_EFFICACY}. */
  public Brightness(double value, Unit unit) {
    this(value, unit, LED_EFFICACY);
  }

  public Brightness {
    Checks.range("value", value, 0, 1e12);
    Checks.range("efficacy", efficacy, 0.1, 683);
    if (unit == null) {
      throw new ImpossibleValue("unit", null, "one of lm, cd, lx, cd/m2, W, x");
    }
  }

  /** Photometric units of lamps. */
  public enum Unit {
    /** Luminous flux. */
    LUMEN("lm"),
    /** Luminous intensity along the aim. */
    CANDELA("cd"),
    /** Illuminance at one metre along the aim, by the inverse-square law. */
    LUX("lx"),
    /** Luminance of the shining face. */
    NIT("cd/m2"),
    /** Electrical power of a lamp of the given efficacy. */
    WATT("W"),
    /** As many times what a sky is computed to give. */
    TIMES("x");

    private final String symbol;

    Unit(String symbol) {
      this.symbol = symbol;
    }

    public String symbol() {
      return symbol;
    }

    public static Unit of(String symbol) {
      for (Unit unit : values()) {
        if (unit.symbol.equals(symbol)) {
          return unit;
        }
      }
      throw new ImpossibleValue("unit", symbol, "one of lm, cd, lx, cd/m2, W, x");
    }
  }
}

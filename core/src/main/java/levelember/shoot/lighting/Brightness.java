package levelember.shoot.lighting;

import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.document.Spelled;

/** A light's unit value as read off a lamp; the light's level in stops stands on top of it. */
public record Brightness(
    @Field(meaning = "the lamp's value in its unit", min = 0, max = 1e12) double value,
    @Field(meaning = "photometric unit of the value") Unit unit,
    @Field(
            meaning = "luminous efficacy of the lamp; of meaning for W alone",
            defaultValue = "100",
            min = 0.1,
            max = 683,
            unit = "lm/W")
        double efficacy) {
  /** Of a usual LED lamp, lm/W. */
  public static final double LED_EFFICACY = 100;

  /** A brightness of a lamp of {@link #LED_EFFICACY}. */
  public Brightness(double value, Unit unit) {
    this(value, unit, LED_EFFICACY);
  }

  public Brightness {
    RecordFields.check(Brightness.class, value, unit, efficacy);
  }

  /** Photometric units of lamps. */
  public enum Unit implements Spelled {
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

    @Override
    public String spelling() {
      return symbol;
    }

    public static Unit of(String symbol) {
      return (Unit) Spelled.read("unit", symbol, Unit.class);
    }
  }
}

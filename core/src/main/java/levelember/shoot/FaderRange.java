package levelember.shoot;

/**
 * How far a fader may be moved to meet targets.
 *
 * @param place of the fader as tracks name it: {@code lights/key/levelStops}, {@code
 *     banks/windows/levelStops} or {@code masterStops}
 * @param leastStops change downwards, −20…0
 * @param mostStops change upwards, 0…20
 * @param colour whether the light's colour temperature and tint may change too
 * @param leastKelvin 1000…40000
 * @param mostKelvin 1000…40000; below {@code leastKelvin} the colour stays
 */
public record FaderRange(
    String place,
    double leastStops,
    double mostStops,
    boolean colour,
    double leastKelvin,
    double mostKelvin) {
  /** The place of the master fader. */
  public static final String MASTER = "masterStops";

  public FaderRange {
    if (place == null || !place.matches("masterStops|(lights|banks)/[A-Za-z0-9_-]+/levelStops")) {
      throw new ImpossibleValue(
          "place", place, "lights/…/levelStops, banks/…/levelStops or masterStops");
    }
    Checks.range("leastStops", leastStops, -20, 0);
    Checks.range("mostStops", mostStops, 0, 20);
    Checks.range("leastKelvin", leastKelvin, 1000, 40_000);
    Checks.range("mostKelvin", mostKelvin, 1000, 40_000);
  }

  /** Three stops either way, the colour kept. */
  public static FaderRange usual(String place) {
    return new FaderRange(place, -3, 3, false, 2700, 7500);
  }

  /** The id of the light or bank, or null for the master. */
  public String id() {
    return place.equals(MASTER) ? null : place.split("/")[1];
  }

  /** Whether the colour of a light may change. */
  public boolean changesColour() {
    return colour && ofLight() && leastKelvin <= mostKelvin;
  }

  /** Whether it is a light's. */
  public boolean ofLight() {
    return place.startsWith("lights/");
  }
}

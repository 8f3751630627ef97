package levelember.shoot;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** How far a fader may be moved to meet targets. */
public record FaderRange(
    @Field(says = "the fader: lights/…/levelStops, banks/…/levelStops or masterStops") String place,
    @Field(says = "greatest change downwards", usual = "-3", least = -20, most = 0, unit = "stops")
        double leastStops,
    @Field(says = "greatest change upwards", usual = "3", least = 0, most = 20, unit = "stops")
        double mostStops,
    @Field(says = "whether the light's colour temperature and tint may change too", usual = "false")
        boolean colour,
    @Field(
            says = "lowest colour temperature that it may get",
            usual = "2700",
            least = 1000,
            most = 40_000,
            unit = "K")
        double leastKelvin,
    @Field(
            says = "highest colour temperature that it may get; below leastKelvin the colour stays",
            usual = "7500",
            least = 1000,
            most = 40_000,
            unit = "K")
        double mostKelvin) {
  /** The place of the master fader. */
  public static final String MASTER = "masterStops";

  public FaderRange {
    RecordFields.check(
        FaderRange.class, place, leastStops, mostStops, colour, leastKelvin, mostKelvin);
    if (place == null || !place.matches("masterStops|(lights|banks)/[A-Za-z0-9_-]+/levelStops")) {
      throw new ImpossibleValue(
          "place", place, "lights/…/levelStops, banks/…/levelStops or masterStops");
    }
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

package levelember.shoot;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** How far a fader may be moved to meet targets. */
public record FaderRange(
    @Field(
            meaning = "the fader: lights/…/levelStops, banks/…/levelStops or masterStops",
            pattern = FaderRange.PLACES)
        String place,
    @Field(
            meaning = "greatest change downwards",
            defaultValue = "-3",
            min = -20,
            max = 0,
            unit = "stops")
        double leastStops,
    @Field(
            meaning = "greatest change upwards",
            defaultValue = "3",
            min = 0,
            max = 20,
            unit = "stops")
        double mostStops,
    @Field(
            meaning = "whether the light's colour temperature and tint may change too",
            defaultValue = "false")
        boolean colour,
    @Field(
            meaning = "lowest colour temperature that it may get",
            defaultValue = "2700",
            min = 1000,
            max = 40_000,
            unit = "K")
        double leastKelvin,
    @Field(
            meaning =
                "highest colour temperature that it may get; below leastKelvin the colour stays",
            defaultValue = "7500",
            min = 1000,
            max = 40_000,
            unit = "K")
        double mostKelvin) {
  /** Places of faders, as a regular expression. */
  static final String PLACES = "masterStops|(lights|banks)/[A-Za-z0-9_-]+/levelStops";

  /** The place of the master fader. */
  public static final String MASTER = "masterStops";

  public FaderRange {
    RecordFields.check(
        FaderRange.class, place, leastStops, mostStops, colour, leastKelvin, mostKelvin);
    if (!place.matches(PLACES)) {
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

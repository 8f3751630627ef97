package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** What a sky is computed from. */
public record Daylight(
    @Field(
            says =
                "heading of the sun, clockwise from −Z seen from above, where no place "
                    + "and hour are given",
            usual = "0",
            least = -36_000,
            most = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(
            says = "height of the sun over the horizon, where no place and hour are given",
            usual = "45",
            least = -90,
            most = 90,
            unit = "°")
        double heightDegrees,
    @Field(says = "place and hour that the sun stands by", usual = "null") When when,
    @Field(says = "turbidity: 1 clean … 2 clear … 10 hazy", usual = "2.5", least = 1, most = 10)
        double haze,
    @Field(
            says = "colour of the ground beneath the horizon, linear",
            usual = "[0.12, 0.11, 0.1]",
            least = 0,
            most = 1)
        Rgb ground,
    @Field(says = "height of the horizon", usual = "0", least = -30, most = 30, unit = "°")
        double horizonDegrees,
    @Field(
            says = "part over which sky and ground go over into one another",
            usual = "0.1",
            least = 0,
            most = 1)
        double horizonSoftness,
    @Field(
            says = "colour of the sky without sun, linear",
            usual = "[0.25, 0.4, 1]",
            least = 0,
            most = 1)
        Rgb night,
    @Field(
            says = "luminance of the sky without sun",
            usual = "0.001",
            least = 0,
            most = 1000,
            unit = "cd/m²")
        double nightLuminance,
    @Field(says = "−1 colder … 1 warmer", usual = "0", least = -1, most = 1) double warmth,
    @Field(says = "0 grey … 1 as computed … 2", usual = "1", least = 0, most = 2)
        double saturation) {

  /** A place on the earth and a time there. */
  public record When(
      @Field(says = "degrees north", least = -90, most = 90, unit = "°") double latitude,
      @Field(says = "degrees east", least = -180, most = 180, unit = "°") double longitude,
      @Field(says = "year of the calendar", usual = "2026", least = 1901, most = 2099) int year,
      @Field(says = "month of the year", least = 1, most = 12) int month,
      @Field(says = "day of the month, up to its last", least = 1, most = 31) int day,
      @Field(says = "hour by the clock there", least = 0, most = 24, unit = "h") double hour,
      @Field(
              says = "hours that the clock is ahead of universal time",
              usual = "0",
              least = -14,
              most = 14,
              unit = "h")
          double zoneHours,
      @Field(
              says = "where north lies, clockwise from −Z seen from above",
              usual = "0",
              least = -36_000,
              most = 36_000,
              unit = "°")
          double northDegrees) {
    public When {
      RecordFields.check(
          When.class, latitude, longitude, year, month, day, hour, zoneHours, northDegrees);
      Checks.range("day", day, 1, java.time.YearMonth.of(year, month).lengthOfMonth());
    }
  }

  public Daylight {
    RecordFields.check(
        Daylight.class,
        headingDegrees,
        heightDegrees,
        when,
        haze,
        ground,
        horizonDegrees,
        horizonSoftness,
        night,
        nightLuminance,
        warmth,
        saturation);
  }

  /** A clear day by heading and height of the sun. */
  public static Daylight of(double headingDegrees, double heightDegrees, double haze) {
    return new Daylight(
        headingDegrees,
        heightDegrees,
        null,
        haze,
        new Rgb(0.12, 0.11, 0.1),
        0,
        0.1,
        new Rgb(0.25, 0.4, 1),
        0.001,
        0,
        1);
  }
}

package levelember.shoot.lighting;

import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/** What a sky is computed from. */
public record Daylight(
    @Field(
            meaning =
                "heading of the sun, clockwise from −Z seen from above, where no place "
                    + "and hour are given",
            defaultValue = "0",
            min = -36_000,
            max = 36_000,
            unit = "°")
        double headingDegrees,
    @Field(
            meaning = "height of the sun over the horizon, where no place and hour are given",
            defaultValue = "45",
            min = -90,
            max = 90,
            unit = "°")
        double heightDegrees,
    @Field(meaning = "place and hour that the sun stands by", defaultValue = "null") When when,
    @Field(
            meaning = "turbidity: 1 clean … 2 clear … 10 hazy",
            defaultValue = "2.5",
            min = 1,
            max = 10)
        double haze,
    @Field(
            meaning = "colour of the ground beneath the horizon, linear",
            defaultValue = "[0.12, 0.11, 0.1]",
            min = 0,
            max = 1)
        Rgb ground,
    @Field(meaning = "height of the horizon", defaultValue = "0", min = -30, max = 30, unit = "°")
        double horizonDegrees,
    @Field(
            meaning = "part over which sky and ground go over into one another",
            defaultValue = "0.1",
            min = 0,
            max = 1)
        double horizonSoftness,
    @Field(
            meaning = "colour of the sky without sun, linear",
            defaultValue = "[0.25, 0.4, 1]",
            min = 0,
            max = 1)
        Rgb night,
    @Field(
            meaning = "luminance of the sky without sun",
            defaultValue = "0.001",
            min = 0,
            max = 1000,
            unit = "cd/m²")
        double nightLuminance,
    @Field(meaning = "−1 colder … 1 warmer", defaultValue = "0", min = -1, max = 1) double warmth,
    @Field(meaning = "0 grey … 1 as computed … 2", defaultValue = "1", min = 0, max = 2)
        double saturation) {

  /** A place on the earth and a time there. */
  public record When(
      @Field(meaning = "degrees north", min = -90, max = 90, unit = "°") double latitude,
      @Field(meaning = "degrees east", min = -180, max = 180, unit = "°") double longitude,
      @Field(meaning = "year of the calendar", defaultValue = "2026", min = 1901, max = 2099)
          int year,
      @Field(meaning = "month of the year", min = 1, max = 12) int month,
      @Field(meaning = "day of the month, up to its last", min = 1, max = 31) int day,
      @Field(meaning = "hour by the clock there", min = 0, max = 24, unit = "h") double hour,
      @Field(
              meaning = "hours that the clock is ahead of universal time",
              defaultValue = "0",
              min = -14,
              max = 14,
              unit = "h")
          double zoneHours,
      @Field(
              meaning = "where north lies, clockwise from −Z seen from above",
              defaultValue = "0",
              min = -36_000,
              max = 36_000,
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

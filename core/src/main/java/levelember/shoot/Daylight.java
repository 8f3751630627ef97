package levelember.shoot;

/**
 * What a sky is computed from.
 *
 * @param headingDegrees of the sun, clockwise from −Z seen from above, when there is no place
 * @param heightDegrees of the sun over the horizon, −90…90, when there is no place
 * @param when place and hour that the sun stands by, or null
 * @param haze turbidity: 1 clean … 2 clear … 10 hazy
 * @param ground colour of the ground beneath the horizon, linear
 * @param horizonDegrees height of the horizon, −30…30
 * @param horizonSoftness part over which sky and ground go over into one another, 0…1
 * @param night colour of the sky without sun, linear
 * @param nightLuminance of it, cd/m²
 * @param warmth −1 colder … 1 warmer
 * @param saturation 0 grey … 1 as computed … 2
 */
public record Daylight(
    double headingDegrees,
    double heightDegrees,
    When when,
    double haze,
    Rgb ground,
    double horizonDegrees,
    double horizonSoftness,
    Rgb night,
    double nightLuminance,
    double warmth,
    double saturation) {

  /**
   * A place on the earth and a time there.
   *
   * @param latitude degrees north
   * @param longitude degrees east
   * @param year 1901…2099
   * @param month 1…12
   * @param day 1 … the last of the month
   * @param hour 0…24, by the clock there
   * @param zoneHours that the clock is ahead of universal time
   * @param northDegrees where north lies, clockwise from −Z seen from above
   */
  public record When(
      double latitude,
      double longitude,
      int year,
      int month,
      int day,
      double hour,
      double zoneHours,
      double northDegrees) {
    public When {
      Checks.range("latitude", latitude, -90, 90);
      Checks.range("longitude", longitude, -180, 180);
      Checks.range("year", year, 1901, 2099);
      Checks.range("month", month, 1, 12);
      Checks.range("day", day, 1, java.time.YearMonth.of(year, month).lengthOfMonth());
      Checks.range("hour", hour, 0, 24);
      Checks.range("zoneHours", zoneHours, -14, 14);
      Checks.range("northDegrees", northDegrees, -36_000, 36_000);
    }
  }

  public Daylight {
    Checks.range("headingDegrees", headingDegrees, -36_000, 36_000);
    Checks.range("heightDegrees", heightDegrees, -90, 90);
    Checks.range("haze", haze, 1, 10);
    ground.checked("ground", 1);
    Checks.range("horizonDegrees", horizonDegrees, -30, 30);
    Checks.range("horizonSoftness", horizonSoftness, 0, 1);
    night.checked("night", 1);
    Checks.range("nightLuminance", nightLuminance, 0, 1000);
    Checks.range("warmth", warmth, -1, 1);
    Checks.range("saturation", saturation, 0, 2);
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

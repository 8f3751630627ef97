package levelember.daylight;

import levelember.math.Vec3;
import levelember.shoot.lighting.Daylight;

/**
 * Where the sun stands. Low-accuracy solar coordinates of Meeus 1998, "Astronomical Algorithms",
 * chapter 25, good to a hundredth of a degree from 1901 to 2099; refraction is left out.
 *
 * @param headingDegrees clockwise from north
 * @param heightDegrees over the horizon
 */
public record SunPosition(double headingDegrees, double heightDegrees) {

  /** By place and time; the heading is from true north. */
  public static SunPosition of(Daylight.When when) {
    double days = julianDay(when) - 2_451_545.0;
    double t = days / 36_525;
    double longitude = 280.46646 + t * (36_000.76983 + 0.0003032 * t);
    double anomaly = Math.toRadians(357.52911 + t * (35_999.05029 - 0.0001537 * t));
    double centre =
        (1.914602 - t * (0.004817 + 0.000014 * t)) * StrictMath.sin(anomaly)
            + (0.019993 - 0.000101 * t) * StrictMath.sin(2 * anomaly)
            + 0.000289 * StrictMath.sin(3 * anomaly);
    double node = Math.toRadians(125.04 - 1934.136 * t);
    double apparent = Math.toRadians(longitude + centre - 0.00569 - 0.00478 * StrictMath.sin(node));
    double tilt =
        Math.toRadians(
            23.43929111 - t * (0.013004167 + 1.64e-7 * t) + 0.00256 * StrictMath.cos(node));
    double declination = StrictMath.asin(StrictMath.sin(tilt) * StrictMath.sin(apparent));
    double ascension =
        StrictMath.atan2(StrictMath.cos(tilt) * StrictMath.sin(apparent), StrictMath.cos(apparent));
    double sidereal = 280.46061837 + 360.98564736629 * days + when.longitude();
    double hour = Math.toRadians(sidereal) - ascension;
    double latitude = Math.toRadians(when.latitude());
    double height =
        StrictMath.asin(
            StrictMath.sin(latitude) * StrictMath.sin(declination)
                + StrictMath.cos(latitude) * StrictMath.cos(declination) * StrictMath.cos(hour));
    double heading =
        StrictMath.atan2(
            StrictMath.sin(hour),
            StrictMath.cos(hour) * StrictMath.sin(latitude)
                - StrictMath.tan(declination) * StrictMath.cos(latitude));
    double turned = Math.toDegrees(heading) + 180;
    return new SunPosition(turned - 360 * Math.floor(turned / 360), Math.toDegrees(height));
  }

  /** Of a daylight, its heading counted from −Z. */
  public static SunPosition of(Daylight d) {
    if (d.when() == null) {
      return new SunPosition(d.headingDegrees(), d.heightDegrees());
    }
    SunPosition there = of(d.when());
    return new SunPosition(there.headingDegrees + d.when().northDegrees(), there.heightDegrees);
  }

  /** Unit direction to it from the set, its heading counted from −Z. */
  public Vec3 direction() {
    double a = Math.toRadians(headingDegrees), e = Math.toRadians(heightDegrees);
    return new Vec3(
        StrictMath.cos(e) * StrictMath.sin(a),
        StrictMath.sin(e),
        -StrictMath.cos(e) * StrictMath.cos(a));
  }

  private static double julianDay(Daylight.When w) {
    int y = w.month() > 2 ? w.year() : w.year() - 1, m = w.month() > 2 ? w.month() : w.month() + 12;
    int century = y / 100;
    double day = w.day() + (w.hour() - w.zoneHours()) / 24;
    return Math.floor(365.25 * (y + 4716))
        + Math.floor(30.6001 * (m + 1))
        + day
        + (2 - century + century / 4)
        - 1524.5;
  }
}

package levelember.daylight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import levelember.document.ImpossibleValue;
import levelember.math.Vec3;
import levelember.shoot.lighting.Daylight;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DaylightTest {
  /**
   * Greenwich and others, from the almanac's relations: height at noon is 90° less latitude plus
   * declination, and the sun is due south (north of the equator) then. Declinations: solstices
   * ±23.44°, equinoxes 0°; the equation of time moves noon by the minutes given.
   */
  @ParameterizedTest
  @CsvSource({
    // latitude, month, day, hour of true noon at longitude 0 (UT), height, heading
    "51.48, 6, 21, 12.031, 61.96, 180",
    "51.48, 12, 21, 11.970, 15.08, 180",
    "51.48, 3, 20, 12.124, 38.45, 180",
    "-33.87, 12, 21, 11.970, 79.57, 0"
  })
  void atTrueNoonTheSunStandsAsTheAlmanacSays(
      double latitude, int month, int day, double hour, double height, double heading) {
    SunPosition at = SunPosition.of(new Daylight.When(latitude, 0, 2026, month, day, hour, 0, 0));
    assertThat(at.heightDegrees()).isCloseTo(height, within(0.1));
    double off = Math.abs(at.headingDegrees() - heading);
    // Near the zenith a tenth of a degree of the sky is more of a degree of heading.
    double flat = Math.cos(Math.toRadians(height));
    assertThat(Math.min(off, 360 - off) * flat).isLessThan(0.1);
  }

  /** Meeus 1998, example 25.a: 13 October 1992, 0 h: α = 198.38083°, δ = −7.78507°. */
  @Test
  void theSunStandsWhereThePublishedExampleHasIt() {
    // At the pole its height is the declination.
    SunPosition pole = SunPosition.of(new Daylight.When(90, 0, 1992, 10, 13, 0, 0, 0));
    assertThat(pole.heightDegrees()).isCloseTo(-7.785, within(0.02));
  }

  private static double luminance(double[] rgb) {
    return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
  }

  @Test
  void aClearSkyAtSixtyDegreesGivesWhatIsMeasuredOutside() {
    Atmosphere air = new Atmosphere(Daylight.of(180, 60, 2.5));
    assertThat(luminance(air.sunLux())).isBetween(70_000.0, 110_000.0);
    assertThat(luminance(air.skyLux())).isBetween(8_000.0, 25_000.0);
  }

  @Test
  void aClearSkyIsBlueOverheadAndALowSunIsRed() {
    Atmosphere noon = new Atmosphere(Daylight.of(180, 60, 2));
    double[] up = noon.sky(new Vec3(0, 1, 0));
    assertThat(up[2]).isGreaterThan(1.5 * up[0]);
    double[] low = new Atmosphere(Daylight.of(180, 3, 2)).sunLux();
    assertThat(low[0]).isGreaterThan(2 * low[2]);
    assertThat(luminance(low)).isLessThan(0.4 * luminance(noon.sunLux()));
  }

  @Test
  void hazeDimsTheSunAndBrightensTheSkyAroundIt() {
    Atmosphere clear = new Atmosphere(Daylight.of(0, 40, 2));
    Atmosphere hazy = new Atmosphere(Daylight.of(0, 40, 8));
    assertThat(luminance(hazy.sunLux())).isLessThan(0.8 * luminance(clear.sunLux()));
    Vec3 near = new SunPosition(0, 30).direction();
    assertThat(luminance(hazy.sky(near))).isGreaterThan(1.5 * luminance(clear.sky(near)));
  }

  @Test
  void theSkyFallsThroughTwilightWithoutASunAboveTheHorizon() {
    double before = Double.POSITIVE_INFINITY;
    for (double height : new double[] {2, -2, -4, -6, -9, -12}) {
      Atmosphere air = new Atmosphere(Daylight.of(0, height, 2.5));
      double lux = luminance(air.skyLux());
      assertThat(lux).isLessThan(before).isPositive();
      if (height < 0) {
        assertThat(luminance(air.sunLux())).isZero();
      }
      before = lux;
    }
    // At the end of nautical twilight next to nothing is left, as outside.
    assertThat(before).isLessThan(1);
  }

  @Test
  void thePictureOfASkyHoldsItsLightAndItsGround() {
    Daylight day = Daylight.of(180, 60, 2.5);
    Atmosphere air = new Atmosphere(day);
    Picture p = air.picture(128);
    double lux = 0;
    for (int y = 0; y < 64; y++) {
      double polar = Math.PI * (y + 0.5) / 128;
      for (int x = 0; x < 256; x++) {
        double l = luminance(new double[] {p.get(x, y, 0), p.get(x, y, 1), p.get(x, y, 2)});
        lux += l * Math.cos(polar) * Math.sin(polar) * Math.pow(Math.PI / 128, 2);
      }
    }
    double wanted = luminance(air.skyLux());
    assertThat(lux).isCloseTo(wanted, within(0.05 * wanted));
    double ground = luminance(new double[] {p.get(5, 120, 0), p.get(5, 120, 1), p.get(5, 120, 2)});
    double all = wanted + luminance(air.sunLux()) * Math.sin(Math.toRadians(60));
    assertThat(ground).isCloseTo(0.11 * all / Math.PI, within(0.1 * ground));
  }

  @Test
  void aDayThatTheMonthDoesNotHaveIsRefused() {
    assertThatThrownBy(() -> new Daylight.When(50, 0, 2023, 2, 29, 12, 0, 0))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("day");
    assertThatThrownBy(() -> new Daylight.When(50, 0, 2024, 2, 30, 12, 0, 0))
        .isInstanceOf(ImpossibleValue.class);
    assertThat(new Daylight.When(50, 0, 2024, 2, 29, 12, 0, 0).day()).isEqualTo(29);
  }
}

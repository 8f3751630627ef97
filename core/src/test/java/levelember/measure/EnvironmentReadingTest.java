package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import levelember.texture.Panoramas;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class EnvironmentReadingTest {
  private static Picture grey(int width, double value) {
    Picture p = Picture.black(width, width / 2);
    java.util.Arrays.fill(p.rgb(), (float) value);
    return p;
  }

  @Test
  void resolutionIsCountedAlongTheHorizonAndTheMeanOverTheSphere() {
    EnvironmentReading r = EnvironmentReading.of(grey(720, 2));
    assertThat(r.pixelsPerDegree()).isEqualTo(2);
    assertThat(r.mean()).isCloseTo(2, within(1e-5));
    assertThat(r.stops()).isCloseTo(0, within(1e-6));
  }

  @Test
  void aLampOfThousandTimesTheRestIsTenStopsOfRange() {
    Picture p = grey(200, 1);
    p.set(70, 40, 1024, 1024, 1024);
    EnvironmentReading r = EnvironmentReading.of(p);
    assertThat(r.stops()).isCloseTo(10, within(1e-3));
    assertThat(r.clippedShare()).as("one pixel at the top is whole light").isZero();
  }

  @Test
  void aPatchThatStandsAtTheTopIsClipped() {
    Picture p = grey(200, 0.1);
    for (int y = 20; y < 40; y++) {
      for (int x = 30; x < 50; x++) {
        p.set(x, y, 1, 1, 1);
      }
    }
    p.set(5, 5, 0.9, 0.9, 0.9);
    assertThat(EnvironmentReading.of(p).clippedShare()).isCloseTo(400.0 / 20_000, within(1e-9));
  }

  @Test
  void aStepAtTheBordersIsASeamOfItsStops() {
    Picture p = grey(90, 1);
    for (int y = 0; y < 45; y++) {
      for (int x = 45; x < 90; x++) {
        // Even steps from one to two, so that only the borders jump.
        double v = Math.pow(2, (x - 44) / 45.0);
        p.set(x, y, v, v, v);
      }
    }
    // A stop at the seam, less the 1/45 stop that neighbours differ by on one side.
    assertThat(EnvironmentReading.of(p).seamStops()).isCloseTo(1 - 1.0 / 45, within(1e-3));
  }

  static Stream<String> shelf() {
    return Panoramas.all().stream().map(Panoramas.Panorama::id);
  }

  @ParameterizedTest
  @MethodSource("shelf")
  void everySurroundingOfTheShelfMeetsItselfBehindAndIsWhole(String id) {
    EnvironmentReading r = EnvironmentReading.of(Panoramas.picture(id, 256));
    assertThat(r.seamStops()).isLessThan(0.1);
    assertThat(r.mean()).isPositive();
    assertThat(r.stops()).isGreaterThan(2);
  }
}

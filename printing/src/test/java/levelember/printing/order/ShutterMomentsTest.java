package levelember.printing.order;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import levelember.formats.exchange.ShootPackage;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShutterMomentsTest {
  private static Shoot moving(String track, String degrees) {
    String shoot =
        """
        {"format": "level-ember-shoot", "version": 2, "name": "Ball",
         "pieces": [{"id": "sea", "shape": {"kind": "water", "width": 6, "depth": 6}, "material": "m"},
                    {"id": "ball", "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
         "materials": [{"id": "m"}],
         "shots": [{"id": "wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
         "looks": [{"id": "k"}],
         "motion": {"framesPerSecond": 10, "shutterDegrees": %s, "tracks": [%s]}}
        """;
    return ShootPackage.read(shoot.formatted(degrees, track).getBytes(UTF_8)).shoot();
  }

  private static int count(Shoot moving, int samples) {
    PrintOrder order = PrintOrder.still("wide", 32, 32, samples);
    return ShutterMoments.of(moving, 0.5, order, s -> s).size();
  }

  private static final String BALL =
      """
      {"place": "pieces/ball/position", "keys": [
        {"seconds": 0, "value": [0, 0, 0], "span": "straight"},
        {"seconds": 1, "value": [1, 0, 0], "span": "straight"}]}
      """;
  private static final String SEA =
      """
      {"place": "pieces/sea/shape/seconds", "keys": [
        {"seconds": 0, "value": 0, "span": "straight"},
        {"seconds": 1, "value": 1, "span": "straight"}]}
      """;

  @ParameterizedTest
  @CsvSource({"1, 1", "3, 4", "16, 16", "60, 64", "1000, 64"})
  void everySampleHasATimeOfItsOwnWherePiecesOnlyChangePlaces(int samples, int times) {
    assertThat(count(moving(BALL, "180"), samples)).isEqualTo(times);
  }

  @Test
  void shapesThatChangeAreBuiltSixteenTimesAtTheMost() {
    assertThat(count(moving(SEA, "180"), 1000)).isEqualTo(16);
    assertThat(count(moving(SEA, "180"), 4)).isEqualTo(4);
  }

  @Test
  void withoutAShutterThereAreNone() {
    assertThat(count(moving(BALL, "0"), 64)).isZero();
  }
}

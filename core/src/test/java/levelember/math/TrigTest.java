package levelember.math;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class TrigTest {
  private static final double RIGHT_TO = 5e-8;

  @Test
  void agreesWithTheLibraryEverywhere() {
    Random random = new Random(1);
    for (int i = 0; i < 20_000; i++) {
      double turns = random.nextDouble() * 6 - 3;
      assertThat(Trig.sine(turns)).isCloseTo(Math.sin(2 * Math.PI * turns), within(RIGHT_TO));
      assertThat(Trig.cosine(turns)).isCloseTo(Math.cos(2 * Math.PI * turns), within(RIGHT_TO));
      double c = random.nextDouble() * 2 - 1;
      assertThat(Trig.arcCosine(c)).isCloseTo(Math.acos(c), within(RIGHT_TO));
      double x = random.nextGaussian(), y = random.nextGaussian();
      assertThat(Trig.angle(y, x)).isCloseTo(Math.atan2(y, x), within(RIGHT_TO));
    }
  }

  @Test
  void borderCasesAreRight() {
    assertThat(Trig.angle(0, 0)).isZero();
    assertThat(Trig.angle(0, -1)).isCloseTo(Math.PI, within(RIGHT_TO));
    assertThat(Trig.angle(-2, 0)).isCloseTo(-Math.PI / 2, within(RIGHT_TO));
    assertThat(Trig.arcCosine(1)).isZero();
    assertThat(Trig.arcCosine(-1)).isCloseTo(Math.PI, within(RIGHT_TO));
    assertThat(Trig.arcCosine(1.0000001)).isZero();
  }
}

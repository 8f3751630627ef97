package levelember.texture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SurroundingsTest {
  private static Picture noise(int width) {
    Picture p = Picture.black(width, width / 2);
    Random random = new Random(3);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = random.nextFloat();
    }
    return p;
  }

  private static double light(Picture p) {
    double sum = 0;
    for (int y = 0; y < p.height(); y++) {
      double weight = Math.sin(Math.PI * (y + 0.5) / p.height());
      for (int x = 0; x < p.width(); x++) {
        sum += weight * (p.get(x, y, 0) + p.get(x, y, 1) + p.get(x, y, 2));
      }
    }
    return sum;
  }

  @Test
  void nothingWantedLeavesThePictureItself() {
    Picture p = noise(32);
    assertThat(Surroundings.prepared(p, 0, 0)).isSameAs(p);
  }

  @Test
  void mendedBordersMeetAndKeepTheLightOfEveryRow() {
    Picture p = noise(64), mended = Surroundings.prepared(p, 0, 0.2);
    for (int y = 0; y < p.height(); y++) {
      double was = 0, is = 0, apart = 0, before = 0;
      for (int x = 0; x < p.width(); x++) {
        was += p.get(x, y, 0);
        is += mended.get(x, y, 0);
      }
      apart = Math.abs(mended.get(0, y, 0) - mended.get(63, y, 0));
      before = Math.abs(p.get(0, y, 0) - p.get(63, y, 0));
      assertThat(is).isCloseTo(was, within(1e-4));
      // Thirteen columns from half and half: what is left between the two is a thirteenth.
      assertThat(apart).isLessThan(0.1 * before + 1e-6);
      assertThat(mended.get(32, y, 0)).isEqualTo(p.get(32, y, 0));
    }
  }

  @Test
  void aBlurKeepsTheLightAndLeavesAnEvenSkyEven() {
    Picture p = noise(128), blurred = Surroundings.prepared(p, 20, 0);
    assertThat(light(blurred)).isCloseTo(light(p), within(0.01 * light(p)));
    double spread = 0, before = 0;
    for (int x = 0; x < 127; x++) {
      spread += Math.abs(blurred.get(x, 32, 0) - blurred.get(x + 1, 32, 0));
      before += Math.abs(p.get(x, 32, 0) - p.get(x + 1, 32, 0));
    }
    assertThat(spread).isLessThan(0.1 * before);
    Picture even = Picture.black(64, 32);
    java.util.Arrays.fill(even.rgb(), 3);
    for (float v : Surroundings.prepared(even, 15, 0).rgb()) {
      assertThat(v).isCloseTo(3, within(1e-4f));
    }
  }

  static Stream<String> gobos() {
    return GoboPatterns.all().stream().map(GoboPatterns.Pattern::id);
  }

  @ParameterizedTest
  @MethodSource("gobos")
  void everyPatternHoldsLightBackAndLetsLightThrough(String id) {
    Picture p = GoboPatterns.picture(id, 96);
    int dark = 0, light = 0;
    for (int i = 0; i < p.rgb().length; i += 3) {
      assertThat(p.rgb()[i]).isBetween(0f, 1f);
      dark += p.rgb()[i] < 0.25 ? 1 : 0;
      light += p.rgb()[i] > 0.6 ? 1 : 0;
    }
    assertThat(dark).isGreaterThan(96 * 96 / 50);
    assertThat(light).isGreaterThan(96 * 96 / 50);
  }

  @Test
  void blindsAreTheSameAllAlongAndRingsFromEverySide() {
    Picture blinds = GoboPatterns.picture("gobo-blinds", 64);
    Picture rings = GoboPatterns.picture("gobo-rings", 64);
    for (int y = 0; y < 64; y++) {
      for (int x = 0; x < 64; x++) {
        assertThat(blinds.get(x, y, 0)).isEqualTo(blinds.get(0, y, 0));
        assertThat(rings.get(x, y, 0)).isCloseTo(rings.get(y, x, 0), within(1e-6f));
        assertThat(rings.get(x, y, 0)).isCloseTo(rings.get(63 - x, y, 0), within(1e-6f));
      }
    }
  }
}

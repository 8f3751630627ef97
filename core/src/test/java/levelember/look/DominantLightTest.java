package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

class DominantLightTest {
  private static final int SIDE = 24;

  private static Picture even(double left, double right) {
    Picture p = Picture.black(SIDE, SIDE);
    for (int y = 0; y < SIDE; y++) {
      for (int x = 0; x < SIDE; x++) {
        double v = x < SIDE / 2 ? left : right;
        p.set(x, y, v, v, v);
      }
    }
    return p;
  }

  private static byte[] white() {
    byte[] codes = new byte[3 * SIDE * SIDE];
    Arrays.fill(codes, (byte) 255);
    return codes;
  }

  @Test
  void everyPlaceHasTheColourOfTheLightThatGivesMostThere() {
    Picture[] byLight = {even(2, 1), even(1, 2)};
    byte[] codes = DominantLight.codes(byLight, white(), SIDE);
    byte[] first = DominantLight.swatch(0, SIDE, SIDE),
        second = DominantLight.swatch(1, SIDE, SIDE);
    int left = 3 * (5 * SIDE + 3), right = 3 * (5 * SIDE + 20);
    assertThat(Arrays.copyOfRange(codes, left, left + 3))
        .isEqualTo(Arrays.copyOfRange(first, left, left + 3));
    assertThat(Arrays.copyOfRange(codes, right, right + 3))
        .isEqualTo(Arrays.copyOfRange(second, right, right + 3));
  }

  @Test
  void whereNoLightFallsThePictureIsGrey() {
    byte[] codes = DominantLight.codes(new Picture[] {even(0, 0)}, white(), SIDE);
    assertThat(codes).containsOnly((byte) 255);
  }

  /** Without colours: which pixels are darker than others. */
  @Test
  void patternsDifferWithoutTheirColours() {
    Set<String> patterns = new HashSet<>();
    for (int light = 0; light < 8; light++) {
      byte[] swatch = DominantLight.swatch(light, SIDE, SIDE);
      int most = 0;
      for (int i = 0; i < swatch.length; i += 3) {
        most = Math.max(most, swatch[i] & 255);
      }
      StringBuilder pattern = new StringBuilder();
      for (int i = 0; i < swatch.length; i += 3) {
        pattern.append((swatch[i] & 255) == most ? '1' : '0');
      }
      patterns.add(pattern.toString());
    }
    assertThat(patterns).hasSize(8);
  }
}

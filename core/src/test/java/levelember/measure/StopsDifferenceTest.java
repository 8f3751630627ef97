package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

class StopsDifferenceTest {
  private static Picture grey(float value) {
    Picture to = Picture.black(4, 2);
    Arrays.fill(to.rgb(), value);
    return to;
  }

  private static int[] at(float of, float over) {
    byte[] codes = StopsDifference.codes(grey(of), grey(over), 100);
    return new int[] {codes[0] & 0xFF, codes[1] & 0xFF, codes[2] & 0xFF};
  }

  private static int sum(int[] colour) {
    return colour[0] + colour[1] + colour[2];
  }

  @Test
  void alikeIsGreyAndAStopHasItsColour() {
    assertThat(at(50, 50)).containsExactly(118, 118, 118);
    assertThat(at(0, 0)).as("black over black").containsExactly(118, 118, 118);
    int[] up = at(50, 25);
    int[] said = StopsDifference.colour(1);
    for (int k = 0; k < 3; k++) {
      assertThat(Math.abs(up[k] - said[k])).isLessThanOrEqualTo(1);
    }
    assertThat(at(50, 0.5f)).as("beyond the scale").isEqualTo(StopsDifference.colour(4));
  }

  @Test
  void brighterIsAlwaysLighter() {
    int before = -1;
    for (double stops = -5; stops <= 5; stops += 0.25) {
      int now = sum(StopsDifference.colour(stops));
      assertThat(now).isGreaterThanOrEqualTo(before);
      before = now;
    }
    assertThat(sum(StopsDifference.colour(-1))).isLessThan(sum(StopsDifference.colour(1)));
  }

  @Test
  void picturesOfTwoSizesAreRefused() {
    assertThatThrownBy(() -> StopsDifference.codes(grey(1), Picture.black(3, 2), 1))
        .isInstanceOf(IllegalArgumentException.class);
  }
}

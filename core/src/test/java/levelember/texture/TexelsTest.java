package levelember.texture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TexelsTest {
  /** Two pixels: 0 at the left, 1 at the right. */
  private static Texels pair() {
    float[] meaning = new float[256];
    for (int i = 0; i < 256; i++) {
      meaning[i] = i / 255f;
    }
    byte[] codes = {0, 0, 0, (byte) 255, (byte) 255, (byte) 255};
    return Texels.of(2, 1, codes, meaning);
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0.25, 0", "0, 0.75, 1", "0, 0.5, 0.5", "0, 0, 0.5", "0, 1.25, 0", "0, -0.25, 1",
    "1, 0, 0", "1, 1, 1", "1, 1.25, 1", "1, 1.75, 0", "1, -0.25, 0", "1, -0.75, 1",
    "2, -5, 0", "2, 7, 1", "2, 0.625, 0.75"
  })
  void looksUpBetweenPixelsAndBeyondTheEdge(int edge, float u, float wanted) {
    float[] to = new float[3];
    pair().look(u, 0.3f, edge, to);
    assertThat(to[1]).isCloseTo(wanted, within(1e-6f));
  }

  @Test
  void anEdgeAboveAndBelowIsItsOwn() {
    Picture p = Picture.black(1, 2);
    p.set(0, 1, 1, 1, 1);
    float[] to = new float[3];
    Texels.of(p).look(0.5f, 1.25f, Texels.CLAMP, Texels.REPEAT, to);
    assertThat(to[0]).isZero();
    Texels.of(p).look(0.5f, 1.25f, Texels.REPEAT, Texels.CLAMP, to);
    assertThat(to[0]).isEqualTo(1);
  }

  @Test
  void aPictureOfFloatsIsLookedUpTheSame() {
    Picture p = Picture.black(2, 1);
    p.set(1, 0, 7, 8, 9);
    float[] to = new float[3];
    Texels.of(p).look(0.5f, 0.5f, Texels.REPEAT, to);
    assertThat(to).containsExactly(3.5f, 4, 4.5f);
    assertThat(Texels.of(p).bytes()).isEqualTo(24);
    assertThat(pair().bytes()).isEqualTo(6);
  }

  @Test
  void placesThatAreNoNumberDoNoHarm() {
    float[] to = new float[3];
    pair().look(Float.NaN, Float.POSITIVE_INFINITY, Texels.REPEAT, to);
    assertThat(to[0]).isBetween(0f, 1f);
    assertThatThrownBy(() -> Texels.of(2, 2, new byte[3], new float[256]))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @ValueSource(ints = {Texels.REPEAT, Texels.MIRROR, Texels.CLAMP})
  void theGradientIsThatOfWhatIsLookedUp(int edge) {
    Random random = new Random(9);
    byte[] codes = new byte[3 * 9 * 7];
    random.nextBytes(codes);
    float[] meaning = new float[256];
    for (int i = 0; i < 256; i++) {
      meaning[i] = i / 255f;
    }
    Texels texels = Texels.of(9, 7, codes, meaning);
    float[] gradient = new float[3];
    for (int i = 0; i < 200; i++) {
      // Beyond half a pixel of the edges, where what lies beyond them is the same.
      float u = 0.25f + 0.5f * random.nextFloat(), v = 0.25f + 0.5f * random.nextFloat();
      texels.gradient(u, v, edge, edge, gradient);
      float across = mean(texels, u + 1f / 9, v, edge) - mean(texels, u - 1f / 9, v, edge);
      float down = mean(texels, u, v + 1f / 7, edge) - mean(texels, u, v - 1f / 7, edge);
      assertThat(gradient[0]).isCloseTo(across * 9 / 2, within(1e-3f));
      assertThat(gradient[1]).isCloseTo(down * 7 / 2, within(1e-3f));
    }
  }

  private static float mean(Texels texels, float u, float v, int edge) {
    float[] rgb = new float[3];
    texels.look(u, v, edge, rgb);
    return (rgb[0] + rgb[1] + rgb[2]) / 3;
  }
}

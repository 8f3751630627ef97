package levelember.formats.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import levelember.film.Film;
import levelember.formats.RefusedFile;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class LayersFileTest {
  private static Film film() {
    Random random = new Random(5);
    float[][] layers = new float[2][3 * 48 * 32];
    for (int i = 0; i < layers[0].length; i++) {
      layers[0][i] = random.nextFloat() * 100;
      layers[1][i] = i == 7 ? 1e9f : 0;
    }
    return new Film(48, 32, 2).finished(layers);
  }

  @Test
  void layersComeBackToTheEleventhBit() {
    Film film = film();
    byte[] bytes = LayersFile.write(film, List.of("key", "fill"));
    LayersFile back = LayersFile.read(bytes);
    assertThat(back.width()).isEqualTo(48);
    assertThat(back.byLight().keySet()).containsExactly("key", "fill");
    float[] key = back.byLight().get("key");
    for (int i = 0; i < key.length; i++) {
      float was = film.sums(0)[i];
      assertThat(key[i]).isCloseTo(was, Offset.offset(was / 2000 + 1e-6f));
    }
    assertThat(back.byLight().get("fill")[7]).as("what a half float can hold").isEqualTo(65_504f);
    assertThat(bytes.length).isLessThan(2 * 2 * 3 * 48 * 32);
  }

  @Test
  void brokenLayersAreRefused() {
    byte[] bytes = LayersFile.write(film(), List.of("key", "fill"));
    assertThatThrownBy(() -> LayersFile.read(Arrays.copyOf(bytes, bytes.length / 2)))
        .isInstanceOf(RefusedFile.class);
    assertThatThrownBy(() -> LayersFile.read(new byte[40])).isInstanceOf(RefusedFile.class);
    assertThatThrownBy(() -> LayersFile.read(new byte[0])).isInstanceOf(RefusedFile.class);
  }
}

package levelember.denoise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.film.Film;
import org.junit.jupiter.api.Test;

class MixedPixelFitTest {
  private static final int SIZE = 48, SAMPLES = 8, EDGE = 24;

  /**
   * Two surfaces side by side, of other colours, normals, distances and light, and a column of
   * pixels that holds a quarter of the left and three quarters of the right one.
   */
  private static Film edge() {
    Film film = new Film(SIZE, SIZE, 1);
    Random random = new Random(4);
    for (int sample = 0; sample < SAMPLES; sample++) {
      for (int p = 0; p < SIZE * SIZE; p++) {
        int x = p % SIZE;
        boolean left = x < EDGE || x == EDGE && sample % 4 == 0;
        float noise = 0.2f + 1.6f * random.nextFloat();
        float light = noise * (left ? 0.8f * 1 : 0.2f * 3);
        film.add(0, p, sample % 2 == 0, light, light, light);
        if (left) {
          film.guides().add(p, 0.8f, 0.8f, 0.8f, 0, 0, 1, 0.5f);
        } else {
          film.guides().add(p, 0.2f, 0.2f, 0.2f, 1, 0, 0, 0.2f);
        }
      }
      for (int t = 0; t < film.tiles(); t++) {
        film.sampled(0, t);
        film.guides().sampled(t);
      }
    }
    return film;
  }

  @Test
  void pixelsOfTwoSurfacesGetTheirMixture() {
    Film film = edge();
    float[] clean = Denoiser.denoised(film).sums(0);
    double wanted = 0.25 * 0.8 + 0.75 * 0.6, squares = 0, before = 0;
    for (int y = 4; y < SIZE - 4; y++) {
      int at = 3 * (y * SIZE + EDGE);
      squares += Math.pow(clean[at] - wanted, 2);
      before += Math.pow(film.sums(0)[at] / SAMPLES - wanted, 2);
    }
    assertThat(Math.sqrt(squares / (SIZE - 8))).isLessThan(0.5 * Math.sqrt(before / (SIZE - 8)));
    assertThat(clean[3 * (24 * SIZE + 10)]).isCloseTo(0.8f, within(0.05f));
    assertThat(clean[3 * (24 * SIZE + 40)]).isCloseTo(0.6f, within(0.05f));
  }

  @Test
  void onlyPixelsInWhichSomethingVariesAreMixed() {
    PixelGuides guides =
        new PixelGuides(
            edge(),
            row -> {
              for (int y = 0; y < SIZE; y++) {
                row.accept(y);
              }
            });
    for (int p = 0; p < SIZE * SIZE; p++) {
      assertThat(guides.mixed[p]).as("column " + p % SIZE).isEqualTo(p % SIZE == EDGE);
    }
  }
}

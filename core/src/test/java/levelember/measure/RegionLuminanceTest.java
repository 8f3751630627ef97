package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import levelember.film.Film;
import org.junit.jupiter.api.Test;

class RegionLuminanceTest {
  private static final int WIDTH = 64, HEIGHT = 36;

  /** Two layers of one sample: one even, one a bright corner. */
  private static Film film() {
    Film film = new Film(WIDTH, HEIGHT, 2);
    for (int tile = 0; tile < film.tiles(); tile++) {
      for (int y = film.top(tile); y < film.bottom(tile); y++) {
        for (int x = film.left(tile); x < film.right(tile); x++) {
          float corner = x < 4 && y < 4 ? 100 : 0;
          film.add(0, y * WIDTH + x, true, 2, 2, 2);
          film.add(1, y * WIDTH + x, true, corner, corner, corner);
        }
      }
      film.sampled(0, tile);
      film.sampled(1, tile);
    }
    return film;
  }

  @Test
  void everyRegionHasItsMeanOfEveryLayer() {
    float[] all = new float[WIDTH * HEIGHT];
    Arrays.fill(all, 1);
    float[] even = RegionLuminance.means(film(), 0, all),
        corner = RegionLuminance.means(film(), 1, all);
    assertThat(even).hasSize(RegionLuminance.COLUMNS * RegionLuminance.ROWS);
    for (float v : even) {
      assertThat(v).isCloseTo(2, within(1e-5f));
    }
    assertThat(corner[0]).isCloseTo(100, within(1e-3f));
    assertThat(corner[1]).isZero();
  }

  @Test
  void whatIsBurntIsHardlySeenToChange() {
    float[] seen = RegionLuminance.displayWeights(film(), 1, new float[] {1, 1, 1}, 10);
    assertThat(seen[0]).isLessThan(0.01f);
    assertThat(seen[WIDTH * HEIGHT - 1]).isGreaterThan(0.95f);
  }
}

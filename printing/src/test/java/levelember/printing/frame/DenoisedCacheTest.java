package levelember.printing.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.UnaryOperator;
import levelember.film.Film;
import org.junit.jupiter.api.Test;

class DenoisedCacheTest {
  private int times;

  private final UnaryOperator<Film> denoiser =
      film -> {
        times++;
        float[][] layers = new float[film.layers()][3 * 64 * 32];
        layers[0][5] = times;
        return film.finished(layers);
      };

  @Test
  void aFilmThatStaysIsDenoisedOnce() {
    DenoisedCache kept = new DenoisedCache();
    Film film = new Film(64, 32, 2);
    kept.of(film, denoiser).sums(0)[5] = 99;
    Film again = kept.of(film, denoiser);
    assertThat(times).isEqualTo(1);
    assertThat(again.sums(0)[5]).as("not what was done to the layers given out").isEqualTo(1);
    again.sums(0)[5] = 99;
    assertThat(kept.of(film, denoiser).sums(0)[5]).isEqualTo(1);
    assertThat(kept.of(new Film(64, 32, 2), denoiser).sums(0)[5]).isEqualTo(2);
  }
}

package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.film.Film;
import org.junit.jupiter.api.Test;

class CleanPictureTest {
  private static final float[] WEIGHTS = {1, 1, 1};

  private final CleanPicture clean = new CleanPicture();

  /** Two samples that are this far from 1 either way, and their mean as what is denoised. */
  private static Film film(float apart, boolean denoised) {
    Film film = new Film(32, 16, 1);
    for (int sample = 0; sample < 2; sample++) {
      for (int p = 0; p < 32 * 16; p++) {
        // Errors of pixels are independent of each other; the denoised picture has none.
        float sign = (p + sample) % 2 == 0 ? 1 : -1;
        float v = denoised ? 1 : 1 + (sample == 0 ? 1.5f : 0.5f) * apart * sign;
        film.add(0, p, sample == 0, v, v, v);
      }
      film.sampled(0, 0);
    }
    return film;
  }

  @Test
  void beforeThereIsAPictureNothingIsTold() {
    assertThat(clean.errorPercent()).isNull();
    assertThat(clean.secondsLeft()).isNull();
  }

  @Test
  void aPictureThatIsFarFromCleanSaysHowLongItTakes() {
    Film traced = film(0.4f, false), denoised = film(0, true);
    clean.measure(traced, denoised, WEIGHTS, 4, 10);
    double error = clean.errorPercent();
    assertThat(error).isGreaterThan(3);
    // The error falls with the third root of time.
    assertThat(clean.secondsLeft())
        .isCloseTo(10 * (Math.pow(error / 3, 3) - 1), within(0.01 * clean.secondsLeft()));
    clean.restart();
    assertThat(clean.errorPercent()).isNull();
    assertThat(clean.secondsLeft()).isNull();
  }

  @Test
  void aCleanOneNeedsNoMoreAndOtherWeightsAreMeasuredAnew() {
    Film traced = film(0.01f, false), denoised = film(0, true);
    clean.measure(traced, denoised, WEIGHTS, 4, 10);
    double first = clean.errorPercent();
    assertThat(first).isLessThan(3);
    assertThat(clean.secondsLeft()).isZero();
    clean.measure(traced, denoised, new float[] {3, 3, 3}, 4, 12);
    assertThat(clean.errorPercent()).isNotEqualTo(first);
  }
}

package levelember.denoise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import levelember.film.Film;
import org.junit.jupiter.api.Test;

class FireflyFilterTest {
  private static final int SIZE = 128, SAMPLES = 8;

  /** A grey wall of even light 1, lit besides by rare events of a light in so many of 1000. */
  private static Film wall(int inThousand, float event) {
    Film film = new Film(SIZE, SIZE, 1);
    Random random = new Random(3);
    for (int sample = 0; sample < SAMPLES; sample++) {
      for (int p = 0; p < SIZE * SIZE; p++) {
        float light = 0.95f + 0.1f * random.nextFloat();
        light += random.nextInt(1000) < inThousand ? event : 0;
        film.add(0, p, sample % 2 == 0, 0.5f * light, 0.5f * light, 0.5f * light);
        film.guides().add(p, 0.5f, 0.5f, 0.5f, 0, 0, 1, 0.5f);
      }
      for (int t = 0; t < film.tiles(); t++) {
        film.sampled(0, t);
        film.guides().sampled(t);
      }
    }
    return film;
  }

  private static double mean(float[] rgb) {
    double sum = 0;
    for (float v : rgb) {
      sum += v;
    }
    return sum / rgb.length;
  }

  private static float most(float[] rgb) {
    float most = 0;
    for (float v : rgb) {
      most = Math.max(most, v);
    }
    return most;
  }

  @Test
  void aSingleSpeckleIsHeldAndDoesNotSpread() {
    Film film = wall(0, 0);
    int p = SIZE * SIZE / 2 + SIZE / 2;
    film.add(0, p, true, 400, 400, 400);
    float[] clean = Denoiser.denoised(film).sums(0);
    assertThat(film.sums(0)[3 * p] / SAMPLES).isGreaterThan(50);
    assertThat(most(clean)).isLessThan(0.56f);
  }

  @Test
  void lightOfManyRareEventsIsGivenBackEvenly() {
    Film film = wall(4, 60);
    float[] clean = Denoiser.denoised(film).sums(0);
    double traced = mean(film.sums(0)) / SAMPLES;
    assertThat(traced).isBetween(0.58, 0.66);
    assertThat(mean(clean)).isCloseTo(traced, within(0.04));
    double before = 0, after = 0;
    for (int i = 0; i < clean.length; i++) {
      before += Math.pow(film.sums(0)[i] / SAMPLES - traced, 2);
      after += Math.pow(clean[i] - traced, 2);
    }
    assertThat(Math.sqrt(after)).isLessThan(0.15 * Math.sqrt(before));
  }

  @Test
  void theThirdLargestIsFoundAtAnyNumberOfLanes() {
    Random random = new Random(9);
    int width = 53, height = 9;
    float[] of = new float[width * height];
    for (int i = 0; i < of.length; i++) {
      of[i] = random.nextInt(12);
    }
    for (int y = 0; y < height; y++) {
      float[] plain = new float[width], wide = new float[width];
      new CrossBilateralFilter().thirdLargest(of, width, height, y, plain);
      new WideCrossBilateralFilter().thirdLargest(of, width, height, y, wide);
      assertThat(wide).containsExactly(plain);
      for (int x = 0; x < width; x++) {
        assertThat(plain[x]).isEqualTo(sorted(of, width, height, x, y));
      }
    }
  }

  private static float sorted(float[] of, int width, int height, int x, int y) {
    float[] all = new float[24];
    int n = 0;
    for (int j = Math.max(0, y - 2); j <= Math.min(height - 1, y + 2); j++) {
      for (int i = Math.max(0, x - 2); i <= Math.min(width - 1, x + 2); i++) {
        if (i != x || j != y) {
          all[n++] = of[j * width + i];
        }
      }
    }
    Arrays.sort(all, 0, n);
    return all[n - 3];
  }
}

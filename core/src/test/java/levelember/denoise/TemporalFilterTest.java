package levelember.denoise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.film.Film;
import levelember.film.SurfaceData;
import org.junit.jupiter.api.Test;

class TemporalFilterTest {
  private static final int SIZE = 32, SAMPLES = 16;
  private static final TemporalFilter.Reprojection STILL =
      (x, y, to) -> {
        to[0] = x + 0.5f;
        to[1] = y + 0.5f;
        to[2] = 2;
        return true;
      };

  private final Random random = new Random(5);

  /** A film of noise about a value. */
  private Film film(double value) {
    Film film = new Film(SIZE, SIZE, 1);
    for (int tile = 0; tile < film.tiles(); tile++) {
      for (int s = 0; s < SAMPLES; s++) {
        for (int y = film.top(tile); y < film.bottom(tile); y++) {
          for (int x = film.left(tile); x < film.right(tile); x++) {
            float v = (float) (value * (1 + random.nextGaussian()));
            film.add(0, y * SIZE + x, s % 2 == 0, v, v, v);
          }
        }
        film.sampled(0, tile);
      }
    }
    return film;
  }

  /** As a denoiser would leave it: even, and off by a fifth of a pixel's error. */
  private Film denoised(double value) {
    Film film = new Film(SIZE, SIZE, 1);
    float is = (float) (value * (1 + 0.2 * random.nextGaussian() / Math.sqrt(SAMPLES)));
    java.util.Arrays.fill(film.sums(0), is);
    return film;
  }

  private static SurfaceData surfaces(int piece, float distance) {
    SurfaceData data = new SurfaceData(SIZE, 0, SIZE);
    for (int i = 0; i < SIZE * SIZE; i++) {
      java.util.Arrays.fill(data.pieces(), SurfaceData.RANKS * i, SurfaceData.RANKS * (i + 1), -1);
      data.pieces()[SurfaceData.RANKS * i] = piece;
      data.data()[SurfaceData.PLANES * i + SurfaceData.DEPTH] = distance;
      data.data()[SurfaceData.PLANES * i + SurfaceData.NORMAL + 2] = 1;
    }
    return data;
  }

  private static float at(Film film, int x, int y) {
    return film.sums(0)[3 * (y * SIZE + x)];
  }

  @Test
  void framesOfTheSameLightComeNearTheirMean() {
    TemporalFilter filter = new TemporalFilter();
    double single = 0, mixed = 0, before = 0, beforeMixed = 0;
    for (int f = 0; f < 40; f++) {
      Film shown = denoised(3);
      float own = at(shown, 16, 16);
      filter.mix(film(3), shown, surfaces(0, 2), STILL);
      float is = at(shown, 16, 16);
      if (f > 8) {
        single += (own - before) * (own - before);
        mixed += (is - beforeMixed) * (is - beforeMixed);
        assertThat(is).isCloseTo(3, within(0.3f));
      }
      before = own;
      beforeMixed = is;
    }
    assertThat(Math.sqrt(mixed)).isLessThan(0.3 * Math.sqrt(single));
  }

  @Test
  void lightThatHasChangedIsNotHeldBack() {
    TemporalFilter filter = new TemporalFilter();
    for (int f = 0; f < 8; f++) {
      filter.mix(film(3), denoised(3), surfaces(0, 2), STILL);
    }
    Film brighter = denoised(6);
    float own = at(brighter, 16, 16);
    filter.mix(film(6), brighter, surfaces(0, 2), STILL);
    assertThat(at(brighter, 16, 16)).isCloseTo(own, within(0.02f));
  }

  /** Such as the edge of a shadow that creeps on, or a lamp that moves. */
  @Test
  void aChangeThatIsLessThanNoiseButEverywhereIsNotHeldBack() {
    TemporalFilter filter = new TemporalFilter();
    for (int f = 0; f < 8; f++) {
      filter.mix(film(3), denoised(3), surfaces(0, 2), STILL);
    }
    // Two thirds of a pixel's standard error.
    Film brighter = denoised(3.5);
    float own = at(brighter, 16, 16);
    filter.mix(film(3.5), brighter, surfaces(0, 2), STILL);
    assertThat(at(brighter, 16, 16)).isCloseTo(own, within(0.2f * Math.abs(own - 3)));
  }

  @Test
  void anotherPieceOrAnotherDistanceIsAnotherPlace() {
    for (SurfaceData other : new SurfaceData[] {surfaces(1, 2), surfaces(0, 2.2f)}) {
      TemporalFilter filter = new TemporalFilter();
      filter.mix(film(3), denoised(3), surfaces(0, 2), STILL);
      Film next = denoised(3.1);
      float own = at(next, 16, 16);
      TemporalFilter.Reprojection reprojection =
          (x, y, to) -> {
            STILL.previous(x, y, to);
            to[2] = other.data()[SurfaceData.DEPTH];
            return true;
          };
      filter.mix(film(3.1), next, other, reprojection);
      assertThat(at(next, 16, 16)).isEqualTo(own);
    }
  }

  @Test
  void placesAreFollowedByTheirMotion() {
    TemporalFilter filter = new TemporalFilter();
    Film first = denoised(3);
    first.sums(0)[3 * (10 * SIZE + 10)] = 3.3f;
    filter.mix(film(3), first, surfaces(0, 2), STILL);
    Film next = denoised(3);
    float own = at(next, 14, 10);
    filter.mix(
        film(3),
        next,
        surfaces(0, 2),
        (x, y, to) -> {
          to[0] = x - 3.5f;
          to[1] = y + 0.5f;
          to[2] = 2;
          return true;
        });
    assertThat(at(next, 14, 10)).isGreaterThan(own);
    assertThat(at(next, 2, 10)).as("came in over the edge").isEqualTo(at(next, 1, 10));
  }

  @Test
  void whatIsKeptGoesOnTheSame() {
    TemporalFilter filter = new TemporalFilter(), other = new TemporalFilter();
    filter.mix(film(3), denoised(3), surfaces(0, 2), STILL);
    other.resume(filter.state());
    Film traced = film(3), a = denoised(3), b = new Film(SIZE, SIZE, 1);
    System.arraycopy(a.sums(0), 0, b.sums(0), 0, b.sums(0).length);
    filter.mix(traced, a, surfaces(0, 2), STILL);
    other.mix(traced, b, surfaces(0, 2), STILL);
    assertThat(a.sums(0)).isEqualTo(b.sums(0));
  }
}

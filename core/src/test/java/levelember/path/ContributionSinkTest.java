package levelember.path;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.film.Film;
import org.junit.jupiter.api.Test;

class ContributionSinkTest {
  private final RayCount.Tally rays = new RayCount.Tally();
  private final Film film = new Film(4, 2, 2);
  private final ContributionSink sink = new ContributionSink(rays, false, new boolean[2]);

  @Test
  void aContributionIsAddedToItsLayerAndPixel() {
    sink.begin(film, 1, 1, 0, false);
    sink.addBehind(1, 1, 2, 3);
    sink.addBehind(1, 1, 1, 1);
    assertThat(film.sums(1)).containsSubsequence(2, 3, 4);
    assertThat(film.sums(0)).containsOnly(0);
    assertThat(rays.take().dropped()).isZero();
  }

  /** One bad sample does not end a picture: it is left out and counted. */
  @Test
  void whatIsNoFiniteNumberIsDroppedAndCounted() {
    sink.begin(film, 1, 1, 1, false);
    sink.addBehind(0, Float.NaN, 1, 1);
    sink.addBehind(0, 1, Float.POSITIVE_INFINITY, 1);
    sink.addBehind(0, 1, Float.NEGATIVE_INFINITY, Float.POSITIVE_INFINITY);
    sink.addBehind(0, 3e38f, 3e38f, 0);
    assertThat(film.sums(0)).containsOnly(0);
    assertThat(rays.take().dropped()).isEqualTo(4);
    assertThat(rays.take()).isEqualTo(RayCount.NONE);
  }
}

package levelember.math;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SamplerTest {
  /** The property of a (0, m, 2)-net: each elementary interval of 2^m holds exactly one point. */
  @ParameterizedTest
  @CsvSource({"1,0,8", "7,3,8", "99,12345,6", "4,17,4"})
  void everyElementaryIntervalHoldsOnePoint(int seed, int pixel, int m) {
    Sampler points = new Sampler();
    int n = 1 << m;
    for (int across = 0; across <= m; across++) {
      boolean[] seen = new boolean[n];
      for (int sample = 0; sample < n; sample++) {
        points.start(seed, pixel, sample);
        points.pair(5);
        int column = (int) (points.u * (1 << across));
        int row = (int) (points.v * (1 << (m - across)));
        int cell = column * (1 << (m - across)) + row;
        assertThat(seen[cell]).as("cell %d of split %d", cell, across).isFalse();
        seen[cell] = true;
      }
    }
  }

  @ParameterizedTest
  @CsvSource({"1,2", "1,3", "64,65"})
  void twoDimensionsAreNotCorrelated(int a, int b) {
    Sampler points = new Sampler();
    double sum = 0;
    int pixels = 400, samples = 16;
    for (int pixel = 0; pixel < pixels; pixel++) {
      for (int s = 0; s < samples; s++) {
        points.start(3, pixel, s);
        points.pair(a);
        double u = points.u - 0.5;
        points.pair(b);
        sum += u * (points.u - 0.5);
      }
    }
    // The correlation of n independent pairs has a spread of 1/√n; four of them are allowed.
    double correlation = sum / pixels / samples * 12;
    assertThat(Math.abs(correlation)).isLessThan(4 / Math.sqrt(pixels * samples));
  }
}

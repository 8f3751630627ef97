package levelember.denoise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CrossBilateralFilterTest {
  private static final int HEIGHT = 3;
  private static final DenoiserStops BY_LIGHT = new DenoiserStops(2, 1.1f, 25, 9);
  private static final DenoiserStops BY_GUIDES = new DenoiserStops(0, 1, 0, 0);

  private static DenoiserPlane plane(int width, DenoiserStops stops) {
    DenoiserPlane plane = new DenoiserPlane(width * HEIGHT, stops);
    Random random = new Random(7);
    for (float[] of :
        new float[][] {plane.r, plane.g, plane.b, plane.variance, plane.light, plane.tolerance}) {
      for (int i = 0; i < of.length; i++) {
        of[i] = random.nextFloat();
      }
    }
    return plane;
  }

  /** Taps of the middle row, of which each column agrees by another share. */
  private static CrossBilateralFilter.Taps taps(int width, int step) {
    CrossBilateralFilter.Taps taps = new CrossBilateralFilter.Taps(width);
    Random random = new Random(3);
    for (int j = -1; j <= 1; j++) {
      for (int i = -1; i <= 1; i++) {
        if (i != 0 || j != 0) {
          int t = taps.count++;
          taps.shift[t] = i * step;
          taps.there[t] = (1 + j) * width + i * step;
          for (int x = 0; x < width; x++) {
            taps.alike[t][x] = random.nextFloat();
          }
        }
      }
    }
    return taps;
  }

  @ParameterizedTest
  @CsvSource({"64, 1", "61, 8", "61, 27", "40, 32", "17, 16", "5, 1", "3, 2"})
  void vectorsAndPlainLoopsAgreeUpToTheBorders(int width, int step) {
    for (DenoiserStops stops : new DenoiserStops[] {BY_LIGHT, BY_GUIDES}) {
      DenoiserPlane plain = plane(width, stops), wide = plane(width, stops);
      new CrossBilateralFilter().means(plain, taps(width, step), width, width, 0.25f);
      new WideCrossBilateralFilter().means(wide, taps(width, step), width, width, 0.25f);
      float[][] expected = {plain.nextR, plain.nextG, plain.nextB, plain.nextVariance};
      float[][] actual = {wide.nextR, wide.nextG, wide.nextB, wide.nextVariance};
      for (int c = 0; c < expected.length; c++) {
        for (int i = 0; i < expected[c].length; i++) {
          assertThat(actual[c][i]).isCloseTo(expected[c][i], within(1e-6f));
          assertThat(actual[c][i] > 0).as("only the middle row").isEqualTo(i / width == 1);
        }
      }
    }
  }

  @ParameterizedTest
  @CsvSource({"true", "false"})
  void aMeanIsTheWeightedMeanOfWhatAgrees(boolean vectors) {
    int width = 24;
    DenoiserPlane plane = plane(width, BY_GUIDES);
    CrossBilateralFilter.Taps taps = taps(width, 2);
    (vectors ? new WideCrossBilateralFilter() : new CrossBilateralFilter())
        .means(plane, taps, width, width, 0.25f);
    int x = 9, at = width + x;
    double sum = 0.25 * plane.r[at], weights = 0.25;
    double variance = 0.0625 * plane.variance[at];
    for (int t = 0; t < taps.count; t++) {
      double w = taps.alike[t][x];
      sum += w * plane.r[taps.there[t] + x];
      variance += w * w * plane.variance[taps.there[t] + x];
      weights += w;
    }
    assertThat((double) plane.nextR[at]).isCloseTo(sum / weights, within(1e-6));
    assertThat((double) plane.nextVariance[at])
        .isCloseTo(variance / weights / weights, within(1e-6));
  }
}

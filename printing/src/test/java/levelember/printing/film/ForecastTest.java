package levelember.printing.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import levelember.noise.Noise;
import levelember.noise.TileChoice;
import org.junit.jupiter.api.Test;

class ForecastTest {
  private static final int TILES = 60, MOST = 1 << 14;

  /** Tiles whose noise falls with the root of their samples, some ten times as noisy as others. */
  private static float[] noise(int[] samples) {
    float[] to = new float[TILES];
    for (int t = 0; t < TILES; t++) {
      float first = t % 6 == 0 ? 1 : 0.1f;
      to[t] = samples[t] == 0 ? Float.POSITIVE_INFINITY : first / (float) Math.sqrt(samples[t]);
    }
    return to;
  }

  private static int[] even(int n) {
    int[] samples = new int[TILES];
    Arrays.fill(samples, n);
    return samples;
  }

  private static double sum(int[] samples) {
    return Arrays.stream(samples).sum();
  }

  @Test
  void evenSamplesAreDoneWhenTheirPaceSays() {
    Forecast forecast = new Forecast(new PrintTarget(40, 0, 0));
    float[] unknown = new float[TILES];
    Arrays.fill(unknown, Float.POSITIVE_INFINITY);
    for (int n = 1; n <= 10; n++) {
      forecast.note(3 * n, even(n), unknown, even(n));
    }
    assertThat(forecast.secondsLeft()).isCloseTo(90, within(1e-6));
    assertThat(forecast.done()).isCloseTo(0.25, within(1e-6));
    assertThat(forecast.factor()).isBetween(1.1, 1.3);
  }

  @Test
  void aTimeEndsByTheClock() {
    Forecast forecast = new Forecast(new PrintTarget(1000, 0, 60));
    forecast.note(20, even(2), noise(even(2)), even(2));
    assertThat(forecast.secondsLeft()).isCloseTo(40, within(1e-6));
  }

  @Test
  void theRoundsToANoiseAreForeseen() {
    double wanted = 0.04;
    int[] samples = even(8);
    NoiseForecast forecast = new NoiseForecast(wanted, MOST);
    double foreseen = forecast.samplesLeft(samples, noise(samples), samples);
    double first = sum(samples);
    int[] next = samples.clone();
    while (TileChoice.choose(samples, noise(samples), wanted, MOST, next)) {
      samples = next.clone();
    }
    assertThat(Noise.whole(noise(samples))).isLessThanOrEqualTo(wanted);
    assertThat(foreseen).isCloseTo(sum(samples) - first, within(0.02 * sum(samples)));
  }

  /** As bright samples are met late, the noise falls slower than it should. */
  @Test
  void whatFallsSlowerIsForeseenToNeedMore() {
    NoiseForecast steady = new NoiseForecast(0.02, MOST), slow = new NoiseForecast(0.02, MOST);
    double usual = 0, more = 0;
    for (int n = 8; n <= 64; n *= 2) {
      float[] noise = noise(even(n)), late = noise.clone();
      for (int t = 0; t < TILES; t++) {
        late[t] *= (float) Math.pow(n / 64.0, 0.2);
      }
      usual = steady.samplesLeft(even(n), noise, even(n));
      more = slow.samplesLeft(even(n), late, even(n));
    }
    assertThat(more).isGreaterThan(1.5 * usual);
  }

  @Test
  void tilesThatAreNotTracedYetCountAsTheOthers() {
    int[] samples = even(8);
    double known = new NoiseForecast(0.02, MOST).samplesLeft(samples, noise(samples), samples);
    Arrays.fill(samples, TILES / 2, TILES, 0);
    double half = new NoiseForecast(0.02, MOST).samplesLeft(samples, noise(samples), samples);
    assertThat(half).isBetween(known * 0.5, known * 2);
  }
}

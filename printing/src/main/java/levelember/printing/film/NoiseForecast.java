package levelember.printing.film;

import java.util.ArrayList;
import java.util.List;
import levelember.noise.TileChoice;

/**
 * How many samples a picture still needs for a noise: the rounds that choose tiles are gone through
 * without tracing, each tile's noise falling with a power of its samples. The power is −0.5, less
 * what the tiles are found to have fallen slower since they had half of their samples, as rare
 * bright samples are met late.
 */
final class NoiseForecast {
  /** Part of the samples at which the tiles are looked back on. */
  private static final double LOOK_BACK = 0.5;

  /** Powers of the samples that are believed to be missing from −0.5. */
  private static final double LEAST_SLOWER = -0.1, MOST_SLOWER = 0.25;

  /** Part of the power found that is believed. */
  private static final double BELIEVED = 0.7;

  private static final int MOST_ROUNDS = 400;

  private record State(double sum, int[] samples, float[] noise) {}

  private final double wanted;
  private final int most;
  private final List<State> earlier = new ArrayList<>();

  /**
   * @param wanted noise of the picture, 1 for 100 percent
   * @param most samples of a tile
   */
  NoiseForecast(double wanted, int most) {
    this.wanted = wanted;
    this.most = most;
  }

  /**
   * Samples of all tiles together that are still needed.
   *
   * @param samples of every tile so far
   * @param noise of every tile; infinite where it is not known, which counts as the mean of those
   *     that are
   * @param targets of the round that is being traced
   * @return NaN before any tile's noise is known
   */
  double samplesLeft(int[] samples, float[] noise, int[] targets) {
    float[] v = known(noise);
    if (v == null) {
      return Double.NaN;
    }
    int[] n = new int[samples.length];
    for (int t = 0; t < n.length; t++) {
      n[t] = Math.max(1, samples[t]);
    }
    double sum = sum(n);
    double power = 0.5 - missingPower(n, v, sum);
    if (earlier.isEmpty() || sum > 1.1 * earlier.getLast().sum()) {
      earlier.add(new State(sum, n.clone(), v.clone()));
    }
    int[] next = targets.clone();
    for (int round = 0; round < MOST_ROUNDS; round++) {
      for (int t = 0; t < n.length; t++) {
        if (next[t] > n[t]) {
          v[t] *= (float) StrictMath.pow(n[t] / (double) next[t], power);
          n[t] = next[t];
        }
      }
      next = n.clone();
      if (!TileChoice.choose(n, v, wanted, most, next)) {
        break;
      }
    }
    return sum(n) - sum;
  }

  private static double sum(int[] samples) {
    double sum = 0;
    for (int n : samples) {
      sum += n;
    }
    return sum;
  }

  /** Noise with that of unknown tiles filled in, or null when none is known. */
  private static float[] known(float[] noise) {
    double squares = 0;
    int n = 0;
    for (float v : noise) {
      if (Float.isFinite(v)) {
        squares += (double) v * v;
        n++;
      }
    }
    if (n == 0) {
      return null;
    }
    float mean = (float) Math.sqrt(squares / n);
    float[] to = noise.clone();
    for (int t = 0; t < to.length; t++) {
      to[t] = Float.isFinite(to[t]) ? to[t] : mean;
    }
    return to;
  }

  /** Power of the samples by which the tiles' noise has fallen slower than by −0.5. */
  private double missingPower(int[] samples, float[] noise, double sum) {
    State then = null;
    for (State s : earlier) {
      then = s.sum() <= LOOK_BACK * sum ? s : then;
    }
    if (then == null) {
      return 0;
    }
    double found = 0, expected = 0, logs = 0;
    for (int t = 0; t < samples.length; t++) {
      double ratio = then.samples()[t] / (double) samples[t];
      double square = (double) then.noise()[t] * then.noise()[t] * ratio;
      found += (double) noise[t] * noise[t];
      expected += square;
      logs -= square * StrictMath.log(ratio);
    }
    double power =
        logs > 0 && found > 0 ? 0.5 * StrictMath.log(found / expected) * expected / logs : 0;
    return BELIEVED * Math.clamp(power, LEAST_SLOWER, MOST_SLOWER);
  }
}

package levelember.printing.film;

import java.util.ArrayDeque;
import java.util.Deque;
import levelember.noise.Convergence;
import levelember.noise.Noise;

/**
 * When a print will be done: the samples that it needs at the pace at which they came of late, and
 * how far that may be off, by how much earlier answers have wavered.
 */
final class Forecast {
  /** Answers that are looked back on. */
  private static final int KEPT = 24;

  /** What an answer may be off at the least, and what it may be before there are several. */
  private static final double LEAST_FACTOR = 1.2, FIRST_FACTOR = 2;

  /** The same where a noise is wanted, which falls by fits and starts. */
  private static final double LEAST_NOISE_FACTOR = 1.6;

  /** Part by which a print has grown before the samples that it needs are worked out anew. */
  private static final double AGAIN = 0.03;

  /** Part of the tracing so far whose pace is carried on. */
  private static final double PACE_FROM = 0.5;

  private record Pace(double seconds, double samples) {}

  private final PrintTarget target;
  private final NoiseForecast noiseForecast;
  private final Convergence convergence = new Convergence();
  private final Deque<Double> totals = new ArrayDeque<>();
  private final Deque<Pace> paces = new ArrayDeque<>();
  private double seconds, sum, all, needed = Double.NaN;
  private double neededAt = -1;

  /** Samples of all tiles when the present round is done. */
  private double roundEnd;

  Forecast(PrintTarget target) {
    this.target = target;
    noiseForecast = new NoiseForecast(target.noise(), target.samples());
  }

  /**
   * Notes how far it is.
   *
   * @param tracedSeconds of tracing so far
   * @param samples of every tile
   * @param noise of every tile, infinite where it is not known
   * @param targets samples that the tiles get in the round that is being traced
   */
  void note(double tracedSeconds, int[] samples, float[] noise, int[] targets) {
    seconds = tracedSeconds;
    all = (double) target.samples() * samples.length;
    sum = 0;
    roundEnd = 0;
    for (int t = 0; t < samples.length; t++) {
      sum += Math.min(samples[t], target.samples());
      roundEnd += Math.min(Math.max(samples[t], targets[t]), target.samples());
    }
    convergence.note(seconds, Noise.whole(noise));
    paces.addLast(new Pace(seconds, sum));
    while (paces.size() > 2 && paces.getFirst().seconds() < PACE_FROM * seconds) {
      paces.removeFirst();
    }
    if (target.noise() > 0 && seconds > (1 + AGAIN) * neededAt) {
      double more = noiseForecast.samplesLeft(samples, noise, targets);
      needed = sum + more;
      neededAt = seconds;
    }
    double left = secondsLeft();
    if (Double.isFinite(left)) {
      totals.addLast(seconds + left);
      if (totals.size() > KEPT) {
        totals.removeFirst();
      }
    }
  }

  /** Seconds of tracing that are left, or NaN before it can be told. */
  double secondsLeft() {
    double left = secondsFor((target.noise() > 0 ? needed : all) - sum);
    if (target.noise() > 0) {
      // Where rare samples are what is left, tiles that are clean now will not be: the rounds see
      // too little work, the picture's noise as it has fallen tells more.
      double fallen = convergence.secondsTo(target.noise());
      left = Double.isNaN(fallen) ? left : Math.max(Math.sqrt(left * fallen), 0.5 * fallen);
      // A round is traced to its end, however clean the picture is before.
      left = Double.isNaN(left) ? left : Math.max(left, secondsFor(roundEnd - sum));
    }
    if (target.seconds() > 0) {
      double due = Math.max(0, target.seconds() - seconds);
      left = Double.isNaN(left) ? due : Math.min(left, due);
    }
    return left;
  }

  /** Seconds for so many samples of tiles at the pace of late. */
  private double secondsFor(double samples) {
    if (paces.isEmpty() || sum == 0) {
      return Double.NaN;
    }
    Pace from = paces.getFirst();
    double pace =
        sum > from.samples() ? (seconds - from.seconds()) / (sum - from.samples()) : seconds / sum;
    return Math.max(0, samples) * pace;
  }

  /** Factor by which the time left may be longer or shorter, more than 1. */
  double factor() {
    if (totals.size() < 4) {
      return FIRST_FACTOR;
    }
    double mean = 0, squares = 0;
    for (double total : totals) {
      double l = StrictMath.log(Math.max(1e-3, total));
      mean += l / totals.size();
      squares += l * l / totals.size();
    }
    double deviation = Math.sqrt(Math.max(0, squares - mean * mean));
    double least = target.noise() > 0 ? LEAST_NOISE_FACTOR : LEAST_FACTOR;
    return Math.max(least, StrictMath.exp(2 * deviation));
  }

  /** How much of the whole is done, 0…1. */
  double done() {
    double left = secondsLeft();
    return Double.isNaN(left)
        ? sum / Math.max(1, all)
        : seconds + left > 0 ? seconds / (seconds + left) : 0;
  }
}

package levelember.print;

import java.util.ArrayDeque;
import java.util.Deque;
import levelember.film.Convergence;

/**
 * When a print will be done, by how its noise has fallen or its samples have come in, and how far
 * that may be off, by how much earlier answers have wavered.
 */
final class Forecast {
  /** Answers that are looked back on. */
  private static final int KEPT = 24;

  /** What an answer may be off at the least, and what it may be before there are several. */
  private static final double LEAST_FACTOR = 1.1, FIRST_FACTOR = 2;

  private final PrintTarget target;
  private final Convergence convergence = new Convergence();
  private final Deque<Double> totals = new ArrayDeque<>();
  private double seconds, share, noise = Double.NaN;

  Forecast(PrintTarget target) {
    this.target = target;
  }

  /**
   * Notes how far it is.
   *
   * @param tracedSeconds of tracing so far
   * @param sampleShare of the samples of all tiles that the target asks for at most, 0…1
   * @param known noise of the whole picture, or NaN
   */
  void note(double tracedSeconds, double sampleShare, double known) {
    seconds = tracedSeconds;
    share = sampleShare;
    if (Double.isFinite(known)) {
      noise = known;
      convergence.note(tracedSeconds, known);
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
    double left = share > 0 ? seconds * (1 - share) / share : Double.NaN;
    if (target.noise() > 0) {
      double clean = convergence.secondsTo(target.noise());
      left = Double.isNaN(clean) ? Double.NaN : Double.isNaN(left) ? clean : Math.min(left, clean);
    }
    if (target.seconds() > 0) {
      double due = Math.max(0, target.seconds() - seconds);
      left = Double.isNaN(left) ? due : Math.min(left, due);
    }
    return left;
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
    return Math.max(LEAST_FACTOR, StrictMath.exp(2 * deviation));
  }

  /** Noise that was told last, or NaN. */
  double noise() {
    return noise;
  }

  /** How much of the whole is done, 0…1. */
  double done() {
    double left = secondsLeft();
    return Double.isNaN(left) ? share : seconds + left > 0 ? seconds / (seconds + left) : 0;
  }
}

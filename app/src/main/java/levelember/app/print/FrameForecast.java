package levelember.app.print;

import java.util.ArrayDeque;
import java.util.Deque;

/** How long frames take, and what those that are left will. */
final class FrameForecast {
  /** Frames that the pace is taken from. */
  private static final int LATEST = 12;

  private final Deque<Double> latest = new ArrayDeque<>();
  private final double before;
  private double traced;
  private double inHand;
  private long begunNanos;
  private int left;

  /**
   * Begins.
   *
   * @param before seconds that were traced already
   */
  FrameForecast(double before) {
    this.before = before;
  }

  /** A frame is begun. */
  void begun() {
    begunNanos = System.nanoTime();
    inHand = 0;
  }

  /** So many seconds of the frame in hand are traced. */
  void tracing(double seconds) {
    inHand = seconds;
  }

  /** The frame in hand is made; so many are left. */
  void made(int stillLeft) {
    latest.addLast((System.nanoTime() - begunNanos) / 1e9);
    if (latest.size() > LATEST) {
      latest.removeFirst();
    }
    traced += inHand;
    inHand = 0;
    left = stillLeft;
  }

  double tracedSeconds() {
    return before + traced + inHand;
  }

  /**
   * What is left, or NaN before the first frame is made.
   *
   * @param part of the frame in hand that is done, 0…1
   */
  double secondsLeft(double part) {
    return latest.isEmpty() ? Double.NaN : Math.max(0, left - part) * mean();
  }

  private double mean() {
    return latest.stream().mapToDouble(s -> s).average().orElse(Double.NaN);
  }

  /** By how much it may be off: what the latest frames differ by, a fifth at the least. */
  double factor() {
    if (latest.size() < 2) {
      return 2;
    }
    double mean = mean();
    double variance = latest.stream().mapToDouble(s -> (s - mean) * (s - mean)).average().orElse(0);
    return Math.max(1.2, 1 + Math.sqrt(variance) / Math.max(1e-9, mean));
  }
}

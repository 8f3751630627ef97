package levelember.noise;

import java.util.ArrayList;
import java.util.List;

/**
 * How a picture's noise has fallen with the time spent on it, and when it will have fallen enough.
 */
public final class Convergence {
  /** Slopes of log noise over log time that are believed; −0.5 is independent samples. */
  private static final double STEEPEST = -1, FLATTEST = -0.25, INDEPENDENT = -0.5;

  private static final double BACK = 2.5, BELIEVED = 0.5;

  private final double usual;

  private record Point(double seconds, double noise) {}

  private final List<Point> points = new ArrayList<>();

  /** For the noise of independent samples. */
  public Convergence() {
    this(INDEPENDENT);
  }

  /**
   * For an error that falls in another way.
   *
   * @param usual slope of its logarithm over that of time, −1 to −0.25
   */
  public Convergence(double usual) {
    this.usual = usual;
  }

  /** Forgets what was seen, as the picture has changed. */
  public void restart() {
    points.clear();
  }

  /** Notes the noise after so many seconds of tracing; infinite noise is not noted. */
  public void note(double seconds, double noise) {
    if (seconds > 0 && noise > 0 && Double.isFinite(noise)) {
      points.add(new Point(seconds, noise));
    }
  }

  /**
   * Seconds of tracing still needed for a noise.
   *
   * @return 0 when it is reached, NaN before anything was noted
   */
  public double secondsTo(double wanted) {
    if (points.isEmpty()) {
      return Double.NaN;
    }
    Point last = points.getLast();
    if (last.noise <= wanted) {
      return 0;
    }
    Point then = null;
    for (Point p : points) {
      if (p.seconds * BACK <= last.seconds) {
        then = p;
      }
    }
    double slope = usual;
    if (then != null && then.noise > last.noise) {
      slope = StrictMath.log(last.noise / then.noise) / StrictMath.log(last.seconds / then.seconds);
      // Choosing tiles gains most at first, so what was seen is believed in part.
      slope = BELIEVED * Math.clamp(slope, STEEPEST, FLATTEST) + (1 - BELIEVED) * usual;
    }
    return last.seconds * (StrictMath.pow(wanted / last.noise, 1 / slope) - 1);
  }
}

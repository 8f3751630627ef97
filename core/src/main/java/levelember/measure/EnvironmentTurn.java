package levelember.measure;

import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleFunction;

/**
 * How far a surrounding picture is to be turned so that the picture, with levels matched at every
 * turn, comes nearest to a reference: the best of twelve turns, then halved steps about it.
 *
 * @param before degrees, as the surrounding stands
 * @param degrees where it comes nearest, within 180° of {@code before}
 * @param match levels there; its {@code before} is what is off as the surrounding stands and levels
 *     are
 */
public record EnvironmentTurn(double before, double degrees, ReferenceMatch match) {
  private static final int COARSE = 12, HALVINGS = 3;

  /** What has to be gained for a turn to be worth a change, of what is off without. */
  private static final double GAIN = 0.03;

  /**
   * Searches for the turn.
   *
   * @param before degrees, as the surrounding stands
   * @param matched the match with the surrounding turned to some degrees; asked about twenty times
   */
  public static EnvironmentTurn search(double before, DoubleFunction<ReferenceMatch> matched) {
    Map<Double, ReferenceMatch> tried = new TreeMap<>();
    double step = 360.0 / COARSE;
    for (int i = 0; i < COARSE; i++) {
      double by = i <= COARSE / 2 ? i * step : i * step - 360;
      tried.put(by, matched.apply(before + by));
    }
    ReferenceMatch still = tried.get(0.0);
    for (int i = 0; i < HALVINGS; i++) {
      step /= 2;
      double best = best(tried);
      for (double by : new double[] {best - step, best + step}) {
        tried.computeIfAbsent(by, b -> matched.apply(before + b));
      }
    }
    double best = best(tried);
    ReferenceMatch there = tried.get(best);
    if (there.after() > (1 - GAIN) * still.after()) {
      return new EnvironmentTurn(before, before, still);
    }
    return new EnvironmentTurn(
        before, before + best, new ReferenceMatch(there.moves(), still.before(), there.after()));
  }

  private static double best(Map<Double, ReferenceMatch> tried) {
    return tried.entrySet().stream()
        .min(Map.Entry.comparingByValue((a, b) -> Double.compare(a.after(), b.after())))
        .orElseThrow()
        .getKey();
  }

  /** True where turning it comes nearer than leaving it. */
  public boolean turned() {
    return degrees != before;
  }
}

package levelember.shoot.lighting;

import java.util.List;
import levelember.document.Checks;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/**
 * A lamp's measured intensities by direction (photometric web of type C): the pole is the lamp's
 * aim, the half planes turn about it, the first one towards the lamp's right.
 */
public record Profile(
    @Field(meaning = "as the artist reads it", defaultValue = "\"Profile\"") String name,
    @Field(
            meaning = "angles from the pole, rising; the pole is the lamp's aim",
            min = 0,
            max = 180,
            unit = "°",
            minEntries = 2,
            maxEntries = 2000)
        List<Double> polar,
    @Field(
            meaning = "angles of the half planes, rising; one for a lamp that is round",
            min = 0,
            max = 360,
            unit = "°",
            minEntries = 1,
            maxEntries = 2000)
        List<Double> around,
    @Field(
            meaning = "intensities as measured, half plane after half plane",
            min = 0,
            max = 1e9,
            unit = "cd",
            minEntries = 2,
            maxEntries = Profile.MOST)
        List<Double> candela) {
  /** More values than this are refused. */
  public static final int MOST = 40_000;

  public Profile {
    RecordFields.check(Profile.class, name, polar, around, candela);
    polar = List.copyOf(polar);
    around = List.copyOf(around);
    candela = List.copyOf(candela);
    if (candela.size() != polar.size() * around.size()) {
      throw new ImpossibleValue(
          "candela.length", candela.size(), polar.size() + " times " + around.size());
    }
    rising("polar", polar, 180);
    rising("around", around, 360);
    double most = 0;
    for (int i = 0; i < candela.size(); i++) {
      most = Math.max(most, candela.get(i));
    }
    if (!(most > 0)) {
      throw new ImpossibleValue("candela", "all 0", "some light");
    }
  }

  private static void rising(String field, List<Double> angles, double most) {
    for (int i = 0; i < angles.size(); i++) {
      Checks.range(
          field + "[" + i + "]", angles.get(i), i == 0 ? 0 : Math.nextUp(angles.get(i - 1)), most);
    }
  }

  /** The highest intensity, cd. */
  public double peak() {
    return candela.stream().mapToDouble(Double::doubleValue).max().orElseThrow();
  }

  /**
   * Intensity in a direction, cd; 0 beyond the polar angles that were measured.
   *
   * @param polarDegrees from the pole
   * @param aroundDegrees any turn
   */
  public double at(double polarDegrees, double aroundDegrees) {
    int rows = polar.size();
    if (polarDegrees < polar.getFirst() - 1e-9 || polarDegrees > polar.getLast() + 1e-9) {
      return 0;
    }
    int p = below(polar, polarDegrees);
    double fp = part(polar, p, polarDegrees);
    int n = around.size();
    double turn = aroundDegrees - 360 * Math.floor(aroundDegrees / 360);
    int a = -1;
    for (int i = 0; i < n; i++) {
      if (around.get(i) <= turn) {
        a = i;
      }
    }
    int low = a < 0 ? n - 1 : a, high = a + 1 < n ? a + 1 : 0;
    double from = around.get(low) - (a < 0 ? 360 : 0);
    double to = around.get(high) + (a + 1 < n ? 0 : 360);
    double fa = to > from ? (turn - from) / (to - from) : 0;
    double lowValue = line(low * rows, p, fp), highValue = line(high * rows, p, fp);
    return lowValue + fa * (highValue - lowValue);
  }

  private double line(int row, int p, double part) {
    double low = candela.get(row + p);
    return p + 1 < polar.size() ? low + part * (candela.get(row + p + 1) - low) : low;
  }

  private static int below(List<Double> angles, double at) {
    int low = 0, high = angles.size() - 1;
    while (high - low > 1) {
      int middle = (low + high) >>> 1;
      if (angles.get(middle) <= at) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private static double part(List<Double> angles, int i, double at) {
    return i + 1 < angles.size()
        ? Math.clamp((at - angles.get(i)) / (angles.get(i + 1) - angles.get(i)), 0, 1)
        : 0;
  }

  /** The flux of the whole profile, lm: its intensities over the sphere. */
  public double lumens() {
    return lumensWithin(180);
  }

  /** The flux up to an angle from the pole, lm. */
  public double lumensWithin(double mostDegrees) {
    int steps = 1440, turns = around.size() == 1 ? 1 : 72;
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      double a = mostDegrees * i / steps, b = mostDegrees * (i + 1) / steps;
      double band = StrictMath.cos(Math.toRadians(a)) - StrictMath.cos(Math.toRadians(b));
      double mean = 0;
      for (int t = 0; t < turns; t++) {
        mean += at((a + b) / 2, 360.0 * (t + 0.5) / turns) / turns;
      }
      sum += 2 * Math.PI * band * mean;
    }
    return sum;
  }
}

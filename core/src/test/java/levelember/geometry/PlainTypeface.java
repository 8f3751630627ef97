package levelember.geometry;

import java.util.List;

/** Letters for tests: every one a square ring of a capital's height. */
public final class PlainTypeface implements Typeface {
  @Override
  public List<double[]> outline(int codePoint) {
    return codePoint == ' '
        ? List.of()
        : List.of(
            new double[] {0, 0, 0, 1, 1, 1, 1, 0},
            new double[] {0.25, 0.25, 0.75, 0.25, 0.75, 0.75, 0.25, 0.75});
  }

  @Override
  public double advance(int codePoint) {
    return 1.25;
  }
}

package levelember.bench;

import java.util.Arrays;

/**
 * What several runs of one measurement gave.
 *
 * @param median the middle one
 * @param least the smallest
 * @param most the largest
 */
record Spread(double median, double least, double most) {
  static Spread of(double... runs) {
    double[] s = runs.clone();
    Arrays.sort(s);
    return new Spread(s[s.length / 2], s[0], s[s.length - 1]);
  }
}

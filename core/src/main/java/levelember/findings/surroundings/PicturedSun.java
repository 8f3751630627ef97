package levelember.findings.surroundings;

import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * The sun in a surrounding picture: a compact spot above the horizon that is far brighter than all
 * else.
 *
 * @param column of its middle, pixels
 * @param row of its middle, pixels
 * @param degrees across
 * @param stops of its luminance over the picture's mean
 * @param mean luminance of the picture by solid angle, as its values have it
 */
record PicturedSun(double column, double row, double degrees, double stops, double mean) {
  private static final double NEAR_TOP = 0.5, WIDEST_DEGREES = 12, LEAST_STOPS = 5;

  /** Finds it; null where there is none. */
  static PicturedSun of(Picture p) {
    int w = p.width(), h = p.height();
    double top = 0, sum = 0, of = 0;
    for (int y = 0; y < h; y++) {
      double weight = StrictMath.sin(Math.PI * (y + 0.5) / h);
      for (int x = 0; x < w; x++) {
        double l = luminance(p, x, y);
        top = Math.max(top, l);
        sum += weight * l;
        of += weight;
      }
    }
    double mean = sum / of, stops = StrictMath.log(top / Math.max(1e-12, mean)) / StrictMath.log(2);
    if (!(top > 0) || stops < LEAST_STOPS) {
      return null;
    }
    double column = 0, row = 0;
    int left = w, right = -1, high = h, low = -1, n = 0;
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        if (luminance(p, x, y) >= NEAR_TOP * top) {
          left = Math.min(left, x);
          right = Math.max(right, x);
          high = Math.min(high, y);
          low = Math.max(low, y);
          column += x + 0.5;
          row += y + 0.5;
          n++;
        }
      }
    }
    double degrees = Math.max((right - left + 1) * 360.0 / w, (low - high + 1) * 180.0 / h);
    return degrees > WIDEST_DEGREES || row / n > 0.5 * h
        ? null
        : new PicturedSun(column / n, row / n, degrees, stops, mean);
  }

  private static double luminance(Picture p, int x, int y) {
    int i = 3 * (y * p.width() + x);
    return Colour.luminance(p.rgb()[i], p.rgb()[i + 1], p.rgb()[i + 2]);
  }
}

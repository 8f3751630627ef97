package levelember.measure;

import java.util.Arrays;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * Exposure values that would suit a picture, as suggestions.
 *
 * @param average puts the mean of all stops at mid grey
 * @param spot puts one place at mid grey
 * @param highlights puts the brightest of the picture, but for one part in two hundred, just below
 *     display white
 */
public record Metering(double average, double spot, double highlights) {
  private static final double MID = 0.18;
  private static final double HELD = 0.9;
  private static final double LEFT_OUT = 1 / 200.0;
  private static final int SPOT_SHARE = 40;
  private static final double LEAST_EV = -20, MOST_EV = 30;

  /**
   * Meters a picture.
   *
   * @param picture cd/m²
   * @param x place of the spot, 0…1 from the left
   * @param y place of the spot, 0…1 from the top
   */
  public static Metering of(Picture picture, double x, double y) {
    int n = picture.width() * picture.height();
    float[] light = new float[n];
    float[] brightest = new float[n];
    double logs = 0;
    for (int i = 0; i < n; i++) {
      float r = picture.rgb()[3 * i], g = picture.rgb()[3 * i + 1], b = picture.rgb()[3 * i + 2];
      light[i] = Colour.luminance(r, g, b);
      brightest[i] = Math.max(r, Math.max(g, b));
    }
    float[] sorted = light.clone();
    Arrays.sort(sorted);
    // What is all but black says nothing of the exposure.
    double floor = Math.max(1e-6, sorted[n - 1] * 1e-5);
    for (float v : light) {
      logs += StrictMath.log(Math.max(v, floor));
    }
    Arrays.sort(brightest);
    double high = brightest[Math.clamp((int) ((1 - LEFT_OUT) * n), 0, n - 1)];
    return new Metering(
        ev(StrictMath.exp(logs / n), MID), ev(spot(picture, light, x, y), MID), ev(high, HELD));
  }

  private static double spot(Picture picture, float[] light, double x, double y) {
    int w = picture.width(), h = picture.height();
    int reach = Math.max(1, h / SPOT_SHARE);
    int px = Math.clamp((int) (x * w), 0, w - 1), py = Math.clamp((int) (y * h), 0, h - 1);
    double sum = 0;
    int n = 0;
    for (int j = Math.max(0, py - reach); j <= Math.min(h - 1, py + reach); j++) {
      for (int i = Math.max(0, px - reach); i <= Math.min(w - 1, px + reach); i++) {
        if ((i - px) * (i - px) + (j - py) * (j - py) <= reach * reach) {
          sum += light[j * w + i];
          n++;
        }
      }
    }
    return sum / n;
  }

  /** The exposure value at which a luminance is shown so bright before the curve. */
  private static double ev(double luminance, double shown) {
    double ev = StrictMath.log(Math.max(luminance, 1e-9) / shown / 1.2) / StrictMath.log(2);
    return Math.clamp(Math.rint(100 * ev) / 100, LEAST_EV, MOST_EV);
  }
}

package levelember.measure;

import java.util.Arrays;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * What a surrounding picture can do.
 *
 * @param width pixels
 * @param height pixels
 * @param pixelsPerDegree along the horizon
 * @param stops from its darkest hundredth to its brightest pixel
 * @param clippedShare part of its pixels that stand at its very top value, 0…1; 0 when its highest
 *     light is whole
 * @param seamStops mean difference of the two borders over what the columns beside them differ by
 * @param brightest luminance of its brightest pixel, in the picture's unit
 * @param mean luminance over the sphere
 */
public record EnvironmentReading(
    int width,
    int height,
    double pixelsPerDegree,
    double stops,
    double clippedShare,
    double seamStops,
    double brightest,
    double mean) {

  /** Measures a picture. */
  public static EnvironmentReading of(Picture p) {
    int w = p.width(), h = p.height(), n = w * h;
    float[] light = new float[n];
    float top = 0;
    double sum = 0, of = 0;
    for (int i = 0; i < n; i++) {
      light[i] = Colour.luminance(p.rgb()[3 * i], p.rgb()[3 * i + 1], p.rgb()[3 * i + 2]);
      for (int c = 0; c < 3; c++) {
        top = Math.max(top, p.rgb()[3 * i + c]);
      }
      double weight = StrictMath.sin(Math.PI * (i / w + 0.5) / h);
      sum += weight * light[i];
      of += weight;
    }
    int clipped = 0;
    for (int i = 0; i < n; i++) {
      float most = Math.max(p.rgb()[3 * i], Math.max(p.rgb()[3 * i + 1], p.rgb()[3 * i + 2]));
      if (top > 0 && most >= 0.999f * top) {
        clipped++;
      }
    }
    double seam = 0, usual = 0;
    double floor = 1e-4 * Math.max(1e-9, sum / of);
    for (int y = 0; y < h; y++) {
      seam += stops(light[y * w], light[y * w + w - 1], floor);
      usual +=
          Math.max(
              stops(light[y * w], light[y * w + Math.min(1, w - 1)], floor),
              stops(light[y * w + w - 1], light[y * w + Math.max(0, w - 2)], floor));
    }
    float[] sorted = light.clone();
    Arrays.sort(sorted);
    double low = Math.max(sorted[n / 100], floor);
    double high = sorted[n - 1];
    return new EnvironmentReading(
        w,
        h,
        w / 360.0,
        high > 0 ? StrictMath.log(high / low) / StrictMath.log(2) : 0,
        clipped >= Math.max(4, n / 20_000) ? (double) clipped / n : 0,
        Math.max(0, (seam - usual) / h),
        high,
        sum / of);
  }

  private static double stops(double a, double b, double floor) {
    return Math.abs(StrictMath.log(Math.max(a, floor) / Math.max(b, floor)) / StrictMath.log(2));
  }
}

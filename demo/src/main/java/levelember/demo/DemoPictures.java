package levelember.demo;

import java.util.Random;
import levelember.math.GradientNoise;
import levelember.texture.Picture;

/** Pictures drawn for the demo, as sRGB codes. */
final class DemoPictures {
  private DemoPictures() {}

  /** An engraved map of an invented sky: circles of declination, hours, stars and their lines. */
  static Picture starChart(int width, int height) {
    double[] ink = new double[width * height];
    double cx = width / 2.0, cy = height / 2.0, reach = 0.46 * height;
    for (int ring = 1; ring <= 6; ring++) {
      circle(ink, width, height, cx, cy, reach * ring / 6, ring == 6 ? 3 : 1);
    }
    circle(ink, width, height, cx, cy, reach * 1.045, 1.5);
    circle(ink, width, height, cx + 0.12 * reach, cy - 0.06 * reach, reach * 0.62, 1.2);
    for (int hour = 0; hour < 24; hour++) {
      double a = 2 * Math.PI * hour / 24;
      line(
          ink,
          width,
          height,
          cx + reach / 6 * StrictMath.cos(a),
          cy + reach / 6 * StrictMath.sin(a),
          cx + reach * StrictMath.cos(a),
          cy + reach * StrictMath.sin(a),
          hour % 6 == 0 ? 1.4 : 0.7);
    }
    Random random = new Random(1842);
    double[] x = new double[240], y = new double[240];
    for (int i = 0; i < x.length; i++) {
      double r = reach * Math.sqrt(random.nextDouble()) * 0.98,
          a = 2 * Math.PI * random.nextDouble();
      x[i] = cx + r * StrictMath.cos(a);
      y[i] = cy + r * StrictMath.sin(a);
      double size = 0.8 + 3.6 * StrictMath.pow(random.nextDouble(), 5);
      disc(ink, width, height, x[i], y[i], size);
    }
    for (int i = 0; i < 90; i++) {
      int nearest = -1;
      double best = 70 * 70;
      for (int j = 0; j < x.length; j++) {
        double d = (x[i] - x[j]) * (x[i] - x[j]) + (y[i] - y[j]) * (y[i] - y[j]);
        if (j != i && d > 200 && d < best) {
          best = d;
          nearest = j;
        }
      }
      if (nearest >= 0) {
        line(ink, width, height, x[i], y[i], x[nearest], y[nearest], 1);
      }
    }
    Picture to = Picture.black(width, height);
    for (int i = 0; i < ink.length; i++) {
      double u = (double) (i % width) / width, v = (double) (i / width) / height;
      double paper =
          0.86
              + 0.06 * GradientNoise.repeating(u, v, 6, 4, 3)
              + 0.03 * GradientNoise.repeating(u, v, 90, 60, 4);
      double border = Math.min(Math.min(u, 1 - u) * width, Math.min(v, 1 - v) * height);
      double dark = Math.min(1, ink[i] + (border > 14 && border < 17 ? 0.8 : 0));
      to.set(
          i % width,
          i / width,
          paper * (1 - 0.86 * dark),
          paper * 0.955 * (1 - 0.80 * dark),
          paper * 0.83 * (1 - 0.62 * dark));
    }
    return to;
  }

  private static void mark(double[] ink, int width, int height, int x, int y, double amount) {
    if (x >= 0 && y >= 0 && x < width && y < height && amount > 0) {
      int i = y * width + x;
      ink[i] = Math.max(ink[i], Math.min(1, amount));
    }
  }

  private static void disc(double[] ink, int width, int height, double x, double y, double r) {
    for (int j = (int) (y - r - 1); j <= y + r + 1; j++) {
      for (int i = (int) (x - r - 1); i <= x + r + 1; i++) {
        mark(ink, width, height, i, j, r + 0.5 - StrictMath.hypot(i + 0.5 - x, j + 0.5 - y));
      }
    }
  }

  private static void circle(
      double[] ink, int width, int height, double x, double y, double r, double thick) {
    int n = (int) (2 * Math.PI * r * 1.5);
    for (int i = 0; i < n; i++) {
      double a = 2 * Math.PI * i / n;
      disc(ink, width, height, x + r * StrictMath.cos(a), y + r * StrictMath.sin(a), thick / 2);
    }
  }

  private static void line(
      double[] ink,
      int width,
      int height,
      double x0,
      double y0,
      double x1,
      double y1,
      double thick) {
    int n = 1 + (int) (1.5 * StrictMath.hypot(x1 - x0, y1 - y0));
    for (int i = 0; i <= n; i++) {
      double t = (double) i / n;
      disc(ink, width, height, x0 + t * (x1 - x0), y0 + t * (y1 - y0), thick / 2);
    }
  }
}

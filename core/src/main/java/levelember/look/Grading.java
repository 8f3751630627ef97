package levelember.look;

import java.util.List;
import levelember.math.Colour;
import levelember.shoot.Grade;
import levelember.shoot.Grade.Point;
import levelember.shoot.Rgb;
import levelember.texture.Lut;
import levelember.texture.Luts;

/**
 * A grade made ready: ASC CDL version 1.2 (slope, offset, power, then saturation about BT.709
 * luma), curves (monotone cubics after Fritsch and Butland 1984), LUT, each on display values as
 * encoded.
 */
public final class Grading {
  private static final int CURVE = 1024;
  private static final int POWER = 4096;

  private final boolean wheels;
  private final float[] slope, offset;
  private final float[][] powers;
  private final float saturation;
  private final float[][] curves;
  private final Lut lut;
  private final float lutAmount, amount;

  /**
   * Makes a grade ready.
   *
   * @throws levelember.texture.Pictures.MissingPicture when its LUT is not there
   */
  public Grading(Grade grade, Luts luts) {
    Grade.Wheels w = grade.wheels();
    wheels = !w.equals(Grade.Wheels.NEUTRAL);
    slope = three(w.slope());
    offset = three(w.cdlOffset());
    float[] power = three(w.power());
    powers = new float[3][];
    for (int k = 0; k < 3; k++) {
      powers[k] = power[k] == 1 ? null : powered(power[k]);
    }
    saturation = (float) w.saturation();
    curves =
        grade.curves().equals(Grade.Curves.STRAIGHT)
            ? null
            : new float[][] {
              curve(grade.curves().red(), grade.curves().all()),
              curve(grade.curves().green(), grade.curves().all()),
              curve(grade.curves().blue(), grade.curves().all())
            };
    lut = grade.lut() == null || grade.lutAmount() == 0 ? null : luts.lut(grade.lut());
    lutAmount = (float) grade.lutAmount();
    amount = (float) grade.amount();
  }

  private static float[] three(Rgb c) {
    return new float[] {(float) c.r(), (float) c.g(), (float) c.b()};
  }

  /** A power over the square of the place, where it lies evenly. */
  private static float[] powered(double power) {
    float[] to = new float[POWER + 2];
    for (int i = 0; i < to.length; i++) {
      double root = (double) i / POWER;
      to[i] = (float) Math.pow(root * root, power);
    }
    return to;
  }

  private static float[] curve(List<Point> own, List<Point> all) {
    float[] to = new float[CURVE + 2];
    for (int i = 0; i < to.length; i++) {
      double x = Math.min(1, (double) i / CURVE);
      to[i] = (float) through(own, through(all, x));
    }
    return to;
  }

  /** Value of a monotone curve through points, level outside of them; straight without any. */
  static double through(List<Point> p, double x) {
    int n = p.size();
    if (n == 0) {
      return x;
    }
    if (x <= p.getFirst().x()) {
      return p.getFirst().y();
    }
    if (x >= p.getLast().x()) {
      return p.getLast().y();
    }
    int i = 0;
    while (p.get(i + 1).x() < x) {
      i++;
    }
    double h = p.get(i + 1).x() - p.get(i).x(), t = (x - p.get(i).x()) / h;
    double a = h * tangent(p, i), b = h * tangent(p, i + 1);
    double y0 = p.get(i).y(), y1 = p.get(i + 1).y();
    double u = t * t, v = u * t;
    double y = (2 * v - 3 * u + 1) * y0 + (v - 2 * u + t) * a + (3 * u - 2 * v) * y1 + (v - u) * b;
    return Math.clamp(y, 0.0, 1.0);
  }

  /** Slope at a point: the weighted harmonic mean of its neighbours', 0 at a turn. */
  private static double tangent(List<Point> p, int i) {
    int last = p.size() - 1;
    if (i == 0) {
      return slope(p, 0);
    }
    if (i == last) {
      return slope(p, last - 1);
    }
    double a = slope(p, i - 1), b = slope(p, i);
    if (a * b <= 0) {
      return 0;
    }
    double h = p.get(i).x() - p.get(i - 1).x(), k = p.get(i + 1).x() - p.get(i).x();
    return 3 * (h + k) / ((2 * k + h) / a + (k + 2 * h) / b);
  }

  private static double slope(List<Point> p, int i) {
    return (p.get(i + 1).y() - p.get(i).y()) / (p.get(i + 1).x() - p.get(i).x());
  }

  private static float in(float[] table, int entries, float x) {
    float at = Math.clamp(x, 0f, 1f) * entries;
    int i = (int) at;
    return table[i] + (at - i) * (table[i + 1] - table[i]);
  }

  /** Grades an encoded colour in place. */
  public void grade(float[] v) {
    float r = v[0], g = v[1], b = v[2];
    if (wheels) {
      for (int k = 0; k < 3; k++) {
        float x = Math.clamp(v[k] * slope[k] + offset[k], 0f, 1f);
        v[k] = powers[k] == null ? x : in(powers[k], POWER, (float) Math.sqrt(x));
      }
      if (saturation != 1) {
        float luma = Colour.luminance(v[0], v[1], v[2]);
        for (int k = 0; k < 3; k++) {
          v[k] = Math.clamp(luma + saturation * (v[k] - luma), 0f, 1f);
        }
      }
    }
    if (curves != null) {
      for (int k = 0; k < 3; k++) {
        v[k] = in(curves[k], CURVE, v[k]);
      }
    }
    if (lut != null) {
      float x = v[0], y = v[1], z = v[2];
      lut.look(v);
      v[0] = x + lutAmount * (v[0] - x);
      v[1] = y + lutAmount * (v[1] - y);
      v[2] = z + lutAmount * (v[2] - z);
    }
    if (amount != 1) {
      v[0] = r + amount * (v[0] - r);
      v[1] = g + amount * (v[1] - g);
      v[2] = b + amount * (v[2] - b);
    }
  }

  /** The whole grade as a cube for others. */
  public Lut baked(int edge) {
    float[] values = new float[3 * edge * edge * edge];
    float[] v = new float[3];
    int at = 0;
    for (int b = 0; b < edge; b++) {
      for (int g = 0; g < edge; g++) {
        for (int r = 0; r < edge; r++) {
          v[0] = r / (edge - 1f);
          v[1] = g / (edge - 1f);
          v[2] = b / (edge - 1f);
          grade(v);
          for (int k = 0; k < 3; k++) {
            values[at++] = v[k];
          }
        }
      }
    }
    return new Lut(true, edge, new float[3], new float[] {1, 1, 1}, values);
  }
}

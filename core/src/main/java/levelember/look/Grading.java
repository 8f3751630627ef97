package levelember.look;

import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.look.Grade;
import levelember.shoot.look.Grade.Point;
import levelember.texture.Lut;
import levelember.texture.Luts;

/**
 * A grade made ready: ASC CDL version 1.2 (slope, offset, power, then saturation about BT.709
 * luma), curves (monotone cubics after Fritsch and Butland 1984), LUT, each on display values as
 * encoded.
 */
public final class Grading implements RowStage {
  private static final int CURVE = 1024;
  private static final RowMath ROWS = RowMath.ofMachine();
  private final RowMath.WheelTerms wheels;
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
    wheels =
        w.equals(Grade.Wheels.NEUTRAL)
            ? null
            : new RowMath.WheelTerms(
                three(w.slope()), three(w.cdlOffset()), three(w.power()), (float) w.saturation());
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

  @Override
  public Pass sized(int width, int height) {
    return (row, y) -> grade(row.r(), row.g(), row.b(), width, row.memory());
  }

  /** Grades an encoded colour in place. */
  public void grade(float[] v) {
    float[] r = {v[0]}, g = {v[1]}, b = {v[2]};
    grade(r, g, b, 1, new float[1][1]);
    v[0] = r[0];
    v[1] = g[0];
    v[2] = b[0];
  }

  /**
   * Grades a row of encoded colours in place.
   *
   * @param memory a row as long
   */
  void grade(float[] r, float[] g, float[] b, int n, float[][] memory) {
    boolean mixes = amount != 1;
    float[] red = mixes ? r.clone() : null, green = mixes ? g.clone() : null;
    float[] blue = mixes ? b.clone() : null;
    if (wheels != null) {
      ROWS.wheels(r, g, b, n, wheels, memory[0]);
    }
    if (curves != null) {
      ROWS.bend(r, n, curves[0]);
      ROWS.bend(g, n, curves[1]);
      ROWS.bend(b, n, curves[2]);
    }
    if (lut != null) {
      lookUp(r, g, b, n);
    }
    if (mixes) {
      mix(red, r, n);
      mix(green, g, n);
      mix(blue, b, n);
    }
  }

  private void lookUp(float[] r, float[] g, float[] b, int n) {
    float[] v = new float[3];
    for (int i = 0; i < n; i++) {
      float x = r[i], y = g[i], z = b[i];
      v[0] = x;
      v[1] = y;
      v[2] = z;
      lut.look(v);
      r[i] = unit(x + lutAmount * (v[0] - x));
      g[i] = unit(y + lutAmount * (v[1] - y));
      b[i] = unit(z + lutAmount * (v[2] - z));
    }
  }

  private static float unit(float v) {
    return v > 0 ? Math.min(v, 1) : 0;
  }

  private void mix(float[] before, float[] after, int n) {
    for (int i = 0; i < n; i++) {
      after[i] = before[i] + amount * (after[i] - before[i]);
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

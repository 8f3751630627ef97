package levelember.geometry;

import levelember.math.GradientNoise;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/** Shapes that are one sheet: bent cards, ground; and what closes a sheet downwards. */
final class Sheets {
  private static final int FINE = 256;

  private Sheets() {}

  static Triangles card(Shape.Card s) {
    Triangles t = new Triangles();
    double bend = Math.toRadians(s.bendDegrees());
    int n = Math.abs(bend) < 1e-4 ? 1 : Math.clamp((int) Math.ceil(Math.abs(bend) * 40), 8, 200);
    double r = n == 1 ? 0 : s.width() / bend, y = s.height() / 2;
    int[] low = new int[n + 1], high = new int[n + 1];
    for (int i = 0; i <= n; i++) {
      double u = (double) i / n, a = bend * (u - 0.5);
      double x = n == 1 ? s.width() * (u - 0.5) : r * StrictMath.sin(a);
      double z = n == 1 ? 0 : r * (1 - StrictMath.cos(a));
      Vec3 normal = n == 1 ? new Vec3(0, 0, 1) : new Vec3(-StrictMath.sin(a), 0, StrictMath.cos(a));
      low[i] = t.corner(new Vec3(x, -y, z), normal, u, 1);
      high[i] = t.corner(new Vec3(x, y, z), normal, u, 0);
    }
    for (int i = 0; i < n; i++) {
      t.quad(low[i], low[i + 1], high[i + 1], high[i]);
    }
    return t;
  }

  /** Height of a sheet, and its slopes along x and z. */
  private interface Relief {
    void at(double x, double z, double[] to);
  }

  /** Steps along a side that show forms of a length, so many a form. */
  static int steps(double side, double form, int each) {
    return Math.clamp((int) Math.ceil(each * side / form), 8, 4 * FINE);
  }

  private static Triangles sheet(double width, double depth, int across, int along, Relief relief) {
    Triangles t = new Triangles();
    double[] h = new double[3];
    int[][] id = new int[along + 1][across + 1];
    for (int j = 0; j <= along; j++) {
      for (int i = 0; i <= across; i++) {
        double u = (double) i / across, v = (double) j / along;
        double x = width * (u - 0.5), z = depth * (v - 0.5);
        relief.at(x, z, h);
        id[j][i] = t.corner(x, h[0], z, -h[1], 1, -h[2], u, v);
      }
    }
    close(t, id, across, along, 0);
    return t;
  }

  /**
   * Makes the triangles of a sheet, and those of its walls and bottom.
   *
   * @param id numbers of the corners, rows along z
   * @param deep metres down to the bottom, 0 for the sheet alone
   */
  static void close(Triangles t, int[][] id, int across, int along, double deep) {
    for (int j = 0; j < along; j++) {
      for (int i = 0; i < across; i++) {
        t.quad(id[j + 1][i], id[j + 1][i + 1], id[j][i + 1], id[j][i]);
      }
    }
    if (deep > 0) {
      walls(t, id, across, along, deep);
    }
  }

  /** Closes a sheet downwards to a flat bottom. */
  private static void walls(Triangles t, int[][] id, int across, int along, double deep) {
    int around = 2 * (across + along);
    for (int k = 0; k < around; k++) {
      int a = rim(id, across, along, k), b = rim(id, across, along, (k + 1) % around);
      Vec3 p = t.position(a), q = t.position(b);
      Vec3 out = q.minus(p).cross(Vec3.UP);
      Vec3 pd = new Vec3(p.x(), -deep, p.z()), qd = new Vec3(q.x(), -deep, q.z());
      t.quad(
          t.corner(pd, out, 0, 1),
          t.corner(qd, out, 1, 1),
          t.corner(q, out, 1, 0),
          t.corner(p, out, 0, 0));
    }
    Vec3 down = new Vec3(0, -1, 0);
    int[] foot = new int[4];
    int[] corner = {0, along, along + across, 2 * along + across};
    for (int k = 0; k < 4; k++) {
      Vec3 p = t.position(rim(id, across, along, corner[k]));
      foot[k] = t.corner(new Vec3(p.x(), -deep, p.z()), down, k / 2, k % 2);
    }
    t.quad(foot[3], foot[2], foot[1], foot[0]);
  }

  /** Corners of the rim in turn, the outside to the right of the way. */
  private static int rim(int[][] id, int across, int along, int k) {
    if (k <= along) {
      return id[k][0];
    }
    if (k <= along + across) {
      return id[along][k - along];
    }
    return k <= 2 * along + across
        ? id[2 * along + across - k][across]
        : id[0][2 * (along + across) - k];
  }

  static Triangles ground(Shape.Ground s) {
    int across = steps(s.width(), s.feature(), 24), along = steps(s.depth(), s.feature(), 24);
    double sum = 0, part = 1;
    for (int i = 0; i < 6; i++) {
      sum += part;
      part *= 0.25 + 0.4 * s.roughness();
    }
    double scale = s.rise() / (1.2 * sum);
    double step = s.feature() * 1e-3;
    return sheet(
        s.width(),
        s.depth(),
        across,
        along,
        (x, z, to) -> {
          to[0] = scale * height(s, x, z);
          to[1] = scale * (height(s, x + step, z) - height(s, x - step, z)) / (2 * step);
          to[2] = scale * (height(s, x, z + step) - height(s, x, z - step)) / (2 * step);
        });
  }

  private static double height(Shape.Ground s, double x, double z) {
    double sum = 0, part = 1;
    for (int i = 0; i < 6; i++) {
      double scale = (1 << i) / s.feature();
      sum += part * GradientNoise.plain(x * scale + 31 * i, z * scale + 17 * i, s.seed() + i);
      part *= 0.25 + 0.4 * s.roughness();
    }
    return sum;
  }
}

package levelember.geometry;

import java.util.Random;
import levelember.math.Noise;
import levelember.math.Vec3;
import levelember.shoot.Shape;

/** Shapes that are one sheet: bent cards, water, ground. */
final class Sheets {
  private static final int FINE = 256;
  private static final int WAVES = 96;
  private static final double GRAVITY = 9.81;

  /** Surface tension of water over its density, m³/s². */
  private static final double TENSION = 7.28e-5;

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
  private static int steps(double side, double form, int each) {
    return Math.clamp((int) Math.ceil(each * side / form), 8, 4 * FINE);
  }

  private static Triangles sheet(
      double width, double depth, int across, int along, double deep, Relief relief) {
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
    for (int j = 0; j < along; j++) {
      for (int i = 0; i < across; i++) {
        t.quad(id[j + 1][i], id[j + 1][i + 1], id[j][i + 1], id[j][i]);
      }
    }
    if (deep > 0) {
      walls(t, id, across, along, deep);
    }
    return t;
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

  /**
   * Waves by the spectrum of Pierson and Moskowitz 1964, spread about the heading by a squared
   * cosine, each running as gravity and surface tension have it (Lamb 1932, art. 267).
   */
  static Triangles water(Shape.Water s) {
    int across = steps(s.width(), s.waveLength(), 48), along = steps(s.depth(), s.waveLength(), 48);
    double step = Math.max(s.width() / across, s.depth() / along);
    double[] kx = new double[WAVES], kz = new double[WAVES];
    double[] amplitude = new double[WAVES], phase = new double[WAVES];
    Random random = new Random(s.seed() * 7919L + 17);
    double peak = Math.sqrt(GRAVITY * 2 * Math.PI / s.waveLength());
    double power = 0;
    for (int i = 0; i < WAVES; i++) {
      // Frequencies from half to two and a half times the peak's, in even ratios.
      double omega = peak * 0.5 * StrictMath.pow(5, (i + random.nextDouble()) / WAVES);
      double k = omega * omega / GRAVITY;
      double density =
          StrictMath.pow(omega / peak, -5)
              * StrictMath.exp(-1.25 * StrictMath.pow(peak / omega, 4));
      // What the sheet's corners are too far apart to show is left out.
      boolean shown = 2 * Math.PI / k > 5 * step;
      amplitude[i] = shown ? Math.sqrt(density * omega) : 0;
      power += amplitude[i] * amplitude[i] / 2;
      double spread = StrictMath.asin(2 * random.nextDouble() - 1);
      double heading = Math.toRadians(s.headingDegrees()) + spread * 0.8;
      kx[i] = k * StrictMath.cos(heading);
      kz[i] = -k * StrictMath.sin(heading);
      double speed = Math.sqrt(GRAVITY * k + TENSION * k * k * k);
      phase[i] = 2 * Math.PI * random.nextDouble() - speed * s.seconds();
    }
    double scale = power > 0 ? s.waveHeight() / (4 * Math.sqrt(power)) : 0;
    return sheet(
        s.width(),
        s.depth(),
        across,
        along,
        s.deep(),
        (x, z, to) -> {
          to[0] = to[1] = to[2] = 0;
          for (int i = 0; i < WAVES; i++) {
            double at = kx[i] * x + kz[i] * z + phase[i];
            double a = scale * amplitude[i], slope = -a * StrictMath.sin(at);
            to[0] += a * StrictMath.cos(at);
            to[1] += slope * kx[i];
            to[2] += slope * kz[i];
          }
        });
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
        0,
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
      sum += part * Noise.plain(x * scale + 31 * i, z * scale + 17 * i, s.seed() + i);
      part *= 0.25 + 0.4 * s.roughness();
    }
    return sum;
  }
}

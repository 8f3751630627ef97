package levelember.math;

/**
 * Gradient noise in the plane (Perlin 2002, "Improving GradientNoise"), the same bits on every
 * machine. With a lattice of {@code nu × nv} points taken round it repeats without a seam.
 */
public final class GradientNoise {
  private GradientNoise() {}

  /** GradientNoise about −0.7…0.7 that repeats after 1 both ways. */
  public static double repeating(double u, double v, int nu, int nv, int salt) {
    return at(u * nu, v * nv, nu, nv, salt);
  }

  /** GradientNoise about −0.7…0.7 with lattice points at whole numbers. */
  public static double plain(double x, double y, int salt) {
    return at(x, y, 1 << 20, 1 << 20, salt);
  }

  private static double at(double x, double y, int nu, int nv, int salt) {
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    double fx = x - x0, fy = y - y0;
    double sx = fx * fx * fx * (fx * (fx * 6 - 15) + 10);
    double sy = fy * fy * fy * (fy * (fy * 6 - 15) + 10);
    double a = slope(x0, y0, nu, nv, salt, fx, fy);
    double b = slope(x0 + 1, y0, nu, nv, salt, fx - 1, fy);
    double c = slope(x0, y0 + 1, nu, nv, salt, fx, fy - 1);
    double d = slope(x0 + 1, y0 + 1, nu, nv, salt, fx - 1, fy - 1);
    double top = a + sx * (b - a);
    return top + sy * (c + sx * (d - c) - top);
  }

  private static double slope(int x, int y, int nu, int nv, int salt, double fx, double fy) {
    int h = hash(Math.floorMod(x, nu), Math.floorMod(y, nv), salt) & 7;
    double a = (h & 1) == 0 ? fx : -fx, b = (h & 2) == 0 ? fy : -fy;
    return (h & 4) == 0 ? a + b * 0.5 : a * 0.5 + b;
  }

  /** A number 0…255 of a lattice point (after Wang's integer hash). */
  public static int hash(int x, int y, int salt) {
    int h = x * 0x8da6b343 + y * 0xd8163841 + salt * 0xcb1ab31f;
    h = (h ^ 61) ^ (h >>> 16);
    h *= 9;
    h ^= h >>> 4;
    h *= 0x27d4eb2d;
    return (h ^ h >>> 15) & 255;
  }
}

package levelember.look;

import levelember.shoot.Optics;

/**
 * Grain in encoded values, strongest in mid tones: random values on a lattice as wide as a grain,
 * smoothly between. It hangs on the place in the picture alone, so that every picture of a look has
 * the same. Where grains are smaller than pixels they even out as they would.
 */
final class Grain {
  /** Makes the deviation in between lattice points that of the points, on the mean. */
  private static final float EVEN = 1.5f;

  private final float amount;
  private final double size;

  private volatile Columns columns;

  Grain(Optics optics) {
    amount = (float) optics.grain();
    size = optics.grainSize() / 100;
  }

  /**
   * Where the columns of a picture lie on the lattice.
   *
   * @param cell of each column
   * @param ease how far each column has gone over to the next cell, smoothly
   */
  private record Columns(int height, int[] cell, float[] ease) {
    static Columns of(int width, int height, double step) {
      int[] cell = new int[width];
      float[] ease = new float[width];
      for (int x = 0; x < width; x++) {
        double u = x * step;
        cell[x] = (int) u;
        ease[x] = smooth((float) (u - cell[x]));
      }
      return new Columns(height, cell, ease);
    }
  }

  /**
   * Puts grain into a row of encoded values.
   *
   * @param noise memory for a row
   */
  void rows(float[] r, float[] g, float[] b, int y, int width, int height, float[] noise) {
    double cell = size * height;
    float strength = 4 * amount * EVEN * (float) Math.min(1, cell);
    double step = 1 / Math.max(cell, 1);
    Columns c = columns;
    if (c == null || c.height != height || c.cell.length != width) {
      c = Columns.of(width, height, step);
      columns = c;
    }
    double v = y * step;
    int j = (int) v;
    float fy = smooth((float) (v - j));
    float right = between(0, j, fy);
    for (int x = 0, i = 0; x < width; i++) {
      float left = right;
      right = between(i + 1, j, fy);
      float more = strength * (right - left), least = strength * left;
      for (; x < width && c.cell[x] == i; x++) {
        noise[x] = least + c.ease[x] * more;
      }
    }
    grained(r, noise, width);
    grained(g, noise, width);
    grained(b, noise, width);
  }

  private static void grained(float[] row, float[] noise, int n) {
    for (int x = 0; x < n; x++) {
      float a = row[x];
      row[x] = Math.max(0, Math.min(1, a + a * (1 - a) * noise[x]));
    }
  }

  private static float between(int x, int y, float part) {
    float upper = point(x, y);
    return upper + part * (point(x, y + 1) - upper);
  }

  private static float smooth(float t) {
    return t * t * (3 - 2 * t);
  }

  /** A random number of deviation one and mean zero. */
  private static float point(int x, int y) {
    int h = x * 0x8DA6B343 ^ y * 0xD8163841;
    h = (h ^ h >>> 16) * 0x7FEB352D;
    h = (h ^ h >>> 15) * 0x846CA68B;
    h ^= h >>> 16;
    // The sum of two even numbers is about as bell-shaped as is needed.
    float a = (h & 0xFFFF) / 65535f, b = (h >>> 16) / 65535f;
    return (a + b - 1) * 2.449f;
  }
}

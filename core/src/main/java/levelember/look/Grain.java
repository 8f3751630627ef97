package levelember.look;

import levelember.shoot.look.Optics;

/**
 * Grain in encoded values, strongest in mid tones: random values on a lattice as wide as a grain,
 * smoothly between. It hangs on the place in the picture alone, so that every picture of a look has
 * the same. Where grains are smaller than pixels they even out as they would.
 */
final class Grain implements RowStage {
  /** Makes the deviation in between lattice points that of the points, on the mean. */
  private static final float EVEN = 1.5f;

  /** Largest picture whose grain is kept for the next. */
  private static final int MOST_KEPT = 4 << 20;

  /** The grain of the last picture, as the next is mostly another look of the same. */
  private static volatile Field last;

  private final float amount;
  private final double size;

  Grain(Optics optics) {
    amount = (float) optics.grain();
    size = optics.grainSize() / 100;
  }

  /** The values of a picture of one size, of deviation one where grains are wide. */
  static final class Field {
    private final int width, height;
    private final double size, step;

    /** Of each column, and how far it has gone over to the next cell, smoothly. */
    private final int[] cell;

    private final float[] ease;

    /** Rows as far as they were made, or null when none is kept. */
    private final float[][] rows;

    private Field(int width, int height, double size) {
      this.width = width;
      this.height = height;
      this.size = size;
      step = 1 / Math.max(size * height, 1);
      cell = new int[width];
      ease = new float[width];
      for (int x = 0; x < width; x++) {
        double u = x * step;
        cell[x] = (int) u;
        ease[x] = smooth((float) (u - cell[x]));
      }
      rows = (long) width * height <= MOST_KEPT ? new float[height][] : null;
    }

    /** A row; not to be written to. */
    float[] row(int y) {
      // Two threads may both make a row: it is the same.
      float[] row = rows == null ? null : rows[y];
      if (row == null) {
        row = made(y);
        if (rows != null) {
          rows[y] = row;
        }
      }
      return row;
    }

    private float[] made(int y) {
      float[] row = new float[width];
      double v = y * step;
      int j = (int) v;
      float fy = smooth((float) (v - j));
      float right = between(0, j, fy);
      for (int x = 0, i = 0; x < width; i++) {
        float left = right;
        right = between(i + 1, j, fy);
        float more = right - left;
        for (; x < width && cell[x] == i; x++) {
          row[x] = left + ease[x] * more;
        }
      }
      return row;
    }
  }

  @Override
  public Pass sized(int width, int height) {
    Field field = field(width, height);
    return (row, y) -> rows(row.r(), row.g(), row.b(), y, field);
  }

  /** The grain of a picture, which is kept until one of another size is asked for. */
  Field field(int width, int height) {
    Field known = last;
    if (known == null || known.width != width || known.height != height || known.size != size) {
      known = new Field(width, height, size);
      last = known;
    }
    return known;
  }

  /** Puts grain into a row of encoded values. */
  void rows(float[] r, float[] g, float[] b, int y, Field field) {
    float strength = 4 * amount * EVEN * (float) Math.min(1, size * field.height);
    float[] noise = field.row(y);
    grained(r, noise, field.width, strength);
    grained(g, noise, field.width, strength);
    grained(b, noise, field.width, strength);
  }

  private static void grained(float[] row, float[] noise, int n, float strength) {
    for (int x = 0; x < n; x++) {
      float a = row[x];
      row[x] = Math.max(0, Math.min(1, a + a * (1 - a) * (strength * noise[x])));
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

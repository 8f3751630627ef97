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

  Grain(Optics optics) {
    amount = (float) optics.grain();
    size = optics.grainSize() / 100;
  }

  void row(float[] row, int y, int width, int height) {
    double cell = size * height;
    float strength = amount * EVEN * (float) Math.min(1, cell);
    double step = 1 / Math.max(cell, 1);
    double v = y * step;
    int j = (int) v;
    float fy = smooth((float) (v - j));
    for (int x = 0, at = 0; x < width; x++, at += 3) {
      double u = x * step;
      int i = (int) u;
      float fx = smooth((float) (u - i));
      float upper = point(i, j) * (1 - fx) + point(i + 1, j) * fx;
      float lower = point(i, j + 1) * (1 - fx) + point(i + 1, j + 1) * fx;
      float noise = strength * (upper * (1 - fy) + lower * fy);
      for (int k = 0; k < 3; k++) {
        float a = row[at + k];
        row[at + k] = Math.clamp(a + 4 * a * (1 - a) * noise, 0f, 1f);
      }
    }
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

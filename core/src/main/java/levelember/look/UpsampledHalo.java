package levelember.look;

import levelember.texture.Picture;

/**
 * A picture of part of the size stretched between its pixels, row by row for one thread; there is
 * nothing outside of it. Rows are stretched along once and serve all rows between them.
 */
final class UpsampledHalo {
  private static final RowMath ROWS = RowMath.ofMachine();

  private final Picture from;
  private final int step, width;
  private final float[][] rows = new float[2][];
  private final int[] held = {-1, -1};
  private final float[] parts;

  /**
   * A stretcher.
   *
   * @param level how often the picture was halved
   * @param width of the stretched rows
   */
  UpsampledHalo(Picture from, int level, int width) {
    this.from = from;
    this.width = width;
    step = 1 << level;
    parts = new float[step];
    for (int p = 0; p < step; p++) {
      parts[p] = (p + 0.5f) / step;
    }
  }

  /** Adds a row of the stretched picture. */
  void add(int y, float[] to, int at) {
    float down = (y - (step >> 1) + 0.5f) / step;
    int upper = (int) Math.floor(down);
    float part = down - upper;
    add(upper, 1 - part, to, at);
    add(upper + 1, part, to, at);
  }

  private void add(int row, float weight, float[] to, int at) {
    if (row >= 0 && row < from.height()) {
      ROWS.add(row(row), 0, 3 * width, weight, to, at);
    }
  }

  private float[] row(int y) {
    int slot = y & 1;
    if (held[slot] != y) {
      if (rows[slot] == null) {
        rows[slot] = new float[3 * width];
      }
      along(from.rgb(), 3 * y * from.width(), rows[slot]);
      held[slot] = y;
    }
    return rows[slot];
  }

  /** From the middle of one small pixel to the middle of the next, nothing beyond the ends. */
  private void along(float[] row, int at, float[] to) {
    int w = from.width(), half = step >> 1;
    float r = 0, g = 0, b = 0;
    for (int a = -1; a < w; a++) {
      int next = at + 3 * (a + 1);
      boolean ends = a + 1 == w;
      float dr = (ends ? 0 : row[next]) - r, dg = (ends ? 0 : row[next + 1]) - g;
      float db = (ends ? 0 : row[next + 2]) - b;
      int x0 = a * step + half;
      int begin = Math.max(0, -x0), end = Math.min(step, width - x0);
      for (int p = begin, i = 3 * (x0 + begin); p < end; p++, i += 3) {
        float t = parts[p];
        to[i] = r + t * dr;
        to[i + 1] = g + t * dg;
        to[i + 2] = b + t * db;
      }
      r += dr;
      g += dg;
      b += db;
    }
    for (int i = Math.max(0, 3 * (w * step - half)); i < 3 * width; i++) {
      to[i] = 0;
    }
  }
}

package levelember.texture;

/**
 * A table that turns colours into colours: one curve a channel, or a cube looked up tetrahedrally.
 *
 * <p>In a cube the six tetrahedra about the grey diagonal are told apart by the order of the
 * fractions (Kasson, Nin, Plouffe and Hafner 1995), so that greys stay on the diagonal.
 */
public final class Lut {
  /** Most entries of a curve. */
  public static final int MOST_CURVE = 65_536;

  /** Most entries along an edge of a cube. */
  public static final int MOST_EDGE = 129;

  private final boolean cube;
  private final int size;
  private final float[] least, scale;
  private final float[] values;

  /**
   * A table.
   *
   * @param cube a cube with red running fastest; else curves
   * @param size entries along a curve or an edge, 2 or more
   * @param least value of the first entry, by channel
   * @param most value of the last entry, by channel, more than {@code least}
   * @param values three an entry
   * @throws IllegalArgumentException when the sizes do not fit
   */
  public Lut(boolean cube, int size, float[] least, float[] most, float[] values) {
    long entries = cube ? (long) size * size * size : size;
    if (size < 2
        || size > (cube ? MOST_EDGE : MOST_CURVE)
        || values.length != 3 * entries
        || least.length != 3
        || most.length != 3) {
      throw new IllegalArgumentException("a LUT of size " + size + " has other values");
    }
    this.cube = cube;
    this.size = size;
    this.least = least.clone();
    scale = new float[3];
    for (int k = 0; k < 3; k++) {
      if (!(most[k] > least[k])) {
        throw new IllegalArgumentException("a LUT's domain is empty");
      }
      scale[k] = (size - 1) / (most[k] - least[k]);
    }
    this.values = values.clone();
  }

  public boolean cube() {
    return cube;
  }

  /** Entries along a curve or an edge. */
  public int size() {
    return size;
  }

  /** Looks a colour up, in place; values outside of the domain take its border. */
  public void look(float[] rgb) {
    float x = at(rgb[0], 0), y = at(rgb[1], 1), z = at(rgb[2], 2);
    int i = Math.min((int) x, size - 2), j = Math.min((int) y, size - 2);
    int k = Math.min((int) z, size - 2);
    float fx = x - i, fy = y - j, fz = z - k;
    if (cube) {
      tetrahedral(i, j, k, fx, fy, fz, rgb);
    } else {
      rgb[0] = along(3 * i, fx);
      rgb[1] = along(3 * j + 1, fy);
      rgb[2] = along(3 * k + 2, fz);
    }
  }

  private float at(float value, int channel) {
    float x = (value - least[channel]) * scale[channel];
    return x > 0 ? Math.min(x, size - 1) : 0;
  }

  private float along(int at, float part) {
    return values[at] + part * (values[at + 3] - values[at]);
  }

  private void tetrahedral(int i, int j, int k, float fx, float fy, float fz, float[] to) {
    int dx = 3, dy = 3 * size, dz = 3 * size * size;
    int a = i * dx + j * dy + k * dz, d = a + dx + dy + dz;
    // The way from corner to corner goes along the largest fraction first.
    float large = fx, middle = fy, small = fz;
    int first = dx, second = dy;
    if (middle > large) {
      large = fy;
      middle = fx;
      first = dy;
      second = dx;
    }
    if (small > middle) {
      small = middle;
      middle = fz;
      second = dz;
      if (middle > large) {
        middle = large;
        large = fz;
        second = first;
        first = dz;
      }
    }
    int b = a + first, c = b + second;
    for (int ch = 0; ch < 3; ch++) {
      to[ch] =
          (1 - large) * values[a + ch]
              + (large - middle) * values[b + ch]
              + (middle - small) * values[c + ch]
              + small * values[d + ch];
    }
  }

  /** Values as they were given: three an entry. */
  public float[] values() {
    return values.clone();
  }

  /** Value of the first entry, by channel. */
  public float[] least() {
    return least.clone();
  }

  /** Value of the last entry, by channel. */
  public float[] most() {
    float[] most = new float[3];
    for (int k = 0; k < 3; k++) {
      most[k] = least[k] + (size - 1) / scale[k];
    }
    return most;
  }
}

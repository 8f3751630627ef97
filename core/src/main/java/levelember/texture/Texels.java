package levelember.texture;

/**
 * A picture to look up colours in: three channels of one byte a pixel with a table of what each
 * code means, or floats. Looked up by bilinear filtering, with 0, 0 at the upper left corner.
 */
public final class Texels {
  /** What is beyond the edge. */
  public static final int REPEAT = 0, MIRROR = 1, CLAMP = 2;

  private final int width;
  private final int height;
  private final byte[] codes;
  private final float[] meaning;
  private final float[] values;

  private Texels(int width, int height, byte[] codes, float[] meaning, float[] values) {
    long need = 3L * width * height;
    if (width < 1 || height < 1 || need != (codes == null ? values.length : codes.length)) {
      throw new IllegalArgumentException("a picture of " + width + "×" + height + " has 3 a pixel");
    }
    this.width = width;
    this.height = height;
    this.codes = codes;
    this.meaning = meaning;
    this.values = values;
  }

  /**
   * A picture of bytes.
   *
   * @param codes red, green, blue of every pixel, rows from the top; kept, not copied
   * @param meaning value of each of the 256 codes
   */
  public static Texels of(int width, int height, byte[] codes, float[] meaning) {
    if (meaning.length != 256) {
      throw new IllegalArgumentException("256 codes have a meaning each");
    }
    return new Texels(width, height, codes, meaning, null);
  }

  /** A picture of floats. */
  public static Texels of(Picture picture) {
    return new Texels(picture.width(), picture.height(), null, null, picture.rgb());
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  /** Bytes of memory that the pixels take. */
  public long bytes() {
    return codes == null ? 4L * values.length : codes.length;
  }

  /** Writes red, green and blue at a place into three floats. */
  public void look(float u, float v, int edge, float[] to) {
    look(u, v, edge, edge, to);
  }

  /**
   * The same with an edge of its own above and below.
   *
   * @param edgeU beyond the left and right edge
   * @param edgeV beyond the upper and lower edge
   */
  public void look(float u, float v, int edgeU, int edgeV, float[] to) {
    float x = wrapped(u, edgeU) * width - 0.5f, y = wrapped(v, edgeV) * height - 0.5f;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    float fx = x - x0, fy = y - y0;
    int xa = inside(x0, width, edgeU), xb = inside(x0 + 1, width, edgeU);
    int ya = inside(y0, height, edgeV), yb = inside(y0 + 1, height, edgeV);
    int aa = 3 * (ya * width + xa), ab = 3 * (ya * width + xb);
    int ba = 3 * (yb * width + xa), bb = 3 * (yb * width + xb);
    if (codes == null) {
      float[] p = values;
      for (int c = 0; c < 3; c++) {
        float top = p[aa + c] + fx * (p[ab + c] - p[aa + c]);
        float low = p[ba + c] + fx * (p[bb + c] - p[ba + c]);
        to[c] = top + fy * (low - top);
      }
      return;
    }
    byte[] p = codes;
    float[] m = meaning;
    for (int c = 0; c < 3; c++) {
      float leftTop = m[p[aa + c] & 0xFF], leftLow = m[p[ba + c] & 0xFF];
      float top = leftTop + fx * (m[p[ab + c] & 0xFF] - leftTop);
      float low = leftLow + fx * (m[p[bb + c] & 0xFF] - leftLow);
      to[c] = top + fy * (low - top);
    }
  }

  /**
   * Writes how the mean of the three channels grows across the picture's width and height at a
   * place: central differences over a pixel to either side, filtered as colours are.
   *
   * @param edgeU beyond the left and right edge
   * @param edgeV beyond the upper and lower edge
   * @param to gets the growth along u and along v, per whole width and height
   */
  public void gradient(float u, float v, int edgeU, int edgeV, float[] to) {
    float x = wrapped(u, edgeU) * width - 0.5f, y = wrapped(v, edgeV) * height - 0.5f;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    float fx = x - x0, fy = y - y0;
    int x1 = inside(x0, width, edgeU), x2 = inside(x0 + 1, width, edgeU);
    int xBefore = inside(x0 - 1, width, edgeU), xAfter = inside(x0 + 2, width, edgeU);
    int y1 = inside(y0, height, edgeV), y2 = inside(y0 + 1, height, edgeV);
    int yBefore = inside(y0 - 1, height, edgeV), yAfter = inside(y0 + 2, height, edgeV);
    float m11 = mean(x1, y1), m12 = mean(x1, y2), m21 = mean(x2, y1), m22 = mean(x2, y2);
    float top = mix(m21 - mean(xBefore, y1), mean(xAfter, y1) - m11, fx);
    float low = mix(m22 - mean(xBefore, y2), mean(xAfter, y2) - m12, fx);
    float left = mix(m12 - mean(x1, yBefore), mean(x1, yAfter) - m11, fy);
    float right = mix(m22 - mean(x2, yBefore), mean(x2, yAfter) - m21, fy);
    to[0] = 0.5f * width * mix(top, low, fy);
    to[1] = 0.5f * height * mix(left, right, fx);
  }

  private static float mix(float a, float b, float part) {
    return a + part * (b - a);
  }

  private float mean(int x, int y) {
    int i = 3 * (y * width + x);
    return (at(i) + at(i + 1) + at(i + 2)) / 3;
  }

  private float at(int i) {
    return codes == null ? values[i] : meaning[codes[i] & 0xFF];
  }

  private static float wrapped(float u, int edge) {
    if (!(Math.abs(u) < 1e6f)) {
      return 0;
    }
    if (edge == CLAMP) {
      return Math.clamp(u, 0f, 1f);
    }
    float part = u - (float) Math.floor(u);
    return edge == MIRROR && ((int) Math.floor(u) & 1) != 0 ? 1 - part : part;
  }

  private static int inside(int i, int n, int edge) {
    if (i >= 0 && i < n) {
      return i;
    }
    return edge == REPEAT ? Math.floorMod(i, n) : i < 0 ? 0 : n - 1;
  }
}

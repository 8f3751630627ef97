package levelember.texture;

/** What is done to an equirectangular picture before it lights. */
public final class Surroundings {
  private Surroundings() {}

  /**
   * A picture blurred and with its borders blended; the picture itself where neither is wanted.
   * Both keep the light of every row's ends together, and about that of the whole.
   *
   * @param blurDegrees width of the blur, 0 for none
   * @param seamBlend part of the width over which the borders go over into one another, 0…0.5
   */
  public static Picture prepared(Picture picture, double blurDegrees, double seamBlend) {
    Picture to = picture;
    if (seamBlend > 0) {
      to = mended(to, Math.max(1, (int) Math.round(seamBlend * picture.width())));
    }
    return blurDegrees > 0 ? blurred(to, blurDegrees) : to;
  }

  /** Each border mixed with the other's mirror image, half and half where they meet. */
  private static Picture mended(Picture from, int columns) {
    int w = from.width(), n = Math.min(columns, w / 2);
    Picture to = new Picture(w, from.height(), from.rgb().clone());
    for (int y = 0; y < from.height(); y++) {
      for (int x = 0; x < n; x++) {
        float part = 0.5f * (1 - (x + 0.5f) / n);
        int a = 3 * (y * w + x), b = 3 * (y * w + w - 1 - x);
        for (int c = 0; c < 3; c++) {
          float left = from.rgb()[a + c], right = from.rgb()[b + c];
          to.rgb()[a + c] = left + part * (right - left);
          to.rgb()[b + c] = right + part * (left - right);
        }
      }
    }
    return to;
  }

  /**
   * Blur by three box means along each axis, which comes near a Gaussian; across, the box widens
   * towards the poles as the degrees there narrow.
   */
  private static Picture blurred(Picture from, double degrees) {
    int w = from.width(), h = from.height();
    float[] a = from.rgb().clone(), b = new float[a.length];
    double rows = degrees / 180 * h / 3;
    double[] weight = new double[h];
    for (int y = 0; y < h; y++) {
      weight[y] = StrictMath.sin(Math.PI * (y + 0.5) / h);
    }
    for (int pass = 0; pass < 3; pass++) {
      for (int y = 0; y < h; y++) {
        double columns = Math.min(w, degrees / 360 * w / 3 / weight[y]);
        across(a, b, y * w, w, Math.max(0, (int) Math.round(columns / 2)));
      }
      down(b, a, w, h, Math.max(0, (int) Math.round(rows / 2)), weight);
    }
    return new Picture(w, h, a);
  }

  private static void across(float[] from, float[] to, int row, int w, int half) {
    int reach = Math.min(half, (w - 1) / 2);
    for (int c = 0; c < 3; c++) {
      double sum = 0;
      for (int k = -reach; k <= reach; k++) {
        sum += from[3 * (row + Math.floorMod(k, w)) + c];
      }
      for (int x = 0; x < w; x++) {
        to[3 * (row + x) + c] = (float) Math.max(0, sum / (2 * reach + 1));
        sum += from[3 * (row + Math.floorMod(x + reach + 1, w)) + c];
        sum -= from[3 * (row + Math.floorMod(x - reach, w)) + c];
      }
    }
  }

  private static void down(float[] from, float[] to, int w, int h, int half, double[] weight) {
    for (int x = 0; x < w; x++) {
      for (int c = 0; c < 3; c++) {
        for (int y = 0; y < h; y++) {
          double sum = 0, of = 0;
          for (int k = Math.max(0, y - half); k <= Math.min(h - 1, y + half); k++) {
            sum += weight[k] * from[3 * (k * w + x) + c];
            of += weight[k];
          }
          to[3 * (y * w + x) + c] = (float) (sum / of);
        }
      }
    }
  }
}

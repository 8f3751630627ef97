package levelember.denoise;

import levelember.film.GBuffer;

/**
 * Holds single pixels down that are brighter than all but two of those about them in one of the two
 * renderings only, keeps what it takes off, and gives that back where many pixels have lost light:
 * what only rare samples find is not lost to the picture, and a single one does not spread.
 */
final class FireflyFilter {
  /**
   * Squared standard errors by which light must stand out of its noise to be given back: less where
   * there are few samples, as what is lost then may be all the light that there is.
   */
  static final float RESTORE_OF_MANY = 8, RESTORE_OF_FEW = 3, RESTORE_OF_ONE = 1.5f;

  /**
   * Times that a pixel may be brighter than the mean of those about it, where what is brought up to
   * finer pixels is held: rare samples may be all the light that there is.
   */
  private static final float BRIGHTER = 5;

  private final CrossBilateralFilter filter;
  private final int width, height;

  /** Pixels seen through glass that disperses are of single colours, and no speckles; or null. */
  private final GBuffer surfaces;

  FireflyFilter(CrossBilateralFilter filter, int width, int height, GBuffer surfaces) {
    this.filter = filter;
    this.surfaces = surfaces;
    this.width = width;
    this.height = height;
  }

  /**
   * Holds the speckles of a row down.
   *
   * @param light mean luminances, as they were before any was held
   * @param even mean luminance of the even samples, and of the odd ones; both 0 where there is one
   *     sample. Changed where a speckle is held
   * @param scratch two floats a column
   */
  void hold(
      DenoiserPlane plane, float[] light, float[] even, float[] odd, int y, float[][] scratch) {
    float[] third = scratch[0];
    filter.thirdLargest(light, width, height, y, third);
    if (surfaces != null) {
      raise(light, y, third, scratch[1]);
    }
    for (int x = 0; x < width; x++) {
      int p = y * width + x;
      float low = Math.min(even[p], odd[p]);
      float limit = Math.max(third[x], 2 * low);
      if (light[p] <= limit || surfaces != null && surfaces.dispersed(p)) {
        continue;
      }
      float k = limit / light[p];
      plane.removedR[p] = (1 - k) * plane.r[p];
      plane.removedG[p] = (1 - k) * plane.g[p];
      plane.removedB[p] = (1 - k) * plane.b[p];
      plane.r[p] *= k;
      plane.g[p] *= k;
      plane.b[p] *= k;
      float high = Math.max(low, 2 * limit - low);
      if (even[p] > odd[p]) {
        even[p] = high;
      } else {
        odd[p] = high;
      }
      plane.speckled = true;
    }
  }

  /** Raises the limits of a row to several times the mean of the others about each pixel. */
  private void raise(float[] light, int y, float[] limits, float[] sums) {
    float[] means = new float[width];
    BoxMean.row(light, means, 0, sums, width, height, y, 1);
    int rows = Math.min(height, y + 3) - Math.max(0, y - 2);
    for (int x = 0; x < width; x++) {
      int n = rows * (Math.min(width, x + 3) - Math.max(0, x - 2));
      float others = (n * means[x] - light[y * width + x]) / Math.max(1, n - 1);
      limits[x] = Math.max(limits[x], BRIGHTER * others);
    }
  }

  /** How sure light of a pixel is that was taken off and spread over a window, 0…1. */
  static float confidence(DenoiserPlane spread, int p) {
    float light = spread.luminance(p), squared = light * light;
    return squared > 0
        ? Math.max(0, 1 - spread.restoreThreshold * spread.variance[p] / squared)
        : 0;
  }
}

package levelember.film;

import levelember.math.Colour;

/**
 * Holds single pixels down that are brighter than all but two of those about them in one of the two
 * renderings only, keeps what it takes off, and gives that back where many pixels have lost light:
 * what only rare samples find is not lost to the picture, and a single one does not spread.
 */
final class Speckles {
  /** Squared standard errors by which light must stand out of its noise to be given back. */
  private static final float CONFIDENT = 8;

  private final CrossBilateralFilter filter;
  private final int width, height;

  /** Pixels seen through glass that disperses are of single colours, and no speckles; or null. */
  private final GBuffer surfaces;

  Speckles(CrossBilateralFilter filter, int width, int height, GBuffer surfaces) {
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
   * @param third scratch, one float a column
   */
  void hold(DenoiserPlane plane, float[] light, float[] even, float[] odd, int y, float[] third) {
    filter.thirdLargest(light, width, height, y, third);
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

  /** How sure light is that was taken off and spread over a window, 0…1. */
  static float confidence(float r, float g, float b, float variance) {
    float light = Colour.luminance(r, g, b), squared = light * light;
    return squared > 0 ? Math.max(0, 1 - CONFIDENT * variance / squared) : 0;
  }
}

package levelember.denoise;

import levelember.math.Colour;

/** One layer on its way through the denoiser, without the surface's colour. */
final class DenoiserPlane {
  /** Mean light by channel, and the squared standard error of its luminance. */
  float[] r, g, b, variance;

  /** What the next level of the filter makes of them. */
  float[] nextR, nextG, nextB, nextVariance;

  /** Luminance that stops compare, and one over the difference of it that counts as one. */
  float[] light, tolerance;

  /** Light that was taken off speckles; all 0 where {@link #speckled} is false. */
  float[] removedR, removedG, removedB;

  boolean speckled;

  /** Squared standard errors by which light that was taken off must stand out to be given back. */
  float restoreThreshold;

  final DenoiserStops stops;

  DenoiserPlane(int pixels, DenoiserStops stops) {
    this.stops = stops;
    r = new float[pixels];
    g = new float[pixels];
    b = new float[pixels];
    variance = new float[pixels];
    nextR = new float[pixels];
    nextG = new float[pixels];
    nextB = new float[pixels];
    nextVariance = new float[pixels];
    light = new float[pixels];
    tolerance = new float[pixels];
    removedR = new float[pixels];
    removedG = new float[pixels];
    removedB = new float[pixels];
  }

  /** Makes what comes next the present. */
  void swap() {
    float[] t = r;
    r = nextR;
    nextR = t;
    t = g;
    g = nextG;
    nextG = t;
    t = b;
    b = nextB;
    nextB = t;
    t = variance;
    variance = nextVariance;
    nextVariance = t;
  }

  /** Whether luminances are compared; else {@link #light} and {@link #tolerance} are not read. */
  boolean stopsByLight() {
    return stops.byLight() > 0;
  }

  float luminance(int p) {
    return Colour.luminance(r[p], g[p], b[p]);
  }
}

package levelember.denoise;

import levelember.math.Lanes;

/**
 * The inner loops of the denoiser, for runs of pixels of a row: how far guides agree, and what
 * pixels lend each other. This one is plain; {@link WideCrossBilateralFilter} does the same with
 * vectors.
 */
class CrossBilateralFilter {
  /** Share of the nearness itself that may differ, besides its slope. */
  static final float BY_DISTANCE = 0.01f;

  static final float LEAST_REACH = 1e-9f;

  /** The fastest on this machine. */
  static CrossBilateralFilter ofMachine() {
    return Lanes.vectors() ? new WideCrossBilateralFilter() : new CrossBilateralFilter();
  }

  /**
   * How far the guides of pixels agree, times the kernel.
   *
   * @param guides of all pixels
   * @param stops how much less agrees by differences of colour and normal
   * @param here where the row begins
   * @param there where the row begins that is compared, shifted
   * @param far distance of the two in pixels
   * @param to by column
   */
  void agree(
      PixelGuides guides,
      DenoiserStops stops,
      int here,
      int there,
      int begin,
      int end,
      float kernel,
      float far,
      float[] to) {
    float[][] guide = guides.mean;
    float[] slope = guides.slope;
    float byColour = stops.byColour(), byNormal = stops.byNormal();
    float[] cr = guide[0], cg = guide[1], cb = guide[2];
    float[] nx = guide[3], ny = guide[4], nz = guide[5], near = guide[6];
    for (int x = begin; x < end; x++) {
      int a = here + x, c = there + x;
      float r = cr[a] - cr[c], g = cg[a] - cg[c], b = cb[a] - cb[c];
      float i = nx[a] - nx[c], j = ny[a] - ny[c], k = nz[a] - nz[c];
      float away = Math.abs(near[a] - near[c]);
      float may = 2 * far * slope[a] + BY_DISTANCE * near[a] + LEAST_REACH;
      float d =
          byColour * (r * r + g * g + b * b)
              + byNormal * (i * i + j * j + k * k)
              + 0.5f * away / may;
      float t = Math.max(0, 1 - 0.25f * d);
      t *= t;
      to[x] = kernel * (t * t);
    }
  }

  /** The taps of a filter for one row: where they are, and how far their guides agree. */
  static final class Taps {
    final int[] shift = new int[8];
    final int[] there = new int[8];
    final float[][] alike;
    int count;

    Taps(int width) {
      alike = new float[8][width];
    }

    int begin(int tap) {
      return Math.max(0, -shift[tap]);
    }

    int end(int tap, int width) {
      return Math.min(width, width - shift[tap]);
    }
  }

  /**
   * Weighted means of a row: every pixel's own light, and what all taps lend it as far as their
   * luminances agree too, in the order of the taps.
   *
   * @param plane whose present is read and whose next is written
   * @param here where the row begins
   * @param own weight of the pixel itself
   */
  void means(DenoiserPlane plane, Taps taps, int here, int width, float own) {
    means(plane, taps, here, width, own, 0, width);
  }

  /** The same for some columns. */
  final void means(
      DenoiserPlane plane, Taps taps, int here, int width, float own, int left, int right) {
    float gain = plane.stops.gain();
    for (int x = left; x < right; x++) {
      int a = here + x;
      float r = own * plane.r[a], g = own * plane.g[a], b = own * plane.b[a];
      float v = own * own * plane.variance[a], sum = own;
      for (int t = 0; t < taps.count; t++) {
        if (x < taps.begin(t) || x >= taps.end(t, width)) {
          continue;
        }
        int c = taps.there[t] + x;
        float w = taps.alike[t][x];
        if (plane.stopsByLight()) {
          float d = Math.abs(plane.light[a] - plane.light[c]) * plane.tolerance[a];
          float f = Math.max(0, 1 - 0.25f * d);
          f *= f;
          w *= f * f;
        }
        r += w * plane.r[c];
        g += w * plane.g[c];
        b += w * plane.b[c];
        v += w * w * plane.variance[c];
        sum += w;
      }
      float k = 1 / sum;
      plane.nextR[a] = k * r;
      plane.nextG[a] = k * g;
      plane.nextB[a] = k * b;
      plane.nextVariance[a] = gain * k * k * v;
    }
  }

  /**
   * Third largest of the 24 values about each pixel of a row; 0 where there are not so many above.
   *
   * @param to by column
   */
  void thirdLargest(float[] of, int width, int height, int y, float[] to) {
    thirdLargest(of, width, height, y, 0, width, to);
  }

  /** The same for some columns. */
  final void thirdLargest(
      float[] of, int width, int height, int y, int left, int right, float[] to) {
    for (int x = left; x < right; x++) {
      float first = 0, second = 0, third = 0;
      for (int j = Math.max(0, y - 2); j <= Math.min(height - 1, y + 2); j++) {
        for (int i = Math.max(0, x - 2); i <= Math.min(width - 1, x + 2); i++) {
          float v = i == x && j == y ? 0 : of[j * width + i];
          if (v > third) {
            third = Math.min(v, second);
            second = Math.min(Math.max(v, second), first);
            first = Math.max(v, first);
          }
        }
      }
      to[x] = third;
    }
  }
}

package levelember.film;

import levelember.math.Lanes;

/**
 * The inner loops of the denoiser, for runs of pixels of a row: how far guides agree, and what
 * pixels lend each other. This one is plain; {@link WideCrossBilateralFilter} does the same with
 * vectors.
 */
class CrossBilateralFilter {
  /** Sums of a row: red, green, blue, variance, weight. */
  static final int SUMS = 5;

  static final float BY_NORMAL = 12;
  static final float BY_COLOUR = 40;

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
   * @param guide channels as in {@link Guides}, one array each
   * @param slope change of the nearness from pixel to pixel
   * @param here where the row begins
   * @param there where the row begins that is compared, shifted
   * @param far distance of the two in pixels
   * @param to by column
   */
  void agree(
      float[][] guide,
      float[] slope,
      int here,
      int there,
      int begin,
      int end,
      float kernel,
      float far,
      float[] to) {
    float[] cr = guide[0], cg = guide[1], cb = guide[2];
    float[] nx = guide[3], ny = guide[4], nz = guide[5], near = guide[6];
    for (int x = begin; x < end; x++) {
      int a = here + x, c = there + x;
      float r = cr[a] - cr[c], g = cg[a] - cg[c], b = cb[a] - cb[c];
      float i = nx[a] - nx[c], j = ny[a] - ny[c], k = nz[a] - nz[c];
      float away = Math.abs(near[a] - near[c]);
      float may = 2 * far * slope[a] + BY_DISTANCE * near[a] + LEAST_REACH;
      float d =
          BY_COLOUR * (r * r + g * g + b * b)
              + BY_NORMAL * (i * i + j * j + k * k)
              + 0.5f * away / may;
      float t = Math.max(0, 1 - 0.25f * d);
      t *= t;
      to[x] = kernel * (t * t);
    }
  }

  /**
   * Adds what a row of pixels lends to another, as far as their luminances agree too.
   *
   * @param from red, green, blue, variance, luminance, and one over its tolerance
   * @param alike as {@link #agree} says
   * @param to the {@link #SUMS} sums
   */
  void lend(float[][] from, float[] alike, int here, int there, int begin, int end, float[][] to) {
    float[] sr = from[0], sg = from[1], sb = from[2], sv = from[3];
    float[] light = from[4], tolerance = from[5];
    float[] tr = to[0], tg = to[1], tb = to[2], tv = to[3], tw = to[4];
    for (int x = begin; x < end; x++) {
      int a = here + x, c = there + x;
      float d = Math.abs(light[a] - light[c]) * tolerance[a];
      float t = Math.max(0, 1 - 0.25f * d);
      t *= t;
      float w = alike[x] * (t * t);
      tr[x] += w * sr[c];
      tg[x] += w * sg[c];
      tb[x] += w * sb[c];
      tv[x] += w * w * sv[c];
      tw[x] += w;
    }
  }
}

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
   * Adds what all taps lend to a row, in their order.
   *
   * @param here where the row begins
   * @param step most that a tap is shifted
   */
  void lend(float[][] from, Taps taps, int here, int width, int step, float[][] to) {
    lend(from, taps, here, width, 0, width, to);
  }

  /** The same for some columns. */
  final void lend(
      float[][] from, Taps taps, int here, int width, int left, int right, float[][] to) {
    for (int t = 0; t < taps.count; t++) {
      int begin = Math.max(left, taps.begin(t)), end = Math.min(right, taps.end(t, width));
      lend(from, taps.alike[t], here, taps.there[t], begin, end, to);
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

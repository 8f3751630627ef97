package levelember.upsampling;

import java.util.Arrays;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.GBuffer;

/**
 * Brings light up to single pixels, sample by sample: those that show several surfaces, and those
 * whose surface no coarse pixel beside them shows, which take from farther ones. One a thread.
 */
final class SampleUpsampling {
  /** Coarse pixels either way that are looked at where those beside do not show the surface. */
  private static final int REACH = 2;

  /**
   * Distances in eight directions of those that are looked at besides where these do not either.
   */
  private static final int[] FARTHER = {3, 4, 5};

  private static final int MOST = (2 * REACH + 1) * (2 * REACH + 1) + 8 * FARTHER.length;

  /** Standard deviation of the weight by distance there, in coarse pixels. */
  private static final float FAR = 1.5f;

  /** Weight, by the largest, of pixels that are left out. */
  private static final float LEAST_WEIGHT = 0.02f;

  private final Film fine;
  private final GBuffer surfaces;
  private final CoarseSurfaces coarse;
  private final int ratio;
  private final float[] sample = new float[GBuffer.VALUES];
  private final int[] taps = new int[MOST];
  private final float[] weights = new float[MOST], distances = new float[MOST];
  private int count;
  private float spatialSum;

  /** What was made since the beginning, as {@link Samples} holds it. */
  private int[] columns = new int[64], ends = new int[64], pixels = new int[256];

  private float[] scales = new float[192], shares = new float[256];
  private int samples;

  /**
   * Samples of a row that take from coarse pixels of their own.
   *
   * @param columns of the fine pixels
   * @param ends where the coarse pixels of each end in {@code pixels}
   * @param scales of weighed light, three each
   * @param pixels numbers of coarse pixels
   * @param weights of these
   */
  record Samples(int[] columns, int[] ends, float[] scales, int[] pixels, float[] weights) {
    /** Adds light by channel to a row of three floats a pixel that begins at {@code at}. */
    void gather(float[][] light, float[] into, int at) {
      for (int i = 0, t = 0; i < columns.length; i++) {
        float r = 0, g = 0, b = 0;
        for (; t < ends[i]; t++) {
          int c = pixels[t];
          r += weights[t] * light[0][c];
          g += weights[t] * light[1][c];
          b += weights[t] * light[2][c];
        }
        int to = at + 3 * columns[i];
        into[to] += scales[3 * i] * r;
        into[to + 1] += scales[3 * i + 1] * g;
        into[to + 2] += scales[3 * i + 2] * b;
      }
    }
  }

  /**
   * @param ratio of the sizes
   */
  SampleUpsampling(Film fine, CoarseSurfaces coarse, int ratio) {
    this.fine = fine;
    this.coarse = coarse;
    this.ratio = ratio;
    surfaces = fine.surfaces();
  }

  /** Samples of a pixel, of the first {@code n}, whose surface is known. */
  static int known(GBuffer surfaces, int pixel, int n) {
    int known = 0;
    for (int i = 0; i < n; i++) {
      known += surfaces.kind(pixel, i) == GBuffer.UNKNOWN ? 0 : 1;
    }
    return known;
  }

  /** Begins with a row. */
  void begin() {
    samples = 0;
  }

  /** What was made of the row. */
  Samples samples() {
    int taps = samples == 0 ? 0 : ends[samples - 1];
    return new Samples(
        Arrays.copyOf(columns, samples),
        Arrays.copyOf(ends, samples),
        Arrays.copyOf(scales, 3 * samples),
        Arrays.copyOf(pixels, taps),
        Arrays.copyOf(shares, taps));
  }

  /** Makes the samples of a pixel. */
  void pixel(int x, int y) {
    int p = y * fine.width() + x;
    int n = Math.min(surfaces.kept(), fine.most(fine.tile(x, y)));
    int known = known(surfaces, p, n);
    if (known == 0) {
      unknown(x, y);
      return;
    }
    for (int i = 0; i < n; i++) {
      if (surfaces.kind(p, i) != GBuffer.UNKNOWN) {
        surfaces.read(p, i, sample);
        choose((x + 0.5f) / ratio - 0.5f, (y + 0.5f) / ratio - 0.5f);
        add(x, 1f / known);
      }
    }
  }

  /** Where no sample knows its surface: the light of the coarse pixel as it is. */
  private void unknown(int x, int y) {
    int cx = Math.min(x / ratio, coarse.width - 1), cy = Math.min(y / ratio, coarse.height - 1);
    taps[0] = cy * coarse.width + cx;
    weights[0] = 1;
    count = 1;
    int i = put(x);
    scales[i] = scales[i + 1] = scales[i + 2] = 1;
  }

  /** Chooses and weighs coarse pixels for the present sample. */
  private void choose(float fx, float fy) {
    int x0 = (int) Math.floor(fx), y0 = (int) Math.floor(fy);
    int before = ratio == 1 ? 1 : 0;
    count = 0;
    spatialSum = 0;
    square(x0 - before, y0 - before, x0 + 1, y0 + 1, fx, fy, 1);
    if (alike()) {
      weigh(0);
      return;
    }
    int cx = Math.round(fx), cy = Math.round(fy);
    float far = FAR / JointUpsampling.NEAR;
    count = 0;
    spatialSum = 0;
    square(cx - REACH, cy - REACH, cx + REACH, cy + REACH, fx, fy, far);
    if (alike()) {
      weigh(0);
      return;
    }
    for (int away : FARTHER) {
      for (int i = 0; i < 9; i++) {
        if (i != 4) {
          tap(cx + (i % 3 - 1) * away, cy + (i / 3 - 1) * away, fx, fy, far);
        }
      }
    }
    // Nothing is alike: what is so most.
    float least = Float.POSITIVE_INFINITY;
    for (int i = 0; i < count; i++) {
      least = Math.min(least, distances[i]);
    }
    weigh(least > 1 ? least : 0);
  }

  private void square(
      int left, int top, int right, int bottom, float fx, float fy, float byDistance) {
    for (int cy = top; cy <= bottom; cy++) {
      for (int cx = left; cx <= right; cx++) {
        tap(cx, cy, fx, fy, byDistance);
      }
    }
  }

  private void tap(int cx, int cy, float fx, float fy, float byDistance) {
    if (cx < 0 || cy < 0 || cx >= coarse.width || cy >= coarse.height) {
      return;
    }
    float dx = (cx - fx) / byDistance, dy = (cy - fy) / byDistance;
    int c = cy * coarse.width + cx;
    taps[count] = c;
    weights[count] = JointUpsampling.spatialWeight(dx * dx + dy * dy);
    distances[count] = coarse.featureDistance(c, sample);
    spatialSum += weights[count];
    count++;
  }

  /** Whether enough of the pixels that were chosen show the sample's surface. */
  private boolean alike() {
    float sum = 0;
    for (int i = 0; i < count; i++) {
      sum += weights[i] * CoarseSurfaces.edgeStop(distances[i]);
    }
    return sum >= JointUpsampling.TOO_FEW * spatialSum;
  }

  /** Weighs by differences, less what is let pass. */
  private void weigh(float passed) {
    float most = 0;
    for (int i = 0; i < count; i++) {
      weights[i] *= CoarseSurfaces.edgeStop(distances[i] - passed);
      most = Math.max(most, weights[i]);
    }
    int kept = 0;
    for (int i = 0; i < count; i++) {
      if (weights[i] > LEAST_WEIGHT * most) {
        weights[kept] = weights[i];
        taps[kept++] = taps[i];
      }
    }
    count = kept;
  }

  private void add(int x, float share) {
    int at = put(x);
    for (int k = 0; k < 3; k++) {
      float sum = 0;
      for (int i = 0; i < count; i++) {
        sum += weights[i] * coarse.values[k][taps[i]];
      }
      scales[at + k] = sum > 0 ? share * Math.max(Denoiser.LEAST_COLOUR, sample[k]) / sum : 0;
    }
  }

  /** Puts the chosen pixels down for a column; returns where its scales are to be put. */
  private int put(int x) {
    int taken = samples == 0 ? 0 : ends[samples - 1];
    if (samples == columns.length) {
      columns = Arrays.copyOf(columns, 2 * samples);
      ends = Arrays.copyOf(ends, 2 * samples);
      scales = Arrays.copyOf(scales, 6 * samples);
    }
    if (taken + count > pixels.length) {
      pixels = Arrays.copyOf(pixels, 2 * (taken + count));
      shares = Arrays.copyOf(shares, pixels.length);
    }
    System.arraycopy(taps, 0, pixels, taken, count);
    System.arraycopy(weights, 0, shares, taken, count);
    columns[samples] = x;
    ends[samples] = taken + count;
    return 3 * samples++;
  }
}

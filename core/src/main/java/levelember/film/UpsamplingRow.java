package levelember.film;

import java.util.Arrays;

/**
 * Brings light up to one row of pixels after the other. Pixels whose samples show one surface are
 * worked side by side: those of one phase (column modulo the ratio of the sizes) lie in a run, as
 * do the coarse pixels that they take from, so that the loops are of vectors. The others go sample
 * by sample ({@link SampleUpsampling}). One a thread.
 */
final class UpsamplingRow {
  /** Differences within a pixel up to which its samples show one surface. */
  private static final float SAME_NORMAL = 0.1f, SAME_NEARNESS = 0.02f;

  private final Film fine;
  private final GBuffer surfaces;
  private final CoarseSurfaces coarse;
  private final int ratio;

  /** Fine columns of one phase; and taps either way, 2 or, where sizes are equal, 3. */
  private final int cells, across;

  private final float[][] light;
  private final float[][] to;
  private final SampleUpsampling single;

  /** By phase and cell: the pixels' surfaces, their weights, and sums. */
  private final float[][] own = new float[CoarseSurfaces.VALUES][];

  private final float[][] weights;

  /** 1 where a pixel shows a surface, 0 the open, −1 where it goes sample by sample. */
  private final float[] met;

  /** As {@link UpsamplingKernel#weigh} fills them; then what light is scaled by. */
  private final float[][] sums;

  private final float[] spread;
  private final float[][] taken;
  private final float[] sample = new float[CoarseSurfaces.VALUES];
  private final float[] other = new float[CoarseSurfaces.VALUES];
  private final UpsamplingKernel kernel;

  /**
   * @param ratio of the sizes
   * @param light of layers and channels, a plane of coarse pixels each
   * @param to of layers, three floats a fine pixel
   */
  UpsamplingRow(
      Film fine,
      CoarseSurfaces coarse,
      int ratio,
      float[][] light,
      float[][] to,
      UpsamplingKernel kernel) {
    this.kernel = kernel;
    this.fine = fine;
    this.coarse = coarse;
    this.ratio = ratio;
    this.light = light;
    this.to = to;
    surfaces = fine.surfaces();
    cells = coarse.width;
    across = ratio == 1 ? 3 : 2;
    int n = ratio * cells;
    for (int k = 0; k < own.length; k++) {
      own[k] = new float[n];
    }
    weights = new float[across * across][n];
    sums = new float[UpsamplingKernel.SUMS][n];
    spread = new float[n];
    taken = new float[3][n];
    met = new float[n];
    single = new SampleUpsampling(fine, coarse, ratio, light, to);
  }

  void bringUp(int y) {
    Arrays.fill(met, -1);
    for (int x = 0; x < fine.width(); x++) {
      read(x, y);
    }
    float fy = (y + 0.5f) / ratio - 0.5f;
    int top = (int) Math.floor(fy) - (across - 2);
    UpsamplingKernel.Run[] runs = new UpsamplingKernel.Run[ratio * across * across];
    Arrays.fill(spread, 0);
    for (float[] sum : sums) {
      Arrays.fill(sum, 0);
    }
    for (int phase = 0; phase < ratio; phase++) {
      weigh(phase, top, fy, runs);
    }
    for (int x = 0; x < fine.width(); x++) {
      finishWeights(x, y);
    }
    for (int layer = 0; layer < to.length; layer++) {
      for (int k = 0; k < 3; k++) {
        take(light[3 * layer + k], runs, taken[k]);
      }
      put(to[layer], 3 * y * fine.width());
    }
  }

  /** Weighs all taps of one phase. */
  private void weigh(int phase, int top, float fy, UpsamplingKernel.Run[] runs) {
    float fx = (phase + 0.5f) / ratio - 0.5f;
    int left = (int) Math.floor(fx) - (across - 2);
    int first = phase * cells;
    for (int tap = 0; tap < across * across; tap++) {
      int row = top + tap / across, shift = left + tap % across;
      if (row < 0 || row >= coarse.height) {
        continue;
      }
      float dx = shift - fx, dy = row - fy;
      float near = JointUpsampling.near(dx * dx + dy * dy);
      int begin = first + Math.max(0, -shift), end = first + Math.min(cells, cells - shift);
      UpsamplingKernel.Run run = new UpsamplingKernel.Run(begin, end, row * cells + shift - first);
      runs[phase * across * across + tap] = run;
      kernel.weigh(coarse, run, own, met, near, weights[tap], sums);
      for (int i = begin; i < end; i++) {
        spread[i] += near;
      }
    }
  }

  /** What weighed light is scaled by; pixels with too little weight go sample by sample. */
  private void finishWeights(int x, int y) {
    int at = x % ratio * cells + x / ratio;
    boolean known = met[at] >= 0 && sums[0][at] >= JointUpsampling.TOO_FEW * spread[at];
    for (int k = 0; k < 3; k++) {
      float albedo = Math.max(Denoiser.LEAST_COLOUR, own[k][at]);
      sums[1 + k][at] = known ? albedo / sums[1 + k][at] : 0;
    }
    if (!known) {
      single.pixel(x, y);
    }
  }

  /** Weighed light of one layer and channel. */
  private void take(float[] from, UpsamplingKernel.Run[] runs, float[] into) {
    Arrays.fill(into, 0);
    for (int i = 0; i < runs.length; i++) {
      if (runs[i] != null) {
        kernel.take(from, runs[i], weights[i % (across * across)], into);
      }
    }
  }

  /** Adds the light of a layer to the row, by columns in their order. */
  private void put(float[] into, int at) {
    float[] byR = sums[1], byG = sums[2], byB = sums[3];
    float[] r = taken[0], g = taken[1], b = taken[2];
    for (int x = 0, phase = 0, cell = 0; x < fine.width(); x++, at += 3) {
      int i = phase * cells + cell;
      into[at] += byR[i] * r[i];
      into[at + 1] += byG[i] * g[i];
      into[at + 2] += byB[i] * b[i];
      if (++phase == ratio) {
        phase = 0;
        cell++;
      }
    }
  }

  /** Reads the mean of a pixel's samples where they show one surface. */
  private void read(int x, int y) {
    int p = y * fine.width() + x;
    int n = Math.min(surfaces.kept(), fine.most(fine.tile(x, y)));
    int at = x % ratio * cells + x / ratio;
    int known = SampleUpsampling.known(surfaces, p, n);
    if (known == 0 || !oneSurface(p, n, known)) {
      return;
    }
    for (int k = 0; k < own.length; k++) {
      own[k][at] = sample[k];
    }
    met[at] = sample[CoarseSurfaces.NEARNESS] > 0 ? 1 : 0;
  }

  private boolean oneSurface(int p, int n, int known) {
    boolean first = true;
    float r = 0, g = 0, b = 0;
    for (int i = 0; i < n; i++) {
      if (surfaces.kind(p, i) == GBuffer.UNKNOWN) {
        continue;
      }
      float[] into = first ? sample : other;
      surfaces.read(p, i, into);
      if (!first && !alike(sample, other)) {
        return false;
      }
      r += into[0];
      g += into[1];
      b += into[2];
      first = false;
    }
    sample[0] = r / known;
    sample[1] = g / known;
    sample[2] = b / known;
    return true;
  }

  private static boolean alike(float[] a, float[] b) {
    float i = a[CoarseSurfaces.NX] - b[CoarseSurfaces.NX];
    float j = a[CoarseSurfaces.NY] - b[CoarseSurfaces.NY];
    float k = a[CoarseSurfaces.NZ] - b[CoarseSurfaces.NZ];
    float away = Math.abs(a[CoarseSurfaces.NEARNESS] - b[CoarseSurfaces.NEARNESS]);
    return i * i + j * j + k * k < SAME_NORMAL
        && away <= SAME_NEARNESS * a[CoarseSurfaces.NEARNESS];
  }
}

package levelember.upsampling;

import java.util.Arrays;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.GBuffer;

/** Makes the rows of {@link UpsamplingWeights}. One a thread. */
final class UpsamplingWeigher {
  /** Differences within a pixel up to which its samples show one surface. */
  private static final float SAME_NORMAL = 0.1f, SAME_NEARNESS = 0.02f;

  private final Film fine;
  private final GBuffer surfaces;
  private final CoarseSurfaces coarse;
  private final UpsamplingKernel kernel;
  private final int ratio, cells, width;

  /** Taps either way: 2 or, where sizes are equal, 3. */
  private final int across;

  private final SampleUpsampling single;

  /** By phase and cell: the pixels' surfaces. */
  private final float[][] own = new float[GBuffer.VALUES][];

  /** Whether a pixel's samples show one surface, so that it is worked beside others. */
  private final boolean[] merged;

  private final float[] spatialSum;
  private final float[] sample = new float[GBuffer.VALUES];
  private final float[] other = new float[GBuffer.VALUES];

  /**
   * @param ratio of the sizes
   */
  UpsamplingWeigher(Film fine, CoarseSurfaces coarse, int ratio, UpsamplingKernel kernel) {
    this.fine = fine;
    this.coarse = coarse;
    this.kernel = kernel;
    surfaces = fine.surfaces();
    this.ratio = ratio;
    cells = coarse.width;
    width = fine.width();
    across = ratio == 1 ? 3 : 2;
    int n = ratio * cells;
    for (int k = 0; k < own.length; k++) {
      own[k] = new float[n];
    }
    merged = new boolean[n];
    spatialSum = new float[n];
    single = new SampleUpsampling(fine, coarse, ratio);
  }

  UpsamplingWeights.Row row(int y) {
    Arrays.fill(merged, false);
    for (int x = 0; x < width; x++) {
      read(x, y);
    }
    float fy = (y + 0.5f) / ratio - 0.5f;
    int top = (int) Math.floor(fy) - (across - 2);
    UpsamplingKernel.Run[] runs = new UpsamplingKernel.Run[ratio * across * across];
    float[][] weights = new float[across * across][ratio * cells];
    float[][] sums = new float[UpsamplingKernel.SUMS][ratio * cells];
    Arrays.fill(spatialSum, 0);
    for (int phase = 0; phase < ratio; phase++) {
      weigh(phase, top, fy, runs, weights, sums);
    }
    single.begin();
    for (int x = 0; x < width; x++) {
      finish(x, y, sums);
    }
    return new UpsamplingWeights.Row(
        runs, weights, new float[][] {sums[1], sums[2], sums[3]}, single.samples());
  }

  /** Weighs all taps of one phase. */
  private void weigh(
      int phase,
      int top,
      float fy,
      UpsamplingKernel.Run[] runs,
      float[][] weights,
      float[][] sums) {
    float fx = (phase + 0.5f) / ratio - 0.5f;
    int left = (int) Math.floor(fx) - (across - 2);
    int first = phase * cells;
    for (int tap = 0; tap < across * across; tap++) {
      int row = top + tap / across, shift = left + tap % across;
      if (row < 0 || row >= coarse.height) {
        continue;
      }
      float dx = shift - fx, dy = row - fy;
      float near = JointUpsampling.spatialWeight(dx * dx + dy * dy);
      int begin = first + Math.max(0, -shift), end = first + Math.min(cells, cells - shift);
      UpsamplingKernel.Run run = new UpsamplingKernel.Run(begin, end, row * cells + shift - first);
      runs[phase * across * across + tap] = run;
      kernel.weigh(coarse, run, own, near, weights[tap], sums);
      for (int i = begin; i < end; i++) {
        spatialSum[i] += near;
      }
    }
  }

  /** What weighed light is scaled by; pixels with too little weight go sample by sample. */
  private void finish(int x, int y, float[][] sums) {
    int at = x % ratio * cells + x / ratio;
    boolean known = merged[at] && sums[0][at] >= JointUpsampling.TOO_FEW * spatialSum[at];
    for (int k = 0; k < 3; k++) {
      float albedo = Math.max(Denoiser.LEAST_COLOUR, own[k][at]);
      sums[1 + k][at] = known ? albedo / sums[1 + k][at] : 0;
    }
    if (!known) {
      single.pixel(x, y);
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
    merged[at] = true;
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
    float i = a[GBuffer.NORMAL] - b[GBuffer.NORMAL];
    float j = a[GBuffer.NORMAL + 1] - b[GBuffer.NORMAL + 1];
    float k = a[GBuffer.NORMAL + 2] - b[GBuffer.NORMAL + 2];
    float away = Math.abs(a[GBuffer.NEARNESS] - b[GBuffer.NEARNESS]);
    return i * i + j * j + k * k < SAME_NORMAL && away <= SAME_NEARNESS * a[GBuffer.NEARNESS];
  }
}

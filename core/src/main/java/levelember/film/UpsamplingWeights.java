package levelember.film;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * What every pixel of full size takes of which coarse pixels: the weights of {@link
 * JointUpsampling}. They depend on surfaces alone, so they hold for all layers, and for light that
 * is traced anew.
 *
 * <p>Pixels whose samples show one surface are worked side by side: those of one phase (column
 * modulo the ratio of the sizes) lie in a run, as do the coarse pixels that they take from, so that
 * the loops are of vectors. The others go sample by sample ({@link SampleUpsampling}).
 */
final class UpsamplingWeights {
  /** Differences within a pixel up to which its samples show one surface. */
  private static final float SAME_NORMAL = 0.1f, SAME_NEARNESS = 0.02f;

  private static final int STRIPS = 32;

  private final GBuffer from, to;
  private final int known;
  private final int ratio;
  private final int cells;
  private final int width;
  private final Row[] rows;

  /**
   * One row's weights.
   *
   * @param runs fine pixels by phase and tap, null where the tap is outside
   * @param weights by tap, then by phase and cell
   * @param scale by channel, then by phase and cell: what weighed light is scaled by
   * @param samples pixels that go sample by sample
   */
  private record Row(
      UpsamplingKernel.Run[] runs,
      float[][] weights,
      float[][] scale,
      SampleUpsampling.Samples samples) {}

  private UpsamplingWeights(Film coarse, Film fine) {
    from = coarse.surfaces();
    to = fine.surfaces();
    known = known(fine);
    ratio = coarse.step();
    cells = coarse.width();
    width = fine.width();
    rows = new Row[fine.height()];
  }

  /**
   * The weights of two films.
   *
   * @param coarse the film that light is taken from
   * @param guides what its pixels show
   * @param fine the film of full size that keeps first surfaces
   * @return null when stopped
   */
  static UpsamplingWeights of(
      Film coarse, PixelGuides guides, Film fine, UpsamplingKernel kernel, BooleanSupplier stop) {
    UpsamplingWeights to = new UpsamplingWeights(coarse, fine);
    CoarseSurfaces surfaces = new CoarseSurfaces(coarse, guides);
    int height = fine.height();
    IntStream.range(0, STRIPS)
        .parallel()
        .forEach(s -> {
          Weigher weigher = to.new Weigher(fine, surfaces, kernel);
          for (int y = s * height / STRIPS; y < (s + 1) * height / STRIPS; y++) {
            if (stop.getAsBoolean()) {
              return;
            }
            to.rows[y] = weigher.row(y);
          }
        });
    return stop.getAsBoolean() ? null : to;
  }

  private static int known(Film fine) {
    int sum = 0;
    for (int tile = 0; tile < fine.tiles(); tile++) {
      sum += fine.most(tile);
    }
    return sum;
  }

  /** Whether these are the weights of two films as they are now. */
  boolean areOf(Film coarse, Film fine) {
    return from.hasSurfacesOf(coarse.surfaces())
        && to.hasSurfacesOf(fine.surfaces())
        && known == known(fine);
  }

  /** Bytes that it holds, but for those of pixels that go sample by sample. */
  long bytes() {
    return rows.length == 0 ? 0 : (rows[0].weights.length + 3L) * 4 * ratio * cells * rows.length;
  }

  /** What one thread takes light with. */
  final class Gatherer {
    private final UpsamplingKernel kernel;
    private final float[][] taken = new float[3][ratio * cells];

    Gatherer(UpsamplingKernel kernel) {
      this.kernel = kernel;
    }

    /**
     * Adds light of a layer to a row.
     *
     * @param light by channel, a plane of coarse pixels each
     * @param into three floats a fine pixel
     */
    void row(int y, float[][] light, float[] into) {
      Row row = rows[y];
      int taps = row.weights.length;
      for (int k = 0; k < 3; k++) {
        Arrays.fill(taken[k], 0);
        for (int i = 0; i < row.runs.length; i++) {
          if (row.runs[i] != null) {
            kernel.gather(light[k], row.runs[i], row.weights[i % taps], taken[k]);
          }
        }
      }
      put(row.scale, into, 3 * y * width);
      row.samples.gather(light, into, 3 * y * width);
    }

    /** Adds what was taken to a row, by columns in their order. */
    private void put(float[][] scale, float[] into, int at) {
      float[] byR = scale[0], byG = scale[1], byB = scale[2];
      float[] r = taken[0], g = taken[1], b = taken[2];
      for (int x = 0, phase = 0, cell = 0; x < width; x++, at += 3) {
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
  }

  /** What one thread makes weights with. */
  private final class Weigher {
    private final Film fine;
    private final GBuffer surfaces;
    private final CoarseSurfaces coarse;
    private final UpsamplingKernel kernel;

    /** Taps either way: 2 or, where sizes are equal, 3. */
    private final int across;

    private final SampleUpsampling single;

    /** By phase and cell: the pixels' surfaces. */
    private final float[][] own = new float[GBuffer.VALUES][ratio * cells];

    /** Whether a pixel's samples show one surface, so that it is worked beside others. */
    private final boolean[] merged = new boolean[ratio * cells];

    private final float[] spatialSum = new float[ratio * cells];
    private final float[] sample = new float[GBuffer.VALUES];
    private final float[] other = new float[GBuffer.VALUES];

    Weigher(Film fine, CoarseSurfaces coarse, UpsamplingKernel kernel) {
      this.fine = fine;
      this.coarse = coarse;
      this.kernel = kernel;
      surfaces = fine.surfaces();
      across = ratio == 1 ? 3 : 2;
      single = new SampleUpsampling(fine, coarse, ratio);
    }

    Row row(int y) {
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
      return new Row(runs, weights, new float[][] {sums[1], sums[2], sums[3]}, single.samples());
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
        UpsamplingKernel.Run run =
            new UpsamplingKernel.Run(begin, end, row * cells + shift - first);
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
      return i * i + j * j + k * k < SAME_NORMAL
          && away <= SAME_NEARNESS * a[GBuffer.NEARNESS];
    }
  }
}

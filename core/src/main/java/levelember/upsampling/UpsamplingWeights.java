package levelember.upsampling;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import levelember.denoise.PixelGuides;
import levelember.film.Film;
import levelember.film.GBuffer;

/**
 * What every pixel of full size takes of which coarse pixels: the weights of {@link
 * JointUpsampling}. They depend on surfaces alone, so they hold for all layers, and for light that
 * is traced anew.
 *
 * <p>Pixels whose samples show one surface are worked side by side: those of one phase (column
 * modulo the ratio of the sizes) lie in a run, as do the coarse pixels that they take from, so that
 * the loops are of vectors. The others go sample by sample ({@link SampleUpsampling}). {@link
 * UpsamplingWeigher} makes them.
 */
final class UpsamplingWeights {
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
  record Row(
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
          UpsamplingWeigher weigher = new UpsamplingWeigher(fine, surfaces, coarse.step(), kernel);
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
}

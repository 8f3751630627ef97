package levelember.upsampling;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.film.SeenEmission;

/**
 * Brings light of a coarse film up to a G-buffer of full size (joint bilateral upsampling, Kopf,
 * Cohen, Lischinski and Uyttendaele 2007): every fine sample takes the irradiance of those coarse
 * pixels about it that show the same surface, times its own albedo. Emission that is seen over
 * mirrors and clear glass alone is taken from the G-buffer.
 *
 * <p>Weights depend on surfaces alone, so layers come out as they would by themselves. Every pixel
 * gathers in a fixed order: the same bits on any number of threads.
 */
final class JointUpsampling {
  /** Standard deviation of the weight by distance, in coarse pixels. */
  static final float NEAR = 0.6f;

  /** Share of the weight by distance below which pixels farther off are looked at. */
  static final float TOO_FEW = 0.03f;

  private static final int STRIPS = 32;

  private final Film coarse;
  private final Film fine;
  private final UpsamplingWeights weights;
  private final UpsamplingKernel kernel;
  private final BooleanSupplier stop;

  /**
   * @param coarse the film whose light is brought up
   * @param fine the film of full size that keeps first surfaces
   * @param weights of the two
   */
  JointUpsampling(
      Film coarse,
      Film fine,
      UpsamplingWeights weights,
      UpsamplingKernel kernel,
      BooleanSupplier stop) {
    this.coarse = coarse;
    this.fine = fine;
    this.weights = weights;
    this.kernel = kernel;
    this.stop = stop;
  }

  /**
   * Layers in full size as means, three floats a pixel, or null when stopped.
   *
   * @param layers numbers of the layers
   * @param reflected of each the denoised light that comes over surfaces, three floats a coarse
   *     pixel
   */
  float[][] layers(int[] layers, float[][] reflected) {
    int height = fine.height();
    float[][] to = new float[layers.length][3 * fine.width() * height];
    float[][][] light =
        Arrays.stream(reflected).map(JointUpsampling::planes).toArray(float[][][]::new);
    IntStream.range(0, STRIPS)
        .parallel()
        .forEach(s -> {
          UpsamplingWeights.Gatherer gatherer = weights.new Gatherer(kernel);
          for (int y = s * height / STRIPS; y < (s + 1) * height / STRIPS; y++) {
            if (stop.getAsBoolean()) {
              return;
            }
            for (int i = 0; i < layers.length; i++) {
              gatherer.row(y, light[i], to[i]);
              addEmission(layers[i], y, to[i]);
            }
          }
        });
    return stop.getAsBoolean() ? null : to;
  }

  /** Weight by distance: squared, in coarse pixels. */
  static float spatialWeight(float squared) {
    return CoarseSurfaces.edgeStop(squared / (2 * NEAR * NEAR));
  }

  /** Light by channel, a plane each. */
  private static float[][] planes(float[] light) {
    float[][] to = new float[3][light.length / 3];
    for (int i = 0; i < light.length; i++) {
      to[i % 3][i / 3] = light[i];
    }
    return to;
  }

  /** Adds a layer's seen emission, of the coarse film where there is no finer. */
  private void addEmission(int layer, int y, float[] to) {
    for (int left = 0; left < fine.width(); left += Film.TILE_WIDTH) {
      int right = Math.min(fine.width(), left + Film.TILE_WIDTH);
      int n = fine.samples(layer, left, y);
      float[] sums = n == 0 ? null : fine.surfaces().emission().at(layer, left, y);
      if (n == 0) {
        addCoarseEmission(layer, y, left, right, to);
      } else if (sums != null) {
        for (int x = left; x < right; x++) {
          add(sums, SeenEmission.inTile(x, y), n, to, y * fine.width() + x, 1);
        }
      }
    }
  }

  private void addCoarseEmission(int layer, int y, int left, int right, float[] to) {
    int step = coarse.step(), last = coarse.width() - 1;
    int cy = Math.min(y / step, coarse.height() - 1);
    for (int x = left; x < right; ) {
      int cx = Math.min(x / step, last);
      int end = cx == last ? right : Math.min(right, (cx + 1) * step);
      float[] sums = coarse.surfaces().emission().at(layer, cx, cy);
      if (sums != null) {
        int n = coarse.samples(layer, cx, cy);
        add(sums, SeenEmission.inTile(cx, cy), n, to, y * fine.width() + x, end - x);
      }
      x = end;
    }
  }

  /** Adds the mean of sums to some pixels of a row. */
  private static void add(float[] sums, int at, int n, float[] to, int first, int pixels) {
    for (int k = 0; k < 3; k++) {
      float mean = sums[at + k] / n;
      for (int p = first; p < first + pixels; p++) {
        to[3 * p + k] += mean;
      }
    }
  }
}

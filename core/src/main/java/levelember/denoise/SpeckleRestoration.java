package levelember.denoise;

import java.util.Arrays;
import java.util.function.Consumer;
import java.util.function.IntConsumer;

/** Gives light back to a picture that was taken off its {@link FireflyFilter}. */
final class SpeckleRestoration {
  /** Widest step at which the light is spread. */
  private static final int WIDEST = 27;

  private static final float[] EVEN = {1, 1};
  private static final DenoiserStops ALL_ALIKE = new DenoiserStops(0, 1, 0, 0);

  private final int width, height;
  private final Consumer<IntConsumer> rows;
  private final Filter filter;

  /** The denoiser's filter. */
  interface Filter {
    /**
     * One level, from the planes' present into their next.
     *
     * @param step pixels between taps
     * @param kernel of no and of one step
     */
    void level(DenoiserPlane[] planes, int step, float[] kernel);
  }

  /**
   * @param rows does something for every row
   */
  SpeckleRestoration(int width, int height, Consumer<IntConsumer> rows, Filter filter) {
    this.width = width;
    this.height = height;
    this.rows = rows;
    this.filter = filter;
  }

  /**
   * Gives back light that was taken off speckles, spread over 27 and 81 pixels, as far as it stands
   * out of its noise. Steps of powers of three give every source one way, so the variance is right.
   */
  void restore(DenoiserPlane[] planes) {
    DenoiserPlane[] removed =
        Arrays.stream(planes)
            .filter(p -> p.speckled)
            .map(this::removedLight)
            .toArray(DenoiserPlane[]::new);
    DenoiserPlane[] whole =
        Arrays.stream(planes).filter(p -> p.speckled).toArray(DenoiserPlane[]::new);
    if (removed.length == 0) {
      return;
    }
    float[][] small = new float[removed.length][];
    for (int step = 1; step <= WIDEST; step *= 3) {
      filter.level(removed, step, EVEN);
      for (int i = 0; i < removed.length; i++) {
        removed[i].swap();
        if (step == WIDEST / 3) {
          small[i] = confident(removed[i], null);
        } else if (step == WIDEST) {
          put(confident(removed[i], small[i]), removed[i]);
        }
      }
    }
    // The windows are square: what they leave of edges is smoothed.
    for (int step = WIDEST / 3; step >= 1; step /= 3) {
      filter.level(removed, step, Denoiser.KERNEL);
      for (DenoiserPlane plane : removed) {
        plane.swap();
      }
    }
    for (int i = 0; i < removed.length; i++) {
      add(removed[i], whole[i]);
    }
  }

  /** The light that was taken off, as a plane that is filtered by guides alone. */
  private DenoiserPlane removedLight(DenoiserPlane from) {
    DenoiserPlane to = new DenoiserPlane(0, ALL_ALIKE);
    to.restoreThreshold = from.restoreThreshold;
    to.r = from.removedR;
    to.g = from.removedG;
    to.b = from.removedB;
    to.variance = new float[width * height];
    to.nextR = from.nextR;
    to.nextG = from.nextG;
    to.nextB = from.nextB;
    to.nextVariance = from.nextVariance;
    rows.accept(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        float l = to.luminance(p);
        to.variance[p] = l * l;
      }
    });
    return to;
  }

  /** What is sure of light that was spread, before which what was sure of a smaller window goes. */
  private float[] confident(DenoiserPlane spread, float[] first) {
    float[] to = new float[4 * width * height];
    rows.accept(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        float k = FireflyFilter.confidence(spread, p);
        float before = first == null ? 0 : first[4 * p + 3];
        float own = (1 - before) * k;
        to[4 * p] = own * spread.r[p] + (first == null ? 0 : first[4 * p]);
        to[4 * p + 1] = own * spread.g[p] + (first == null ? 0 : first[4 * p + 1]);
        to[4 * p + 2] = own * spread.b[p] + (first == null ? 0 : first[4 * p + 2]);
        to[4 * p + 3] = k;
      }
    });
    return to;
  }

  private void put(float[] light, DenoiserPlane to) {
    rows.accept(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        to.r[p] = light[4 * p];
        to.g[p] = light[4 * p + 1];
        to.b[p] = light[4 * p + 2];
      }
    });
  }

  private void add(DenoiserPlane light, DenoiserPlane to) {
    rows.accept(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        to.r[p] += light.r[p];
        to.g[p] += light.g[p];
        to.b[p] += light.b[p];
      }
    });
  }
}

package levelember.denoise;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.function.ObjIntConsumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.film.SeenEmission;
import levelember.math.Colour;

/**
 * Takes noise out of a film, layer by layer, so that weights mix what comes out just as they mix
 * the film itself.
 *
 * <p>An edge-avoiding à-trous filter (Dammertz et al. 2010) with the stops of Schied et al. 2017,
 * "Spatiotemporal Variance-Guided Filtering": pixels lend each other light as far as the guides of
 * all layers (colour, normal, distance) and the layer's own luminance agree, the latter measured in
 * standard errors. The error comes from the renderings of even and of odd samples, so what is
 * settled stays as it is, and with samples the picture goes to the same limit. Light is filtered
 * without the surface's colour, which is put back afterwards. {@link FireflyFilter} are held before
 * and given back after; pixels that hold several surfaces are fitted ({@link MixedPixelFit}).
 * Emission that is seen over mirrors and clear glass alone is in its place already, and is left as
 * traced.
 */
public final class Denoiser {
  private static final int LEVELS = 6;

  /** Levels for the coarsest film whose pixels are brought up to finer ones; one more each. */
  private static final int COARSE_LEVELS = 4, COARSEST = 8;

  static final float[] KERNEL = {1 / 2f, 1 / 4f};

  /**
   * Layers that are filtered together, so that guides are compared once for all of them; of large
   * pictures fewer, as each takes up to {@value #LAYER_BYTES} bytes a pixel while it is.
   */
  private static final int LAYERS_AT_ONCE = 8, LAYERS_AT_ONCE_LARGE = 4, LARGE_PIXELS = 1 << 20;

  /** Bytes a pixel of a layer while it is filtered. */
  private static final long LAYER_BYTES = 92;

  public static final float LEAST_COLOUR = 0.02f;

  private static final int STRIPS = 16;

  private final Film film;
  private final CrossBilateralFilter filter;
  private final BooleanSupplier stop;
  private final int width, height;
  private final PixelGuides guides;
  private final DenoiserStops stops;
  private final boolean withoutEmission;
  private final int levels;

  /**
   * @param withoutEmission leaves out emission that is seen over mirrors and clear glass alone, and
   *     fits no pixels of several surfaces
   */
  private Denoiser(
      Film film, CrossBilateralFilter filter, boolean withoutEmission, BooleanSupplier stop) {
    this.film = film;
    this.filter = filter;
    this.withoutEmission = withoutEmission;
    this.stop = stop;
    stops = DenoiserStops.of(film.guides().meanSamples());
    width = film.width();
    height = film.height();
    guides = new PixelGuides(film, this::rows);
    int finer = Integer.numberOfTrailingZeros(COARSEST / film.step());
    levels = withoutEmission ? Math.min(LEVELS, COARSE_LEVELS + finer) : LEVELS;
  }

  /**
   * Light of some layers that comes over surfaces, denoised, to be brought up to finer pixels.
   *
   * @param film keeps its surfaces
   * @param to of every wanted layer three floats a pixel
   * @return what the pixels show, or null when stopped
   */
  public static PixelGuides reflectedLight(
      Film film, int[] layers, float[][] to, BooleanSupplier stop) {
    Denoiser denoiser = new Denoiser(film, CrossBilateralFilter.ofMachine(), true, stop);
    return denoiser.groups(layers, to) ? denoiser.guides : null;
  }

  /**
   * A film whose layers are denoised; it has one sample everywhere and no guides of use.
   *
   * @param before a film from an earlier call whose layers are taken over where wanted, or null
   * @param from for every layer the one of {@code before} that is taken over, or −1 to denoise it
   * @param stop asked between steps
   * @return null when stopped
   */
  public static Film denoised(Film film, Film before, int[] from, BooleanSupplier stop) {
    return denoised(film, before, from, CrossBilateralFilter.ofMachine(), stop);
  }

  static Film denoised(
      Film film, Film before, int[] from, CrossBilateralFilter filter, BooleanSupplier stop) {
    float[][] to = new float[film.layers()][];
    int[] open = new int[to.length];
    int n = 0;
    for (int i = 0; i < to.length; i++) {
      if (before != null && from[i] >= 0) {
        to[i] = before.sums(from[i]);
      } else {
        open[n++] = i;
      }
    }
    if (n > 0) {
      Denoiser denoiser = new Denoiser(film, filter, false, stop);
      if (!denoiser.groups(Arrays.copyOf(open, n), to)) {
        return null;
      }
    }
    return film.finished(to);
  }

  private boolean groups(int[] layers, float[][] to) {
    int together = width * height < LARGE_PIXELS ? LAYERS_AT_ONCE : LAYERS_AT_ONCE_LARGE;
    for (int i = 0; i < layers.length; i += together) {
      if (!group(Arrays.copyOfRange(layers, i, Math.min(layers.length, i + together)), to)) {
        return false;
      }
    }
    return true;
  }

  /**
   * Memory that denoising takes beside the film: the layers that are filtered together, and the
   * film of what is denoised.
   *
   * @param pixels of the film
   * @return bytes
   */
  public static long bytes(long pixels, int layers) {
    int together = pixels < LARGE_PIXELS ? LAYERS_AT_ONCE : LAYERS_AT_ONCE_LARGE;
    return pixels * (LAYER_BYTES * Math.min(layers, together) + 3L * Float.BYTES * layers);
  }

  /** A film with every layer denoised. */
  public static Film denoised(Film film) {
    int[] none = new int[film.layers()];
    Arrays.fill(none, -1);
    return denoised(film, null, none, () -> false);
  }

  /** Does rows on all cores until stopped. */
  private void rows(IntConsumer row) {
    strips(() -> row, IntConsumer::accept);
  }

  /** Does rows on all cores until stopped, with what every thread has of its own. */
  private <T> void strips(Supplier<T> own, ObjIntConsumer<T> row) {
    IntStream.range(0, STRIPS)
        .parallel()
        .forEach(s -> {
          T mine = own.get();
          for (int y = s * height / STRIPS; y < (s + 1) * height / STRIPS; y++) {
            if (stop.getAsBoolean()) {
              return;
            }
            row.accept(mine, y);
          }
        });
  }

  /** Denoises some layers together; false when stopped. */
  private boolean group(int[] layers, float[][] to) {
    DenoiserPlane[] planes = new DenoiserPlane[layers.length];
    for (int i = 0; i < planes.length; i++) {
      planes[i] = new DenoiserPlane(width * height, DenoiserStops.of(film.meanSamples(layers[i])));
      start(layers[i], planes[i]);
      if (stop.getAsBoolean()) {
        return false;
      }
    }
    for (int level = 0; level < levels; level++) {
      for (DenoiserPlane plane : planes) {
        compare(plane);
      }
      level(planes, 1 << level, KERNEL);
      if (stop.getAsBoolean()) {
        return false;
      }
      for (DenoiserPlane plane : planes) {
        plane.swap();
      }
    }
    new SpeckleRestoration(width, height, this::rows, this::level).restore(planes);
    float[][] light = new float[planes.length][];
    for (int i = 0; i < planes.length; i++) {
      light[i] = finish(planes[i]);
      to[layers[i]] = light[i];
    }
    if (!withoutEmission) {
      strips(() -> new MixedPixelFit(guides, width, height), (fit, y) -> fit.row(planes, light, y));
    }
    for (int i = 0; i < planes.length && !stop.getAsBoolean(); i++) {
      correctMean(layers[i], light[i]);
      if (!withoutEmission) {
        addEmission(layers[i], light[i]);
      }
    }
    return !stop.getAsBoolean();
  }

  /** One level of the filter, from the planes' present into their next. */
  private void level(DenoiserPlane[] planes, int step, float[] kernel) {
    strips(Strip::new, (strip, y) -> strip.row(planes, y, step, kernel));
  }

  /** Means without the surface's colour, single speckles held down, and squared standard errors. */
  private void start(int layer, DenoiserPlane plane) {
    float[] even = plane.nextR, odd = plane.nextG, squared = plane.nextB;
    boolean pairs = means(layer, plane, even, odd);
    plane.restoreThreshold =
        !withoutEmission
            ? FireflyFilter.RESTORE_OF_MANY
            : pairs ? FireflyFilter.RESTORE_OF_FEW : FireflyFilter.RESTORE_OF_ONE;
    FireflyFilter speckles =
        new FireflyFilter(filter, width, height, withoutEmission ? film.surfaces() : null);
    strips(
        () -> new float[2][width],
        (scratch, y) -> speckles.hold(plane, plane.light, even, odd, y, scratch));
    if (pairs) {
      rows(y -> {
        for (int p = y * width; p < (y + 1) * width; p++) {
          float apart = even[p] - odd[p];
          squared[p] = 0.25f * apart * apart;
        }
      });
    } else {
      luminances(plane, even);
      rows(y -> errorsOfSingleSamples(even, squared, y));
    }
    float[] v = plane.variance;
    strips(() -> new float[width], (sums, y) -> BoxMean.row(squared, v, sums, width, height, y, 1));
    if (withoutEmission) {
      // Where most samples find no light, nothing near by tells how far those are off that do.
      float[] wide = even;
      strips(() -> new float[width], (sums, y) -> BoxMean.row(v, wide, sums, width, height, y, 5));
      rows(y -> larger(wide, v, y));
    }
    rows(y -> larger(squared, v, y));
  }

  /** The larger of two values, for a row. */
  private void larger(float[] of, float[] to, int y) {
    for (int p = y * width; p < (y + 1) * width; p++) {
      to[p] = Math.max(to[p], of[p]);
    }
  }

  private void luminances(DenoiserPlane plane, float[] to) {
    rows(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        to[p] = plane.luminance(p);
      }
    });
  }

  /**
   * Means of a layer and of its even and odd samples without the surface's colour.
   *
   * @return false where some pixel has no two samples
   */
  private boolean means(int layer, DenoiserPlane plane, float[] even, float[] odd) {
    float[] sums = film.sums(layer), evens = film.even(layer);
    float[] cr = guides.mean[0], cg = guides.mean[1], cb = guides.mean[2];
    boolean pairs = true;
    for (int tile = 0; tile < film.tiles(); tile++) {
      pairs &= film.samples(layer, tile) > 1;
    }
    boolean both = pairs;
    rows(y -> {
      int n = 0;
      float[] emission = null;
      for (int x = 0; x < width; x++) {
        if (x % Film.TILE_WIDTH == 0) {
          n = film.samples(layer, x, y);
          emission = film.emission().at(layer, x, y);
        }
        int p = y * width + x;
        if (n == 0) {
          continue;
        }
        float r = sums[3 * p] / n, g = sums[3 * p + 1] / n, b = sums[3 * p + 2] / n;
        float evenSum = evens[p];
        if (emission != null) {
          int at = SeenEmission.inTile(x, y);
          r -= emission[at] / n;
          g -= emission[at + 1] / n;
          b -= emission[at + 2] / n;
          evenSum -= emission[at + 3];
        }
        plane.r[p] = r / Math.max(LEAST_COLOUR, cr[p]);
        plane.g[p] = g / Math.max(LEAST_COLOUR, cg[p]);
        plane.b[p] = b / Math.max(LEAST_COLOUR, cb[p]);
        float bare = plane.luminance(p);
        plane.light[p] = bare;
        if (both) {
          float all = Colour.luminance(r, g, b);
          float scale = all > 0 ? bare / all : 0;
          int half = n / 2;
          even[p] = scale * evenSum / (n - half);
          odd[p] = scale * Math.max(0, (n * all - evenSum) / half);
        }
      }
    });
    return both;
  }

  /** Squared errors of pixels of one sample, by their neighbours of the same surface. */
  private void errorsOfSingleSamples(float[] light, float[] to, int y) {
    for (int x = 0; x < width; x++) {
      int p = y * width + x, n = 0;
      float sum = 0;
      for (int j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
        for (int i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
          int q = j * width + i;
          if (q != p && guides.agree(p, q)) {
            sum += light[q];
            n++;
          }
        }
      }
      float apart = n == 0 ? 0 : light[p] - sum / n;
      to[p] = n / (n + 1f) * apart * apart;
    }
  }

  /** Luminances, each the mean of nine pixels, and the differences of them that count as one. */
  private void compare(DenoiserPlane plane) {
    float[] single = plane.nextR;
    luminances(plane, single);
    strips(() -> new float[2][width + 2], (columns, y) -> compare(plane, single, columns, y));
  }

  private void compare(DenoiserPlane plane, float[] single, float[][] columns, int y) {
    int above = Math.max(0, y - 1) * width, here = y * width;
    int below = Math.min(height - 1, y + 1) * width;
    float[] v = plane.variance, blurred = columns[0], three = columns[1];
    for (int x = 0; x < width; x++) {
      blurred[x + 1] = 0.25f * v[above + x] + 0.5f * v[here + x] + 0.25f * v[below + x];
      three[x + 1] = single[above + x] + single[here + x] + single[below + x];
    }
    for (float[] column : columns) {
      column[0] = column[1];
      column[width + 1] = column[width];
    }
    float byLight = plane.stops.byLight();
    float[] light = plane.light, tolerance = plane.tolerance;
    for (int x = 0; x < width; x++) {
      light[here + x] = (three[x] + three[x + 1] + three[x + 2]) * (1 / 9f);
    }
    for (int x = 0; x < width; x++) {
      float error = 0.25f * blurred[x] + 0.5f * blurred[x + 1] + 0.25f * blurred[x + 2];
      tolerance[here + x] = 1 / (byLight * (float) Math.sqrt(error) + 1e-12f);
    }
  }

  /** The taps of one thread for one row. */
  private final class Strip {
    final CrossBilateralFilter.Taps taps = new CrossBilateralFilter.Taps(width);

    /**
     * @param kernel of no and of one step
     */
    void row(DenoiserPlane[] planes, int y, int step, float[] kernel) {
      int at = y * width;
      taps.count = 0;
      for (int j = -1; j <= 1; j++) {
        for (int i = -1; i <= 1; i++) {
          int other = y + j * step;
          if ((i != 0 || j != 0) && other >= 0 && other < height && step < width) {
            float far = step * (Math.abs(i) + Math.abs(j));
            tap(at, other, i * step, far, kernel[Math.abs(i)] * kernel[Math.abs(j)]);
          }
        }
      }
      for (DenoiserPlane plane : planes) {
        filter.means(plane, taps, at, width, kernel[0] * kernel[0]);
      }
    }

    private void tap(int here, int row, int shift, float far, float kernel) {
      int t = taps.count++;
      taps.shift[t] = shift;
      taps.there[t] = row * width + shift;
      int begin = taps.begin(t), end = taps.end(t, width);
      filter.agree(guides, stops, here, taps.there[t], begin, end, kernel, far, taps.alike[t]);
    }
  }

  /** Gives a layer the amount of light of its samples, without emission that is seen. */
  private void correctMean(int layer, float[] light) {
    float[] sums = film.sums(layer);
    MeanCorrection.Traced traced =
        (x, y, to) -> {
          int n = film.samples(layer, x, y),
              p = 3 * (y * width + x),
              at = SeenEmission.inTile(x, y);
          float[] seen = film.emission().at(layer, x, y);
          for (int k = 0; k < 3; k++) {
            float sum = seen == null ? sums[p + k] : sums[p + k] - seen[at + k];
            to[k] = n == 0 ? light[p + k] : sum / n;
          }
        };
    new MeanCorrection(guides, film.step() > 1, width, height, this::rows).correct(traced, light);
  }

  /** Adds the emission that is seen, as it was traced. */
  private void addEmission(int layer, float[] to) {
    rows(y -> {
      for (int x = 0; x < width; x++) {
        float[] sums = film.emission().at(layer, x, y);
        int n = film.samples(layer, x, y);
        if (sums == null || n == 0) {
          continue;
        }
        int at = SeenEmission.inTile(x, y), p = 3 * (y * width + x);
        for (int k = 0; k < 3; k++) {
          to[p + k] += sums[at + k] / n;
        }
      }
    });
  }

  /** The layer with the surface's colour again, three floats a pixel. */
  private float[] finish(DenoiserPlane plane) {
    float[] to = new float[3 * width * height];
    rows(y -> {
      for (int p = y * width; p < (y + 1) * width; p++) {
        to[3 * p] = plane.r[p] * Math.max(LEAST_COLOUR, guides.mean[0][p]);
        to[3 * p + 1] = plane.g[p] * Math.max(LEAST_COLOUR, guides.mean[1][p]);
        to[3 * p + 2] = plane.b[p] * Math.max(LEAST_COLOUR, guides.mean[2][p]);
      }
    });
    return to;
  }
}

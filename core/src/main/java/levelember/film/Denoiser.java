package levelember.film;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
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
 * without the surface's colour, which is put back afterwards.
 */
public final class Denoiser {
  private static final int LEVELS = 6;
  private static final float[] KERNEL = {1 / 2f, 1 / 4f};

  /** Layers that are filtered together; each takes 40 bytes a pixel while it is. */
  private static final int TOGETHER = 4;

  private static final float LEAST_COLOUR = 0.02f;
  private static final float BY_LIGHT = 6;
  private static final int STRIPS = 16;

  private final Film film;
  private final CrossBilateralFilter lending;
  private final BooleanSupplier stop;
  private final int width, height;
  private final float[][] guide = new float[Guides.VALUES - 1][];
  private final float[] reach;

  private Denoiser(Film film, CrossBilateralFilter lending, BooleanSupplier stop) {
    this.film = film;
    this.lending = lending;
    this.stop = stop;
    width = film.width();
    height = film.height();
    for (int k = 0; k < guide.length; k++) {
      guide[k] = new float[width * height];
    }
    reach = new float[width * height];
    guides();
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
      Film film, Film before, int[] from, CrossBilateralFilter lending, BooleanSupplier stop) {
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
      Denoiser denoiser = new Denoiser(film, lending, stop);
      for (int i = 0; i < n; i += TOGETHER) {
        if (!denoiser.group(Arrays.copyOfRange(open, i, Math.min(n, i + TOGETHER)), to)) {
          return null;
        }
      }
    }
    return film.finished(to);
  }

  /** A film with every layer denoised. */
  public static Film denoised(Film film) {
    int[] none = new int[film.layers()];
    Arrays.fill(none, -1);
    return denoised(film, null, none, () -> false);
  }

  /** Does rows on all cores until stopped. */
  private void rows(java.util.function.IntConsumer row) {
    IntStream.range(0, STRIPS)
        .parallel()
        .forEach(s -> {
          for (int y = s * height / STRIPS; y < (s + 1) * height / STRIPS; y++) {
            if (stop.getAsBoolean()) {
              return;
            }
            row.accept(y);
          }
        });
  }

  /** Means of the guides, channel by channel, and how far the nearness may change by a pixel. */
  private void guides() {
    float[] sums = film.guides().sums();
    rows(y -> {
      for (int x = 0; x < width; x++) {
        guide(sums, x, y);
      }
    });
    float[] near = guide[6];
    rows(y -> {
      for (int x = 0; x < width; x++) {
        int p = y * width + x;
        float here = near[p];
        float left = x > 0 ? Math.abs(here - near[p - 1]) : Float.POSITIVE_INFINITY;
        float right = x + 1 < width ? Math.abs(here - near[p + 1]) : Float.POSITIVE_INFINITY;
        float up = y > 0 ? Math.abs(here - near[p - width]) : Float.POSITIVE_INFINITY;
        float down = y + 1 < height ? Math.abs(here - near[p + width]) : Float.POSITIVE_INFINITY;
        float slope = Math.max(Math.min(left, right), Math.min(up, down));
        reach[p] = slope < Float.POSITIVE_INFINITY ? slope : 0;
      }
    });
  }

  /** Mean of a pixel's guides; where no sample says anything, that of the pixels about it. */
  private void guide(float[] sums, int x, int y) {
    if (film.guides().samples(film.tile(x, y)) == 0) {
      return;
    }
    int count = Guides.VALUES - 1, p = y * width + x;
    int reach = sums[Guides.VALUES * p + count] > 0 ? 0 : 2;
    float n = 0;
    for (int j = Math.max(0, y - reach); j <= Math.min(height - 1, y + reach); j++) {
      for (int i = Math.max(0, x - reach); i <= Math.min(width - 1, x + reach); i++) {
        int at = Guides.VALUES * (j * width + i);
        n += sums[at + count];
        for (int k = 0; k < count; k++) {
          guide[k][p] += sums[at + k];
        }
      }
    }
    for (int k = 0; k < count && n > 0; k++) {
      guide[k][p] /= n;
    }
  }

  /** One layer on its way through the filter. */
  private final class Plane {
    float[] r = new float[width * height];
    float[] g = new float[width * height];
    float[] b = new float[width * height];
    float[] variance = new float[width * height];
    float[] r2 = new float[width * height];
    float[] g2 = new float[width * height];
    float[] b2 = new float[width * height];
    float[] variance2 = new float[width * height];
    final float[] light = new float[width * height];
    final float[] tolerance = new float[width * height];

    void swap() {
      float[] t = r;
      r = r2;
      r2 = t;
      t = g;
      g = g2;
      g2 = t;
      t = b;
      b = b2;
      b2 = t;
      t = variance;
      variance = variance2;
      variance2 = t;
    }
  }

  private boolean group(int[] layers, float[][] to) {
    Plane[] planes = new Plane[layers.length];
    for (int i = 0; i < planes.length; i++) {
      planes[i] = new Plane();
      start(layers[i], planes[i]);
      if (stop.getAsBoolean()) {
        return false;
      }
    }
    for (int level = 0; level < LEVELS; level++) {
      int step = 1 << level;
      for (Plane plane : planes) {
        tolerances(plane);
      }
      IntStream.range(0, STRIPS)
          .parallel()
          .forEach(s -> {
            Strip strip = new Strip(planes.length);
            for (int y = s * height / STRIPS; y < (s + 1) * height / STRIPS; y++) {
              if (!stop.getAsBoolean()) {
                strip.row(planes, y, step);
              }
            }
          });
      if (stop.getAsBoolean()) {
        return false;
      }
      for (Plane plane : planes) {
        plane.swap();
      }
    }
    for (int i = 0; i < planes.length; i++) {
      to[layers[i]] = finish(planes[i]);
    }
    return true;
  }

  /** Means without the surface's colour, single speckles held down, and squared standard errors. */
  private void start(int layer, Plane plane) {
    float[] sums = film.sums(layer), even = film.even(layer);
    float[] low = plane.r2, squared = plane.g2;
    rows(y -> {
      for (int x = 0; x < width; x++) {
        int p = y * width + x;
        int n = film.samples(layer, x, y);
        if (n == 0) {
          continue;
        }
        float r = sums[3 * p] / n, g = sums[3 * p + 1] / n, b = sums[3 * p + 2] / n;
        plane.r[p] = r / Math.max(LEAST_COLOUR, guide[0][p]);
        plane.g[p] = g / Math.max(LEAST_COLOUR, guide[1][p]);
        plane.b[p] = b / Math.max(LEAST_COLOUR, guide[2][p]);
        float all = Colour.luminance(r, g, b);
        float bare = Colour.luminance(plane.r[p], plane.g[p], plane.b[p]);
        plane.light[p] = bare;
        float scale = all > 0 ? bare / all : 0;
        int odd = n / 2;
        if (odd == 0) {
          low[p] = 0;
          squared[p] = -1;
        } else {
          float one = scale * even[p] / (n - odd);
          float other = scale * Math.max(0, (n * all - even[p]) / odd);
          low[p] = Math.min(one, other);
          squared[p] = 0.25f * (one - other) * (one - other);
        }
      }
    });
    rows(y -> {
      for (int x = 0; x < width; x++) {
        speckle(plane, low, x, y);
      }
    });
    rows(y -> {
      for (int x = 0; x < width; x++) {
        plane.variance[y * width + x] = around(plane, squared, x, y);
      }
    });
  }

  /** Holds a pixel down that is brighter than all about it in one of the two renderings only. */
  private void speckle(Plane plane, float[] low, int x, int y) {
    int p = y * width + x;
    float most = 0, second = 0;
    for (int j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
      for (int i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
        float v = j == y && i == x ? 0 : plane.light[j * width + i];
        if (v > most) {
          second = most;
          most = v;
        } else if (v > second) {
          second = v;
        }
      }
    }
    float limit = Math.max(second, 2 * low[p]);
    if (plane.light[p] > limit) {
      float k = limit / plane.light[p];
      plane.r[p] *= k;
      plane.g[p] *= k;
      plane.b[p] *= k;
    }
  }

  /**
   * Squared standard error, averaged over some pixels; from their spread where there is one sample.
   */
  private float around(Plane plane, float[] squared, int x, int y) {
    float sum = 0, mean = 0, spread = 0;
    int n = 0;
    boolean known = true;
    for (int j = Math.max(0, y - 2); j <= Math.min(height - 1, y + 2); j++) {
      for (int i = Math.max(0, x - 2); i <= Math.min(width - 1, x + 2); i++) {
        int q = j * width + i;
        known &= squared[q] >= 0;
        sum += squared[q];
        mean += plane.light[q];
        spread += plane.light[q] * plane.light[q];
        n++;
      }
    }
    mean /= n;
    return known
        ? Math.max(squared[y * width + x], sum / n)
        : Math.max(0, spread / n - mean * mean);
  }

  /** Luminances, and for each pixel one over the difference at which another counts for nothing. */
  private void tolerances(Plane plane) {
    float[] v = plane.variance;
    rows(y -> {
      int above = Math.max(0, y - 1) * width, here = y * width;
      int below = Math.min(height - 1, y + 1) * width;
      for (int x = 0; x < width; x++) {
        int a = Math.max(0, x - 1), c = Math.min(width - 1, x + 1);
        float blurred =
            0.25f * v[here + x]
                + 0.125f * (v[here + a] + v[here + c] + v[above + x] + v[below + x])
                + 0.0625f * (v[above + a] + v[above + c] + v[below + a] + v[below + c]);
        int p = here + x;
        plane.light[p] = Colour.luminance(plane.r[p], plane.g[p], plane.b[p]);
        plane.tolerance[p] = 1 / (BY_LIGHT * (float) Math.sqrt(blurred) + 1e-12f);
      }
    });
  }

  /** The sums of one thread for one row. */
  private final class Strip {
    final float[] alike = new float[width];
    final float[][][] sums;

    Strip(int layers) {
      sums = new float[layers][CrossBilateralFilter.SUMS][width];
    }

    void row(Plane[] planes, int y, int step) {
      for (int k = 0; k < planes.length; k++) {
        float w = KERNEL[0] * KERNEL[0];
        int at = y * width;
        for (int x = 0; x < width; x++) {
          sums[k][0][x] = w * planes[k].r[at + x];
          sums[k][1][x] = w * planes[k].g[at + x];
          sums[k][2][x] = w * planes[k].b[at + x];
          sums[k][3][x] = w * w * planes[k].variance[at + x];
          sums[k][4][x] = w;
        }
      }
      for (int j = -1; j <= 1; j++) {
        int other = y + j * step;
        if (other < 0 || other >= height) {
          continue;
        }
        for (int i = -1; i <= 1; i++) {
          int shift = i * step;
          int begin = Math.max(0, -shift), end = Math.min(width, width - shift);
          if (i == 0 && j == 0 || begin >= end) {
            continue;
          }
          float kernel = KERNEL[Math.abs(i)] * KERNEL[Math.abs(j)];
          float far = step * (Math.abs(i) + Math.abs(j));
          int here = y * width, there = other * width + shift;
          lending.agree(guide, reach, here, there, begin, end, kernel, far, alike);
          for (int k = 0; k < planes.length; k++) {
            Plane from = planes[k];
            float[][] source = {from.r, from.g, from.b, from.variance, from.light, from.tolerance};
            lending.lend(source, alike, here, there, begin, end, sums[k]);
          }
        }
      }
      for (int k = 0; k < planes.length; k++) {
        int at = y * width;
        for (int x = 0; x < width; x++) {
          float w = 1 / sums[k][4][x];
          planes[k].r2[at + x] = w * sums[k][0][x];
          planes[k].g2[at + x] = w * sums[k][1][x];
          planes[k].b2[at + x] = w * sums[k][2][x];
          planes[k].variance2[at + x] = w * w * sums[k][3][x];
        }
      }
    }
  }

  /** The layer with the surface's colour again, three floats a pixel. */
  private float[] finish(Plane plane) {
    float[] to = new float[3 * width * height];
    rows(y -> {
      for (int x = 0; x < width; x++) {
        int p = y * width + x;
        to[3 * p] = plane.r[p] * Math.max(LEAST_COLOUR, guide[0][p]);
        to[3 * p + 1] = plane.g[p] * Math.max(LEAST_COLOUR, guide[1][p]);
        to[3 * p + 2] = plane.b[p] * Math.max(LEAST_COLOUR, guide[2][p]);
      }
    });
    return to;
  }
}

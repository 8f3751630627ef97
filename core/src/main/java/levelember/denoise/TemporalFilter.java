package levelember.denoise;

import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import levelember.film.Film;
import levelember.film.SurfaceData;
import levelember.math.Colour;

/**
 * Takes flicker out of denoised frames: what each shows is mixed with what the frames before it
 * showed of the same place, layer by layer, so that levels stay free. As in the temporal
 * accumulation of Schied et al. 2017, "Spatiotemporal Variance-Guided Filtering", places are found
 * by motion vectors and dropped where piece, distance or direction disagree; and where the light
 * differs by more than the frame's own noise explains, by its standard errors, as then it has
 * changed: at the pixel, and on the mean about it. One thread at a time.
 */
public final class TemporalFilter {
  /** Frames that count at the most. */
  private static final float LONGEST_HISTORY = 8;

  /** Standard errors of a traced pixel by which denoised light may differ and be the same. */
  private static final float SAME_LIGHT = 1;

  /**
   * Standard errors of a traced pixel by which the mean about a pixel may differ. Light that has
   * moved a little differs by less than a pixel's noise, but everywhere about it to one side.
   */
  private static final float SAME_REGION = 0.4f;

  /** Part of the place before below which it counts as not known. */
  private static final float LEAST_KNOWN = 0.05f;

  /** By which distances of one place may differ, of the distance. */
  private static final float SAME_DISTANCE = 0.03f;

  /** Cosine of the directions of one place. */
  private static final float SAME_DIRECTION = 0.8f;

  /** Pixels about each over which its noise is measured. */
  private static final int NOISE_REACH = 3;

  /** Where the pixels of a frame were in the one before, and what they show. */
  public interface Reprojection {
    /**
     * The place of a pixel's surface in the frame before.
     *
     * @param to takes pixels from the left, from the top, and the distance from the lens in metres
     *     it had there; nothing where that is not known
     * @return whether it is known
     */
    boolean previous(int x, int y, float[] to);
  }

  /** What the frame before showed. */
  private SurfaceData surfaces;

  private float[][] light;
  private float[][] history;

  /** Frames that went into what is kept; 0 at the beginning. */
  public boolean begun() {
    return surfaces != null;
  }

  /** Forgets what was before: the next frame stands by itself. */
  public void forget() {
    surfaces = null;
  }

  /**
   * Mixes a frame with those before it.
   *
   * @param traced the frame's film
   * @param shown the same denoised; its layers are changed
   * @param now what its pixels show
   * @param reprojection where that was
   */
  public void mix(Film traced, Film shown, SurfaceData now, Reprojection reprojection) {
    int layers = shown.layers(), pixels = shown.width() * shown.height();
    boolean fits = begun() && light.length == layers && surfaces.width() == now.width();
    float[][] nextLight = new float[layers][], nextHistory = new float[layers][];
    int[] taps = fits ? new int[4 * pixels] : null;
    float[] parts = fits ? new float[4 * pixels] : null;
    if (fits) {
      IntStream.range(0, shown.height())
          .parallel()
          .forEach(y -> find(y, now, reprojection, taps, parts));
    }
    for (int k = 0; k < layers; k++) {
      float[] own = shown.sums(k);
      float[] count = new float[pixels];
      Arrays.fill(count, 1);
      if (fits && traced.leastSamples(k) >= 2) {
        mix(traced, k, own, count, taps, parts);
      }
      nextLight[k] = own;
      nextHistory[k] = count;
    }
    light = nextLight;
    history = nextHistory;
    surfaces = now;
  }

  /** The pixels of the frame before that show what those of a row show, and their parts. */
  private void find(int y, SurfaceData now, Reprojection reprojection, int[] taps, float[] parts) {
    float[] place = new float[3];
    int width = now.width(), height = now.rows();
    for (int x = 0; x < width; x++) {
      int pixel = y * width + x;
      if (!reprojection.previous(x, y, place)) {
        continue;
      }
      float fx = place[0] - 0.5f, fy = place[1] - 0.5f;
      int left = (int) Math.floor(fx), top = (int) Math.floor(fy);
      for (int tap = 0; tap < 4; tap++) {
        int px = left + (tap & 1), py = top + (tap >> 1);
        if (px >= 0 && px < width && py >= 0 && py < height) {
          float across = 1 - Math.abs(fx - px), down = 1 - Math.abs(fy - py);
          int there = py * width + px;
          if (same(now, pixel, there, place[2])) {
            taps[4 * pixel + tap] = there;
            parts[4 * pixel + tap] = Math.max(0, across) * Math.max(0, down);
          }
        }
      }
    }
  }

  private boolean same(SurfaceData now, int pixel, int there, float distance) {
    int piece = now.pieces()[SurfaceData.RANKS * pixel];
    if (piece != surfaces.pieces()[SurfaceData.RANKS * there]) {
      return false;
    }
    if (piece < 0) {
      return true;
    }
    int a = SurfaceData.PLANES * pixel, b = SurfaceData.PLANES * there;
    float was = surfaces.data()[b + SurfaceData.DEPTH];
    if (Math.abs(was - distance) > SAME_DISTANCE * distance) {
      return false;
    }
    float dot = 0, aa = 0, bb = 0;
    for (int k = 0; k < 3; k++) {
      float n = now.data()[a + SurfaceData.NORMAL + k];
      float m = surfaces.data()[b + SurfaceData.NORMAL + k];
      dot += n * m;
      aa += n * n;
      bb += m * m;
    }
    return dot > SAME_DIRECTION * Math.sqrt(aa * bb);
  }

  private void mix(Film traced, int layer, float[] own, float[] count, int[] taps, float[] parts) {
    int width = traced.width(), height = traced.height(), pixels = width * height;
    float[] squares = squaredErrors(traced, layer);
    float[] old = light[layer], oldHistory = history[layer];
    // The light before of each pixel, three floats, and how many frames back it.
    float[] was = new float[3 * pixels], backed = new float[pixels];
    float[] change = new float[pixels], known = new float[pixels];
    rows(
        height,
        y -> {
          for (int p = y * width; p < (y + 1) * width; p++) {
            float r = 0, g = 0, b = 0, n = 0, all = 0;
            for (int tap = 4 * p; tap < 4 * p + 4; tap++) {
              float part = parts[tap];
              int q = taps[tap];
              r += part * old[3 * q];
              g += part * old[3 * q + 1];
              b += part * old[3 * q + 2];
              n += part * oldHistory[q];
              all += part;
            }
            if (all > LEAST_KNOWN) {
              was[3 * p] = r / all;
              was[3 * p + 1] = g / all;
              was[3 * p + 2] = b / all;
              backed[p] = Math.min(n / all, LONGEST_HISTORY - 1);
              known[p] = 1;
              change[p] =
                  Colour.luminance(own[3 * p], own[3 * p + 1], own[3 * p + 2])
                      - Colour.luminance(r, g, b) / all;
            }
          }
        });
    float[] meanChange = box(change, width, height), meanKnown = box(known, width, height);
    rows(
        height,
        y -> {
          for (int p = y * width; p < (y + 1) * width; p++) {
            if (known[p] > 0) {
              float error = (float) Math.sqrt(squares[p]);
              float far = change[p] / (SAME_LIGHT * error + 1e-9f);
              float regionFar = meanChange[p] / meanKnown[p] / (SAME_REGION * error + 1e-9f);
              float same =
                  (float) Math.exp(-0.5 * (far * far * far * far + Math.pow(regionFar, 4)));
              float weight = backed[p] * same;
              float share = 1 / (1 + weight);
              for (int k = 3 * p; k < 3 * p + 3; k++) {
                own[k] = share * (own[k] + weight * was[k]);
              }
              count[p] = 1 + weight;
            }
          }
        });
  }

  private static void rows(int height, IntConsumer row) {
    IntStream.range(0, height).parallel().forEach(row);
  }

  /**
   * Squared standard errors of a layer's luminance, from its even and odd samples about each pixel.
   */
  private static float[] squaredErrors(Film film, int layer) {
    int width = film.width(), height = film.height();
    float[] squares = new float[width * height];
    float[] sums = film.sums(layer), even = film.even(layer);
    for (int tile = 0; tile < film.tiles(); tile++) {
      int samples = film.samples(layer, tile);
      int evens = (samples + 1) / 2, odds = samples / 2;
      for (int y = film.top(tile); y < film.bottom(tile); y++) {
        for (int x = film.left(tile); x < film.right(tile); x++) {
          int p = y * width + x;
          float all = Colour.luminance(sums[3 * p], sums[3 * p + 1], sums[3 * p + 2]);
          float half = (even[p] / evens - (all - even[p]) / odds) / 2;
          squares[p] = half * half;
        }
      }
    }
    return box(squares, width, height);
  }

  /** Means about each pixel. */
  private static float[] box(float[] values, int width, int height) {
    return box(box(values, width, height, 1, width), width, height, width, height);
  }

  /**
   * Means along rows or columns.
   *
   * @param step between neighbours: 1 along rows, the width along columns
   * @param length of a row or a column
   */
  private static float[] box(float[] values, int width, int height, int step, int length) {
    float[] to = new float[values.length];
    rows(
        height,
        y -> {
          for (int x = 0; x < width; x++) {
            int p = y * width + x, place = step == 1 ? x : y;
            int first = Math.max(-NOISE_REACH, -place);
            int last = Math.min(NOISE_REACH, length - 1 - place);
            float sum = 0;
            for (int i = first; i <= last; i++) {
              sum += values[p + i * step];
            }
            to[p] = sum / (last - first + 1);
          }
        });
    return to;
  }

  /**
   * What the next frame needs of those before it.
   *
   * @param surfaces what the frame's pixels show
   * @param light of every layer, three floats a pixel, as shown
   * @param history of every layer, by how many frames a pixel's light is backed
   */
  public record State(SurfaceData surfaces, float[][] light, float[][] history) {}

  /** What is kept now; not to be changed. */
  public State state() {
    return new State(surfaces, light, history);
  }

  /** Goes on from what was kept. */
  public void resume(State state) {
    surfaces = state.surfaces;
    light = state.light;
    history = state.history;
  }
}

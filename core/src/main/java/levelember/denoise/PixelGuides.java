package levelember.denoise;

import java.util.function.IntConsumer;
import levelember.film.FeatureBuffer;
import levelember.film.Film;

/** What the guides of a film say of each pixel, for the denoiser. */
public final class PixelGuides {
  /** Values of a pixel's mean: colour, normal, nearness. */
  public static final int VALUES = FeatureBuffer.COUNT;

  private static final int NEARNESS = 6;

  /** Variance within a pixel from which it holds several surfaces. */
  private static final float MIXED = 0.05f;

  /** Squared difference of colours and normals, and share of the nearness, of the same surface. */
  private static final float ALIKE = 0.04f, NEAR_ALIKE = 0.05f;

  /** Means, one array a value. */
  public final float[][] mean = new float[VALUES][];

  /** How far the nearness changes from a pixel to the next, 1/m. */
  final float[] slope;

  /** Pixels that hold several surfaces. */
  final boolean[] mixed;

  private final Film film;
  private final int width, height;

  /**
   * @param rows does something for every row
   */
  PixelGuides(Film film, java.util.function.Consumer<IntConsumer> rows) {
    this.film = film;
    width = film.width();
    height = film.height();
    for (int k = 0; k < VALUES; k++) {
      mean[k] = new float[width * height];
    }
    slope = new float[width * height];
    mixed = new boolean[width * height];
    float[] sums = film.guides().sums();
    rows.accept(y -> {
      for (int x = 0; x < width; x++) {
        pixel(sums, x, y);
      }
    });
    rows.accept(this::slopes);
  }

  private void slopes(int y) {
    float[] near = mean[NEARNESS];
    for (int x = 0; x < width; x++) {
      int p = y * width + x;
      float here = near[p];
      float left = x > 0 ? Math.abs(here - near[p - 1]) : Float.POSITIVE_INFINITY;
      float right = x + 1 < width ? Math.abs(here - near[p + 1]) : Float.POSITIVE_INFINITY;
      float up = y > 0 ? Math.abs(here - near[p - width]) : Float.POSITIVE_INFINITY;
      float down = y + 1 < height ? Math.abs(here - near[p + width]) : Float.POSITIVE_INFINITY;
      float least = Math.max(Math.min(left, right), Math.min(up, down));
      slope[p] = least < Float.POSITIVE_INFINITY ? least : 0;
    }
  }

  /** Mean of a pixel's guides; where no sample says anything, that of the pixels about it. */
  private void pixel(float[] sums, int x, int y) {
    if (film.guides().samples(film.tile(x, y)) == 0) {
      return;
    }
    int p = y * width + x;
    int around = sums[FeatureBuffer.VALUES * p + VALUES] > 0 ? 0 : 2;
    float n = 0;
    for (int j = Math.max(0, y - around); j <= Math.min(height - 1, y + around); j++) {
      for (int i = Math.max(0, x - around); i <= Math.min(width - 1, x + around); i++) {
        int at = FeatureBuffer.VALUES * (j * width + i);
        n += sums[at + VALUES];
        for (int k = 0; k < VALUES; k++) {
          mean[k][p] += sums[at + k];
        }
      }
    }
    for (int k = 0; k < VALUES && n > 0; k++) {
      mean[k][p] /= n;
    }
    if (around == 0) {
      mixed[p] = varies(sums, p, n);
    }
  }

  private boolean varies(float[] sums, int p, float n) {
    if (n < 2) {
      return false;
    }
    float all = 0;
    for (int k = 0; k < VALUES; k++) {
      float m = mean[k][p];
      float variance = Math.max(0, sums[FeatureBuffer.VALUES * p + VALUES + 1 + k] / n - m * m);
      all += k == NEARNESS ? variance / Math.max(1e-12f, m * m) : variance;
    }
    return all * n / (n - 1) > MIXED;
  }

  /** Albedo of a pixel's surfaces, the mean over the channels. */
  float albedo(int p) {
    return (mean[0][p] + mean[1][p] + mean[2][p]) * (1 / 3f);
  }

  /** Whether two pixels show the same surface, roughly. */
  boolean agree(int p, int q) {
    float d = 0;
    for (int k = 0; k < NEARNESS; k++) {
      float apart = mean[k][p] - mean[k][q];
      d += apart * apart;
    }
    return d < ALIKE
        && Math.abs(mean[NEARNESS][p] - mean[NEARNESS][q]) <= NEAR_ALIKE * mean[NEARNESS][p];
  }
}

package levelember.film;

/**
 * What a film's pixels show, whatever the light: colour, direction and distance of the first
 * surface that spreads light, seen through glass and in mirrors. Samples that are mirrored by glass
 * say nothing. Summed over samples by tile, in the order of samples, so that it does not depend on
 * threads or on which layers are traced.
 */
public final class FeatureBuffer {
  /**
   * Values of a pixel: three of colour, three of the normal, one over the distance in metres, how
   * many samples these are of, and the squares of the first seven.
   */
  public static final int VALUES = 15;

  /** Where the number of samples stands, after the values that it is of. */
  public static final int COUNT = 7;

  private final float[] sums;
  private final int[] samples;

  /** Two floats a pixel, once there is one: alpha, and the share of catchers. */
  private float[] cover;

  FeatureBuffer(int pixels, int tiles) {
    sums = new float[VALUES * pixels];
    samples = new int[tiles];
  }

  /** Samples that are in for a tile. */
  public int samples(int tile) {
    return samples[tile];
  }

  /** Samples of a pixel, on the mean over tiles. */
  public double meanSamples() {
    double sum = 0;
    for (int n : samples) {
      sum += n;
    }
    return samples.length == 0 ? 0 : sum / samples.length;
  }

  /** Notes one more sample of a tile. */
  public void sampled(int tile) {
    samples[tile]++;
  }

  /** Adds a sample: colour 0…1, unit normal, one over the way from the camera in 1/m. */
  public void add(
      int pixel, float r, float g, float b, float nx, float ny, float nz, float nearness) {
    int at = VALUES * pixel;
    sums[at] += r;
    sums[at + 1] += g;
    sums[at + 2] += b;
    sums[at + 3] += nx;
    sums[at + 4] += ny;
    sums[at + 5] += nz;
    sums[at + 6] += nearness;
    sums[at + COUNT]++;
    sums[at + 8] += r * r;
    sums[at + 9] += g * g;
    sums[at + 10] += b * b;
    sums[at + 11] += nx * nx;
    sums[at + 12] += ny * ny;
    sums[at + 13] += nz * nz;
    sums[at + 14] += nearness * nearness;
  }

  /**
   * Adds how a sample covers what may be laid behind it.
   *
   * @param alpha of what is there, 0…1
   * @param caught share that a shadow catcher's alpha comes to
   */
  public void cover(int pixel, float alpha, float caught) {
    float[] to = cover;
    if (to == null) {
      synchronized (samples) {
        if (cover == null) {
          cover = new float[sums.length / VALUES * 2];
        }
        to = cover;
      }
    }
    to[2 * pixel] += alpha;
    to[2 * pixel + 1] += caught;
  }

  /** Takes over a tile of others of the same picture. */
  void take(FeatureBuffer other, int tile, TileGrid grid) {
    grid.copy(tile, VALUES, other.sums, sums);
    if (other.cover != null) {
      cover(0, 0, 0);
      grid.copy(tile, 2, other.cover, cover);
    }
    samples[tile] = other.samples[tile];
  }

  /** Takes over some pixels and tiles of others, which may be of other rows. */
  void rows(FeatureBuffer from, int at, int to, int pixels, int tile, int toTile, int tiles) {
    System.arraycopy(from.sums, VALUES * at, sums, VALUES * to, VALUES * pixels);
    System.arraycopy(from.samples, tile, samples, toTile, tiles);
    if (from.cover != null) {
      cover(0, 0, 0);
      System.arraycopy(from.cover, 2 * at, cover, 2 * to, 2 * pixels);
    }
  }

  /** Sums that were kept without squares, with those of pixels in which nothing varies. */
  static float[] withSquares(float[] plain) {
    int pixels = plain.length / (COUNT + 1);
    float[] to = new float[VALUES * pixels];
    for (int p = 0; p < pixels; p++) {
      int from = (COUNT + 1) * p, at = VALUES * p;
      System.arraycopy(plain, from, to, at, COUNT + 1);
      for (int k = 0; k < COUNT && plain[from + COUNT] > 0; k++) {
        to[at + COUNT + 1 + k] = plain[from + k] * plain[from + k] / plain[from + COUNT];
      }
    }
    return to;
  }

  /** Puts in sums and counts that were kept elsewhere. */
  void put(float[] sum, float[] covers, int[] counts) {
    System.arraycopy(sum, 0, sums, 0, sums.length);
    System.arraycopy(counts, 0, samples, 0, samples.length);
    cover = covers;
  }

  /** The sums of {@link #cover}, or null. */
  public float[] covers() {
    return cover;
  }

  /** The sums: {@link #VALUES} floats a pixel. */
  public float[] sums() {
    return sums;
  }

  long bytes() {
    return 4L * sums.length + 4L * samples.length + (cover == null ? 0 : 4L * cover.length);
  }
}

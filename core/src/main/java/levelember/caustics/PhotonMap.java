package levelember.caustics;

import java.util.Arrays;
import java.util.List;

/**
 * Photons of one light and one pass where they have fallen on rough surfaces, found by place
 * (Jensen 1996, "Global Illumination Using Photon Maps") through a grid of cells as wide as the
 * gathering disc. Immutable.
 */
final class PhotonMap {
  /**
   * Floats of a photon: place, direction to where it came from, normal, flux by channel, how far it
   * has come from the last smooth surface (in a map, the radius over which it is gathered), and how
   * many casters have scattered it.
   */
  static final int FLOATS = 14;

  /** The last of them. */
  static final int DISTANCE = 12, RADIUS = 12, BOUNCES = 13;

  /** Photons in a cell below which they are sparse, and by how much their radius is larger then. */
  private static final int SPARSE = 6;

  private static final float WIDENING = 3;

  private static final PhotonMap EMPTY = new PhotonMap(new float[0], 1);

  /** Photons, cell after cell. */
  final float[] photons;

  /** The largest radius of a disc over which one is gathered, metres. */
  final float radius;

  private final int[] first;
  private final int mask;
  private final float perCell;

  /** Photons that were deposited, one list after the other. */
  static final class Deposits {
    float[] values = new float[FLOATS * 1024];
    int count;

    /** Begins a photon; its floats are written from the returned index on. */
    int next() {
      int at = FLOATS * count++;
      if (at + FLOATS > values.length) {
        values = Arrays.copyOf(values, 2 * values.length);
      }
      return at;
    }
  }

  private PhotonMap(float[] unsorted, float radius) {
    int count = unsorted.length / FLOATS;
    this.radius = radius;
    perCell = 1 / (2 * radius);
    mask = Integer.highestOneBit(Math.max(1, 2 * count)) - 1;
    first = new int[mask + 2];
    photons = new float[unsorted.length];
    int[] bucket = new int[count];
    for (int i = 0; i < count; i++) {
      int a = FLOATS * i;
      bucket[i] = bucket(cell(unsorted[a]), cell(unsorted[a + 1]), cell(unsorted[a + 2]));
      first[bucket[i] + 1]++;
    }
    for (int i = 0; i <= mask; i++) {
      first[i + 1] += first[i];
    }
    int[] next = Arrays.copyOf(first, mask + 1);
    for (int i = 0; i < count; i++) {
      System.arraycopy(unsorted, FLOATS * i, photons, FLOATS * next[bucket[i]]++, FLOATS);
    }
  }

  /**
   * A map of photons in a fixed order.
   *
   * @param radius over which they are gathered at least, metres, more than 0
   */
  static PhotonMap of(List<Deposits> deposits, float radius) {
    return of(deposits, radius, 0);
  }

  /**
   * The same.
   *
   * @param share of a photon's way over which it is gathered at least
   */
  static PhotonMap of(List<Deposits> deposits, float radius, float share) {
    int count = deposits.stream().mapToInt(d -> d.count).sum();
    if (count == 0) {
      return EMPTY;
    }
    float[] all = new float[FLOATS * count];
    int at = 0;
    for (Deposits d : deposits) {
      System.arraycopy(d.values, 0, all, at, FLOATS * d.count);
      at += FLOATS * d.count;
    }
    float widest = radius;
    for (int i = RADIUS; i < all.length; i += FLOATS) {
      all[i] = Math.max(radius, share * all[i]);
      widest = Math.max(widest, all[i]);
    }
    return new PhotonMap(all, widest);
  }

  /**
   * The same with a kernel of two widths (Breiman, Meisel and Purcell 1977, "Variable Kernel
   * Estimates of Multivariate Densities"): photons that have few others about them are gathered
   * over the wider one, so that they are not seen one by one.
   */
  PhotonMap withVariableKernel() {
    if (count() == 0) {
      return this;
    }
    float wide = WIDENING * radius;
    float[] to = photons.clone();
    for (int b = 0; b <= mask; b++) {
      if (first[b + 1] - first[b] < SPARSE) {
        for (int i = first[b]; i < first[b + 1]; i++) {
          to[FLOATS * i + RADIUS] = wide;
        }
      }
    }
    return new PhotonMap(to, wide);
  }

  /**
   * Epanechnikov's kernel over a disc, 1/m².
   *
   * @param d2 squared distance from its middle, at most {@code r2}
   * @param r2 squared radius
   */
  static float kernel(float d2, float r2) {
    return 2 / ((float) Math.PI * r2) * (1 - d2 / r2);
  }

  int count() {
    return photons.length / FLOATS;
  }

  long bytes() {
    return 4L * (photons.length + first.length);
  }

  private int cell(float v) {
    return (int) Math.floor(v * perCell);
  }

  private int bucket(int x, int y, int z) {
    int h = x * 0x9E3779B1 ^ y * 0x85EBCA77 ^ z * 0xC2B2AE3D;
    h ^= h >>> 15;
    h *= 0x2C1B3C6D;
    return (h ^ h >>> 13) & mask;
  }

  /**
   * Lists the buckets that hold all photons within the radius of a place, each once.
   *
   * @param to for eight
   * @return how many
   */
  int buckets(float x, float y, float z, int[] to) {
    if (photons.length == 0) {
      return 0;
    }
    int cx = (int) Math.floor(x * perCell - 0.5f), cy = (int) Math.floor(y * perCell - 0.5f);
    int cz = (int) Math.floor(z * perCell - 0.5f);
    int count = 0;
    for (int i = 0; i < 8; i++) {
      int b = bucket(cx + (i & 1), cy + (i >> 1 & 1), cz + (i >> 2));
      boolean seen = false;
      for (int k = 0; k < count; k++) {
        seen |= to[k] == b;
      }
      if (!seen) {
        to[count++] = b;
      }
    }
    return count;
  }

  /** The first photon of a bucket. */
  int begin(int bucket) {
    return first[bucket];
  }

  /** The photon after the last of a bucket. */
  int end(int bucket) {
    return first[bucket + 1];
  }

  /**
   * Width of cells, metres, for which a photon's cell has so many photons, on the mean over
   * photons; by bisection, to a few percent.
   */
  static double cellWidth(List<Deposits> deposits, double occupancy) {
    PhotonMap all = of(deposits, 1);
    if (all.count() < 2) {
      return 0;
    }
    double low = 1e-5, high = 1e3;
    for (int i = 0; i < 20; i++) {
      double middle = Math.sqrt(low * high);
      if (new PhotonMap(all.photons, (float) (middle / 2)).occupancy() < occupancy) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return high;
  }

  /** Photons in the bucket of a photon, on the mean over photons. */
  private double occupancy() {
    double squares = 0;
    for (int b = 0; b <= mask; b++) {
      double n = first[b + 1] - first[b];
      squares += n * n;
    }
    return squares / count();
  }
}

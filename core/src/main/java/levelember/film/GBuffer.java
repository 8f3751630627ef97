package levelember.film;

/**
 * What the first samples of every pixel show, sample by sample (a G-buffer after Saito and
 * Takahashi 1990, "Comprehensible Rendering of 3-D Shapes"): the first surface that is neither a
 * smooth mirror nor clear glass, and of every layer the emission that the camera sees over mirrors
 * and clear glass alone, paths L S* E in Heckbert's notation.
 *
 * <p>Tiles are written by one thread at a time, as a film's are.
 */
public final class GBuffer {
  /**
   * Where the values of a sample stand: albedo times the throughput before the surface, unit normal
   * (0 in the open), one over the path length from the camera in 1/m (0 in the open), and the place
   * in the scene in metres.
   */
  public static final int RED = 0, NORMAL = 3, NEARNESS = 6, PLACE = 7;

  /** How many values a sample has. */
  public static final int VALUES = 10;

  /** Half floats of a sample: the values before the place, and what it met. */
  private static final int HALVES = 8, KIND = 7;

  /** What a sample met: nothing known, as glass mirrored it away; the open; a surface. */
  public static final int UNKNOWN = 0, OPEN = 1, SURFACE = 2;

  /** Flag of a sample whose path has settled on a wavelength before. */
  private static final int DISPERSED = 4;

  private final TileGrid grid;
  private final int kept;
  private final short[] surfaces;
  private final float[] positions;

  private final SeenEmission emission;

  /**
   * An empty one.
   *
   * @param kept samples of every pixel whose surfaces are kept
   */
  GBuffer(TileGrid grid, int layers, int kept) {
    this(
        grid,
        kept,
        new short[Math.multiplyExact(HALVES * kept, grid.pixels())],
        new float[Math.multiplyExact(3 * kept, grid.pixels())],
        new SeenEmission(grid, layers));
  }

  private GBuffer(
      TileGrid grid, int kept, short[] surfaces, float[] positions, SeenEmission emission) {
    this.grid = grid;
    this.kept = kept;
    this.surfaces = surfaces;
    this.positions = positions;
    this.emission = emission;
  }

  /** Bytes that surfaces of so many pixels take. */
  public static long bytes(long pixels, int kept) {
    return pixels * kept * (2 * HALVES + 12);
  }

  /**
   * One with other layers that shares what stays.
   *
   * @param from for every new layer the old one it goes on from, or −1 for an empty one
   * @param surfacesStay whether camera and set are the same
   */
  GBuffer withLayers(int[] from, boolean surfacesStay) {
    if (!surfacesStay) {
      return new GBuffer(grid, from.length, kept);
    }
    return new GBuffer(grid, kept, surfaces, positions, emission.withLayers(from));
  }

  /** Whether it shares its surfaces with another. */
  public boolean hasSurfacesOf(GBuffer other) {
    return surfaces == other.surfaces;
  }

  /** Samples of every pixel whose surfaces are kept at most. */
  public int kept() {
    return kept;
  }

  /**
   * Notes the surface of a sample; samples past those that are kept are not.
   *
   * @param values {@link #VALUES} of them
   */
  public void surface(int pixel, int sample, float[] values) {
    if (sample >= kept) {
      return;
    }
    int n = pixel * kept + sample;
    for (int k = 0; k < PLACE; k++) {
      surfaces[HALVES * n + k] = Float.floatToFloat16(values[k]);
    }
    surfaces[HALVES * n + KIND] = (short) (values[NEARNESS] > 0 ? SURFACE : OPEN);
    System.arraycopy(values, PLACE, positions, 3 * n, 3);
  }

  /** What a sample of a pixel met: {@link #UNKNOWN}, {@link #OPEN} or {@link #SURFACE}. */
  public int kind(int pixel, int sample) {
    return surfaces[HALVES * (pixel * kept + sample) + KIND] & ~DISPERSED;
  }

  /** Notes that the path of a sample had settled on a wavelength before it met its surface. */
  public void dispersed(int pixel, int sample) {
    if (sample < kept) {
      surfaces[HALVES * (pixel * kept + sample) + KIND] |= DISPERSED;
    }
  }

  /** Whether the first sample of a pixel is seen through glass that disperses. */
  public boolean dispersed(int pixel) {
    return (surfaces[HALVES * pixel * kept + KIND] & DISPERSED) != 0;
  }

  /** A sample's {@link #VALUES}. */
  public void read(int pixel, int sample, float[] to) {
    int n = pixel * kept + sample;
    for (int k = 0; k < PLACE; k++) {
      to[k] = Float.float16ToFloat(surfaces[HALVES * n + k]);
    }
    System.arraycopy(positions, 3 * n, to, PLACE, 3);
  }

  /** The emission that is seen. */
  public SeenEmission emission() {
    return emission;
  }

  /** Bytes that it holds. */
  public long bytes() {
    return 2L * surfaces.length + 4L * positions.length + emission.bytes();
  }
}

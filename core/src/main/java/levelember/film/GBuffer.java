package levelember.film;

/**
 * What the first samples of every pixel show, sample by sample (a G-buffer after Saito and
 * Takahashi 1990, "Comprehensible Rendering of 3-D Shapes"): the first surface that is neither a
 * smooth mirror nor clear glass, and of every layer the light that comes straight from its light,
 * seen by the camera, through clear glass or in mirrors.
 *
 * <p>Tiles are written by one thread at a time, as a film's are.
 */
public final class GBuffer {
  /** Half floats of a sample: albedo, normal, one over the path length in 1/m, and what it met. */
  private static final int VALUES = 8;

  private static final int NEARNESS = 6, KIND = 7;

  /** What a sample met: nothing known, as glass mirrored it away; the open; a surface. */
  static final int UNKNOWN = 0, OPEN = 1, SURFACE = 2;

  /** Flag of a sample whose path has settled on a wavelength before. */
  private static final int DISPERSED = 4;

  /** Values of a pixel's direct light: red, green, blue, and the luminance of even samples. */
  static final int DIRECT = 4;

  private final TileGrid grid;
  private final int kept;
  private final short[] surfaces;
  private final float[] positions;

  /** Sums of direct light by layer and, where there is any, by tile: {@link #DIRECT} a pixel. */
  private final float[][][] direct;

  /**
   * An empty one.
   *
   * @param kept samples of every pixel whose surfaces are kept
   */
  GBuffer(TileGrid grid, int layers, int kept) {
    this(
        grid,
        kept,
        new short[Math.multiplyExact(VALUES * kept, grid.pixels())],
        new float[Math.multiplyExact(3 * kept, grid.pixels())],
        new float[layers][grid.tiles()][]);
  }

  private GBuffer(
      TileGrid grid, int kept, short[] surfaces, float[] positions, float[][][] direct) {
    this.grid = grid;
    this.kept = kept;
    this.surfaces = surfaces;
    this.positions = positions;
    this.direct = direct;
  }

  /** Bytes that surfaces of so many pixels take. */
  static long bytes(long pixels, int kept) {
    return pixels * kept * (2 * VALUES + 12);
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
    float[][][] to = new float[from.length][][];
    for (int i = 0; i < from.length; i++) {
      to[i] = from[i] < 0 ? new float[grid.tiles()][] : direct[from[i]];
    }
    return new GBuffer(grid, kept, surfaces, positions, to);
  }

  /** Whether it shares its surfaces with another. */
  boolean hasSurfacesOf(GBuffer other) {
    return surfaces == other.surfaces;
  }

  /** Samples of every pixel whose surfaces are kept at most. */
  public int kept() {
    return kept;
  }

  /**
   * Notes the surface of a sample; samples past those that are kept are not.
   *
   * @param r albedo times the throughput of what is before the surface, and so for g and b
   * @param nx unit normal, all 0 in the open
   * @param nearness one over the path length from the camera, 1/m; 0 in the open
   * @param x place in the scene, metres, not used in the open
   */
  public void surface(
      int pixel,
      int sample,
      float r,
      float g,
      float b,
      float nx,
      float ny,
      float nz,
      float nearness,
      float x,
      float y,
      float z) {
    if (sample >= kept) {
      return;
    }
    int n = pixel * kept + sample;
    int at = VALUES * n;
    surfaces[at] = Float.floatToFloat16(r);
    surfaces[at + 1] = Float.floatToFloat16(g);
    surfaces[at + 2] = Float.floatToFloat16(b);
    surfaces[at + 3] = Float.floatToFloat16(nx);
    surfaces[at + 4] = Float.floatToFloat16(ny);
    surfaces[at + 5] = Float.floatToFloat16(nz);
    surfaces[at + NEARNESS] = Float.floatToFloat16(nearness);
    surfaces[at + KIND] = (short) (nearness > 0 ? SURFACE : OPEN);
    positions[3 * n] = x;
    positions[3 * n + 1] = y;
    positions[3 * n + 2] = z;
  }

  /** What a sample of a pixel met: {@link #UNKNOWN}, {@link #OPEN} or {@link #SURFACE}. */
  int kind(int pixel, int sample) {
    return surfaces[VALUES * (pixel * kept + sample) + KIND] & ~DISPERSED;
  }

  /** Notes that the path of a sample had settled on a wavelength before it met its surface. */
  public void dispersed(int pixel, int sample) {
    if (sample < kept) {
      surfaces[VALUES * (pixel * kept + sample) + KIND] |= DISPERSED;
    }
  }

  /** Whether the first sample of a pixel is seen through glass that disperses. */
  boolean dispersed(int pixel) {
    return (surfaces[VALUES * pixel * kept + KIND] & DISPERSED) != 0;
  }

  /** A sample's albedo, normal, nearness and place: ten floats. */
  void read(int pixel, int sample, float[] to) {
    int n = pixel * kept + sample;
    for (int k = 0; k <= NEARNESS; k++) {
      to[k] = Float.float16ToFloat(surfaces[VALUES * n + k]);
    }
    for (int k = 0; k < 3; k++) {
      to[NEARNESS + 1 + k] = positions[3 * n + k];
    }
  }

  /** Adds light of a sample that comes straight from a layer's light. */
  public void addDirect(int layer, int x, int y, float r, float g, float b, float evenLuminance) {
    int tile = grid.tile(x, y);
    float[] to = direct[layer][tile];
    if (to == null) {
      to = direct[layer][tile] = new float[DIRECT * Film.TILE_WIDTH * Film.TILE_HEIGHT];
    }
    int at = inTile(x, y);
    to[at] += r;
    to[at + 1] += g;
    to[at + 2] += b;
    to[at + 3] += evenLuminance;
  }

  /** Sums of a layer's direct light in the tile of a pixel, or null where there is none. */
  float[] direct(int layer, int x, int y) {
    return direct[layer][grid.tile(x, y)];
  }

  /** Where a pixel's values begin in its tile's sums. */
  static int inTile(int x, int y) {
    return DIRECT * (y % Film.TILE_HEIGHT * Film.TILE_WIDTH + x % Film.TILE_WIDTH);
  }

  /** Bytes that it holds. */
  long bytes() {
    long sum = 2L * surfaces.length + 4L * positions.length;
    for (float[][] layer : direct) {
      for (float[] tile : layer) {
        sum += tile == null ? 0 : 4L * tile.length;
      }
    }
    return sum;
  }
}

package levelember.film;

/**
 * Emission that the camera sees over mirrors and clear glass alone, paths L S* E in Heckbert's
 * notation (1990, "Adaptive Radiosity Textures for Bidirectional Ray Tracing"): sums of samples by
 * layer and pixel, cd/m² at unit level. Tiles without any take no memory. A tile is written by one
 * thread at a time, as a film's are.
 */
public final class SeenEmission {
  /** Values of a pixel: red, green, blue, and the luminance of even samples. */
  static final int VALUES = 4;

  /** Values of a tile. */
  static final int TILE_VALUES = VALUES * Film.TILE_WIDTH * Film.TILE_HEIGHT;

  private final TileGrid grid;

  /** Sums by layer and, where there is any, by tile: {@link #VALUES} a pixel. */
  private final float[][][] sums;

  SeenEmission(TileGrid grid, int layers) {
    this(grid, new float[layers][grid.tiles()][]);
  }

  private SeenEmission(TileGrid grid, float[][][] sums) {
    this.grid = grid;
    this.sums = sums;
  }

  /**
   * One with other layers that shares what stays.
   *
   * @param from for every new layer the old one it goes on from, or −1 for an empty one
   */
  SeenEmission withLayers(int[] from) {
    float[][][] to = new float[from.length][][];
    for (int i = 0; i < from.length; i++) {
      to[i] = from[i] < 0 ? new float[grid.tiles()][] : sums[from[i]];
    }
    return new SeenEmission(grid, to);
  }

  /** Adds a sample to a pixel. */
  void add(int layer, int x, int y, float r, float g, float b, float evenLuminance) {
    float[] to = own(layer, grid.tile(x, y));
    int at = inTile(x, y);
    to[at] += r;
    to[at + 1] += g;
    to[at + 2] += b;
    to[at + 3] += evenLuminance;
  }

  private float[] own(int layer, int tile) {
    float[] to = sums[layer][tile];
    if (to == null) {
      to = sums[layer][tile] = new float[TILE_VALUES];
    }
    return to;
  }

  /** Sums of a layer in the tile of a pixel, or null where there are none. */
  public float[] at(int layer, int x, int y) {
    return sums[layer][grid.tile(x, y)];
  }

  /** Sums of a layer in a tile, or null where there are none. */
  float[] tile(int layer, int tile) {
    return sums[layer][tile];
  }

  /** Where a pixel's values begin in its tile's sums. */
  public static int inTile(int x, int y) {
    return VALUES * (y % Film.TILE_HEIGHT * Film.TILE_WIDTH + x % Film.TILE_WIDTH);
  }

  /** Takes over a tile of a layer of another film's. */
  void take(SeenEmission from, int layer, int fromTile, int tile) {
    float[] there = from.sums[layer][fromTile];
    sums[layer][tile] = there == null ? null : there.clone();
  }

  /** Puts in the sums of a tile that were kept elsewhere. */
  void put(int layer, int tile, float[] values) {
    sums[layer][tile] = values;
  }

  /** Bytes that it holds. */
  long bytes() {
    long sum = 0;
    for (float[][] layer : sums) {
      for (float[] tile : layer) {
        sum += tile == null ? 0 : 4L * tile.length;
      }
    }
    return sum;
  }
}

package levelember.film;

import java.util.Arrays;
import java.util.Set;
import levelember.math.Colour;

/**
 * One linear layer a light, as sums of samples, and for every layer and tile how many samples are
 * in. Tiles are traced by one thread at a time, in the order of their samples, so the sums do not
 * depend on how many threads there are.
 *
 * <p>Samples of even and of odd number are two independent renderings of the same picture; the
 * luminance of the even ones is summed apart, and the difference between the two says how far the
 * picture still is from its limit (two buffers, after Rousselle, Knaus and Zwicker 2012, "Adaptive
 * Rendering with Non-Local Means Filtering").
 */
public final class Film {
  /** Pixels of a tile across. */
  public static final int TILE_WIDTH = 32;

  /** Pixels of a tile down. */
  public static final int TILE_HEIGHT = 16;

  private final TileGrid grid;
  private final float[][] sums;
  private final float[][] even;
  private final SampleCounts samples;
  private final GlossShares gloss;

  /** By layer, once a catcher is seen: light kept off it and light offered, two floats a pixel. */
  private final float[][] caught;

  /** Planes of the components that are kept, or null. */
  private ComponentPlanes components;

  private FeatureBuffer guides;
  private boolean bare;

  /** Surfaces and seen emission sample by sample, or null where they are not kept. */
  private GBuffer surfaces;

  /** What of the light is emission that is seen. */
  private SeenEmission emission;

  /**
   * An empty film.
   *
   * @throws IllegalArgumentException when a layer would have more than 2³¹ values
   */
  public Film(int width, int height, int layers) {
    this(width, height, 0, height, layers);
  }

  private Film(int fullWidth, int fullHeight, int firstRow, int rows, int layers) {
    this(new TileGrid(fullWidth, fullHeight, 1, firstRow, rows), layers);
    for (int i = 0; i < layers; i++) {
      empty(i);
    }
    guides = guidesOfOwn();
  }

  /**
   * An empty film for some rows of a picture, which get the same bits as in a film of the whole.
   *
   * @param firstRow a multiple of {@link #TILE_HEIGHT}
   */
  public static Film band(int fullWidth, int fullHeight, int firstRow, int rows, int layers) {
    if (firstRow % TILE_HEIGHT != 0 || firstRow < 0 || rows < 1 || firstRow + rows > fullHeight) {
      throw new IllegalArgumentException(
          "a band begins at a whole tile and lies in the picture, not rows "
              + firstRow
              + " to "
              + (firstRow + rows)
              + " of "
              + fullHeight);
    }
    return new Film(fullWidth, fullHeight, firstRow, rows, layers);
  }

  /** Bytes that a film of so many pixels takes, with emission that is seen all over in a layer. */
  public static long bytes(long pixels, int layers) {
    return pixels * (layers * 16L + 4 * (FeatureBuffer.VALUES + SeenEmission.VALUES));
  }

  private Film(TileGrid grid, int layers) {
    this.grid = grid;
    sums = new float[layers][];
    even = new float[layers][];
    samples = new SampleCounts(layers);
    gloss = new GlossShares(layers);
    caught = new float[layers][];
    emission = new SeenEmission(grid, layers);
  }

  /** An empty film of a grid. */
  static Film of(TileGrid grid, int layers) {
    return coarse(grid, layers, false);
  }

  private void empty(int layer) {
    if (!bare) {
      sums[layer] = new float[3 * grid.pixels()];
      even[layer] = new float[grid.pixels()];
      if (components != null) {
        components.clear(layer);
      }
    }
    samples.put(layer, new int[tiles()]);
    gloss.clear(layer, tiles());
  }

  /**
   * An empty film each of whose pixels spans {@code step} pixels of a picture either way.
   *
   * @param bare without memory for samples, as finished layers are to be put in
   */
  public static Film coarse(int fullWidth, int fullHeight, int step, int layers, boolean bare) {
    int rows = Math.ceilDiv(fullHeight, step);
    return coarse(new TileGrid(fullWidth, fullHeight, step, 0, rows), layers, bare);
  }

  private static Film coarse(TileGrid grid, int layers, boolean bare) {
    Film film = new Film(grid, layers);
    film.bare = bare;
    for (int i = 0; i < layers; i++) {
      film.empty(i);
    }
    film.guides = film.guidesOfOwn();
    return film;
  }

  /** An empty film that keeps the first surfaces of samples alone, and no light from them. */
  public static Film ofSurfaces(int width, int height, int layers, int kept) {
    return coarse(width, height, 1, layers, true).keepingSurfaces(kept);
  }

  /** Keeps first surfaces and seen emission from now on. */
  public Film keepingSurfaces(int kept) {
    surfaces = new GBuffer(grid, layers(), kept);
    return this;
  }

  /** The first surfaces of samples, or null where they are not kept. */
  public GBuffer surfaces() {
    return surfaces;
  }

  /** Whether paths are traced to their first surface alone. */
  public boolean surfacesOnly() {
    return bare && surfaces != null;
  }

  /** Whether a sample of a tile tells what it shows, as no layer has had it before. */
  public boolean guidedBy(int tile, int sample) {
    return (guides == null ? most(tile) : guides.samples(tile)) == sample;
  }

  private FeatureBuffer guidesOfOwn() {
    return bare ? null : new FeatureBuffer(grid.pixels(), tiles());
  }

  /**
   * A film of the same size that holds finished layers as if each were one sample.
   *
   * @param layers three floats a pixel, or null where there is nothing
   */
  public Film finished(float[][] layers) {
    int n = layers.length;
    Film film = new Film(grid, n);
    System.arraycopy(layers, 0, film.sums, 0, n);
    film.bare = true;
    for (int i = 0; i < n; i++) {
      int[] counts = new int[tiles()];
      Arrays.fill(counts, layers[i] == null ? 0 : 1);
      film.samples.put(i, counts);
      film.gloss.clear(i, counts.length);
    }
    return film;
  }

  /**
   * A film with other layers that shares what stays. The guides stay as long as a layer does, as
   * camera and set are then the same.
   *
   * @param from for every new layer the old one it goes on from, or −1 for an empty one
   */
  public Film withLayers(int[] from) {
    int n = from.length;
    Film film = new Film(grid, n);
    film.bare = bare;
    film.components = components == null ? null : components.withLayers(from, grid);
    boolean stays = false;
    for (int i = 0; i < n; i++) {
      if (from[i] < 0) {
        film.empty(i);
      } else {
        stays = true;
        film.sums[i] = sums[from[i]];
        film.even[i] = even[from[i]];
        film.samples.put(i, samples.of(from[i]));
        film.gloss.share(i, gloss, from[i]);
        film.caught[i] = caught[from[i]];
      }
    }
    film.guides = stays ? guides : film.guidesOfOwn();
    film.emission = emission.withLayers(from);
    film.surfaces = surfaces == null ? null : surfaces.withLayers(from, stays);
    return film;
  }

  /** Pixels of the whole picture that one pixel spans either way; 1 but for coarse films. */
  public int step() {
    return grid.step();
  }

  /** Width of the picture whose pixels the steps are counted in. */
  public int fullWidth() {
    return grid.fullWidth();
  }

  /** Height of the picture whose pixels the steps are counted in. */
  public int fullHeight() {
    return grid.fullHeight();
  }

  /** Row of the whole picture that this film begins at; 0 but for bands. */
  public int firstRow() {
    return grid.firstRow();
  }

  public int width() {
    return grid.width();
  }

  public int height() {
    return grid.height();
  }

  public int layers() {
    return sums.length;
  }

  public int tiles() {
    return grid.tiles();
  }

  /** Number of the tile that holds a pixel. */
  public int tile(int x, int y) {
    return grid.tile(x, y);
  }

  /** First column of a tile. */
  public int left(int tile) {
    return grid.left(tile);
  }

  /** Column after the last of a tile. */
  public int right(int tile) {
    return grid.right(tile);
  }

  /** First row of a tile. */
  public int top(int tile) {
    return grid.top(tile);
  }

  /** Row after the last of a tile. */
  public int bottom(int tile) {
    return grid.bottom(tile);
  }

  /** The sums of a layer: three floats a pixel. */
  public float[] sums(int layer) {
    return sums[layer];
  }

  /** Luminance of a layer's samples of even number, summed: one float a pixel. */
  public float[] even(int layer) {
    return even[layer];
  }

  /** What the pixels show. */
  public FeatureBuffer guides() {
    return guides;
  }

  /** The same film, empty, that keeps components beside the whole of every layer. */
  public Film keeping(Set<Component> kept) {
    Film film = coarse(grid, layers(), bare);
    film.components = kept.isEmpty() ? null : new ComponentPlanes(kept, layers(), grid);
    return film;
  }

  /** Whether it keeps any component. */
  public boolean keepsComponents() {
    return components != null;
  }

  /** The sums of a component of a layer: three floats a pixel; null where it is not kept. */
  public float[] sums(int layer, Component component) {
    return components == null ? null : components.sums(layer, component);
  }

  /** Adds to a component of a layer what {@link #add} adds to its whole. */
  public void add(int layer, Component component, int pixel, float r, float g, float b) {
    components.add(layer, component, pixel, r, g, b);
  }

  /** Which components are kept. */
  Set<Component> components() {
    return components == null ? Set.of() : components.kept();
  }

  TileGrid grid() {
    return grid;
  }

  /** Takes over a tile of a layer of another film of the same picture. */
  void take(Film other, int layer, int tile) {
    grid.copy(tile, 3, other.sums[layer], sums[layer]);
    grid.copy(tile, 1, other.even[layer], even[layer]);
    if (other.caught[layer] != null) {
      caught(layer, 0, 0, 0);
      grid.copy(tile, 2, other.caught[layer], caught[layer]);
    }
    if (components != null) {
      components.take(other.components, layer, tile, grid);
    }
    samples.of(layer)[tile] = other.samples(layer, tile);
    emission.take(other.emission, layer, tile, tile);
    gloss.copy(layer, other.gloss, tile, tile, 1);
  }

  /**
   * Adds a sample of emission that the camera sees over mirrors and clear glass alone, which {@link
   * #add} has too: its place is known, so that the {@code Denoiser} leaves it as it is.
   */
  public void addSeenEmission(int layer, int x, int y, boolean isEven, float r, float g, float b) {
    SeenEmission to = surfaces == null ? emission : surfaces.emission();
    to.add(layer, x, y, r, g, b, isEven ? Colour.luminance(r, g, b) : 0);
  }

  /** What of the light is emission that is seen over mirrors and clear glass alone. */
  public SeenEmission emission() {
    return surfaces == null ? emission : surfaces.emission();
  }

  /** Puts in sums and counts that were kept elsewhere. */
  void put(int layer, float[] sum, float[] evenSum, float[] caughtSums, int[] counts) {
    sums[layer] = sum;
    even[layer] = evenSum;
    caught[layer] = caughtSums;
    samples.put(layer, counts);
  }

  /** What of the layers' light came over gloss that was softened or left out. */
  public GlossShares gloss() {
    return gloss;
  }

  /** Adds a sample to a pixel. */
  public void add(int layer, int pixel, boolean isEven, float r, float g, float b) {
    float[] s = sums[layer];
    int at = 3 * pixel;
    s[at] += r;
    s[at + 1] += g;
    s[at + 2] += b;
    if (isEven) {
      even[layer][pixel] += Colour.luminance(r, g, b);
    }
  }

  /**
   * Adds what a sample of a layer says of a shadow catcher, means of the three channels.
   *
   * @param lost light that shadow keeps off it
   * @param offered light that it would have without
   */
  public void caught(int layer, int pixel, float lost, float offered) {
    float[] to = caught[layer];
    if (to == null) {
      synchronized (caught) {
        if (caught[layer] == null) {
          caught[layer] = new float[2 * grid.pixels()];
        }
        to = caught[layer];
      }
    }
    to[2 * pixel] += lost;
    to[2 * pixel + 1] += offered;
  }

  /** The sums of {@link #caught(int, int, float, float)}, or null. */
  public float[] caught(int layer) {
    return caught[layer];
  }

  /** Samples of every pixel of a tile in a layer. */
  public int samples(int layer, int tile) {
    return samples.of(layer)[tile];
  }

  /** Samples of a pixel in a layer. */
  public int samples(int layer, int x, int y) {
    return samples.of(layer)[tile(x, y)];
  }

  /** Least samples of any pixel of a row in a layer. */
  public int rowSamples(int layer, int row) {
    return samples.least(layer, grid.tile(0, row), grid.tile(grid.width() - 1, row));
  }

  /** Takes over counts and seen emission of some tiles of another film. */
  void samples(int layer, Film from, int tile, int toTile, int tiles) {
    System.arraycopy(from.samples.of(layer), tile, samples.of(layer), toTile, tiles);
    for (int i = 0; i < tiles; i++) {
      emission.take(from.emission, layer, tile + i, toTile + i);
    }
    gloss.copy(layer, from.gloss, tile, toTile, tiles);
  }

  /** Notes one more sample of a tile. */
  public void sampled(int layer, int tile) {
    samples.of(layer)[tile]++;
  }

  /** Least samples of any layer in a tile; 0 without layers. */
  public int least(int tile) {
    return samples.least(tile);
  }

  /** Most samples of any layer in a tile. */
  public int most(int tile) {
    return samples.most(tile);
  }

  /** Least samples of a layer in any tile. */
  public int leastSamples(int layer) {
    return samples.least(layer, 0, tiles() - 1);
  }

  /** Least samples of any layer in any tile. */
  public int samples() {
    return samples.least();
  }

  /** Samples of the whole picture, a pixel, on the mean over tiles. */
  public double meanSamples() {
    return samples.mean();
  }

  /** True when every tile has a sample of a layer. */
  public boolean whole(int layer) {
    return samples.whole(layer);
  }

  /** Samples of a layer, a pixel, on the mean over tiles. */
  public double meanSamples(int layer) {
    return samples.mean(layer);
  }

  /** Bytes that layers and guides hold. */
  public long bytes() {
    long sum = 4L * tiles() * layers() + (guides == null ? 0 : guides.bytes());
    for (float[][] planes : new float[][][] {sums, even, caught}) {
      for (float[] plane : planes) {
        sum += plane == null ? 0 : 4L * plane.length;
      }
    }
    sum += emission.bytes() + (surfaces == null ? 0 : surfaces.bytes());
    return sum + (components == null ? 0 : components.bytes());
  }
}

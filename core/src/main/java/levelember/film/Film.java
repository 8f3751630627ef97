package levelember.film;

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

  private final int width, height;
  private final int step;
  private final int fullWidth, fullHeight;
  private final int firstRow;
  private final int across, down;
  private final float[][] sums;
  private final float[][] even;
  private final int[][] samples;

  /** By layer, once a catcher is seen: light kept off it and light offered, two floats a pixel. */
  private final float[][] caught;

  private Guides guides;
  private boolean bare;

  /**
   * An empty film.
   *
   * @throws IllegalArgumentException when a layer would have more than 2³¹ values
   */
  public Film(int width, int height, int layers) {
    this(width, height, 0, height, layers);
  }

  private Film(int fullWidth, int fullHeight, int firstRow, int rows, int layers) {
    this(
        fullWidth,
        fullHeight,
        1,
        firstRow,
        rows,
        new float[layers][],
        new float[layers][],
        new int[layers][]);
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

  /** Bytes that a film of so many pixels takes. */
  public static long bytes(long pixels, int layers) {
    return pixels * (layers * 16L + 4 * Guides.VALUES);
  }

  private Film(
      int fullWidth,
      int fullHeight,
      int step,
      int firstRow,
      int rows,
      float[][] sums,
      float[][] even,
      int[][] samples) {
    this.fullWidth = fullWidth;
    this.fullHeight = fullHeight;
    this.step = step;
    this.firstRow = firstRow;
    width = over(fullWidth, step);
    height = rows;
    if (width < 1 || height < 1 || 3L * width * height > Integer.MAX_VALUE - 8) {
      throw new IllegalArgumentException(
          "a film is 1×1 to about 700 million pixels, not " + width + "×" + height);
    }
    across = over(width, TILE_WIDTH);
    down = over(height, TILE_HEIGHT);
    this.sums = sums;
    this.even = even;
    this.samples = samples;
    caught = new float[sums.length][];
  }

  private void empty(int layer) {
    if (!bare) {
      sums[layer] = new float[3 * width * height];
      even[layer] = new float[width * height];
    }
    samples[layer] = new int[across * down];
  }

  /**
   * An empty film each of whose pixels spans {@code step} pixels of a picture either way.
   *
   * @param bare without memory for samples, as finished layers are to be put in
   */
  static Film coarse(int fullWidth, int fullHeight, int step, int layers, boolean bare) {
    Film film =
        new Film(
            fullWidth,
            fullHeight,
            step,
            0,
            over(fullHeight, step),
            new float[layers][],
            new float[layers][],
            new int[layers][]);
    film.bare = bare;
    for (int i = 0; i < layers; i++) {
      film.empty(i);
    }
    film.guides = film.guidesOfOwn();
    return film;
  }

  private Guides guidesOfOwn() {
    return bare ? null : new Guides(width * height, tiles());
  }

  /**
   * A film of the same size that holds finished layers as if each were one sample.
   *
   * @param layers three floats a pixel, or null where there is nothing
   */
  Film finished(float[][] layers) {
    int n = layers.length;
    Film film =
        new Film(
            fullWidth, fullHeight, step, firstRow, height, layers, new float[n][], new int[n][]);
    film.bare = true;
    for (int i = 0; i < n; i++) {
      film.samples[i] = new int[tiles()];
      java.util.Arrays.fill(film.samples[i], layers[i] == null ? 0 : 1);
    }
    return film;
  }

  private static int over(int size, int step) {
    return Math.ceilDiv(size, step);
  }

  /**
   * A film with other layers that shares what stays. The guides stay as long as a layer does, as
   * camera and set are then the same.
   *
   * @param from for every new layer the old one it goes on from, or −1 for an empty one
   */
  public Film withLayers(int[] from) {
    int n = from.length;
    Film film =
        new Film(
            fullWidth,
            fullHeight,
            step,
            firstRow,
            height,
            new float[n][],
            new float[n][],
            new int[n][]);
    film.bare = bare;
    boolean stays = false;
    for (int i = 0; i < n; i++) {
      if (from[i] < 0) {
        film.empty(i);
      } else {
        stays = true;
        film.sums[i] = sums[from[i]];
        film.even[i] = even[from[i]];
        film.samples[i] = samples[from[i]];
        film.caught[i] = caught[from[i]];
      }
    }
    film.guides = stays ? guides : film.guidesOfOwn();
    return film;
  }

  /** Pixels of the whole picture that one pixel spans either way; 1 but for coarse films. */
  public int step() {
    return step;
  }

  /** Width of the picture whose pixels the steps are counted in. */
  public int fullWidth() {
    return fullWidth;
  }

  /** Height of the picture whose pixels the steps are counted in. */
  public int fullHeight() {
    return fullHeight;
  }

  /** Row of the whole picture that this film begins at; 0 but for bands. */
  public int firstRow() {
    return firstRow;
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  public int layers() {
    return sums.length;
  }

  public int tiles() {
    return across * down;
  }

  /** Number of the tile that holds a pixel. */
  public int tile(int x, int y) {
    return y / TILE_HEIGHT * across + x / TILE_WIDTH;
  }

  /** First column of a tile. */
  public int left(int tile) {
    return tile % across * TILE_WIDTH;
  }

  /** Column after the last of a tile. */
  public int right(int tile) {
    return Math.min(width, left(tile) + TILE_WIDTH);
  }

  /** First row of a tile. */
  public int top(int tile) {
    return tile / across * TILE_HEIGHT;
  }

  /** Row after the last of a tile. */
  public int bottom(int tile) {
    return Math.min(height, top(tile) + TILE_HEIGHT);
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
  public Guides guides() {
    return guides;
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
          caught[layer] = new float[2 * width * height];
        }
        to = caught[layer];
      }
    }
    to[2 * pixel] += lost;
    to[2 * pixel + 1] += offered;
  }

  /** The sums of {@link #caught(int, int, float, float)}, or null. */
  float[] caught(int layer) {
    return caught[layer];
  }

  /** Samples of every pixel of a tile in a layer. */
  public int samples(int layer, int tile) {
    return samples[layer][tile];
  }

  /** Samples of a pixel in a layer. */
  public int samples(int layer, int x, int y) {
    return samples[layer][tile(x, y)];
  }

  /** Least samples of any pixel of a row in a layer. */
  public int rowSamples(int layer, int row) {
    int first = row / TILE_HEIGHT * across;
    int least = Integer.MAX_VALUE;
    for (int i = first; i < first + across; i++) {
      least = Math.min(least, samples[layer][i]);
    }
    return least;
  }

  /** Notes one more sample of a tile. */
  public void sampled(int layer, int tile) {
    samples[layer][tile]++;
  }

  /** Least samples of any layer in a tile; 0 without layers. */
  public int least(int tile) {
    int least = Integer.MAX_VALUE;
    for (int[] layer : samples) {
      least = Math.min(least, layer[tile]);
    }
    return least == Integer.MAX_VALUE ? 0 : least;
  }

  /** Most samples of any layer in a tile. */
  public int most(int tile) {
    int most = 0;
    for (int[] layer : samples) {
      most = Math.max(most, layer[tile]);
    }
    return most;
  }

  /** Least samples of any layer in any tile. */
  public int samples() {
    int least = Integer.MAX_VALUE;
    for (int tile = 0; tile < tiles(); tile++) {
      least = Math.min(least, least(tile));
    }
    return least;
  }

  /** Samples of the whole picture, a pixel, on the mean over tiles. */
  public double meanSamples() {
    double sum = 0;
    for (int tile = 0; tile < tiles(); tile++) {
      sum += least(tile);
    }
    return sum / tiles();
  }

  /** True when every tile has a sample of a layer. */
  boolean whole(int layer) {
    for (int n : samples[layer]) {
      if (n == 0) {
        return false;
      }
    }
    return true;
  }

  /** Samples of a layer, a pixel, on the mean over tiles. */
  double meanSamples(int layer) {
    double sum = 0;
    for (int n : samples[layer]) {
      sum += n;
    }
    return sum / tiles();
  }

  /** Bytes that layers and guides hold. */
  public long bytes() {
    long sum = guides == null ? 0 : guides.bytes();
    for (int i = 0; i < layers(); i++) {
      sum += sums[i] == null ? 0 : 4L * sums[i].length;
      sum += even[i] == null ? 0 : 4L * even[i].length;
      sum += 4L * samples[i].length;
      sum += caught[i] == null ? 0 : 4L * caught[i].length;
    }
    return sum;
  }
}

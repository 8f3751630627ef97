package levelember.film;

/**
 * The pixels of a film and its tiles.
 *
 * @param fullWidth pixels of the whole picture across
 * @param fullHeight pixels of the whole picture down
 * @param step pixels of the whole picture that one pixel spans either way
 * @param firstRow row of the whole picture, in steps, that the film begins at
 * @param height rows of the film
 */
record TileGrid(int fullWidth, int fullHeight, int step, int firstRow, int height) {
  TileGrid {
    long width = Math.ceilDiv(fullWidth, Math.max(1, step));
    if (step < 1 || width < 1 || height < 1 || 3 * width * height > Integer.MAX_VALUE - 8) {
      throw new IllegalArgumentException(
          "a film is 1×1 to about 700 million pixels, not " + width + "×" + height);
    }
  }

  int width() {
    return Math.ceilDiv(fullWidth, step);
  }

  int pixels() {
    return width() * height;
  }

  private int across() {
    return Math.ceilDiv(width(), Film.TILE_WIDTH);
  }

  int tiles() {
    return across() * Math.ceilDiv(height, Film.TILE_HEIGHT);
  }

  /** Number of the tile that holds a pixel. */
  int tile(int x, int y) {
    return y / Film.TILE_HEIGHT * across() + x / Film.TILE_WIDTH;
  }

  int left(int tile) {
    return tile % across() * Film.TILE_WIDTH;
  }

  int right(int tile) {
    return Math.min(width(), left(tile) + Film.TILE_WIDTH);
  }

  int top(int tile) {
    return tile / across() * Film.TILE_HEIGHT;
  }

  int bottom(int tile) {
    return Math.min(height, top(tile) + Film.TILE_HEIGHT);
  }

  /** Copies a tile's values, so many floats a pixel. */
  void copy(int tile, int values, float[] from, float[] to) {
    int w = values * (right(tile) - left(tile));
    for (int y = top(tile); y < bottom(tile); y++) {
      int at = values * (y * width() + left(tile));
      System.arraycopy(from, at, to, at, w);
    }
  }
}

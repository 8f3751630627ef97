package levelember.printing.film;

import java.util.Set;
import levelember.film.Component;
import levelember.film.Film;

/**
 * The bands of rows in which a picture is traced, so that one film of a band fits into memory. They
 * do not change a bit of the picture.
 *
 * @param width pixels of the picture
 * @param height pixels of the picture
 * @param rows of every band but the last, a multiple of {@link Film#TILE_HEIGHT} where there are
 *     several
 */
public record Bands(int width, int height, int rows) {
  /**
   * Bands for a given memory.
   *
   * @param memory bytes for the film of a band
   */
  public static Bands of(int width, int height, int layers, Set<Component> kept, long memory) {
    long row = bytes(width, layers, kept);
    long fit = memory / Math.max(1, row);
    if (fit >= height) {
      return new Bands(width, height, height);
    }
    long rows = Math.max(Film.TILE_HEIGHT, fit / Film.TILE_HEIGHT * Film.TILE_HEIGHT);
    return new Bands(width, height, (int) Math.min(height, rows));
  }

  /** Bytes of a film of so many pixels. */
  public static long bytes(long pixels, int layers, Set<Component> kept) {
    return Film.bytes(pixels, layers) + 12L * pixels * layers * kept.size();
  }

  public int count() {
    return Math.ceilDiv(height, rows);
  }

  public int first(int band) {
    return band * rows;
  }

  /** Row after the last of a band. */
  public int last(int band) {
    return Math.min(height, first(band) + rows);
  }

  private int across() {
    return Math.ceilDiv(width, Film.TILE_WIDTH);
  }

  /** Tiles of the whole picture. */
  int tiles() {
    return across() * Math.ceilDiv(height, Film.TILE_HEIGHT);
  }

  /** Number of the first tile of a band among those of the whole picture. */
  int firstTile(int band) {
    return across() * (first(band) / Film.TILE_HEIGHT);
  }
}

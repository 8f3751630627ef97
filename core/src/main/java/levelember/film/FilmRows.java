package levelember.film;

import java.util.List;

/** Rows of a picture put together from films of bands of it. */
public final class FilmRows {
  private FilmRows() {}

  /**
   * A film of some rows.
   *
   * @param parts bands of one picture with the same layers and components, from the top, without
   *     gaps
   * @param top first row, a multiple of {@link Film#TILE_HEIGHT}
   * @param bottom row after the last; a multiple too, or the end of the picture
   */
  public static Film of(List<Film> parts, int top, int bottom) {
    Film like = parts.getFirst();
    Film to =
        Film.band(like.fullWidth(), like.fullHeight(), top, bottom - top, like.layers())
            .keeping(like.components());
    for (Film part : parts) {
      int first = Math.max(top, part.firstRow());
      int last = Math.min(bottom, part.firstRow() + part.height());
      for (int y = first; y < last; y += Film.TILE_HEIGHT) {
        rows(part, to, y, Math.min(last, y + Film.TILE_HEIGHT));
      }
    }
    return to;
  }

  /** Copies a row of tiles. */
  private static void rows(Film from, Film to, int first, int last) {
    int width = to.width(), n = (last - first) * width;
    int a = (first - from.firstRow()) * width, b = (first - to.firstRow()) * width;
    int across = Math.ceilDiv(width, Film.TILE_WIDTH);
    int fromTile = from.tile(0, first - from.firstRow());
    int toTile = to.tile(0, first - to.firstRow());
    for (int k = 0; k < to.layers(); k++) {
      System.arraycopy(from.sums(k), 3 * a, to.sums(k), 3 * b, 3 * n);
      System.arraycopy(from.even(k), a, to.even(k), b, n);
      if (from.caught(k) != null) {
        to.caught(k, 0, 0, 0);
        System.arraycopy(from.caught(k), 2 * a, to.caught(k), 2 * b, 2 * n);
      }
      for (Component c : to.components()) {
        System.arraycopy(from.sums(k, c), 3 * a, to.sums(k, c), 3 * b, 3 * n);
      }
      to.samples(k, from, fromTile, toTile, across);
    }
    to.guides().rows(from.guides(), a, b, n, fromTile, toTile, across);
  }
}

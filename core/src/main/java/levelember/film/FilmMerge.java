package levelember.film;

/** Brings together films of one picture whose tiles were traced apart. */
public final class FilmMerge {
  private FilmMerge() {}

  /**
   * Takes over the tiles of another film that have more samples there, layer by layer; the bits are
   * those of the film that traced them.
   *
   * @throws IllegalArgumentException when the films are not of one size, layers and components
   */
  public static void take(Film from, Film to) {
    if (!to.grid().equals(from.grid())
        || to.layers() != from.layers()
        || !to.components().equals(from.components())) {
      throw new IllegalArgumentException("the films are not of the same picture");
    }
    for (int tile = 0; tile < to.tiles(); tile++) {
      for (int k = 0; k < to.layers(); k++) {
        if (from.samples(k, tile) > to.samples(k, tile)) {
          to.take(from, k, tile);
        }
      }
      if (from.guides().samples(tile) > to.guides().samples(tile)) {
        to.guides().take(from.guides(), tile, to.grid());
      }
    }
  }
}

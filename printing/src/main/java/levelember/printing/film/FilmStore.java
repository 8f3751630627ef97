package levelember.printing.film;

import levelember.film.Film;

/**
 * Where a print keeps what it has traced. What was saved must be whole after the process has ended
 * at any moment: either what was there before or what was given.
 */
public interface FilmStore {
  /**
   * Keeps nothing, and begins with layers of another film of the same size: for a print in one band
   * of what differs from that in some lights.
   *
   * @param from for every layer the one of the film that it is, or −1 for one that is to be traced
   */
  static FilmStore beginningWith(Film film, int[] from) {
    return new FilmStore() {
      @Override
      public void save(int band, Film traced) {}

      @Override
      public Film load(int band) {
        return film.withLayers(from);
      }

      @Override
      public void save(Round round) {}

      @Override
      public Round round() {
        return null;
      }
    };
  }

  /** Keeps nothing: for a print in one band that is not to go on after the process has ended. */
  FilmStore NONE =
      new FilmStore() {
        @Override
        public void save(int band, Film film) {}

        @Override
        public Film load(int band) {
          return null;
        }

        @Override
        public void save(Round round) {}

        @Override
        public Round round() {
          return null;
        }
      };

  /** Keeps the film of a band in the place of the one before. */
  void save(int band, Film film);

  /** The film of a band, or null when none was kept. */
  Film load(int band);

  /** Keeps the round that is begun. */
  void save(Round round);

  /** The round that was begun last, or null. */
  Round round();

  /**
   * What a round brings every tile to. A film may be older than the round: what is missing is
   * traced, with the same bits.
   *
   * @param targets samples that every tile of the whole picture is to have
   * @param tracedSeconds spent on the rounds before
   */
  record Round(int[] targets, double tracedSeconds) {}
}

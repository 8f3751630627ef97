package levelember.print;

import levelember.film.Film;

/** Who follows a print while it is traced. */
public interface PrintWatch {
  /** Asked often: whether to stop here, to go on another time. */
  boolean stop();

  /** Asked often by the tracing threads: whether to let go of the cores for a moment. */
  default boolean givesWay() {
    return false;
  }

  /**
   * A band is brought to where its round brings it.
   *
   * @param film of the band; not to be kept
   */
  default void bandCompleted(Film film) {}

  /**
   * Some more of a band is traced.
   *
   * @param film of the band; not to be kept
   */
  default void traced(Film film, PrintProgress progress) {}
}

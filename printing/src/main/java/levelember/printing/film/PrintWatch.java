package levelember.printing.film;

import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import levelember.film.Film;

/** Who follows a print while it is traced. */
public interface PrintWatch {
  /**
   * A watch that asks and tells others.
   *
   * @param stop asked whether to stop
   * @param givesWay asked whether to let go of the cores
   * @param traced takes the film of a band and how far all is
   * @param completed takes the film of a band that is brought to where its round brings it
   */
  static PrintWatch of(
      BooleanSupplier stop,
      BooleanSupplier givesWay,
      BiConsumer<Film, PrintProgress> traced,
      Consumer<Film> completed) {
    return new PrintWatch() {
      @Override
      public boolean stop() {
        return stop.getAsBoolean();
      }

      @Override
      public boolean givesWay() {
        return givesWay.getAsBoolean();
      }

      @Override
      public void traced(Film band, PrintProgress progress) {
        traced.accept(band, progress);
      }

      @Override
      public void bandCompleted(Film band) {
        completed.accept(band);
      }
    };
  }

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

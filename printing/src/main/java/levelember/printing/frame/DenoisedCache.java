package levelember.printing.frame;

import java.util.function.UnaryOperator;
import levelember.film.Film;

/**
 * Denoised layers of a whole picture, kept from one frame to the next while its film stays. Not for
 * several threads.
 */
public final class DenoisedCache {
  private Film traced;
  private float[][] layers;

  /**
   * The film denoised, with layers of its own that may be changed.
   *
   * @param film as traced
   * @param denoiser makes the layers where those that are kept are of another film
   */
  Film of(Film film, UnaryOperator<Film> denoiser) {
    if (traced != film) {
      Film fresh = denoiser.apply(film);
      layers = new float[film.layers()][];
      for (int k = 0; k < layers.length; k++) {
        layers[k] = fresh.sums(k).clone();
      }
      traced = film;
      return fresh;
    }
    float[][] own = new float[layers.length][];
    for (int k = 0; k < own.length; k++) {
      own[k] = layers[k].clone();
    }
    return film.finished(own);
  }
}

package levelember.bench;

import levelember.film.Film;
import levelember.integrator.Renderer;
import levelember.scene.View;

/** Small pictures whose noise is measured. */
final class Films {
  static final int WIDTH = 320, HEIGHT = 180, PIXELS = WIDTH * HEIGHT;

  private Films() {}

  /** A film of a view, traced on all cores. */
  static Film traced(View view, int samples, int seed) {
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, seed)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }
}

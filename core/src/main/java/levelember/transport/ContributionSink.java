package levelember.transport;

import levelember.film.Film;

/** Takes what paths contribute to one pixel, and gives it to the film. One a thread. */
final class ContributionSink {
  private Film film;
  private int pixel;
  private boolean even;
  private final RayCount.Tally rays;

  ContributionSink(RayCount.Tally rays) {
    this.rays = rays;
  }

  /**
   * Comes to a pixel.
   *
   * @param even every other sample is, so that the film knows its noise
   */
  void begin(Film to, int pixel, boolean even) {
    film = to;
    this.pixel = pixel;
    this.even = even;
  }

  /** Adds to the layer of a light, cd/m² at unit level; what is no finite number is dropped. */
  void add(int layer, float r, float g, float b) {
    if (Float.isFinite(r + g + b)) {
      film.add(layer, pixel, even, r, g, b);
    } else {
      rays.dropped++;
    }
  }

  /** Adds to what a shadow catcher would get of a light, and to what of it shadows keep off. */
  void caught(int layer, float shadowed, float offered) {
    film.caught(layer, pixel, shadowed, offered);
  }

  /** Guides the denoiser by a surface: its colour 0…1, its normal, and 1 / distance in metres. */
  void guide(float r, float g, float b, float nx, float ny, float nz, float nearness) {
    film.guides().add(pixel, unit(r), unit(g), unit(b), nx, ny, nz, nearness);
  }

  /** How the path covers what is behind the set, and what of that shadow catchers do. */
  void cover(float alpha, float caughtShare) {
    film.guides().cover(pixel, alpha, caughtShare);
  }

  /** Width by height of the whole picture. */
  double aspect() {
    return (double) film.fullWidth() / film.fullHeight();
  }

  private static float unit(float v) {
    return Math.clamp(v, 0, 1);
  }
}

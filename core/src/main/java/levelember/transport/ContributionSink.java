package levelember.transport;

import levelember.film.Component;
import levelember.film.Film;
import levelember.surface.Scattering;

/**
 * Takes what paths contribute to one pixel, and gives it to the film by layer and component; the
 * film decides what it keeps. One a thread.
 */
final class ContributionSink {
  private Film film;
  private int pixel;
  private boolean even;
  private boolean components;
  private final FirstScattering here = new FirstScattering();
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
    components = to.keepsComponents();
    this.pixel = pixel;
    this.even = even;
  }

  /**
   * Adds what an emitter gives that a path has hit, cd/m² at unit level; what is no finite number
   * is dropped.
   */
  void addHit(int layer, PathState path, float r, float g, float b) {
    if (!add(layer, r, g, b)) {
      return;
    }
    if (path.depth == 0) {
      film.add(layer, Component.EMISSION, pixel, r, g, b);
    } else {
      addScattered(layer, path.first, path.depth == 1, r, g, b);
    }
  }

  /**
   * Adds what a light gives that was sampled at a vertex of a path.
   *
   * @param scattering at the vertex, evaluated for the light's direction
   * @param diffuse level of the diffuse part of the BSDF in the value
   * @param specular level of the specular part
   */
  void addSampled(
      int layer,
      PathState path,
      Scattering scattering,
      float diffuse,
      float specular,
      float r,
      float g,
      float b) {
    if (!add(layer, r, g, b)) {
      return;
    }
    if (path.depth == 0) {
      here.set(scattering, diffuse, specular);
      addScattered(layer, here, true, r, g, b);
    } else {
      addScattered(layer, path.first, false, r, g, b);
    }
  }

  private void addScattered(
      int layer, FirstScattering first, boolean direct, float r, float g, float b) {
    if (first.through) {
      film.add(layer, Component.TRANSMISSION, pixel, r, g, b);
      return;
    }
    float diffuseR = first.diffuseR * r,
        diffuseG = first.diffuseG * g,
        diffuseB = first.diffuseB * b;
    film.add(
        layer,
        direct ? Component.DIFFUSE_DIRECT : Component.DIFFUSE_INDIRECT,
        pixel,
        diffuseR,
        diffuseG,
        diffuseB);
    film.add(
        layer,
        direct ? Component.SPECULAR_DIRECT : Component.SPECULAR_INDIRECT,
        pixel,
        r - diffuseR,
        g - diffuseG,
        b - diffuseB);
  }

  /** Adds what a backdrop plate shows. */
  void addBehind(int layer, float r, float g, float b) {
    if (add(layer, r, g, b)) {
      film.add(layer, Component.EMISSION, pixel, r, g, b);
    }
  }

  /** Adds what a shadow catcher takes off a light, 0 or less. */
  void addCaught(int layer, float r, float g, float b) {
    if (add(layer, r, g, b)) {
      film.add(layer, Component.CAUGHT_SHADOW, pixel, r, g, b);
    }
  }

  /** Adds to the whole of a layer; true where the film wants to know the component too. */
  private boolean add(int layer, float r, float g, float b) {
    if (!Float.isFinite(r + g + b)) {
      rays.dropped++;
      return false;
    }
    film.add(layer, pixel, even, r, g, b);
    return components;
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

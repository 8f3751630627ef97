package levelember.path;

import levelember.scene.Scene;
import levelember.surface.LayeredSurface;

/**
 * Says which light photons carry and which paths find: the light of a light that casts caustics and
 * comes to a rough vertex of a path over one or more casters and nothing else is the photons'; all
 * other light is the paths'. What a vertex is depends on material and roughness and never on the
 * lobe that was sampled. Panes and holes that light passes straight are no vertices.
 *
 * <p>In Heckbert's notation, photons carry L C+ R (R|S)* E, where C are casters, R are rough, and S
 * smooth vertices.
 */
public final class CausticPaths {
  /** Nothing but smooth vertices so far, seen from the camera. */
  public static final int EYE = 0;

  /** The last vertex is a rough one. */
  static final int ROUGH = 1;

  /** Casters alone have followed it. */
  public static final int CASTERS = 2;

  /** A smooth vertex that is no caster is among those that have followed it. */
  static final int OTHER = 3;

  private CausticPaths() {}

  /** Whether a shaded point is smooth. */
  public static boolean smooth(SurfaceInteraction at) {
    LayeredSurface surface = at.surface;
    return surface != null && surface.narrow(Scene.SMOOTH_ALPHA, at.scattering);
  }

  /** Whether a shaded point throws light on as a caustic. */
  public static boolean caster(Scene scene, SurfaceInteraction at) {
    return scene.isCaster(at.piece) && smooth(at);
  }

  /** What a path is after a vertex. */
  public static int after(int before, Scene scene, SurfaceInteraction at) {
    if (!smooth(at)) {
      return ROUGH;
    }
    if (before == EYE) {
      return EYE;
    }
    return before != OTHER && caster(scene, at) ? CASTERS : OTHER;
  }

  /** Whether light sampled at a vertex is the photons', if the light casts caustics. */
  public static boolean photonsAt(int chain, Scene scene, SurfaceInteraction at) {
    return (chain == ROUGH || chain == CASTERS) && caster(scene, at);
  }
}

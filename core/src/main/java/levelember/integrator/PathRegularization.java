package levelember.integrator;

import levelember.path.PathState;
import levelember.path.SurfaceInteraction;
import levelember.shoot.LightOverGloss;
import levelember.surface.LayeredSurface;

/**
 * What becomes of light that reaches a rough surface over a smooth one. The roughness of a vertex
 * is widened by how widely the path has been scattered before it (Jendersie and Grosch 2019,
 * "Microfacet Model Regularization for Robust Light Transport"), and less with every sample, so
 * that the mean over samples goes to the same limit (Kaplanyan and Dachsbacher 2013, "Path Space
 * Regularization for Holistic and Robust Light Transport"). One a thread.
 */
final class PathRegularization {
  /** Least alpha by the spread of a path, for the first sample. */
  private static final float STRENGTH = 0.4f;

  /** Power of the number of the sample with which it falls. */
  private static final double FADING = -1 / 6.0;

  private static final double FOUR_PI = 4 * Math.PI;

  private final LightOverGloss way;
  private float strength;

  PathRegularization(LightOverGloss way) {
    this.way = way;
  }

  /** Comes to a sample, counted from 0. */
  void begin(int sample) {
    boolean fades = way == LightOverGloss.SOFT;
    strength = STRENGTH * (fades ? (float) StrictMath.pow(sample + 1, FADING) : 1);
  }

  /** Looks at a vertex that the path has come to, before its outgoing direction is prepared. */
  void arrive(PathState path, SurfaceInteraction at) {
    LayeredSurface surface = at.surface;
    float least = way == LightOverGloss.EVERYTHING ? 0 : strength * path.spread;
    boolean softens = way == LightOverGloss.SOFT && !surface.pane();
    at.overGloss =
        least > 0
            && (softens || way == LightOverGloss.NONE)
            && surface.smootherThan(least, at.scattering);
    at.scattering.widen(softens ? least : 0);
  }

  /** Looks at how the path has been scattered. */
  void scattered(PathState path, SurfaceInteraction at) {
    path.vertex.overGloss = at.overGloss;
    if (at.overGloss && way == LightOverGloss.SOFT) {
      path.softened = 1 - (1 - path.softened) * path.vertex.diffuse();
    }
    if (!path.vertex.delta) {
      // Of a GGX lobe at its peak, the density is about 1 / 4πα².
      float alpha = (float) (1 / Math.sqrt(FOUR_PI * path.vertex.pdf));
      path.spread = Math.max(path.spread, Math.min(1, alpha));
    }
  }
}

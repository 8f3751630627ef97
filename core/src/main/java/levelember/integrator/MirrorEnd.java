package levelember.integrator;

import levelember.light.DomeLight;
import levelember.light.EnvironmentLight;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.PortalLight;
import levelember.light.ReferencePoint;
import levelember.path.PathState;
import levelember.scene.Scene;
import levelember.shoot.MirrorBounces;

/**
 * What the last mirror of a path shows where reflections are followed no further. Mirrors are
 * smooth surfaces met from outside, one after another. One a thread.
 */
final class MirrorEnd {
  /** Directions by which surroundings are averaged, evenly over the sphere. */
  private static final int DIRECTIONS = 2048;

  private final MirrorBounces bounces;
  private final EmitterHits emitters;

  /** Mean radiance of each light that surrounds the set, by channel; null for the others. */
  private final float[][] means;

  MirrorEnd(Scene scene, EmitterHits emitters) {
    bounces = scene.bounce.mirrors();
    this.emitters = emitters;
    means = new float[scene.lights.length][];
    for (int k = 0; bounces.end() == MirrorBounces.End.COLOUR && k < means.length; k++) {
      means[k] = mean(scene.lights[k]);
    }
  }

  /** Whether mirrors are followed as far as light is. */
  boolean none() {
    return bounces.unlimited();
  }

  /**
   * Counts a reflection that the path goes on by; true where it is followed no further.
   *
   * @param mirror whether the surface is smooth, met from outside and reflects the path
   * @param rough whether the surface is not smooth
   */
  boolean reached(PathState path, boolean mirror, boolean rough) {
    if (rough) {
      path.mirrors = 0;
    } else if (mirror) {
      path.mirrors++;
    }
    return path.mirrors > bounces.most();
  }

  /** Adds what is seen there along the path's ray. */
  void show(PathState path, boolean[] wanted) {
    switch (bounces.end()) {
      case SURROUNDINGS -> emitters.surroundings(path, wanted);
      case COLOUR -> {
        float r = (float) bounces.colour().r(), g = (float) bounces.colour().g();
        float b = (float) bounces.colour().b();
        for (int k = 0; k < means.length; k++) {
          if (wanted[k] && means[k] != null) {
            emitters.constant(path, k, r * means[k][0], g * means[k][1], b * means[k][2]);
          }
        }
      }
      case BLACK -> {}
    }
  }

  private static float[] mean(LightSource light) {
    LightSource own = light instanceof PortalLight p ? p.surroundings() : light;
    if (!(own instanceof EnvironmentLight || own instanceof DomeLight)) {
      return null;
    }
    ReferencePoint from = new ReferencePoint();
    from.set(0, 0, 0);
    LightSample sample = new LightSample();
    double[] sum = new double[3];
    for (int i = 0; i < DIRECTIONS; i++) {
      // A spiral of even area by the golden angle.
      double y = 1 - (2 * i + 1.0) / DIRECTIONS, r = Math.sqrt(1 - y * y);
      double a = i * Math.PI * (3 - Math.sqrt(5));
      float dx = (float) (r * StrictMath.cos(a)), dz = (float) (r * StrictMath.sin(a));
      if (own.hit(from, dx, (float) y, dz, Float.POSITIVE_INFINITY, sample)) {
        sum[0] += sample.r / DIRECTIONS;
        sum[1] += sample.g / DIRECTIONS;
        sum[2] += sample.b / DIRECTIONS;
      }
    }
    return new float[] {(float) sum[0], (float) sum[1], (float) sum[2]};
  }
}

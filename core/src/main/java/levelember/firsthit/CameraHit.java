package levelember.firsthit;

import levelember.lens.Camera;
import levelember.math.Vec3;
import levelember.path.SurfaceInteraction;
import levelember.scene.Scene;
import levelember.surface.LayeredSurface;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * What a ray from the camera sees first, without light: surfaces that are less than half there at
 * the hit (an opacity picture) are looked through. One a thread; holds the last hit.
 */
public final class CameraHit {
  /** Holes that one ray passes. */
  private static final int MOST_PASSED = 32;

  private static final float HALF = 0.5f;

  private final RayWalk walk;
  private final SurfaceInteraction at;
  private final float[] normal = new float[3];
  private float distance;

  public CameraHit(Scene scene) {
    walk = RayWalk.of(scene.hierarchy);
    at = new SurfaceInteraction(scene, walk);
  }

  /** Traces a ray; false when it leaves the set. */
  public boolean trace(Camera.Ray ray) {
    float ox = ray.ox, oy = ray.oy, oz = ray.oz;
    distance = 0;
    for (int passed = 0; passed <= MOST_PASSED; passed++) {
      if (!walk.closestHit(
          ox, oy, oz, ray.dx, ray.dy, ray.dz, Float.POSITIVE_INFINITY, Hierarchy.CAMERA)) {
        return false;
      }
      distance += walk.t;
      at.hit(ray.dx, ray.dy, ray.dz);
      if (at.opacity() >= HALF) {
        walk.shadingNormal(normal);
        return true;
      }
      at.offsetOriginBehind();
      ox = at.ox;
      oy = at.oy;
      oz = at.oz;
    }
    return false;
  }

  /** Number of the piece. */
  public int piece() {
    return at.piece;
  }

  /** Metres from the camera. */
  public float distance() {
    return distance;
  }

  /** The point in the frame that is traced in, metres. */
  public Vec3 position() {
    return new Vec3(at.x, at.y, at.z);
  }

  /** The unit shading normal, outwards, without relief. */
  public Vec3 normal() {
    return new Vec3(normal[0], normal[1], normal[2]);
  }

  /** Cosine of the ray to that normal, below 0 from outside. */
  float cosine(Camera.Ray ray) {
    return normal[0] * ray.dx + normal[1] * ray.dy + normal[2] * ray.dz;
  }

  /** The colour that the surface shows in even light, about: 0…1 by channel. */
  void albedo(Camera.Ray ray, float[] to) {
    LayeredSurface surface = at.material(ray.dx, ray.dy, ray.dz);
    if (surface == null) {
      to[0] = to[1] = to[2] = HALF;
    } else {
      surface.albedo(at.scattering, to);
    }
  }

  /** The walk with the hit, for what is drawn of the triangle itself. */
  RayWalk walk() {
    return walk;
  }
}

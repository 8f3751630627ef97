package levelember.findings.inspection;

import levelember.lens.Camera;
import levelember.math.Vec3;

/** Rays from one place along a direction. */
public final class Rays {
  private Rays() {}

  public static Camera.Ray of(Vec3 from, Vec3 way) {
    Camera.Ray ray = new Camera.Ray();
    ray.ox = (float) from.x();
    ray.oy = (float) from.y();
    ray.oz = (float) from.z();
    ray.dx = (float) way.x();
    ray.dy = (float) way.y();
    ray.dz = (float) way.z();
    return ray;
  }

  /** Directions spread evenly over the sphere (a Fibonacci lattice). */
  public static Vec3 direction(int i, int n) {
    double z = 1 - (2 * i + 1.0) / n;
    double r = Math.sqrt(1 - z * z), turn = i * Math.PI * (3 - Math.sqrt(5));
    return new Vec3(r * StrictMath.cos(turn), r * StrictMath.sin(turn), z);
  }
}

package levelember.bench;

import java.util.Random;
import levelember.math.Vec3;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Rays laid out for measuring: origin, direction and reach, seven floats a ray.
 *
 * @param rays seven floats a ray
 * @param any shadow rays: any hit will do
 */
record RaySet(String name, float[] rays, boolean any) {
  private static final int FLOATS = 7;

  int count() {
    return rays.length / FLOATS;
  }

  /** Walks all rays; gives how many hit and, for the nearest, the sum of distances. */
  double walk(RayWalk walk) {
    double sum = 0;
    for (int at = 0; at < rays.length; at += FLOATS) {
      float ox = rays[at], oy = rays[at + 1], oz = rays[at + 2];
      float dx = rays[at + 3], dy = rays[at + 4], dz = rays[at + 5];
      if (any) {
        sum += walk.occluded(ox, oy, oz, dx, dy, dz, rays[at + 6]) ? 1 : 0;
      } else if (walk.closestHit(ox, oy, oz, dx, dy, dz, rays[at + 6])) {
        sum += walk.t;
      }
    }
    return sum;
  }

  /** Primary rays of a camera, one cosine bounce from each hit, and rays towards a lamp. */
  static RaySet[] of(Hierarchy hierarchy, Vec3 from, Vec3 aim, Vec3 lamp, int width, int height) {
    RayWalk walk = RayWalk.of(hierarchy);
    Random random = new Random(11);
    float[] primary = new float[FLOATS * width * height];
    float[] bounced = new float[FLOATS * width * height];
    float[] shadow = new float[FLOATS * width * height];
    int many = 0;
    Vec3 ahead = aim.minus(from).unit();
    Vec3 right = ahead.cross(Vec3.UP).unit();
    Vec3 up = right.cross(ahead);
    float[] p = new float[3];
    float[] n = new float[3];
    for (int i = 0; i < width * height; i++) {
      double x = (i % width + random.nextDouble()) / width * 1.2 - 0.6;
      double y = (0.6 - (i / width + random.nextDouble()) / height * 1.2) * height / width;
      Vec3 d = ahead.plus(right.times(x)).plus(up.times(y)).unit();
      put(primary, i, from, d, Float.POSITIVE_INFINITY);
      if (!walk.closestHit(
          (float) from.x(),
          (float) from.y(),
          (float) from.z(),
          (float) d.x(),
          (float) d.y(),
          (float) d.z(),
          Float.POSITIVE_INFINITY)) {
        continue;
      }
      walk.place(p);
      walk.faceNormal(n);
      Vec3 normal = new Vec3(n[0], n[1], n[2]);
      normal = normal.dot(d) > 0 ? normal.times(-1) : normal;
      Vec3 at = new Vec3(p[0], p[1], p[2]).plus(normal.times(1e-4));
      Vec3 ball =
          new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
      put(bounced, many, at, ball.times(0.999).plus(normal).unit(), Float.POSITIVE_INFINITY);
      Vec3 towards =
          lamp.plus(new Vec3(random.nextDouble(), 0, random.nextDouble()).times(0.5)).minus(at);
      put(shadow, many++, at, towards.unit(), (float) towards.length());
    }
    return new RaySet[] {
      new RaySet("primary", primary, false),
      new RaySet("bounced", java.util.Arrays.copyOf(bounced, FLOATS * many), false),
      new RaySet("shadow", java.util.Arrays.copyOf(shadow, FLOATS * many), true)
    };
  }

  private static void put(float[] to, int ray, Vec3 o, Vec3 d, float far) {
    int at = FLOATS * ray;
    to[at] = (float) o.x();
    to[at + 1] = (float) o.y();
    to[at + 2] = (float) o.z();
    to[at + 3] = (float) d.x();
    to[at + 4] = (float) d.y();
    to[at + 5] = (float) d.z();
    to[at + 6] = far;
  }
}

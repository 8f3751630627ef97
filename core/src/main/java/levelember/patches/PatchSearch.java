package levelember.patches;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.ReferencePoint;
import levelember.math.Colour;
import levelember.math.Sampler;
import levelember.math.Triangle;
import levelember.math.Trig;
import levelember.path.Dimensions;
import levelember.path.RayOffset;
import levelember.path.ShadowRay;
import levelember.scene.CompiledControls;
import levelember.scene.Scene;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Finds the patches of a set that a light at unit value shines on, by its illuminance at a few
 * fixed places of each. What is found decides where light is looked for and not how much there is.
 */
final class PatchSearch {
  /** Places on a patch. */
  private static final int PLACES = 4;

  /** Every so many patches are looked at first. Odd, so that both sides are. */
  private static final int FEW = 9;

  /** Rays from each of them, of reflected light. */
  private static final int RAYS = 2;

  /** Patches below this share of the mean power are left to BSDF sampling. */
  private static final double LEAST_SHARE = 0.01;

  /** Participation ratio, by area, of what patches reflect, above which it is no use to guide. */
  private static final double EVEN = 0.05;

  /**
   * Share of what lit patches reflect that arrives at anything, below which they lie too open for
   * their light to matter. Few rays take one half for three quarters.
   */
  private static final double ENCLOSED = 0.85;

  private final Scene scene;
  private final SurfacePatches patches;

  PatchSearch(Scene scene, SurfacePatches patches) {
    this.scene = scene;
    this.patches = patches;
  }

  /** The lit patches of a light, or null where it shines on most of the set alike. */
  LitPatches of(int light) {
    int count = patches.count();
    float[] corners = new float[9 * count], powers = new float[count];
    if (!guides(light, FEW, corners, powers) || !guides(light, 1, corners, powers)) {
      return null;
    }
    double least =
        LEAST_SHARE * IntStream.range(0, count).mapToDouble(i -> powers[i]).sum() / count;
    int[] lit = IntStream.range(0, count).filter(i -> powers[i] > least).toArray();
    float[] litCorners = new float[9 * lit.length], litPowers = new float[lit.length];
    for (int i = 0; i < lit.length; i++) {
      System.arraycopy(corners, 9 * lit[i], litCorners, 9 * i, 9);
      litPowers[i] = powers[lit[i]];
    }
    return new LitPatches(lit, litCorners, litPowers, count);
  }

  /**
   * Whether few patches reflect most of what is reflected, and that into a set about them.
   *
   * @param step 1 to look at all patches, n at every n-th
   * @param powers of the patches, which are written
   */
  private boolean guides(int light, int step, float[] corners, float[] powers) {
    float[] arriving = new float[powers.length];
    ThreadLocal<Worker> workers = ThreadLocal.withInitial(() -> new Worker(light));
    IntStream.range(0, patches.triangles())
        .parallel()
        .forEach(t -> workers.get().triangle(t, step, powers, arriving, corners));
    double all = 0, power = 0, squares = 0, enclosed = 0;
    for (int i = 0; i < powers.length; i += step) {
      double area = area(corners, 9 * i);
      squares += powers[i] * (double) powers[i] * area;
      powers[i] *= (float) area;
      all += area;
      power += powers[i];
      enclosed += arriving[i] * area;
    }
    // Half of all sides lie inside of solids or outside of rooms.
    return power * power < EVEN * squares * all / 2 && enclosed >= ENCLOSED * power;
  }

  private static double area(float[] t, int a) {
    double ux = t[a + 3] - t[a], uy = t[a + 4] - t[a + 1], uz = t[a + 5] - t[a + 2];
    double vx = t[a + 6] - t[a], vy = t[a + 7] - t[a + 1], vz = t[a + 8] - t[a + 2];
    double x = uy * vz - uz * vy, y = uz * vx - ux * vz, z = ux * vy - uy * vx;
    return Math.sqrt(x * x + y * y + z * z) / 2;
  }

  /** Illuminates patches on one thread. */
  private final class Worker {
    private final LightSource light;
    private final CompiledControls controls;
    private final RayWalk walk = RayWalk.of(scene.hierarchy);
    private final ShadowRay shadow = new ShadowRay(scene, walk);
    private final LightSample sample = new LightSample();
    private final ReferencePoint at = new ReferencePoint();
    private final Sampler points = new Sampler();

    /** Of the last patch, its exitance with each place weighed by how much of that arrives. */
    private float enclosed;

    Worker(int number) {
      light = scene.lights[number];
      controls = scene.controls[number];
    }

    /** Writes what every {@code step}-th patch of a triangle reflects, by area. */
    void triangle(int number, int step, float[] exitances, float[] arriving, float[] corners) {
      SurfacePatches.Parted parted = patches.triangle(number);
      boolean linked = controls == null || controls.lights(parted.piece());
      for (int i = 0; i < parted.count(); i++) {
        int patch = parted.first() + i;
        if (patch % step == 0) {
          patches.corners(number, i, corners, 9 * patch);
          exitances[patch] = linked ? exitance(patch, corners) : 0;
          arriving[patch] = linked ? enclosed : 0;
        }
      }
    }

    private float exitance(int patch, float[] corners) {
      float[] t = Arrays.copyOfRange(corners, 9 * patch, 9 * patch + 9);
      float ux = t[3] - t[0], uy = t[4] - t[1], uz = t[5] - t[2];
      float vx = t[6] - t[0], vy = t[7] - t[1], vz = t[8] - t[2];
      float x = uy * vz - uz * vy, y = uz * vx - ux * vz, z = ux * vy - uy * vx;
      float s = 1 / (float) Math.sqrt(x * x + y * y + z * z);
      double sum = 0, squares = 0;
      for (int i = 0; i < PLACES; i++) {
        points.start(0, patch, i);
        points.pair(Dimensions.PIXEL);
        float b = Triangle.second(points.u, points.v), c = Triangle.third(points.u, points.v);
        points.pair(Dimensions.LENS);
        at.set(
            RayOffset.off(t[0] + b * ux + c * vx, s * x),
            RayOffset.off(t[1] + b * uy + c * vy, s * y),
            RayOffset.off(t[2] + b * uz + c * vz, s * z),
            s * x,
            s * y,
            s * z);
        double e = received(points.u, points.v);
        double arriving = e > 0 ? arriving(t) : 0;
        sum += e * arriving;
        squares += e * arriving * arriving;
      }
      enclosed = (float) (squares / PLACES);
      return (float) (sum / PLACES);
    }

    /** Share of the light reflected at a place that arrives at anything. */
    private double arriving(float[] t) {
      int arriving = 0;
      for (int i = 0; i < RAYS; i++) {
        points.pair(Dimensions.SCATTER + i * Dimensions.NEXT_HOLE);
        float sin = (float) Math.sqrt(points.u), cos = (float) Math.sqrt(1 - points.u);
        float along = sin * (float) Trig.cosine(points.v);
        float across = sin * (float) Trig.sine(points.v);
        arriving += hits(t, along, across, cos) ? 1 : 0;
      }
      return (double) arriving / RAYS;
    }

    private boolean hits(float[] t, float along, float across, float out) {
      float x = t[3] - t[0], y = t[4] - t[1], z = t[5] - t[2];
      float l = 1 / (float) Math.sqrt(x * x + y * y + z * z);
      x *= l;
      y *= l;
      z *= l;
      float vx = at.ny * z - at.nz * y, vy = at.nz * x - at.nx * z, vz = at.nx * y - at.ny * x;
      return walk.closestHit(
          at.x,
          at.y,
          at.z,
          along * x + across * vx + out * at.nx,
          along * y + across * vy + out * at.ny,
          along * z + across * vz + out * at.nz,
          Float.POSITIVE_INFINITY,
          Hierarchy.BOUNCE);
    }

    private double received(float u, float v) {
      if (!light.sample(at, u, v, sample)) {
        return 0;
      }
      float cosine = sample.x * at.nx + sample.y * at.ny + sample.z * at.nz;
      if (!(cosine > 0)
          || !shadow.arrives(
              controls,
              at.x,
              at.y,
              at.z,
              sample.x,
              sample.y,
              sample.z,
              sample.distance * 0.9999f)) {
        return 0;
      }
      double l = Colour.luminance(sample.r * shadow.r, sample.g * shadow.g, sample.b * shadow.b);
      double e = l * cosine / sample.pdf;
      return e < Float.MAX_VALUE ? e : 0;
    }
  }
}

package levelember.caustics;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import levelember.film.Film;
import levelember.math.Sampler;
import levelember.path.CausticPaths;
import levelember.path.ContributionSink;
import levelember.path.Dimensions;
import levelember.path.PathState;
import levelember.path.RayCount;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.Scene;
import levelember.surface.Scattering;

/**
 * Light of caustics at the rough vertices of a path, by the density of photons about them. One a
 * thread.
 */
public final class PhotonGathering {
  /** Cosine between normals of the photon's surface and of the vertex, at least. */
  private static final float SAME_SIDE = 0.6f;

  /** Share of the radius that photons may lie off the vertex's plane. */
  private static final float FLAT = 0.3f;

  /** Probability with which photons are gathered at a rough vertex after the first. */
  private static final float PROBABILITY = 0.25f;

  /** How many times coarser than full size films are that do without automatic photons. */
  private static final int COARSE = 8;

  private final CausticPhotons caustics;

  /** By light whether its caustics are the photons'. */
  private final boolean[] has;

  private final Sampler points;
  private final ContributionSink sink;
  private final PhotonTracer tracer;
  private final long pixels;
  private final int seed, mostDepth;
  private final PhotonMap[] maps;
  private final int[] buckets = new int[8];
  private boolean any;
  private int pass = -1;

  /**
   * Gathering for a film.
   *
   * @param mostDepth vertices of a path at most, those of its photon counted
   */
  public PhotonGathering(TracingContext context, Film film, int seed, int mostDepth) {
    this.mostDepth = mostDepth;
    Scene scene = context.scene();
    caustics = CausticPhotons.of(scene);
    sink = context.sink();
    points = context.points();
    tracer = new PhotonTracer(scene);
    this.seed = seed;
    long step = film.step();
    pixels = (long) film.fullWidth() * film.fullHeight() / (step * step);
    maps = new PhotonMap[scene.lights.length];
    has = new boolean[maps.length];
    for (int k = 0; k < has.length; k++) {
      // The first picture after a move does not wait for pilot passes.
      boolean waits = scene.caustics(k).on() || film.step() < COARSE;
      has[k] = waits && scene.castsCaustics(k) && caustics.has(k);
      any |= has[k];
    }
  }

  /** Whether there are photons at all. */
  public boolean any() {
    return any;
  }

  /** Whether a light's caustics are the photons'. */
  public boolean has(int light) {
    return has[light];
  }

  /**
   * Comes to a sample, whose photons are traced where they are not there.
   *
   * @return false when stopped before they are there
   */
  public boolean begin(int sample, boolean[] wanted, BooleanSupplier stop) {
    if (sample != pass) {
      Arrays.fill(maps, null);
      pass = sample;
    }
    for (int k = 0; k < maps.length; k++) {
      if (wanted[k] && maps[k] == null && has[k]) {
        int photons = caustics.photons(k, pixels);
        maps[k] = caustics.pass(k, photons, seed, pass, tracer, stop);
        if (maps[k] == null) {
          return false;
        }
      }
    }
    return true;
  }

  /** What was walked for photons since it was last taken. */
  public RayCount rays() {
    return tracer.rays.take();
  }

  /** Adds the light of photons about a vertex, or does not by chance at one after the first. */
  public void gather(PathState path, SurfaceInteraction at, boolean[] wanted) {
    if (at.surface.onlyDelta(at.scattering)) {
      return;
    }
    float weight = 1;
    if (path.causticChain != CausticPaths.EYE) {
      int dimension = path.surfaces * Dimensions.PER_VERTEX + Dimensions.PHOTONS;
      if (points.single(dimension) >= PROBABILITY) {
        return;
      }
      weight = 1 / PROBABILITY;
    }
    for (int k = 0; k < maps.length; k++) {
      if (wanted[k] && maps[k] != null) {
        gather(path, at, k, maps[k], weight);
      }
    }
  }

  private void gather(
      PathState path, SurfaceInteraction at, int light, PhotonMap map, float weight) {
    int count = map.buckets(at.x, at.y, at.z, buckets);
    int mostBounces = mostDepth - path.depth - 1;
    float widest = map.radius * map.radius;
    float[] p = map.photons;
    for (int i = 0; i < count; i++) {
      int end = map.end(buckets[i]);
      for (int n = map.begin(buckets[i]); n < end; n++) {
        int a = PhotonMap.FLOATS * n;
        float x = p[a] - at.x, y = p[a + 1] - at.y, z = p[a + 2] - at.z;
        float d2 = x * x + y * y + z * z;
        if (d2 >= widest) {
          continue;
        }
        float radius = p[a + PhotonMap.RADIUS], r2 = radius * radius;
        if (d2 < r2
            && p[a + PhotonMap.BOUNCES] <= mostBounces
            && p[a + 6] * at.gx + p[a + 7] * at.gy + p[a + 8] * at.gz > SAME_SIDE
            && Math.abs(x * at.gx + y * at.gy + z * at.gz) < FLAT * radius) {
          add(path, at, light, p, a, weight * PhotonMap.kernel(d2, r2));
        }
      }
    }
  }

  private void add(
      PathState path, SurfaceInteraction at, int light, float[] p, int a, float kernel) {
    float wx = p[a + 3], wy = p[a + 4], wz = p[a + 5];
    float geometric = wx * at.gx + wy * at.gy + wz * at.gz;
    if (!(geometric > 0) || !at.evaluate(wx, wy, wz)) {
      return;
    }
    Scattering s = at.scattering;
    float w = kernel * at.terminator(wx, wy, wz) / Math.max(0.05f, geometric);
    sink.addCaustic(
        light,
        path,
        w * path.r * p[a + 9] * s.r,
        w * path.g * p[a + 10] * s.g,
        w * path.b * p[a + 11] * s.b);
  }
}

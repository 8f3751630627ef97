package levelember.firsthit;

import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import levelember.film.FirstHits;
import levelember.lens.Camera;
import levelember.light.EmissiveLight;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.ReferencePoint;
import levelember.math.OrthonormalFrame;
import levelember.math.Sampler;
import levelember.math.Trig;
import levelember.path.RayOffset;
import levelember.path.SurfaceInteraction;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Fills {@link FirstHits}: a ray from the camera for every sample, and where obscurance is noted
 * {@link FirstHits#OPEN_RAYS} from what it meets into the open, drawn by the cosine, as far as
 * {@link FirstHits#farthest} (Zhukov, Iones and Kronin 1998).
 */
public final class FirstHitTracer {
  private static final int SEED = 0x51A7E;
  private static final int PIXEL = 1, LENS = 2, OPEN = 3;
  private static final int MOST_PASSED = 32;

  private final View view;
  private final Scene scene;

  /** A tracer of a view. */
  public FirstHitTracer(View view) {
    this.view = view;
    scene = view.scene();
  }

  /**
   * Traces as many samples of some rows as bring something.
   *
   * @param margin pixels around the frame in which lamps are looked for
   * @param reach metres over which obscurance will be asked for at most; 0 to note none
   */
  public FirstHits all(FirstHits.Band band, int margin, double reach) {
    FirstHits to = new FirstHits(band, margin, view.layers(), reach);
    while (to.samples() < to.enough()) {
      sample(to, () -> false);
    }
    return to;
  }

  /**
   * Traces one more sample of all rows.
   *
   * @return false when stopped; the sample does then not count, and the hits are of no more use
   */
  public boolean sample(FirstHits to, BooleanSupplier stop) {
    Camera.Rays lens = view.camera().rays(to.width(), to.height(), 1);
    IntStream.range(to.top(), to.bottom())
        .parallel()
        .forEach(y -> {
          if (stop.getAsBoolean()) {
            return;
          }
          Eye eye = new Eye(lens, to);
          for (int x = -to.margin(); x < to.width() + to.margin(); x++) {
            if (to.needsSample(x, y)) {
              eye.look(x, y);
              to.noteMet(x, y, eye.met);
            }
          }
        });
    if (stop.getAsBoolean()) {
      return false;
    }
    to.sampled();
    return true;
  }

  /** What one row is looked at with. */
  private final class Eye {
    private final Camera.Rays lens;
    private final FirstHits to;
    private final RayWalk walk = RayWalk.of(scene.hierarchy);
    private final Sampler points = new Sampler(true);
    private final OrthonormalFrame frame = new OrthonormalFrame();
    private final Camera.Ray ray = new Camera.Ray();
    private final LightSample light = new LightSample();
    private final ReferencePoint from = new ReferencePoint();
    private final SurfaceInteraction at = new SurfaceInteraction(scene, walk);
    private final int[] nearby = new int[scene.lights.length];
    private final float[] through = new float[3];
    private final float farthest;

    /** Tells apart what the last sample has met. */
    private int met;

    Eye(Camera.Rays lens, FirstHits to) {
      this.lens = lens;
      this.to = to;
      farthest = Math.nextUp((float) to.farthest());
    }

    void look(int x, int y) {
      boolean inside =
          x >= 0 && x < to.width() && y >= to.firstRow() && y < to.firstRow() + to.rows();
      int wide = to.width() + 2 * to.height();
      points.start(SEED, (y + to.height()) * wide + x + to.height(), to.samples());
      points.pair(PIXEL);
      float fu = points.u, fv = points.v;
      points.pair(LENS);
      float across = points.u, down = points.v;
      lens.ray(x, y, fu, fv, across, down, ray);
      float ox = ray.ox, oy = ray.oy, oz = ray.oz;
      from.set(ox, oy, oz);
      float r = 1, g = 1, b = 1, gone = 0;
      met = 0;
      for (int passed = 0; ; passed++) {
        boolean hit =
            walk.closestHit(
                ox, oy, oz, ray.dx, ray.dy, ray.dz, Float.POSITIVE_INFINITY, Hierarchy.CAMERA);
        float whole = gone + (hit ? walk.t : Float.POSITIVE_INFINITY);
        lamps(x, y, gone, whole, r, g, b);
        if (!hit) {
          if (inside) {
            to.met(x, y, -1, 0, 0, 0, 0);
            to.left(x, y, (r + g + b) / 3);
          }
          return;
        }
        at.hit(ray.dx, ray.dy, ray.dz);
        met = 31 * met + 1 + at.piece;
        radiance(x, y, r, g, b);
        if (passed < MOST_PASSED && passes()) {
          r *= through[0];
          g *= through[1];
          b *= through[2];
          at.offsetOriginBehind();
          ox = at.ox;
          oy = at.oy;
          oz = at.oz;
          gone = whole;
          continue;
        }
        if (inside) {
          float s = at.outside ? 1 : -1;
          float nx = s * at.gx, ny = s * at.gy, nz = s * at.gz;
          to.met(x, y, at.piece, nx, ny, nz, whole);
          if (to.obscurance()) {
            for (int i = 0; i < FirstHits.OPEN_RAYS; i++) {
              open(x, y, nx, ny, nz, OPEN + i);
            }
          }
        }
        return;
      }
    }

    /** Lamps on the way, at unit level. */
    private void lamps(int x, int y, float gone, float whole, float r, float g, float b) {
      int tried = scene.hittable.length;
      if (scene.many) {
        tried += scene.rig.along(ray.ox, ray.oy, ray.oz, ray.dx, ray.dy, ray.dz, whole, nearby);
      }
      for (int i = 0; i < tried; i++) {
        int k = i < scene.hittable.length ? scene.hittable[i] : nearby[i - scene.hittable.length];
        LightSource lamp = Scene.surroundings(scene.lights[k]);
        if (lamp.seenDirectly()
            && lamp.hit(from, ray.dx, ray.dy, ray.dz, whole, light)
            && light.distance > gone
            && !(view.camera().cutOut() && light.distance == Float.POSITIVE_INFINITY)) {
          sees(k, x, y, r, g, b);
        }
      }
    }

    private void sees(int k, int x, int y, float r, float g, float b) {
      met = 31 * met - 1 - k;
      to.seen(k, x, y, r * light.r, g * light.g, b * light.b);
    }

    private void radiance(int x, int y, float r, float g, float b) {
      int k = scene.emissive.layer(at.piece);
      if (k < 0 || !at.outside || !scene.lights[k].seenDirectly()) {
        return;
      }
      EmissiveLight lamp = (EmissiveLight) scene.lights[k];
      int place = scene.hierarchy.placed(walk.instance);
      int triangle = scene.emissive.triangle(place, walk.triangle);
      lamp.radiance(triangle, walk.b, scene.emissive.third(place, walk.b, walk.c), light);
      sees(k, x, y, r, g, b);
    }

    /** Whether a ray goes straight on, and what is left of it then. */
    private boolean passes() {
      through[0] = through[1] = through[2] = 1;
      if (scene.catches[at.piece] || at.pierced() && at.opacity() < 0.5f) {
        return true;
      }
      return at.straight(ray.dx, ray.dy, ray.dz, through);
    }

    /** How far it is from what was met into one direction of the open. */
    private void open(int x, int y, float nx, float ny, float nz, int dimension) {
      points.pair(dimension);
      float radius = (float) Math.sqrt(points.u);
      float a = radius * (float) Trig.cosine(points.v), c = radius * (float) Trig.sine(points.v);
      float up = (float) Math.sqrt(Math.max(0, 1 - points.u));
      frame.about(nx, ny, nz);
      frame.toWorld(a, c, up);
      float ox = RayOffset.off(at.x, nx), oy = RayOffset.off(at.y, ny);
      float oz = RayOffset.off(at.z, nz);
      if (walk.closestHit(ox, oy, oz, frame.x, frame.y, frame.z, farthest, Hierarchy.SHADOW)) {
        to.near(x, y, walk.t);
      }
    }
  }
}

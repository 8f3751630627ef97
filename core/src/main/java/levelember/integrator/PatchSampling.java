package levelember.integrator;

import levelember.light.LightSample;
import levelember.light.ReferencePoint;
import levelember.math.Sampler;
import levelember.patches.LitPatches;
import levelember.patches.PatchGuiding;
import levelember.path.CausticPaths;
import levelember.path.Dimensions;
import levelember.path.MisWeight;
import levelember.path.PathState;
import levelember.path.RayCount;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.surface.Scattering;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Light of one bounce more, at a path vertex, by sampling the patches of the set that a light
 * shines on: a ray to a place on a patch, whose direct light of that light alone is estimated
 * there. Weighted against BSDF sampling by the power heuristic, so that patches which were not
 * found, or are not seen from here, cost noise and no light. Every light has its own patches, so
 * that layers stay independent. One a thread.
 */
final class PatchSampling {
  /** Samples of a light at a vertex by the number of rough vertices before. */
  private static final float[] RATE = {1, 0.5f, 0.25f};

  private final Scene scene;
  private final PatchGuiding guiding;
  private final RayWalk walk;
  private final Sampler points;
  private final LightSelection selection;
  private final MisWeight mis;
  private final RayCount.Tally rays;
  private final int mostDepth;
  private final LightSample sampled = new LightSample();
  private final ReferencePoint from = new ReferencePoint();
  private final SurfaceInteraction patch;
  private final PathState branch = new PathState();
  private final PathRegularization regularization;

  /** The patch that the path's last ray has hit, or −1, and metres since the vertex. */
  private int hitPatch = -1;

  private float hitDistance;

  PatchSampling(TracingContext context, PathRegularization regularization, int mostDepth) {
    scene = context.scene();
    guiding = PatchGuiding.of(scene);
    walk = context.walk();
    points = context.points();
    selection = context.selection();
    mis = context.mis();
    rays = context.rays();
    this.mostDepth = mostDepth;
    this.regularization = regularization;
    patch = new SurfaceInteraction(scene, walk);
  }

  /** Whether there is anything to sample. */
  boolean any() {
    return guiding.any() && mis.combines();
  }

  /** Whether patches are sampled at a vertex that the path has come to. */
  boolean samplesAt(PathState path, SurfaceInteraction at) {
    return path.roughVertices < RATE.length
        && path.depth + 1 < mostDepth
        && path.medium == null
        && !at.surface.onlyDelta(at.scattering);
  }

  /** Adds the light that lit patches reflect to the vertex. */
  void estimate(
      PathState path, SurfaceInteraction at, boolean[] wanted, NextEventEstimation direct) {
    at.toReferencePoint(from);
    int first = path.surfaces * Dimensions.PER_VERTEX + Dimensions.PATCH;
    for (int k = 0; k < wanted.length; k++) {
      LitPatches lit = wanted[k] ? guiding.of(k) : null;
      if (lit == null) {
        continue;
      }
      int dimension = scene.lights[k].key() + first;
      float rate = RATE[path.roughVertices];
      points.pair(dimension + Dimensions.LOBE);
      if (rate < 1 && points.v >= rate) {
        continue;
      }
      float choice = points.u;
      points.pair(dimension + Dimensions.SCATTER);
      if (lit.sample(from, choice, points.u, points.v, sampled)
          && scatter(path, at, rate)
          && trace(lit.patch(sampled))) {
        direct.estimate(branch, patch, k, dimension);
      }
    }
  }

  /** Scatters the branch towards the place that was sampled; false where nothing goes there. */
  private boolean scatter(PathState path, SurfaceInteraction at, float rate) {
    float wx = sampled.x, wy = sampled.y, wz = sampled.z;
    if (!(wx * at.gx + wy * at.gy + wz * at.gz > 0) || !at.evaluate(wx, wy, wz)) {
      return false;
    }
    Scattering s = at.scattering;
    if (!(s.pdf > 0)) {
      return false;
    }
    float pdf = rate * sampled.pdf;
    float w = mis.ofLight(pdf, s.pdf) * at.terminator(wx, wy, wz) / pdf;
    branch.copy(path);
    branch.times(w * s.r, w * s.g, w * s.b);
    if (!(branch.brightest() > 0)) {
      return false;
    }
    branch.from(from.x, from.y, from.z);
    branch.towards(wx, wy, wz);
    if (s.pdf < PathTracer.SPECULAR_PDF) {
      branch.roughVertices++;
    }
    branch.vertex.at.set(from);
    branch.vertex.scattered(at.piece, s);
    branch.vertex.delta = false;
    regularization.scattered(branch, at);
    branch.rayKind = branch.vertex.diffuse() > 0.5f ? Hierarchy.BOUNCE : Hierarchy.REFLECTION;
    if (branch.depth == 0) {
      branch.first.set(branch.vertex, false);
    }
    branch.causticChain = CausticPaths.after(path.causticChain, scene, at);
    branch.specularSoFar = branch.deltaSoFar = false;
    branch.depth++;
    branch.surfaces++;
    return true;
  }

  /** Traces the branch to the patch; false where something else is hit first. */
  private boolean trace(int wanted) {
    rays.bounced++;
    float dx = branch.dx, dy = branch.dy, dz = branch.dz;
    float far = sampled.distance * 1.01f;
    if (!walk.closestHit(branch.ox, branch.oy, branch.oz, dx, dy, dz, far, branch.rayKind)) {
      return false;
    }
    patch.hit(dx, dy, dz);
    int place = scene.hierarchy.placed(walk.instance);
    if (guiding.patches().patch(place, walk, patch.outside) != wanted) {
      return false;
    }
    patch.shade(dx, dy, dz);
    patch.orient(dx, dy, dz);
    regularization.arrive(branch, patch);
    patch.surface.prepare(
        patch.lx, patch.ly, patch.lz, patch.outside, branch.wavelength, 1, patch.scattering);
    branch.behind = null;
    return true;
  }

  // What follows is of paths whose direction was found by BSDF sampling.

  /**
   * Looks at what the path's ray has hit, before anything else is walked.
   *
   * @param distance since the vertex, metres
   */
  void hit(PathState path, SurfaceInteraction at, float distance) {
    hitPatch = -1;
    if (path.vertex.samplesPatches && path.passed == 0) {
      int place = scene.hierarchy.placed(walk.instance);
      hitPatch = guiding.patches().patch(place, walk, at.outside);
      hitDistance = distance;
    }
  }

  /** Whether the path has come to a patch that may have been sampled. */
  boolean isOnPatch() {
    return hitPatch >= 0;
  }

  /** Weight of what a light gives by light sampling where the path has come to. */
  float weight(PathState path, int light) {
    LitPatches lit = hitPatch < 0 ? null : guiding.of(light);
    if (lit == null) {
      return 1;
    }
    float density =
        lit.density(hitPatch, path.vertex.at, path.dx, path.dy, path.dz, hitDistance, sampled);
    return density > 0 ? mis.ofBsdf(path.vertex.pdf, path.vertex.patchRate * density) : 1;
  }

  /** Samples of each light at a vertex that {@link #samplesAt} was true for. */
  static float rate(PathState path) {
    return RATE[path.roughVertices];
  }
}

package levelember.integrator;

import java.util.function.BooleanSupplier;
import levelember.caustics.PhotonGathering;
import levelember.film.Film;
import levelember.lens.Camera;
import levelember.math.Sampler;
import levelember.math.Vec3;
import levelember.path.CausticPaths;
import levelember.path.ContributionSink;
import levelember.path.Dimensions;
import levelember.path.MediumStack;
import levelember.path.MisWeight;
import levelember.path.PathState;
import levelember.path.PathVertex;
import levelember.path.RayCount;
import levelember.path.ReceiverSurface;
import levelember.path.Sampling;
import levelember.path.ShadowRay;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.LightOverGloss;
import levelember.surface.LayeredSurface;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Unidirectional path tracing with next-event estimation and multiple importance sampling by the
 * power heuristic (Veach and Guibas 1995), every light into its own layer.
 *
 * <p>Where a path goes depends on surfaces alone, and every light samples its own points, so a
 * layer does not depend on which other lights there are. Until a path has been scattered widely,
 * every light is sampled at every vertex; further along, and where there are many lights, each at a
 * rate of its own ({@link LightSelection}). One object a thread; allocates nothing per ray.
 */
final class PathTracer {
  /** Density above which a direction counts as specular, per steradian. */
  static final float SPECULAR_PDF = 8;

  /** Holes, panes and catchers that one ray passes. */
  static final int MOST_PASSED = 32;

  private final Scene scene;
  private final Camera.Rays lens;
  private final boolean cutOut;
  private final int mostDepth;
  private final int seed;
  private final boolean toFirstSurface;

  /** What the camera sees through glass is seen without its dispersion, as in coarse pictures. */
  private final boolean undispersed;

  private final RayWalk walk;
  private final Sampler points;
  private final EmitterHits emitters;
  private final NextEventEstimation direct;

  /** Gathers photons; null where there are none. */
  private final PhotonGathering photons;

  private final PathScattering scattering;

  /** Samples lit patches; null where there is none. */
  private final PatchSampling patches;

  private final SurfaceInteraction at;
  private final PathState path = new PathState();
  private final MediumStack media;
  private final ContributionSink sink;
  private final PathRegularization regularization;

  /** Branches at glass. */
  private final SplitPaths branches;

  private final Camera.Ray ray = new Camera.Ray();
  private final float[] albedo = new float[3];

  /** Rays walked since the object was made. */
  final RayCount.Tally rays = new RayCount.Tally();

  /**
   * A tracer of a view.
   *
   * @param film of the size that is traced
   * @param bounces after which a path ends
   */
  PathTracer(View view, Film film, int bounces, int seed, Sampling sampling) {
    scene = view.scene();
    lens = view.camera().rays(film.fullWidth(), film.fullHeight(), film.step());
    cutOut = view.camera().cutOut();
    toFirstSurface = film.surfacesOnly();
    undispersed = toFirstSurface || film.step() > 1;
    this.seed = seed;
    int most = scene.bounce.maxBounces();
    mostDepth = most == Bounce.MOST ? bounces : Math.min(bounces, most);
    boolean roulette = sampling.roulette() && !toFirstSurface;
    points = new Sampler(sampling.stratified());
    walk = RayWalk.of(scene.hierarchy);
    at = new SurfaceInteraction(scene, walk);
    media = new MediumStack(scene);
    branches = new SplitPaths(scene);
    LightSelection selection = new LightSelection(scene, sampling.always());
    regularization = new PathRegularization(scene.bounce.overGloss());
    boolean withoutGloss = scene.bounce.overGloss() == LightOverGloss.NONE;
    sink = new ContributionSink(rays, withoutGloss, keptApart(view));
    TracingContext context =
        new TracingContext(
            scene,
            cutOut,
            walk,
            points,
            selection,
            new ShadowRay(scene, walk),
            new MisWeight(sampling.technique()),
            sink,
            rays);
    PhotonGathering gathering =
        toFirstSurface ? null : new PhotonGathering(context, film, seed, mostDepth);
    photons = gathering != null && gathering.any() ? gathering : null;
    emitters = new EmitterHits(context, photons);
    PatchSampling sampled =
        toFirstSurface ? null : new PatchSampling(context, regularization, mostDepth);
    patches = sampled != null && sampled.any() ? sampled : null;
    direct = new NextEventEstimation(context, patches, photons);
    scattering =
        new PathScattering(
            context,
            new PathScattering.Parts(at, path, media, branches, regularization),
            new PathScattering.Limits(mostDepth, roulette, toFirstSurface, photons != null),
            direct,
            new MirrorEnd(scene, emitters));
  }

  /**
   * For every layer whether emission that is seen over mirrors and clear glass alone is known by
   * its place: that of lamps, suns and glowing pieces; surroundings are as wide as the picture and
   * out of focus with depth of field, so that they need the denoiser then.
   */
  private static boolean[] keptApart(View view) {
    boolean[] to = new boolean[view.layers()];
    for (int k = 0; k < to.length; k++) {
      to[k] = view.camera().sharp() || !view.scene().surrounds(k);
    }
    return to;
  }

  /**
   * Comes to a sample, before any of its pixels is traced.
   *
   * @param wanted layers that it will be traced for
   * @return false when stopped before that can begin
   */
  boolean begin(int sample, boolean[] wanted, BooleanSupplier stop) {
    if (photons == null) {
      return true;
    }
    boolean begun = photons.begin(sample, wanted, stop);
    rays.add(photons.rays());
    return begun;
  }

  /**
   * Adds sample number {@code sample} of one pixel to those layers that are wanted.
   *
   * @param guided adds to the film's guides too
   */
  void trace(Film film, int px, int py, int sample, boolean[] wanted, boolean guided) {
    begin(film, px, py, sample, guided);
    while (extend(wanted)) {
      // Goes on from vertex to vertex.
    }
    float alpha = path.alpha, caughtShare = path.caughtShare;
    while (branches.next(path, media)) {
      while (extend(wanted)) {
        // Goes on from vertex to vertex.
      }
    }
    if (cutOut && guided && !toFirstSurface) {
      sink.cover(alpha, caughtShare);
    }
  }

  /** Adds sample number {@code sample} of what a receiver reflects along its axis to pixel 0. */
  void receive(Film film, ReceiverSurface receiver, int sample, boolean[] wanted) {
    boolean even = (sample & 1) == 0;
    points.start(even ? seed : ~seed, 0, sample >> 1);
    points.pair(Dimensions.PIXEL);
    Vec3 normal = receiver.normal(points.u, points.v);
    Vec3 point = receiver.centre().plus(normal.times(receiver.radius()));
    float dx = (float) -normal.x(), dy = (float) -normal.y(), dz = (float) -normal.z();
    path.begin((float) point.x(), (float) point.y(), (float) point.z(), dx, dy, dz);
    media.clear();
    regularization.begin(sample);
    sink.begin(film, 0, 0, sample, false);
    path.specularSoFar = path.deltaSoFar = false;
    at.receive(point, normal, receiver.piece(), ReceiverSurface.WHITE);
    at.orient(dx, dy, dz);
    regularization.arrive(path, at);
    at.surface.prepare(at.lx, at.ly, at.lz, true, -1, 1, at.scattering);
    direct.estimate(path, at, false, wanted);
    gather(false, wanted);
    boolean goesOn = scattering.scatter(0, false, wanted);
    while (goesOn) {
      goesOn = extend(wanted);
    }
  }

  private void begin(Film film, int px, int py, int sample, boolean guided) {
    boolean even = (sample & 1) == 0;
    int row = py + film.firstRow();
    points.start(even ? seed : ~seed, row * film.width() + px, sample >> 1);
    points.pair(Dimensions.PIXEL);
    float fu = points.u, fv = points.v;
    points.pair(Dimensions.LENS);
    float across = points.u, down = points.v;
    lens.ray(px, row, fu, fv, across, down, ray);
    path.begin(ray.ox, ray.oy, ray.oz, ray.dx, ray.dy, ray.dz);
    media.clear();
    branches.begin();
    path.screenX = (px + fu) / film.width();
    path.screenY = (row + fv) / ((float) film.fullHeight() / film.step());
    regularization.begin(sample);
    sink.begin(film, px, py, sample, guided);
  }

  /** Traces the path's ray and scatters it where it hits; false when the path ends. */
  private boolean extend(boolean[] wanted) {
    if (scene.customShadows && !path.vertex.delta && path.sinceVertex == 0) {
      emitters.withCustomShadows(path, wanted);
    }
    float dx = path.dx, dy = path.dy, dz = path.dz;
    boolean hit =
        walk.closestHit(
            path.ox, path.oy, path.oz, dx, dy, dz, Float.POSITIVE_INFINITY, path.rayKind);
    if (path.depth == 0) {
      rays.primary++;
    } else {
      rays.bounced++;
    }
    float distance = hit ? walk.t : Float.POSITIVE_INFINITY;
    emitters.onRay(path, distance, wanted);
    if (!hit) {
      leave(wanted);
      return false;
    }
    float sinceVertex = path.sinceVertex + distance;
    path.length += distance;
    at.hit(dx, dy, dz);
    if (scene.reflectionLinks && !isReflected()) {
      absorb(distance);
      return passUnreflected(sinceVertex);
    }
    if (patches != null) {
      patches.hit(path, at, sinceVertex);
    }
    if (!at.outside && at.surface.body()) {
      media.hitFromInside(at.instance);
    }
    absorb(distance);
    if (inHole()) {
      path.passed++;
      path.fromBehind(at);
      path.sinceVertex = sinceVertex;
      return true;
    }
    at.shade(dx, dy, dz);
    if (at.surface.body() && !inBody(sinceVertex)) {
      return true;
    }
    emitters.onSurface(path, at, sinceVertex, wanted);
    if (!arrives(sinceVertex)) {
      return false;
    }
    at.orient(dx, dy, dz);
    regularization.arrive(path, at);
    settle();
    float outer = at.surface.body() ? media.outerIndex(at.instance, path.wavelength) : 1;
    at.surface.prepare(at.lx, at.ly, at.lz, at.outside, path.wavelength, outer, at.scattering);
    path.behind = media.behind(at.instance, at.outside);
    boolean catching = path.vertex.isCamera() && scene.catches[at.piece];
    if (!catching) {
      guide();
      if (toFirstSurface && !path.specularSoFar && !isDeltaBranch()) {
        return false;
      }
    }
    if (path.continuation != 1
        && !at.surface.onlyDelta(at.scattering)
        && !path.continuesAfterDelta()) {
      return false;
    }
    // The last ray of a path may pass panes, as its shadow rays do, but gathers no light there.
    boolean samplesPatches = false;
    if (path.depth < mostDepth && !toFirstSurface) {
      samplesPatches = patches != null && !catching && patches.samplesAt(path, at);
      if (samplesPatches) {
        patches.estimate(path, at, wanted, direct);
      }
      direct.estimate(path, at, catching, wanted);
      gather(catching, wanted);
    }
    return catching
        ? passCatcher(sinceVertex)
        : scattering.scatter(sinceVertex, samplesPatches, wanted);
  }

  /** Whether the path is a branch that may still come to emission over smooth glass. */
  private boolean isDeltaBranch() {
    return path.deltaSoFar && path.depth > 0 && at.surface.onlyDelta(at.scattering);
  }

  /** Whether the piece that was hit is seen in the reflections of the one that the ray is from. */
  private boolean isReflected() {
    return path.rayKind != Hierarchy.REFLECTION || scene.reflects(path.vertex.piece, at.piece);
  }

  private boolean passUnreflected(float sinceVertex) {
    if (path.passed++ >= MOST_PASSED) {
      return false;
    }
    path.fromBehind(at);
    path.sinceVertex = sinceVertex;
    return true;
  }

  /** Gathers caustics at a rough vertex. */
  private void gather(boolean catching, boolean[] wanted) {
    if (photons != null && !catching && !CausticPaths.smooth(at)) {
      photons.gather(path, at, wanted);
    }
  }

  /** Where the ray hits nothing. */
  private void leave(boolean[] wanted) {
    if (cutOut && path.vertex.isCamera()) {
      path.alpha = 1 - path.mean();
    } else if (path.rayKind == Hierarchy.CAMERA) {
      emitters.behind(path, wanted);
    }
    if (path.specularSoFar) {
      sink.guideOpen(path.neutralR, path.neutralG, path.neutralB);
    }
  }

  /** Takes off what the body of glass absorbs that the ray has come through. */
  private void absorb(float distance) {
    path.medium = media.medium();
    if (path.medium != null) {
      path.times(
          path.medium.transmittance(0, distance),
          path.medium.transmittance(1, distance),
          path.medium.transmittance(2, distance));
    }
  }

  /** False where the surface of a body is not there, as another body fills both of its sides. */
  private boolean inBody(float sinceVertex) {
    if (media.isThere(at.instance, path.wavelength) || path.passed >= MOST_PASSED) {
      return true;
    }
    media.cross(at.instance, at.outside);
    path.medium = media.medium();
    path.passed++;
    path.fromBehind(at);
    path.sinceVertex = sinceVertex;
    return false;
  }

  private boolean inHole() {
    if (!at.pierced() || path.passed >= MOST_PASSED) {
      return false;
    }
    float there = at.opacity();
    int dimension =
        path.surfaces * Dimensions.PER_VERTEX
            + Dimensions.OPACITY
            + path.passed * Dimensions.NEXT_HOLE;
    return there < 1 && points.single(dimension) >= there;
  }

  /** Takes off the throughput what is lost on the way; false when the path ends here. */
  private boolean arrives(float sinceVertex) {
    if (path.fromDiffuse && scene.bounceControls) {
      path.fromDiffuse = false;
      PathVertex vertex = path.vertex;
      float change = scene.bounced(sinceVertex) - 1;
      path.times(
          1 + change * vertex.diffuseR, 1 + change * vertex.diffuseG, 1 + change * vertex.diffuseB);
      if (!(path.brightest() > 0)) {
        return false;
      }
    }
    LayeredSurface surface = at.surface;
    if (path.depth == mostDepth && !surface.pane()) {
      return false;
    }
    return true;
  }

  /** Settles on a wavelength where it must be known before the path is scattered. */
  private void settle() {
    LayeredSurface surface = at.surface;
    if (path.wavelength >= 0 || !surface.disperses()) {
      return;
    }
    float outer = media.outerIndex(at.instance, -1);
    if (path.specularSoFar && undispersed) {
      path.settleOnGreen();
    } else if (surface.needsWavelengthToScatter(at.scattering, at.outside, outer)) {
      path.disperse(points.single(Dimensions.WAVELENGTH));
    }
  }

  /** Guides the denoiser by the first surface that is neither a mirror nor clear. */
  private void guide() {
    if (!path.specularSoFar || !at.textured && at.surface.specular()) {
      return;
    }
    path.specularSoFar = false;
    if (!sink.guided()) {
      return;
    }
    at.surface.albedo(at.scattering, albedo);
    sink.guide(
        path.neutralR * albedo[0],
        path.neutralG * albedo[1],
        path.neutralB * albedo[2],
        at,
        1 / path.length,
        path.wavelength >= 0);
  }

  /** Goes on behind a shadow catcher, which the camera does not see; false when the path ends. */
  private boolean passCatcher(float sinceVertex) {
    if (cutOut) {
      // What is there in place of a floor or wall hides what is behind it.
      path.caughtShare = path.mean();
      path.alpha = 1 - path.caughtShare;
      if (path.specularSoFar) {
        sink.guideOpen(0, 0, 0);
      }
      return false;
    }
    path.caught = true;
    if (path.passed++ >= MOST_PASSED) {
      return false;
    }
    path.fromBelow(at);
    path.sinceVertex = sinceVertex;
    return true;
  }
}

package levelember.integrator;

import levelember.light.ReferencePoint;
import levelember.math.Sampler;
import levelember.path.CausticPaths;
import levelember.path.Dimensions;
import levelember.path.MediumStack;
import levelember.path.PathState;
import levelember.path.PathVertex;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.trace.Hierarchy;

/**
 * One step of a path from vertex to vertex: samples the BSDF where the path has come to, splits it
 * at smooth glass, and makes it a ray that goes on. One a thread; allocates nothing per ray.
 */
final class PathScattering {
  /** Chance of reflection from which glass is not split, as nearly nothing goes through. */
  private static final float MOST_REFLECTION = 0.98f;

  /** Chance of a direction below which what is seen over it is found rarely. */
  private static final float LEAST_DELTA_PROBABILITY = 0.5f;

  /**
   * What is scattered.
   *
   * @param at the vertex, shaded and prepared
   * @param media bodies that the path is in
   * @param branches what was split off
   */
  record Parts(
      SurfaceInteraction at,
      PathState path,
      MediumStack media,
      SplitPaths branches,
      PathRegularization regularization) {}

  /**
   * How far paths go.
   *
   * @param mostDepth vertices at most
   * @param roulette whether paths of little throughput end by chance
   * @param toFirstSurface whether they are followed for first surfaces and seen emission alone
   * @param photons whether photons carry any light
   */
  record Limits(int mostDepth, boolean roulette, boolean toFirstSurface, boolean photons) {}

  private final Scene scene;
  private final Sampler points;
  private final LightSelection selection;
  private final NextEventEstimation direct;
  private final MirrorEnd mirrorEnd;
  private final SurfaceInteraction at;
  private final PathState path;
  private final MediumStack media;
  private final SplitPaths branches;
  private final PathRegularization regularization;
  private final Limits limits;
  private boolean samplesPatches;

  PathScattering(
      TracingContext context,
      Parts parts,
      Limits limits,
      NextEventEstimation direct,
      MirrorEnd mirrorEnd) {
    scene = context.scene();
    points = context.points();
    selection = context.selection();
    at = parts.at;
    path = parts.path;
    media = parts.media;
    branches = parts.branches;
    regularization = parts.regularization;
    this.limits = limits;
    this.direct = direct;
    this.mirrorEnd = mirrorEnd;
  }

  /**
   * Samples the BSDF; false when the path ends.
   *
   * @param sinceVertex metres that the path has come since its last vertex
   * @param patchesSampled whether lit patches were sampled here
   * @param wanted layers that get anything
   */
  boolean scatter(float sinceVertex, boolean patchesSampled, boolean[] wanted) {
    samplesPatches = patchesSampled;
    LayeredSurface surface = at.surface;
    Scattering s = at.scattering;
    int first = path.surfaces * Dimensions.PER_VERTEX;
    points.pair(first + Dimensions.SCATTER);
    float u = points.u, v = points.v;
    float lobe = points.single(first + Dimensions.LOBE);
    boolean split = splits() && split(surface, first, lobe, wanted);
    boolean seenThrough = limits.toFirstSurface && path.specularSoFar && surface.transmits();
    if (split || seenThrough) {
      path.divideGuides(surface.transmit(s));
    }
    boolean totallyReflected = seenThrough && !split && !(s.pdf > 0);
    if (!split && !seenThrough || totallyReflected) {
      surface.sample(u, v, lobe, s);
      path.improbable |= s.delta && surface.probabilityOfDelta(s) < LEAST_DELTA_PROBABILITY;
    }
    if (s.through && path.wavelength < 0 && surface.disperses()) {
      path.disperse(points.single(Dimensions.WAVELENGTH));
      surface.disperse(path.wavelength, s);
    }
    if (!(s.pdf > 0)) {
      return false;
    }
    if (s.through && s.delta && surface.pane() && path.passed < PathTracer.MOST_PASSED) {
      return passPane(sinceVertex);
    }
    if (path.depth == limits.mostDepth) {
      return false;
    }
    return follow(first, wanted);
  }

  /** Whether the path is split at smooth glass: as long as it has been seen over glass alone. */
  private boolean splits() {
    return path.deltaSoFar
        && path.continuation == 1
        && path.depth < limits.mostDepth
        && branches.canSplit();
  }

  /**
   * Splits off what smooth glass reflects; false where it does not reflect, or nothing else.
   *
   * @param lobe a number in [0, 1), by which the branch has light beside emission or not
   */
  private boolean split(LayeredSurface surface, int first, float lobe, boolean[] wanted) {
    float probability = surface.reflect(at.scattering);
    if (!(probability > 0) || probability > MOST_REFLECTION) {
      return false;
    }
    branches.keep(path);
    path.times(probability, probability, probability);
    path.continuation = lobe < probability ? 1 / probability : 0;
    path.specularSoFar = false;
    boolean goesOn = follow(first, wanted);
    branches.take(path, media, goesOn);
    return true;
  }

  /** Goes on in the direction that was sampled; false when the path ends. */
  private boolean follow(int first, boolean[] wanted) {
    LayeredSurface surface = at.surface;
    Scattering s = at.scattering;
    path.specularSoFar &= s.through || !surface.transmits();
    if (!at.sampledToWorld()) {
      return false;
    }
    if (at.mirroredBack) {
      path.deltaSoFar &= s.delta;
      s.delta = true;
    }
    float l = 1 / (float) Math.sqrt(at.dx * at.dx + at.dy * at.dy + at.dz * at.dz);
    path.towards(at.dx * l, at.dy * l, at.dz * l);
    if (s.through && surface.body()) {
      media.cross(at.instance, at.outside);
      path.medium = media.medium();
    }
    float reflected = s.through ? 1 : at.terminator(path.dx, path.dy, path.dz);
    path.times(reflected * s.r, reflected * s.g, reflected * s.b);
    next(first);
    float brightest = path.brightest();
    if (!path.carries(brightest)) {
      return false;
    }
    boolean ends = !mirrorEnd.none() && endsInMirror();
    if (!ends
        && limits.roulette
        && !path.survives(brightest, points, first + Dimensions.ROULETTE)) {
      return false;
    }
    path.depth++;
    path.surfaces++;
    if (ends) {
      mirrorEnd.show(path, wanted);
    }
    return !ends;
  }

  /** Counts mirrors; true where the path goes from one to the next no further. */
  private boolean endsInMirror() {
    boolean smooth = CausticPaths.smooth(at);
    return mirrorEnd.reached(path, smooth && at.outside && !at.scattering.through, !smooth);
  }

  /** Light goes straight through a pane as through nothing, only less of it. */
  private boolean passPane(float sinceVertex) {
    path.passed++;
    path.surfaces++;
    path.times(at.scattering.r, at.scattering.g, at.scattering.b);
    path.fromBelow(at);
    path.sinceVertex = sinceVertex;
    return path.brightest() > 0;
  }

  /**
   * Makes the point that the path was scattered at its last vertex.
   *
   * @param first dimension of the vertex
   */
  private void next(int first) {
    Scattering s = at.scattering;
    selection.vertex();
    if (limits.photons) {
      path.causticChain = CausticPaths.after(path.causticChain, scene, at);
    }
    path.vertex.samplesPatches = samplesPatches && !s.delta && !s.through;
    path.vertex.patchRate = samplesPatches ? PatchSampling.rate(path) : 0;
    if (!s.delta && s.pdf < PathTracer.SPECULAR_PDF) {
      path.roughVertices++;
    }
    at.offsetOrigin(s.through ? -1 : 1);
    path.from(at.ox, at.oy, at.oz);
    ReferencePoint lit = direct.from();
    path.vertex.at.set(path.ox, path.oy, path.oz, lit.nx, lit.ny, lit.nz);
    path.vertex.scattered(at.piece, s);
    path.deltaSoFar &= s.delta;
    regularization.scattered(path, at);
    path.rayKind = s.through ? Hierarchy.REFRACTION : reflectedKind(first);
    path.fromDiffuse = path.vertex.diffuse() > 0;
    if (path.depth == 0) {
      path.first.set(path.vertex, s.through);
    }
    path.sinceVertex = 0;
    path.passed = 0;
  }

  /**
   * What a reflected ray is, by what the diffuse lobes have of the BSDF's value and not by which
   * lobe was sampled, so that the picture does not depend on the probabilities of sampling. Where
   * some piece shows to one kind alone, the ray is of either by chance, with that part's light.
   */
  private int reflectedKind(int first) {
    PathVertex vertex = path.vertex;
    float share = vertex.diffuse();
    if (!scene.bounceVisibilityDiffers || share <= 0 || share >= 1) {
      return share > 0.5f ? Hierarchy.BOUNCE : Hierarchy.REFLECTION;
    }
    boolean diffuse = points.single(first + Dimensions.RAY_KIND) < share;
    if (diffuse) {
      path.times(vertex.diffuseR / share, vertex.diffuseG / share, vertex.diffuseB / share);
    } else {
      float rest = 1 - share;
      path.times(
          (1 - vertex.diffuseR) / rest, (1 - vertex.diffuseG) / rest, (1 - vertex.diffuseB) / rest);
    }
    vertex.part(diffuse);
    return diffuse ? Hierarchy.BOUNCE : Hierarchy.REFLECTION;
  }
}

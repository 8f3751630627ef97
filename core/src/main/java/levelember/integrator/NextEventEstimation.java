package levelember.integrator;

import levelember.caustics.PhotonGathering;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.ReferencePoint;
import levelember.math.Sampler;
import levelember.path.CausticPaths;
import levelember.path.ContributionSink;
import levelember.path.Dimensions;
import levelember.path.MisWeight;
import levelember.path.PathState;
import levelember.path.RayCount;
import levelember.path.ShadowRay;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.CompiledControls;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.trace.Hierarchy;

/**
 * Direct light at a path vertex by light sampling, weighted against BSDF sampling. One a thread.
 */
final class NextEventEstimation {
  private final Scene scene;
  private final Sampler points;
  private final LightSelection selection;
  private final ShadowRay shadow;
  private final MisWeight mis;
  private final ContributionSink sink;
  private final RayCount.Tally rays;
  private final boolean cutOut;
  private final PatchSampling patches;
  private final PhotonGathering photons;
  private final LightSample lightRay = new LightSample();

  private final ReferencePoint from = new ReferencePoint();

  /**
   * Estimates the light of a scene.
   *
   * @param patches which look for part of the same light, or null
   * @param photons that carry some of it, or null
   */
  NextEventEstimation(TracingContext context, PatchSampling patches, PhotonGathering photons) {
    this.patches = patches;
    this.photons = photons;
    scene = context.scene();
    points = context.points();
    selection = context.selection();
    shadow = context.shadow();
    mis = context.mis();
    sink = context.sink();
    rays = context.rays();
    cutOut = context.cutOut();
  }

  /** Adds the light of the lights that are selected at a vertex. */
  void estimate(PathState path, SurfaceInteraction at, boolean catching, boolean[] wanted) {
    at.toReferencePoint(from);
    if (at.surface.onlyDelta(at.scattering)) {
      return;
    }
    int first = path.surfaces * Dimensions.PER_VERTEX;
    selection.select(
        from.x, from.y, from.z, path.roughVertices, points, first + Dimensions.LIGHT_SELECTION);
    if (catching && path.caught) {
      return;
    }
    boolean ofPhotons = ofPhotons(path, at);
    boolean onPatch = patches != null && patches.isOnPatch();
    for (int i = 0; i < selection.count; i++) {
      int k = selection.light[i];
      CompiledControls controls = scene.controls[k];
      if (!wanted[k]
          || controls != null && !controls.lights(at.piece)
          || ofPhotons && photons.has(k)) {
        continue;
      }
      LightSource light = scene.lights[k];
      boolean again = selection.sampled[i] && selection.parts[i] == 1;
      int dimension = light.key() + first + (again ? i * Dimensions.NEXT_LIGHT_SAMPLE : 0);
      float rate = selection.rate[i];
      if (!selection.sampled[i] && rate < 1 && points.single(dimension + Dimensions.LOBE) >= rate) {
        continue;
      }
      if (light.choosing()) {
        float w = points.single(dimension + Dimensions.WAVELENGTH);
        light.choose(from, selection.parts[i], w, lightRay);
      }
      float weight = onPatch ? patches.weight(path, k) : 1;
      for (int n = 0; n < selection.parts[i]; n++) {
        points.pair(dimension + Dimensions.PIXEL + n * Dimensions.NEXT_LIGHT_SAMPLE);
        lightRay.part = n;
        if (light.sample(from, points.u, points.v, lightRay)) {
          connect(path, at, k, rate, weight, catching);
        }
      }
    }
  }

  /** Whether light sampled at a vertex is the photons', if its light has any. */
  private boolean ofPhotons(PathState path, SurfaceInteraction at) {
    return photons != null && CausticPaths.photonsAt(path.causticChain, scene, at);
  }

  /**
   * Adds the light of one light at a vertex, as much of it as light sampling has where all are
   * estimated.
   *
   * @param path of which nothing but its throughput is changed
   * @param dimension of the sample points
   */
  void estimate(PathState path, SurfaceInteraction at, int k, int dimension) {
    at.toReferencePoint(from);
    CompiledControls controls = scene.controls[k];
    if (at.surface.onlyDelta(at.scattering)
        || controls != null && !controls.lights(at.piece)
        || ofPhotons(path, at) && photons.has(k)) {
      return;
    }
    LightSource light = scene.lights[k];
    lightRay.part = 0;
    if (light.choosing()) {
      light.choose(from, 1, points.single(dimension + Dimensions.WAVELENGTH), lightRay);
    }
    points.pair(dimension + Dimensions.PIXEL);
    if (light.sample(from, points.u, points.v, lightRay)) {
      float rate = selection.rateOfFew(path.roughVertices);
      path.times(rate, rate, rate);
      connect(path, at, k, rate, 1, false);
    }
  }

  /** The point that lights were sampled for last. */
  ReferencePoint from() {
    return from;
  }

  /**
   * Adds the light of the point on a light that was sampled.
   *
   * @param rate how many such samples there are of the light, on the mean
   * @param ofVertex weight of how the path has come to the vertex
   */
  private void connect(
      PathState path, SurfaceInteraction at, int k, float rate, float ofVertex, boolean catching) {
    LayeredSurface surface = at.surface;
    Scattering scattering = at.scattering;
    float wx = lightRay.x, wy = lightRay.y, wz = lightRay.z;
    float side = wx * at.gx + wy * at.gy + wz * at.gz;
    if (side <= 0 && !surface.transmitsDiffusely(at.scattering)) {
      return;
    }
    if (!at.evaluate(wx, wy, wz) || scattering.pdf <= 0) {
      return;
    }
    float w = ofVertex * at.terminator(wx, wy, wz) / (lightRay.pdf * rate);
    float weight = 1;
    if (!lightRay.delta && !catching && !scene.onlyLightSampled(k)) {
      weight = mis.ofLight(lightRay.pdf * rate, scattering.pdf);
    }
    CompiledControls controls = scene.controls[k];
    float diffuse = weight, specular = weight;
    if (scene.dependsOnPlace(k)) {
      int place = scene.emissive.place(k, lightRay.triangle);
      int piece = scene.emissive.piece(place);
      w *= shadow.emitterOpacity(place, lightRay);
      // Diffuse light that no sampled direction can find is found by light sampling alone; what is
      // hidden from mirrors and glass gives them no highlight.
      diffuse = scene.shows(piece, Hierarchy.BOUNCE) ? weight : 1;
      int kind = side < 0 ? Hierarchy.REFRACTION : Hierarchy.REFLECTION;
      boolean reflected = side < 0 || scene.reflects(at.piece, piece);
      specular = reflected && scene.shows(piece, kind) ? weight : 0;
    }
    if (controls != null) {
      float fade = controls.fade(lightRay.distance);
      diffuse *= fade * controls.diffuse;
      specular *= fade * controls.specular;
    }
    float r = w * path.r * lightRay.r * scattering.levelledR(diffuse, specular);
    float g = w * path.g * lightRay.g * scattering.levelledG(diffuse, specular);
    float b = w * path.b * lightRay.b * scattering.levelledB(diffuse, specular);
    LayeredSurface medium = side > 0 ? path.medium : path.behind;
    if (medium != null && lightRay.distance < Float.POSITIVE_INFINITY) {
      float basic = medium.basicRadiance(path.wavelength);
      r *= basic * medium.transmittance(0, lightRay.distance);
      g *= basic * medium.transmittance(1, lightRay.distance);
      b *= basic * medium.transmittance(2, lightRay.distance);
    }
    if (r == 0 && g == 0 && b == 0) {
      return;
    }
    rays.shadow++;
    at.offsetOrigin(side > 0 ? 1 : -1);
    boolean arrives =
        shadow.arrives(controls, at.ox, at.oy, at.oz, wx, wy, wz, lightRay.distance * 0.9999f);
    if (catching) {
      caught(k, r, g, b);
    } else if (arrives) {
      r *= shadow.r;
      g *= shadow.g;
      b *= shadow.b;
      sink.addSampled(k, path, at, diffuse, specular, r, g, b);
    }
  }

  /** A catcher takes what its shadow keeps off it from what is behind (Debevec 1998). */
  private void caught(int k, float r, float g, float b) {
    if (cutOut) {
      float offered = (r + g + b) / 3;
      float left = (r * shadow.r + g * shadow.g + b * shadow.b) / 3;
      sink.caught(k, offered - left, offered);
    } else {
      sink.addCaught(k, r * (shadow.r - 1), g * (shadow.g - 1), b * (shadow.b - 1));
    }
  }
}

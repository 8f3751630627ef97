package levelember.integrator;

import levelember.caustics.PhotonGathering;
import levelember.light.EmissiveLight;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.PlateLight;
import levelember.path.CausticPaths;
import levelember.path.ContributionSink;
import levelember.path.MisWeight;
import levelember.path.PathState;
import levelember.path.PathVertex;
import levelember.path.RayCount;
import levelember.path.ShadowRay;
import levelember.path.SurfaceInteraction;
import levelember.path.TracingContext;
import levelember.scene.CompiledControls;
import levelember.scene.LightSelection;
import levelember.scene.Scene;
import levelember.surface.LayeredSurface;
import levelember.trace.RayWalk;

/**
 * Light of the lights that a path's ray meets: seen by the camera, or found by BSDF sampling and
 * weighted against light sampling. One a thread.
 */
final class EmitterHits {
  private final Scene scene;
  private final RayWalk walk;
  private final LightSelection selection;
  private final ShadowRay shadow;
  private final MisWeight mis;
  private final ContributionSink sink;
  private final RayCount.Tally rays;
  private final boolean cutsOut;
  private final LightSample lightRay = new LightSample();
  private final int[] near;
  private final PhotonGathering photons;

  /**
   * The lights of a scene.
   *
   * @param photons that carry some of their light, or null
   */
  EmitterHits(TracingContext context, PhotonGathering photons) {
    this.photons = photons;
    scene = context.scene();
    walk = context.walk();
    selection = context.selection();
    shadow = context.shadow();
    mis = context.mis();
    sink = context.sink();
    rays = context.rays();
    cutsOut = context.cutOut();
    near = new int[scene.lights.length];
  }

  /**
   * Adds the light of lights that hold no place in the set's geometry.
   *
   * @param distance of what the ray hits, metres; infinite where it hits nothing
   * @param wanted layers that get anything
   */
  void onRay(PathState path, float distance, boolean[] wanted) {
    PathVertex vertex = path.vertex;
    float reach = path.sinceVertex + distance;
    boolean cutOut = cutsOut && vertex.isCamera();
    int tried = scene.hittable.length;
    if (scene.many) {
      tried +=
          scene.rig.along(path.ox, path.oy, path.oz, path.dx, path.dy, path.dz, distance, near);
    }
    for (int i = 0; i < tried; i++) {
      int k = i < scene.hittable.length ? scene.hittable[i] : near[i - scene.hittable.length];
      LightSource light = scene.lights[k];
      if (!wanted[k] || ofPhotons(path, k) || vertex.isCamera() && !light.seenDirectly()) {
        continue;
      }
      CompiledControls controls = scene.controls[k];
      if (controls != null
          && (!vertex.isCamera() && !controls.lights(vertex.piece)
              || controls.customShadow() && !vertex.delta)) {
        continue;
      }
      if (light.hit(vertex.at, path.dx, path.dy, path.dz, reach, lightRay)
          && lightRay.distance > path.sinceVertex
          && !(cutOut && lightRay.distance == Float.POSITIVE_INFINITY)) {
        float w = vertex.delta ? 1 : weight(path, k, lightRay.pdf);
        add(path, k, lightRay.distance, w, 1, 1, 1);
      }
    }
  }

  /** Adds the light of surroundings along the ray, as if nothing of the set were in the way. */
  void surroundings(PathState path, boolean[] wanted) {
    PathVertex vertex = path.vertex;
    for (int k : scene.hittable) {
      CompiledControls controls = scene.controls[k];
      if (wanted[k]
          && !ofPhotons(path, k)
          && (controls == null || controls.lights(vertex.piece))
          && scene.lights[k].hit(
              vertex.at, path.dx, path.dy, path.dz, Float.POSITIVE_INFINITY, lightRay)
          && lightRay.distance == Float.POSITIVE_INFINITY) {
        add(path, k, lightRay.distance, vertex.delta ? 1 : weight(path, k, lightRay.pdf), 1, 1, 1);
      }
    }
  }

  /** Adds radiance of a layer that is the same in every direction. */
  void constant(PathState path, int k, float r, float g, float b) {
    controlled(path, k, Float.POSITIVE_INFINITY, path.r * r, path.g * g, path.b * b);
  }

  private boolean ofPhotons(PathState path, int light) {
    return path.causticChain == CausticPaths.CASTERS && photons != null && photons.has(light);
  }

  private float weight(PathState path, int light, float density) {
    return mis.ofBsdf(path.vertex.pdf, selection.previousRate(light) * density);
  }

  /**
   * Adds the light of lights with custom shadows, whatever else the ray from a vertex hits: what is
   * in the way is found as their shadows have it.
   */
  void withCustomShadows(PathState path, boolean[] wanted) {
    PathVertex vertex = path.vertex;
    for (int k = 0; k < wanted.length; k++) {
      CompiledControls controls = scene.controls[k];
      if (!wanted[k]
          || ofPhotons(path, k)
          || controls == null
          || !controls.customShadow()
          || !controls.lights(vertex.piece)) {
        continue;
      }
      float dx = path.dx, dy = path.dy, dz = path.dz;
      if (!scene.lights[k].hit(vertex.at, dx, dy, dz, Float.POSITIVE_INFINITY, lightRay)) {
        continue;
      }
      float w = weight(path, k, lightRay.pdf);
      float distance = lightRay.distance;
      rays.shadow++;
      if (shadow.arrives(
          controls, vertex.at.x, vertex.at.y, vertex.at.z, dx, dy, dz, distance * 0.9999f)) {
        add(path, k, distance, w, shadow.r, shadow.g, shadow.b);
      }
    }
  }

  /**
   * Adds the light of an emissive piece that the ray has hit.
   *
   * @param distance since the vertex, metres
   */
  void onSurface(PathState path, SurfaceInteraction at, float distance, boolean[] wanted) {
    PathVertex vertex = path.vertex;
    int k = scene.emissive.layer(at.piece);
    if (k < 0
        || !wanted[k]
        || ofPhotons(path, k)
        || !at.outside
        || vertex.isCamera() && !scene.lights[k].seenDirectly()) {
      return;
    }
    CompiledControls controls = scene.controls[k];
    if (controls != null && !vertex.isCamera() && !controls.lights(vertex.piece)
        || !vertex.delta && scene.onlyLightSampled(k)) {
      return;
    }
    EmissiveLight light = (EmissiveLight) scene.lights[k];
    int place = scene.hierarchy.placed(walk.instance);
    int triangle = scene.emissive.triangle(place, walk.triangle);
    float w = 1;
    if (!vertex.delta) {
      float density =
          light.density(triangle, vertex.at, path.dx, path.dy, path.dz, distance, lightRay);
      w = weight(path, k, density);
    }
    light.radiance(triangle, walk.b, scene.emissive.third(place, walk.b, walk.c), lightRay);
    w *= path.medium == null ? 1 : path.medium.basicRadiance(path.wavelength);
    float r = w * path.r * lightRay.r, g = w * path.g * lightRay.g, b = w * path.b * lightRay.b;
    controlled(path, k, distance, r, g, b);
  }

  /** Adds what backdrop plates show where a ray from the camera leaves the set. */
  void behind(PathState path, boolean[] wanted) {
    for (int k = 0; k < wanted.length; k++) {
      if (wanted[k] && scene.lights[k] instanceof PlateLight plate) {
        plate.seen(path.screenX, path.screenY, sink.aspect(), lightRay);
        sink.addBehind(k, path.r * lightRay.r, path.g * lightRay.g, path.b * lightRay.b);
      }
    }
  }

  /** Adds the light ray's radiance times the throughput, a weight and what arrives. */
  private void add(
      PathState path,
      int k,
      float distance,
      float w,
      float arrivesR,
      float arrivesG,
      float arrivesB) {
    float r = w * path.r * lightRay.r, g = w * path.g * lightRay.g, b = w * path.b * lightRay.b;
    LayeredSurface medium = path.medium;
    if (medium != null && distance < Float.POSITIVE_INFINITY) {
      // What is before the ray's origin is off its throughput already.
      float metres = distance - path.sinceVertex;
      float basic = medium.basicRadiance(path.wavelength);
      r *= basic * medium.transmittance(0, metres);
      g *= basic * medium.transmittance(1, metres);
      b *= basic * medium.transmittance(2, metres);
    }
    controlled(path, k, distance, r * arrivesR, g * arrivesG, b * arrivesB);
  }

  /** Adds light as the light's controls have it on the piece of the last vertex. */
  private void controlled(PathState path, int k, float distance, float r, float g, float b) {
    PathVertex vertex = path.vertex;
    CompiledControls controls = scene.controls[k];
    if (controls == null || vertex.isCamera()) {
      sink.addHit(k, path, r, g, b);
      return;
    }
    float fade = controls.fade(distance);
    sink.addHit(
        k,
        path,
        fade * r * controls.factor(vertex.diffuseR),
        fade * g * controls.factor(vertex.diffuseG),
        fade * b * controls.factor(vertex.diffuseB));
  }
}

package levelember.caustics;

import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.ReferencePoint;
import levelember.math.Sampler;
import levelember.math.Vec3;
import levelember.path.CausticPaths;
import levelember.path.Dimensions;
import levelember.path.MediumStack;
import levelember.path.PathState;
import levelember.path.RayCount;
import levelember.path.RayOffset;
import levelember.path.ShadowRay;
import levelember.path.SurfaceInteraction;
import levelember.scene.CompiledControls;
import levelember.scene.Scene;
import levelember.surface.Adjoint;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Carries photons of one light from casters to the first rough surfaces that they meet. A photon
 * begins at a place on a caster that is drawn by area, with the light that is sampled there as
 * next-event estimation has it; so every kind of light emits with its own densities, and none of it
 * goes where no caster is. Surfaces scatter by their adjoint (Veach 1997). One a thread.
 */
final class PhotonTracer {
  private static final int MOST_BOUNCES = 32;
  private static final int MOST_PASSED = 32;
  private static final int ROULETTE_FROM = 4;

  /** How far before a caster its surface is looked for, metres. */
  private static final float BEFORE = 1e-3f;

  private final Scene scene;
  private final RayWalk walk;
  private final ShadowRay shadow;
  private final SurfaceInteraction at;
  private final MediumStack media;
  private final Sampler points = new Sampler();
  private final PathState path = new PathState();
  private final LightSample lightRay = new LightSample();
  private final CasterSurfaces.Sample start = new CasterSurfaces.Sample();
  private final ReferencePoint from = new ReferencePoint();

  private final int mostBounces;

  /** What becomes of a photon. */
  enum Outcome {
    /** Its light does not arrive at the caster. */
    UNLIT,
    /** It falls on a rough surface. */
    DEPOSITED,
    /** It leaves the set after a caster. */
    ESCAPED,
    /** It ends on the way: absorbed, taken back by chance, or at a smooth piece that casts none. */
    TERMINATED
  }

  /** The piece that emits, where its light depends on which place of it emits; else −1. */
  private int emitter;

  private int firstCaster;
  private double absorbed;

  /** The last surface was gone through. */
  private boolean refracted;

  /** The photon has left the set. */
  private boolean escaped;

  /** Reflections in mirror-like surfaces from outside so far. */
  private int mirrors;

  /** The brightest channel of the photon after its first caster. */
  private float firstBrightest;

  /** Rays walked. */
  final RayCount.Tally rays = new RayCount.Tally();

  PhotonTracer(Scene scene) {
    this.scene = scene;
    walk = RayWalk.of(scene.hierarchy);
    shadow = new ShadowRay(scene, walk);
    at = new SurfaceInteraction(scene, walk);
    media = new MediumStack(scene);
    // The rough surface where a photon ends is one of the surfaces that light may meet.
    mostBounces = Math.min(MOST_BOUNCES, scene.bounce.maxBounces() - 1);
  }

  /**
   * Traces one photon.
   *
   * @param light which emits it
   * @param casters that it may begin at, with their probabilities
   * @param index among those of the pass
   * @param key of the pass
   * @param share of the light's flux, its level over the number of photons
   * @param to where it is added when it falls on a rough surface
   * @return what has become of it; {@link #flux} says how much it carried to there
   */
  Outcome trace(
      int light, CausticLight casters, int index, int key, double share, PhotonMap.Deposits to) {
    begin(key, light, index);
    points.pair(Dimensions.PIXEL);
    int caster = casters.choose(points.u);
    double choice = casters.remapped(caster, points.u);
    if (!emit(light, casters.surfaces(), caster, choice, share / casters.chance(caster))) {
      return Outcome.UNLIT;
    }
    for (int bounce = 0; bounce < mostBounces && scatter(bounce); bounce++) {
      if (!propagate()) {
        return escaped ? Outcome.ESCAPED : Outcome.TERMINATED;
      }
      if (!CausticPaths.smooth(at)) {
        deposit(light, bounce + 1, to);
        return Outcome.DEPOSITED;
      }
      if (!scene.isCaster(at.piece)) {
        return Outcome.TERMINATED;
      }
    }
    return Outcome.TERMINATED;
  }

  /** What the photon traced last carried, the mean over the channels. */
  double flux() {
    return path.mean();
  }

  /** What glass has absorbed of the photon traced last, the mean over the channels. */
  double absorbed() {
    return absorbed;
  }

  /** Piece of the caster that it began at. */
  int firstCaster() {
    return firstCaster;
  }

  /** Where the photon traced last has landed. */
  SurfaceInteraction landing() {
    return at;
  }

  /** Whether the photon traced last has gone through the last smooth surface. */
  boolean isRefracted() {
    return refracted;
  }

  /** How far it had come there from the last smooth surface, metres. */
  double distance() {
    return path.sinceVertex + walk.t;
  }

  /** Begins sample points that do not depend on what other lights there are. */
  private void begin(int key, int light, int index) {
    points.start(key, scene.lights[light].key(), index);
  }

  /**
   * Angle between two directions in which a light is sampled from one place on a caster, radians;
   * NaN where its light does not arrive.
   */
  double angleOfLight(int light, CausticLight casters, int index, int key) {
    begin(key, light, index);
    points.pair(Dimensions.PIXEL);
    int caster = casters.choose(points.u);
    if (!emit(light, casters.surfaces(), caster, casters.remapped(caster, points.u), 1)) {
      return Double.NaN;
    }
    Vec3 first = new Vec3(lightRay.x, lightRay.y, lightRay.z);
    begin(~key, light, index);
    if (!sampleLight(light)) {
      return Double.NaN;
    }
    Vec3 second = new Vec3(lightRay.x, lightRay.y, lightRay.z);
    return StrictMath.atan2(first.cross(second).length(), first.dot(second));
  }

  /** One estimate of the flux that arrives at a caster, mean over the channels. */
  double incidentFlux(int light, CasterSurfaces surfaces, int caster, int index, int key) {
    begin(key, light, index);
    points.pair(Dimensions.PIXEL);
    return emit(light, surfaces, caster, points.u, 1) ? path.mean() : 0;
  }

  /**
   * Density with which the light's direction was sampled last, 1/sr; infinite for a light that no
   * path can meet.
   */
  double density(int light) {
    boolean isMet = !lightRay.delta && !scene.onlyLightSampled(light);
    return isMet ? lightRay.pdf : Double.POSITIVE_INFINITY;
  }

  /**
   * One estimate of what a light gives the place of a photon directly, lx, the mean over the
   * channels.
   *
   * @param p floats of photons, as in {@link PhotonMap}
   * @param a where the photon begins in them
   */
  double illuminance(int light, float[] p, int a, int index, int key) {
    float x = p[a], y = p[a + 1], z = p[a + 2];
    float nx = p[a + 6], ny = p[a + 7], nz = p[a + 8];
    begin(key, light, index);
    start.x = x;
    start.y = y;
    start.z = z;
    if (!sampleLight(light)) {
      return 0;
    }
    float wx = lightRay.x, wy = lightRay.y, wz = lightRay.z;
    float cosine = wx * nx + wy * ny + wz * nz;
    if (!(cosine > 0)
        || !shadow.arrives(
            scene.controls[light],
            RayOffset.off(x, nx),
            RayOffset.off(y, ny),
            RayOffset.off(z, nz),
            wx,
            wy,
            wz,
            lightRay.distance * 0.9999f)) {
      return 0;
    }
    double sum = lightRay.r * shadow.r + lightRay.g * shadow.g + lightRay.b * shadow.b;
    return sum / 3 * cosine / lightRay.pdf;
  }

  /**
   * Begins with what arrives at a place on a caster; false where nothing does.
   *
   * @param choice in [0, 1), by which the place is drawn
   * @param scale on the flux
   */
  private boolean emit(
      int light, CasterSurfaces surfaces, int caster, double choice, double scale) {
    points.pair(Dimensions.LENS);
    CompiledControls controls = scene.controls[light];
    if (!surfaces.sample(caster, choice, points.u, points.v, start)
        || controls != null && !controls.lights(surfaces.piece(caster))
        || !sampleLight(light)) {
      return false;
    }
    float wx = lightRay.x, wy = lightRay.y, wz = lightRay.z;
    float cosine = wx * start.nx + wy * start.ny + wz * start.nz;
    float side = cosine < 0 ? -1 : 1;
    rays.shadow++;
    if (!shadow.arrives(
        controls,
        RayOffset.off(start.x, side * start.nx),
        RayOffset.off(start.y, side * start.ny),
        RayOffset.off(start.z, side * start.nz),
        wx,
        wy,
        wz,
        lightRay.distance * 0.9999f)) {
      return false;
    }
    float flux = (float) (scale * Math.abs(cosine) / (lightRay.pdf * start.pdf));
    flux *= controls == null ? 1 : controls.fade(lightRay.distance) * controls.specular;
    path.begin(start.x + BEFORE * wx, start.y + BEFORE * wy, start.z + BEFORE * wz, -wx, -wy, -wz);
    path.rayKind = Hierarchy.BOUNCE;
    mirrors = 0;
    firstCaster = surfaces.piece(caster);
    absorbed = 0;
    escaped = false;
    media.clear();
    path.r = flux * lightRay.r * shadow.r;
    path.g = flux * lightRay.g * shadow.g;
    path.b = flux * lightRay.b * shadow.b;
    if (scene.dependsOnPlace(light)) {
      int place = scene.emissive.place(light, lightRay.triangle);
      emitter = scene.emissive.piece(place);
      float there = shadow.emitterOpacity(place, lightRay);
      path.times(there, there, there);
    } else {
      emitter = -1;
    }
    return path.brightest() > 0
        && Float.isFinite(path.brightest())
        && walk.closestHit(path.ox, path.oy, path.oz, -wx, -wy, -wz, 2 * BEFORE, path.rayKind)
        && arrive()
        && at.piece == surfaces.piece(caster)
        && CausticPaths.caster(scene, at)
        && attenuatedBeforeCaster();
  }

  /** Takes off what a body absorbs that the light stands in, up to the first caster. */
  private boolean attenuatedBeforeCaster() {
    LayeredSurface medium = media.medium();
    if (medium != null && lightRay.distance < Float.POSITIVE_INFINITY) {
      path.times(
          medium.transmittance(0, lightRay.distance),
          medium.transmittance(1, lightRay.distance),
          medium.transmittance(2, lightRay.distance));
    }
    return path.brightest() > 0;
  }

  /** Samples the light for the place on the caster, which is lit from both sides. */
  private boolean sampleLight(int light) {
    LightSource source = scene.lights[light];
    from.set(start.x, start.y, start.z);
    lightRay.part = 0;
    if (source.choosing()) {
      source.choose(from, 1, points.single(Dimensions.WAVELENGTH), lightRay);
    }
    points.pair(Dimensions.SCATTER);
    return source.sample(from, points.u, points.v, lightRay);
  }

  /** Takes over the walk's hit; false where there is no surface to scatter at. */
  private boolean arrive() {
    at.hit(path.dx, path.dy, path.dz);
    if (at.surface == null) {
      return false;
    }
    if (!at.outside && at.surface.body()) {
      media.hitFromInside(at.instance);
    }
    at.shade(path.dx, path.dy, path.dz);
    return true;
  }

  /** Scatters at a caster that the photon has come to. */
  private boolean scatter(int bounce) {
    LayeredSurface surface = at.surface;
    Scattering s = at.scattering;
    int first = Dimensions.PER_VERTEX * (bounce + 1);
    s.widen(0);
    boolean unsettled = path.wavelength < 0 && surface.disperses();
    if (unsettled
        && surface.needsWavelengthToScatter(s, at.outside, media.outerIndex(at.instance, -1))) {
      path.disperse(points.single(first + Dimensions.WAVELENGTH));
    }
    at.orient(path.dx, path.dy, path.dz);
    float outer = surface.body() ? media.outerIndex(at.instance, path.wavelength) : 1;
    surface.prepare(at.lx, at.ly, at.lz, at.outside, path.wavelength, outer, s);
    points.pair(first + Dimensions.SCATTER);
    float u = points.u, v = points.v;
    surface.sample(u, v, points.single(first + Dimensions.LOBE), s);
    if (s.through && path.wavelength < 0 && unsettled) {
      path.disperse(points.single(first + Dimensions.WAVELENGTH));
      surface.disperse(path.wavelength, s);
    }
    // What passes a pane straight is no caustic: there is no vertex on the way.
    boolean straight = bounce == 0 && s.through && s.delta && surface.pane();
    if (!(s.pdf > 0) || straight) {
      return false;
    }
    if (!at.sampledToWorld()) {
      return false;
    }
    float come = path.dx * at.gx + path.dy * at.gy + path.dz * at.gz;
    float w = Adjoint.correction(at.lz, come, s.z, at.leaving);
    if (!s.through) {
      w *= at.terminator(-path.dx, -path.dy, -path.dz);
    }
    path.times(w * s.r, w * s.g, w * s.b);
    float l = 1 / (float) Math.sqrt(at.dx * at.dx + at.dy * at.dy + at.dz * at.dz);
    path.towards(at.dx * l, at.dy * l, at.dz * l);
    if (s.through && surface.body()) {
      media.cross(at.instance, at.outside);
    }
    at.offsetOrigin(s.through ? -1 : 1);
    path.from(at.ox, at.oy, at.oz);
    refracted = s.through;
    int kind = refracted ? Hierarchy.REFRACTION : Hierarchy.REFLECTION;
    return isSeen(bounce, kind) && survives(bounce, first);
  }

  /** Whether what the photon came from is seen over the surface that has scattered it. */
  private boolean isSeen(int bounce, int kind) {
    boolean reflected = kind == Hierarchy.REFLECTION;
    if (reflected && at.outside && ++mirrors > scene.bounce.mirrors().most()) {
      return false;
    }
    return bounce > 0
        || emitter < 0
        || scene.shows(emitter, kind) && (!reflected || scene.reflects(at.piece, emitter));
  }

  private boolean survives(int bounce, int first) {
    float brightest = path.brightest();
    if (!(brightest > 0) || !Float.isFinite(brightest)) {
      return false;
    }
    if (bounce == 0) {
      firstBrightest = brightest;
    }
    float chance = brightest / firstBrightest;
    if (bounce < ROULETTE_FROM || chance >= 0.25f) {
      return true;
    }
    chance = Math.max(0.05f, chance);
    if (points.single(first + Dimensions.ROULETTE) >= chance) {
      return false;
    }
    path.r /= chance;
    path.g /= chance;
    path.b /= chance;
    return true;
  }

  /** Goes on to the next surface, through holes; false where there is none. */
  private boolean propagate() {
    path.sinceVertex = 0;
    for (int i = 0; i < MOST_PASSED; i++) {
      float dx = path.dx, dy = path.dy, dz = path.dz;
      rays.bounced++;
      float far = Float.POSITIVE_INFINITY;
      if (!walk.closestHit(path.ox, path.oy, path.oz, dx, dy, dz, far, path.rayKind)) {
        escaped = true;
        return false;
      }
      LayeredSurface medium = media.medium();
      if (medium != null) {
        absorbed += path.mean();
        path.times(
            medium.transmittance(0, walk.t),
            medium.transmittance(1, walk.t),
            medium.transmittance(2, walk.t));
        absorbed -= path.mean();
      }
      if (!arrive()) {
        return false;
      }
      if (at.pierced()
          && at.opacity() < 1
          && points.single(Dimensions.OPACITY + i * Dimensions.NEXT_HOLE) >= at.opacity()) {
        passStraight();
      } else if (at.surface.body() && !media.isThere(at.instance, path.wavelength)) {
        media.cross(at.instance, at.outside);
        passStraight();
      } else {
        return true;
      }
    }
    return false;
  }

  /** Goes on behind what the photon passes straight. */
  private void passStraight() {
    path.sinceVertex += walk.t;
    path.fromBehind(at);
  }

  /**
   * What the flux over a surface counts for in what paths carry, which is radiance over the squared
   * index of refraction of what they are in (Nicodemus 1963, "Radiance"): interfaces keep both, so
   * that it is to be turned into the other where the photon lands.
   */
  private float basicRadiance() {
    LayeredSurface medium = media.medium();
    return medium == null ? 1 : medium.basicRadiance(path.wavelength);
  }

  private void deposit(int light, int bounces, PhotonMap.Deposits to) {
    CompiledControls controls = scene.controls[light];
    if (scene.catches[at.piece] || controls != null && !controls.lights(at.piece)) {
      return;
    }
    float distance = path.sinceVertex + walk.t;
    float left = (float) scene.caustics(light).fade(distance) * basicRadiance();
    if (!(left > 0)) {
      return;
    }
    at.orient(path.dx, path.dy, path.dz);
    int i = to.next();
    float[] p = to.values;
    p[i] = at.x;
    p[i + 1] = at.y;
    p[i + 2] = at.z;
    p[i + 3] = -path.dx;
    p[i + 4] = -path.dy;
    p[i + 5] = -path.dz;
    p[i + 6] = at.gx;
    p[i + 7] = at.gy;
    p[i + 8] = at.gz;
    p[i + 9] = left * path.r;
    p[i + 10] = left * path.g;
    p[i + 11] = left * path.b;
    p[i + PhotonMap.DISTANCE] = distance;
    p[i + PhotonMap.BOUNCES] = bounces;
  }
}

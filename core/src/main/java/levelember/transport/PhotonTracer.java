package levelember.transport;

import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.ReferencePoint;
import levelember.math.Points;
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
  private final Points points = new Points();
  private final PathState path = new PathState();
  private final LightSample lightRay = new LightSample();
  private final CasterSurfaces.Sample start = new CasterSurfaces.Sample();
  private final ReferencePoint from = new ReferencePoint();

  /** The brightest channel of the photon after its first caster. */
  private float carried;

  /** Rays walked. */
  final RayCount.Tally rays = new RayCount.Tally();

  PhotonTracer(Scene scene) {
    this.scene = scene;
    walk = RayWalk.of(scene.hierarchy);
    shadow = new ShadowRay(scene, walk);
    at = new SurfaceInteraction(scene, walk);
    media = new MediumStack(scene);
  }

  /**
   * Traces one photon.
   *
   * @param light which emits it
   * @param casters that it may begin at, with their probabilities summed up
   * @param index among those of the pass
   * @param key of the pass
   * @param share of the light's flux, one over the number of photons
   * @param to where it is added when it falls on a rough surface
   */
  void trace(
      int light, CausticLight casters, int index, int key, double share, PhotonMap.Deposits to) {
    points.start(key, light, index);
    if (!begin(light, casters, share)) {
      return;
    }
    for (int bounce = 0; bounce < MOST_BOUNCES; bounce++) {
      if (!scatter(bounce)) {
        return;
      }
      if (!fly()) {
        return;
      }
      if (!CausticPaths.smooth(at)) {
        deposit(light, to);
        return;
      }
      if (!scene.throwsCaustics(at.piece)) {
        return;
      }
    }
  }

  /** The flux that arrives at a caster by one sample, for the search for what matters. */
  double arriving(int light, CausticLight casters, int index, int key) {
    points.start(key, light, index);
    return begin(light, casters, 1) ? path.mean() : 0;
  }

  /** Begins at a caster; false where no light arrives. */
  private boolean begin(int light, CausticLight casters, double share) {
    points.pair(Dimensions.PIXEL);
    int caster = casters.choose(points.u);
    double choice = casters.rest(caster, points.u);
    points.pair(Dimensions.LENS);
    if (!casters.surfaces().sample(caster, choice, points.u, points.v, start)) {
      return false;
    }
    LightControls controls = scene.controls[light];
    if (controls != null && !controls.lights(casters.surfaces().piece(caster))) {
      return false;
    }
    LightSource source = scene.lights[light];
    from.set(start.x, start.y, start.z);
    lightRay.part = 0;
    if (source.choosing()) {
      source.choose(from, 1, points.single(Dimensions.WAVELENGTH), lightRay);
    }
    points.pair(Dimensions.SCATTER);
    if (!source.sample(from, points.u, points.v, lightRay)) {
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
    double flux = share * Math.abs(cosine) / (lightRay.pdf * start.pdf * casters.chance(caster));
    path.begin(start.x + BEFORE * wx, start.y + BEFORE * wy, start.z + BEFORE * wz, -wx, -wy, -wz);
    media.clear();
    float f = (float) flux;
    float fade = controls == null ? 1 : controls.fade(lightRay.distance) * controls.specular;
    path.r = fade * f * lightRay.r * shadow.r;
    path.g = fade * f * lightRay.g * shadow.g;
    path.b = fade * f * lightRay.b * shadow.b;
    return path.brightest() > 0
        && Float.isFinite(path.brightest())
        && walk.nearest(path.ox, path.oy, path.oz, -wx, -wy, -wz, 2 * BEFORE)
        && come()
        && at.piece == casters.surfaces().piece(caster)
        && CausticPaths.caster(scene, at);
  }

  /** Takes over the walk's hit; false where there is no surface to scatter at. */
  private boolean come() {
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
    if (path.wavelength < 0 && surface.disperses()) {
      path.disperse(points.single(first + Dimensions.WAVELENGTH));
    }
    at.orient(path.dx, path.dy, path.dz);
    float outer = surface.body() ? media.outerIndex(at.instance, path.wavelength) : 1;
    s.widen(0);
    surface.prepare(at.lx, at.ly, at.lz, at.outside, path.wavelength, outer, s);
    points.pair(first + Dimensions.SCATTER);
    float u = points.u, v = points.v;
    surface.sample(u, v, points.single(first + Dimensions.LOBE), s);
    // What passes a pane straight is no caustic: there is no vertex on the way.
    boolean straight = bounce == 0 && s.through && s.delta && surface.pane();
    if (!(s.pdf > 0) || straight) {
      return false;
    }
    float dx = at.tx * s.x + at.sx * s.y + at.nx * s.z;
    float dy = at.ty * s.x + at.sy * s.y + at.ny * s.z;
    float dz = at.tz * s.x + at.sz * s.y + at.nz * s.z;
    float leaving = dx * at.gx + dy * at.gy + dz * at.gz;
    if (s.through ? leaving >= 0 : leaving <= 0) {
      return false;
    }
    float come = path.dx * at.gx + path.dy * at.gy + path.dz * at.gz;
    float w = Adjoint.correction(at.lz, come, s.z, leaving);
    if (!s.through) {
      w *= at.terminator(-path.dx, -path.dy, -path.dz);
    }
    path.times(w * s.r, w * s.g, w * s.b);
    float l = 1 / (float) Math.sqrt(dx * dx + dy * dy + dz * dz);
    path.towards(dx * l, dy * l, dz * l);
    if (s.through && surface.body()) {
      media.cross(at.instance, at.outside);
    }
    float side = s.through ? -1 : 1;
    path.from(
        RayOffset.off(at.x, side * at.gx),
        RayOffset.off(at.y, side * at.gy),
        RayOffset.off(at.z, side * at.gz));
    path.rayKind = s.through ? Hierarchy.REFRACTION : Hierarchy.REFLECTION;
    return survives(bounce, first);
  }

  private boolean survives(int bounce, int first) {
    float brightest = path.brightest();
    if (!(brightest > 0) || !Float.isFinite(brightest)) {
      return false;
    }
    if (bounce == 0) {
      carried = brightest;
    }
    float chance = brightest / carried;
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

  /** Flies to the next surface, through holes and panes; false where there is none. */
  private boolean fly() {
    for (int i = 0; i < MOST_PASSED; i++) {
      float dx = path.dx, dy = path.dy, dz = path.dz;
      rays.bounced++;
      float far = Float.POSITIVE_INFINITY;
      if (!walk.nearest(path.ox, path.oy, path.oz, dx, dy, dz, far, path.rayKind)) {
        return false;
      }
      LayeredSurface medium = media.medium();
      if (medium != null) {
        path.times(
            medium.transmittance(0, walk.t),
            medium.transmittance(1, walk.t),
            medium.transmittance(2, walk.t));
      }
      if (!come()) {
        return false;
      }
      if (at.pierced()
          && at.opacity() < 1
          && points.single(Dimensions.OPACITY + i * Dimensions.NEXT_HOLE) >= at.opacity()) {
        at.originBehind(path);
      } else if (at.surface.body() && !media.isThere(at.instance, path.wavelength)) {
        media.cross(at.instance, at.outside);
        at.originBehind(path);
      } else {
        return true;
      }
    }
    return false;
  }

  private void deposit(int light, PhotonMap.Deposits to) {
    LightControls controls = scene.controls[light];
    if (scene.catches[at.piece] || controls != null && !controls.lights(at.piece)) {
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
    p[i + 9] = path.r;
    p[i + 10] = path.g;
    p[i + 11] = path.b;
  }
}

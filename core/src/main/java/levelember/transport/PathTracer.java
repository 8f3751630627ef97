package levelember.transport;

import levelember.film.Film;
import levelember.lens.ThinLens;
import levelember.light.EmissiveLight;
import levelember.light.LightRay;
import levelember.light.LightSource;
import levelember.math.Points;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.surface.Spectrum;
import levelember.trace.RayWalk;

/**
 * Unidirectional path tracing with next-event estimation and multiple importance sampling by the
 * power heuristic (Veach and Guibas 1995), every light into its own layer.
 *
 * <p>A path's turns depend on surfaces alone, and every light draws its own points, so a layer does
 * not depend on which other lights there are. Until a path has spread, each light is asked for
 * light at every surface; further along, each with a chance of its own. One object a thread;
 * allocates nothing per ray.
 */
final class PathTracer {
  private static final float[] ASKED = {1f, 0.5f, 0.35f, 0.25f};
  private static final int ROULETTE_FROM = 3;

  /** Density above which a turn is as good as a mirror's, per steradian. */
  private static final float NARROW = 8;

  private static final int PIXEL = 1, LENS = 2, TURN = 3, CHOICE = 4, ROULETTE = 5, WAVE = 6;
  private static final int KINDS = 8;

  private final Scene scene;
  private final ThinLens lens;
  private final int bounces;
  private final int seed;
  private final RayWalk walk;
  private final Points points;
  private final Sampling sampling;
  private final Scattering scattering = new Scattering();
  private final Dress.Spot spot = new Dress.Spot();
  private final LightRay lightRay = new LightRay();
  private final ThinLens.Ray ray = new ThinLens.Ray();
  private boolean even;
  private final float[] place = new float[3];
  private final float[] face = new float[3];
  private final float[] normal = new float[3];
  private final float[] look = new float[3];

  /** Rays walked since the object was made. */
  final RayCount.Tally rays = new RayCount.Tally();

  PathTracer(Scene scene, ThinLens lens, int bounces, int seed, Sampling sampling) {
    this.scene = scene;
    this.lens = lens;
    this.bounces = bounces;
    this.seed = seed;
    this.sampling = sampling;
    points = new Points(sampling.stratified());
    walk = RayWalk.of(scene.hierarchy);
  }

  /**
   * Adds sample number {@code sample} of one pixel to those layers that are wanted.
   *
   * @param guided adds to the film's guides too
   */
  void trace(Film film, int px, int py, int sample, boolean[] wanted, boolean guided) {
    int pixel = py * film.width() + px;
    even = (sample & 1) == 0;
    int row = py + film.firstRow();
    points.start(even ? seed : ~seed, row * film.width() + px, sample >> 1);
    points.pair(PIXEL);
    float fu = points.u, fv = points.v;
    points.pair(LENS);
    float across = points.u, down = points.v;
    lens.ray(px, row, fu, fv, across, down, ray);
    float ox = ray.ox, oy = ray.oy, oz = ray.oz, dx = ray.dx, dy = ray.dy, dz = ray.dz;
    float r = 1, g = 1, b = 1;
    float pdf = 0;
    boolean delta = true;
    float wave = -1;
    float asked = 1;
    int spread = 0;
    boolean guiding = guided;
    float way = 0;
    LightSource[] lights = scene.lights;
    for (int depth = 0; ; depth++) {
      boolean hit = walk.nearest(ox, oy, oz, dx, dy, dz, Float.POSITIVE_INFINITY);
      if (depth == 0) {
        rays.primary++;
      } else {
        rays.bounced++;
      }
      float far = hit ? walk.t : Float.POSITIVE_INFINITY;
      for (int k = 0; k < lights.length; k++) {
        LightSource light = lights[k];
        if (!wanted[k] || depth == 0 && !light.showsToCamera()) {
          continue;
        }
        if (light.meets(ox, oy, oz, dx, dy, dz, far, lightRay)) {
          float w = delta ? 1 : met(pdf, asked * lightRay.pdf);
          add(film, k, pixel, w * r * lightRay.r, w * g * lightRay.g, w * b * lightRay.b);
        }
      }
      if (!hit) {
        if (guiding) {
          film.guides().add(pixel, unit(r), unit(g), unit(b), 0, 0, 0, 0);
        }
        return;
      }
      way += far;
      int piece = walk.piece();
      walk.faceNormal(face);
      walk.shadingNormal(normal);
      float gx = face[0], gy = face[1], gz = face[2];
      boolean outside = gx * dx + gy * dy + gz * dz < 0;
      LayeredSurface surface = scene.surfaces[piece];
      Dress dress = scene.dresses[piece];
      if (dress == null) {
        if (surface != null) {
          surface.dress(scattering);
        }
      } else {
        dress.bend(walk, normal, spot);
        float cos = normal[0] * dx + normal[1] * dy + normal[2] * dz;
        surface = dress.at(walk, cos, spot, scattering);
      }
      int shining = scene.emissionLayer[piece];
      if (shining >= 0
          && wanted[shining]
          && outside
          && (depth > 0 || lights[shining].showsToCamera())) {
        float w = 1;
        if (!delta) {
          int first = scene.emissionFirst[scene.hierarchy.placed(walk.instance)];
          EmissiveLight light = (EmissiveLight) lights[shining];
          float density = light.density(first + walk.triangle, ox, oy, oz, dx, dy, dz, far);
          w = met(pdf, asked * density);
        }
        add(film, shining, pixel, w * r, w * g, w * b);
      }
      if (depth == bounces) {
        return;
      }
      if (!outside) {
        gx = -gx;
        gy = -gy;
        gz = -gz;
        if (surface.transmits()) {
          r *= (float) Math.exp(-surface.absorption(0) * far);
          g *= (float) Math.exp(-surface.absorption(1) * far);
          b *= (float) Math.exp(-surface.absorption(2) * far);
        }
      }
      if (wave < 0 && surface.disperses()) {
        wave = points.single(WAVE);
        r *= Spectrum.response(wave, 0);
        g *= Spectrum.response(wave, 1);
        b *= Spectrum.response(wave, 2);
      }
      float nx = normal[0], ny = normal[1], nz = normal[2];
      if (nx * gx + ny * gy + nz * gz < 0) {
        nx = -nx;
        ny = -ny;
        nz = -nz;
      }
      float facing = -(nx * dx + ny * dy + nz * dz);
      if (!(facing > 1e-4f)) {
        nx = gx;
        ny = gy;
        nz = gz;
        facing = Math.max(1e-6f, -(nx * dx + ny * dy + nz * dz));
      }
      if (guiding && (dress != null || !surface.clear())) {
        guiding = false;
        surface.guide(scattering, look);
        film.guides()
            .add(
                pixel,
                unit(r * look[0]),
                unit(g * look[1]),
                unit(b * look[2]),
                nx,
                ny,
                nz,
                1 / way);
      }
      // An orthonormal frame round the normal (Duff et al. 2017).
      float sign = Math.copySign(1, nz);
      float a = -1 / (sign + nz);
      float c = nx * ny * a;
      float tx = 1 + sign * nx * nx * a, ty = sign * c, tz = -sign * nx;
      float sx = c, sy = sign + ny * ny * a, sz = -ny;
      float lx = -(tx * dx + ty * dy + tz * dz);
      float ly = -(sx * dx + sy * dy + sz * dz);
      float lz = facing;
      walk.place(place);
      float hx = place[0], hy = place[1], hz = place[2];
      float px0 = off(hx, gx), py0 = off(hy, gy), pz0 = off(hz, gz);

      float chance = asked(spread);
      for (int k = 0; k < lights.length; k++) {
        if (!wanted[k]) {
          continue;
        }
        LightSource light = lights[k];
        int dimension = light.key() + depth * KINDS;
        if (chance < 1 && points.single(dimension + CHOICE) >= chance) {
          continue;
        }
        points.pair(dimension + PIXEL);
        float u = points.u, v = points.v;
        float part = light.choosing() ? points.single(dimension + WAVE) : 0;
        if (!light.draw(px0, py0, pz0, u, v, part, lightRay)) {
          continue;
        }
        float wx = lightRay.x, wy = lightRay.y, wz = lightRay.z;
        float side = wx * gx + wy * gy + wz * gz;
        if (side <= 0 && !surface.diffuses()) {
          continue;
        }
        float ix = tx * wx + ty * wy + tz * wz;
        float iy = sx * wx + sy * wy + sz * wz;
        float iz = nx * wx + ny * wy + nz * wz;
        if (side < 0 != iz < 0) {
          continue;
        }
        surface.evaluate(lx, ly, lz, ix, iy, iz, outside, wave, scattering);
        if (scattering.pdf <= 0) {
          continue;
        }
        float w = 1 / (lightRay.pdf * chance);
        if (!lightRay.delta) {
          w *= drawn(lightRay.pdf * chance, scattering.pdf);
        }
        float cr = w * r * scattering.r * lightRay.r;
        float cg = w * g * scattering.g * lightRay.g;
        float cb = w * b * scattering.b * lightRay.b;
        if (cr == 0 && cg == 0 && cb == 0) {
          continue;
        }
        rays.shadow++;
        float reach = lightRay.distance * 0.9999f;
        boolean blocked =
            side > 0
                ? walk.blocked(px0, py0, pz0, wx, wy, wz, reach)
                : walk.blocked(off(hx, -gx), off(hy, -gy), off(hz, -gz), wx, wy, wz, reach);
        if (!blocked) {
          add(film, k, pixel, cr, cg, cb);
        }
      }

      int turn = depth * KINDS;
      points.pair(turn + TURN);
      float u = points.u, v = points.v;
      surface.draw(lx, ly, lz, outside, wave, u, v, points.single(turn + CHOICE), scattering);
      if (!(scattering.pdf > 0)) {
        return;
      }
      dx = tx * scattering.x + sx * scattering.y + nx * scattering.z;
      dy = ty * scattering.x + sy * scattering.y + ny * scattering.z;
      dz = tz * scattering.x + sz * scattering.y + nz * scattering.z;
      if (guiding && surface.transmits() && !scattering.through) {
        guiding = false;
      }
      float leaving = dx * gx + dy * gy + dz * gz;
      if (scattering.through ? leaving >= 0 : leaving <= 0) {
        return;
      }
      float l = 1 / (float) Math.sqrt(dx * dx + dy * dy + dz * dz);
      dx *= l;
      dy *= l;
      dz *= l;
      r *= scattering.r;
      g *= scattering.g;
      b *= scattering.b;
      pdf = scattering.pdf;
      delta = scattering.delta;
      asked = chance;
      if (!delta && pdf < NARROW) {
        spread++;
      }
      if (scattering.through) {
        ox = off(hx, -gx);
        oy = off(hy, -gy);
        oz = off(hz, -gz);
      } else {
        ox = px0;
        oy = py0;
        oz = pz0;
      }
      float most = Math.max(r, Math.max(g, b));
      if (!(most > 0)) {
        return;
      }
      if (depth >= ROULETTE_FROM && most < 1 && sampling.roulette()) {
        float stay = Math.max(0.05f, most);
        if (points.single(turn + ROULETTE) >= stay) {
          return;
        }
        r /= stay;
        g /= stay;
        b /= stay;
      }
    }
  }

  /** The chance with which a surface asks each light, by how often the path has spread before. */
  private float asked(int spread) {
    return sampling.always() ? 1 : ASKED[Math.min(spread, ASKED.length - 1)];
  }

  /** Weight of light that a turn has met, which the light could have drawn too. */
  private float met(float pdf, float other) {
    return switch (sampling.technique()) {
      case BOTH -> power(pdf, other);
      case LIGHTS -> 0;
      case TURNS -> 1;
    };
  }

  /** Weight of light that was drawn, which a turn could have met too. */
  private float drawn(float pdf, float other) {
    return switch (sampling.technique()) {
      case BOTH -> power(pdf, other);
      case LIGHTS -> 1;
      case TURNS -> 0;
    };
  }

  /** Power heuristic: the weight of the technique whose density comes first. */
  private static float power(float own, float other) {
    float times = other / own;
    return own == Float.POSITIVE_INFINITY ? 1 : 1 / (1 + times * times);
  }

  private static float unit(float v) {
    return Math.clamp(v, 0, 1);
  }

  private void add(Film film, int layer, int pixel, float r, float g, float b) {
    if (!(r + g + b < Float.POSITIVE_INFINITY)) {
      throw new ArithmeticException(
          "layer " + layer + " got a light value that is no number at pixel " + pixel);
    }
    film.add(layer, pixel, even, r, g, b);
  }

  /**
   * Moves a coordinate off a surface along its normal by a few roundings (Wächter and Binder 2019).
   */
  private static float off(float p, float n) {
    if (Math.abs(p) < 1 / 32f) {
      return p + n / 65536;
    }
    int shift = (int) (256 * n);
    return Float.intBitsToFloat(Float.floatToRawIntBits(p) + (p < 0 ? -shift : shift));
  }
}

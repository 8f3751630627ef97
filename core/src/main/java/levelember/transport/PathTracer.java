package levelember.transport;

import levelember.film.Film;
import levelember.lens.ThinLens;
import levelember.light.EmissiveLight;
import levelember.light.LightRay;
import levelember.light.LightSource;
import levelember.light.PlateLight;
import levelember.math.Points;
import levelember.shoot.Bounce;
import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.surface.Spectrum;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Unidirectional path tracing with next-event estimation and multiple importance sampling by the
 * power heuristic (Veach and Guibas 1995), every light into its own layer.
 *
 * <p>A path's turns depend on surfaces alone, and every light draws its own points, so a layer does
 * not depend on which other lights there are. Until a path has spread, each light is asked for
 * light at every surface; further along, and where there are many lights, each with a chance of its
 * own ({@link Asking}). One object a thread; allocates nothing per ray.
 */
final class PathTracer {
  private static final int ROULETTE_FROM = 3;

  /** Density above which a turn is as good as a mirror's, per steradian. */
  private static final float NARROW = 8;

  private static final int PIXEL = 1, LENS = 2, TURN = 3, CHOICE = 4, ROULETTE = 5, WAVE = 6;
  private static final int HOLE = 7;

  /** Sets holes along one ray apart; odd and large, so that they meet no other dimension. */
  private static final int HOLES = 0x2C1B3C6D;

  private static final int ASK = 0;

  /** Sets draws of one light at one surface apart. */
  private static final int DRAWS = 0x3D4D51C3;

  /** Holes and panes that one ray passes, or that a shadow ray looks through. */
  private static final int MOST_PASSED = 32;

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
  private final ShadowRay shadow;
  private final Asking asking;
  private final ThinLens.Ray ray = new ThinLens.Ray();
  private final int[] near;
  private final Turn from = new Turn();
  private boolean even;
  private final float[] place = new float[3];
  private final float[] face = new float[3];
  private final float[] normal = new float[3];
  private final float[] look = new float[3];

  /** Where a path turned last; panes and holes that it passes straight do not count. */
  private static final class Turn {
    /** Number of the piece it turned at, or −1 while the camera looks straight. */
    int piece;

    float x, y, z;

    /** Normal of the side that light was asked for on; 0 where it was on both. */
    float nx, ny, nz;

    float pdf;
    boolean delta;

    /** Which share of what the surface answered was its matte part, by channel. */
    float matteR, matteG, matteB;

    void begin(float ox, float oy, float oz) {
      piece = -1;
      x = ox;
      y = oy;
      z = oz;
      pdf = 0;
      delta = true;
    }

    void turn(int at, float ox, float oy, float oz, Scattering s) {
      piece = at;
      x = ox;
      y = oy;
      z = oz;
      pdf = s.pdf;
      delta = s.delta;
      matteR = share(s.matteR, s.r);
      matteG = share(s.matteG, s.g);
      matteB = share(s.matteB, s.b);
    }

    void side(float x, float y, float z) {
      nx = x;
      ny = y;
      nz = z;
    }

    private static float share(float part, float whole) {
      return whole > 0 ? part / whole : 0;
    }
  }

  /** Of the last path: how it covers what is behind, and its share of shadow catchers. */
  private float alpha, caughtShare;

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
    shadow = new ShadowRay(scene, walk);
    asking = new Asking(scene, sampling.always());
    near = new int[scene.lights.length];
  }

  /**
   * Adds sample number {@code sample} of one pixel to those layers that are wanted.
   *
   * @param guided adds to the film's guides too
   */
  void trace(Film film, int px, int py, int sample, boolean[] wanted, boolean guided) {
    alpha = 1;
    caughtShare = 0;
    path(film, px, py, sample, wanted, guided);
    if (scene.cutOut && guided) {
      film.guides().cover(py * film.width() + px, alpha, caughtShare);
    }
  }

  private void path(Film film, int px, int py, int sample, boolean[] wanted, boolean guided) {
    int pixel = py * film.width() + px;
    even = (sample & 1) == 0;
    int row = py + film.firstRow();
    float height = (float) film.fullHeight() / film.step();
    points.start(even ? seed : ~seed, row * film.width() + px, sample >> 1);
    points.pair(PIXEL);
    float fu = points.u, fv = points.v;
    points.pair(LENS);
    float across = points.u, down = points.v;
    lens.ray(px, row, fu, fv, across, down, ray);
    float ox = ray.ox, oy = ray.oy, oz = ray.oz, dx = ray.dx, dy = ray.dy, dz = ray.dz;
    float r = 1, g = 1, b = 1;
    float wave = -1;
    int spread = 0;
    boolean guiding = guided;
    float way = 0;
    int kind = Hierarchy.CAMERA;
    from.begin(ox, oy, oz);
    // How far the ray has gone on past panes and holes since the last turn.
    float gone = 0;
    int passed = 0;
    boolean caught = false;
    // The ray has left a matte surface and not come to another yet.
    boolean bounced = false;
    LightSource[] lights = scene.lights;
    int most =
        scene.bounce.most() == Bounce.MOST ? bounces : Math.min(bounces, scene.bounce.most());
    for (int depth = 0; ; ) {
      if (scene.veiled && !from.delta && gone == 0) {
        veiled(film, pixel, wanted, dx, dy, dz, r, g, b);
      }
      boolean hit = walk.nearest(ox, oy, oz, dx, dy, dz, Float.POSITIVE_INFINITY, kind);
      if (depth == 0) {
        rays.primary++;
      } else {
        rays.bounced++;
      }
      float far = hit ? walk.t : Float.POSITIVE_INFINITY;
      float whole = gone + far;
      boolean cut = scene.cutOut && from.piece < 0;
      int tried = scene.meetable.length;
      if (scene.many) {
        tried += scene.rig.along(ox, oy, oz, dx, dy, dz, far, near);
      }
      for (int i = 0; i < tried; i++) {
        int k = i < scene.meetable.length ? scene.meetable[i] : near[i - scene.meetable.length];
        LightSource light = lights[k];
        if (!wanted[k] || from.piece < 0 && !light.showsToCamera()) {
          continue;
        }
        Lever lever = scene.levers[k];
        if (lever != null && from.piece >= 0 && !lever.lights(from.piece)) {
          continue;
        }
        if (lever != null && lever.veiled() && !from.delta) {
          continue;
        }
        if (light.meets(from.x, from.y, from.z, dx, dy, dz, whole, lightRay)
            && lightRay.distance > gone
            && !(cut && lightRay.distance == Float.POSITIVE_INFINITY)) {
          float w = from.delta ? 1 : met(from.pdf, asking.before(k) * lightRay.pdf);
          float wr = w * r * lightRay.r, wg = w * g * lightRay.g, wb = w * b * lightRay.b;
          give(film, k, pixel, lightRay.distance, wr, wg, wb);
        }
      }
      if (!hit) {
        if (cut) {
          alpha = 1 - (r + g + b) / 3;
        } else if (kind == Hierarchy.CAMERA) {
          plates(film, pixel, wanted, (px + fu) / film.width(), (row + fv) / height, r, g, b);
        }
        if (guiding) {
          film.guides().add(pixel, unit(r), unit(g), unit(b), 0, 0, 0, 0);
        }
        return;
      }
      int piece = walk.piece();
      walk.faceNormal(face);
      walk.shadingNormal(normal);
      float gx = face[0], gy = face[1], gz = face[2];
      boolean outside = gx * dx + gy * dy + gz * dz < 0;
      LayeredSurface surface = scene.surfaces[piece];
      Dress dress = scene.dresses[piece];
      int turn = depth * KINDS;
      if (dress != null && dress.pierced() && passed < MOST_PASSED) {
        float there = dress.opacity(walk, spot);
        if (there < 1 && points.single(turn + HOLE + passed * HOLES) >= there) {
          passed++;
          walk.place(place);
          ox = past(place[0], gx, outside);
          oy = past(place[1], gy, outside);
          oz = past(place[2], gz, outside);
          gone = whole;
          way += far;
          continue;
        }
      }
      way += far;
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
          && (from.piece >= 0 || lights[shining].showsToCamera())) {
        shine(film, pixel, shining, dx, dy, dz, whole, r, g, b);
      }
      if (bounced && scene.bends) {
        bounced = false;
        float part = scene.bounced(whole);
        r *= part;
        g *= part;
        b *= part;
        if (part == 0) {
          return;
        }
      }
      if (depth == most) {
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
      boolean catching = from.piece < 0 && scene.catches[piece];
      if (guiding && !catching && (dress != null || !surface.clear())) {
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

      // Light from behind counts only where the surface lets it through.
      boolean sided = !surface.diffuses();
      float sx0 = sided ? nx : 0, sy0 = sided ? ny : 0, sz0 = sided ? nz : 0;
      asking.at(px0, py0, pz0, spread, points, turn + ASK);
      boolean asks = !catching || !caught;
      for (int i = 0; i < asking.count && asks; i++) {
        int k = asking.which[i];
        if (!wanted[k]) {
          continue;
        }
        LightSource light = lights[k];
        Lever lever = scene.levers[k];
        if (lever != null && !lever.lights(piece)) {
          continue;
        }
        int dimension =
            light.key() + depth * KINDS + (asking.drawn[i] && asking.parts[i] == 1 ? i * DRAWS : 0);
        float chance = asking.how[i];
        if (!asking.drawn[i] && chance < 1 && points.single(dimension + CHOICE) >= chance) {
          continue;
        }
        if (light.choosing()) {
          float w = points.single(dimension + WAVE);
          light.choose(px0, py0, pz0, sx0, sy0, sz0, asking.parts[i], w, lightRay);
        }
        for (int n = 0; n < asking.parts[i]; n++) {
          points.pair(dimension + PIXEL + n * DRAWS);
          float u = points.u, v = points.v;
          lightRay.part = n;
          if (!light.draw(px0, py0, pz0, u, v, lightRay)) {
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
          if (!lightRay.delta && !catching && !scene.drawnAlone(k)) {
            w *= drawn(lightRay.pdf * chance, scattering.pdf);
          }
          float cr = w * r * lightRay.r, cg = w * g * lightRay.g, cb = w * b * lightRay.b;
          if (lever == null) {
            cr *= scattering.r;
            cg *= scattering.g;
            cb *= scattering.b;
          } else {
            float fade = lever.fade(lightRay.distance);
            cr *= fade * lever.parts(scattering.r, scattering.matteR);
            cg *= fade * lever.parts(scattering.g, scattering.matteG);
            cb *= fade * lever.parts(scattering.b, scattering.matteB);
          }
          if (cr == 0 && cg == 0 && cb == 0) {
            continue;
          }
          rays.shadow++;
          float reach = lightRay.distance * 0.9999f;
          boolean arrives =
              side > 0
                  ? shadow.arrives(lever, px0, py0, pz0, wx, wy, wz, reach)
                  : shadow.arrives(
                      lever, off(hx, -gx), off(hy, -gy), off(hz, -gz), wx, wy, wz, reach);
          if (catching && cut) {
            float offered = (cr + cg + cb) / 3;
            float left = (cr * shadow.r + cg * shadow.g + cb * shadow.b) / 3;
            film.caught(k, pixel, offered - left, offered);
          } else if (catching) {
            // A catcher takes what its shadow keeps off it from what is behind (Debevec 1998).
            add(film, k, pixel, cr * (shadow.r - 1), cg * (shadow.g - 1), cb * (shadow.b - 1));
          } else if (arrives) {
            add(film, k, pixel, cr * shadow.r, cg * shadow.g, cb * shadow.b);
          }
        }
      }
      if (catching && cut) {
        // What stands in for a floor or wall hides what is behind it.
        caughtShare = (r + g + b) / 3;
        alpha = 1 - caughtShare;
        if (guiding) {
          film.guides().add(pixel, 0, 0, 0, 0, 0, 0, 0);
        }
        return;
      }
      if (catching) {
        caught = true;
        if (passed++ >= MOST_PASSED) {
          return;
        }
        ox = off(hx, -gx);
        oy = off(hy, -gy);
        oz = off(hz, -gz);
        gone = whole;
        continue;
      }

      points.pair(turn + TURN);
      float u = points.u, v = points.v;
      surface.draw(lx, ly, lz, outside, wave, u, v, points.single(turn + CHOICE), scattering);
      if (!(scattering.pdf > 0)) {
        return;
      }
      if (scattering.through && scattering.delta && surface.pane() && passed < MOST_PASSED) {
        // Light goes straight through a pane as through nothing, only less of it.
        passed++;
        depth++;
        r *= scattering.r;
        g *= scattering.g;
        b *= scattering.b;
        ox = off(hx, -gx);
        oy = off(hy, -gy);
        oz = off(hz, -gz);
        gone = whole;
        if (!(Math.max(r, Math.max(g, b)) > 0)) {
          return;
        }
        continue;
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
      kind =
          scattering.through
              ? Hierarchy.REFRACTION
              : scattering.matte ? Hierarchy.BOUNCE : Hierarchy.REFLECTION;
      bounced = kind == Hierarchy.BOUNCE;
      asking.turns();
      if (!scattering.delta && scattering.pdf < NARROW) {
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
      from.turn(piece, ox, oy, oz, scattering);
      from.side(sx0, sy0, sz0);
      gone = 0;
      passed = 0;
      float brightest = Math.max(r, Math.max(g, b));
      if (!(brightest > 0)) {
        return;
      }
      if (depth >= ROULETTE_FROM && brightest < 1 && sampling.roulette()) {
        float stay = Math.max(0.05f, brightest);
        if (points.single(turn + ROULETTE) >= stay) {
          return;
        }
        r /= stay;
        g /= stay;
        b /= stay;
      }
      depth++;
    }
  }

  /** What backdrop plates show where a ray from the camera leaves the set. */
  private void plates(
      Film film, int pixel, boolean[] wanted, float x, float y, float r, float g, float b) {
    double aspect = (double) film.fullWidth() / film.fullHeight();
    for (int k = 0; k < wanted.length; k++) {
      if (wanted[k] && scene.lights[k] instanceof PlateLight plate) {
        plate.seen(x, y, aspect, lightRay);
        add(film, k, pixel, r * lightRay.r, g * lightRay.g, b * lightRay.b);
      }
    }
  }

  /**
   * Light that a turn meets of lights whose shadows are not as physics has them: what stands in the
   * way is asked for as their shadows have it.
   */
  private void veiled(
      Film film,
      int pixel,
      boolean[] wanted,
      float dx,
      float dy,
      float dz,
      float r,
      float g,
      float b) {
    for (int k = 0; k < wanted.length; k++) {
      Lever lever = scene.levers[k];
      if (!wanted[k] || lever == null || !lever.veiled() || !lever.lights(from.piece)) {
        continue;
      }
      if (!scene.lights[k].meets(
          from.x, from.y, from.z, dx, dy, dz, Float.POSITIVE_INFINITY, lightRay)) {
        continue;
      }
      float w = met(from.pdf, asking.before(k) * lightRay.pdf);
      float wr = w * r * lightRay.r, wg = w * g * lightRay.g, wb = w * b * lightRay.b;
      float distance = lightRay.distance;
      rays.shadow++;
      if (shadow.arrives(lever, from.x, from.y, from.z, dx, dy, dz, distance * 0.9999f)) {
        give(film, k, pixel, distance, wr * shadow.r, wg * shadow.g, wb * shadow.b);
      }
    }
  }

  /** Light of a shining piece that a path has hit. */
  private void shine(
      Film film,
      int pixel,
      int k,
      float dx,
      float dy,
      float dz,
      float far,
      float r,
      float g,
      float b) {
    Lever lever = scene.levers[k];
    if (lever != null && from.piece >= 0 && !lever.lights(from.piece)
        || !from.delta && scene.drawnAlone(k)) {
      return;
    }
    EmissiveLight light = (EmissiveLight) scene.lights[k];
    int at = scene.hierarchy.placed(walk.instance);
    int number = scene.emissionFirst[at] + walk.triangle;
    float w = 1;
    if (!from.delta) {
      float density =
          light.density(
              number, from.x, from.y, from.z, from.nx, from.ny, from.nz, dx, dy, dz, far, lightRay);
      w = met(from.pdf, asking.before(k) * density);
    }
    light.shine(number, walk.b, scene.third(at, walk.b, walk.c), lightRay);
    give(film, k, pixel, far, w * r * lightRay.r, w * g * lightRay.g, w * b * lightRay.b);
  }

  /** Adds light that a path has met, levelled as it falls on the piece of the last turn. */
  private void give(Film film, int k, int pixel, float distance, float r, float g, float b) {
    Lever lever = scene.levers[k];
    if (lever == null || from.piece < 0) {
      add(film, k, pixel, r, g, b);
      return;
    }
    float fade = lever.fade(distance);
    add(
        film,
        k,
        pixel,
        fade * r * lever.part(from.matteR),
        fade * g * lever.part(from.matteG),
        fade * b * lever.part(from.matteB));
  }

  private static float past(float p, float n, boolean outside) {
    return off(p, outside ? -n : n);
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
  static float off(float p, float n) {
    if (Math.abs(p) < 1 / 32f) {
      return p + n / 65536;
    }
    int shift = (int) (256 * n);
    return Float.intBitsToFloat(Float.floatToRawIntBits(p) + (p < 0 ? -shift : shift));
  }
}

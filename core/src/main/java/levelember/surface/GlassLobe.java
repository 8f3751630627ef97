package levelember.surface;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import levelember.shoot.material.Material;

/**
 * Light that is reflected by glass or passes it: a body or a thin wall, rough or smooth. Rough
 * bodies after Walter et al. 2007, "Microfacet Models for Refraction through Rough Surfaces", in
 * radiance over the index squared, which passes interfaces unchanged; what single scattering loses
 * is given back. A thin wall reflects and passes with all bounces inside it.
 */
final class GlassLobe {
  private static final int ROUND = 40;
  private static final int BETWEEN_STEPS = 64;
  private final float alpha;
  private final boolean smooth;
  private final boolean thin;
  private final double ior;
  private final double abbe;

  /** Indices for red, green and blue; null without dispersion. */
  private final float[] channelIndex;

  /** What single scattering keeps, from outside and from inside. */
  private final AlbedoTable outside, inside;

  /** The same between this glass and another body, by the ratio of their indices in steps. */
  private final Map<Integer, AlbedoTable> between = new ConcurrentHashMap<>();

  /** Albedo of a perfect reflector by single scattering. */
  private final AlbedoTable single;

  /**
   * The glass of a material.
   *
   * @param there whether any point of the surface is glass
   */
  GlassLobe(Material m, boolean there, AlbedoTable single) {
    this.single = single;
    alpha = Ggx.alpha(m.roughness());
    smooth = there && m.roughness() == 0;
    thin = m.glass().thin();
    ior = m.ior();
    abbe = thin ? 0 : m.glass().abbe();
    channelIndex = abbe > 0 ? new float[3] : null;
    for (int k = 0; k < 3 && abbe > 0; k++) {
      channelIndex[k] = Spectrum.channelIndex(k, ior, abbe);
    }
    boolean roughBody = there && !smooth && !thin;
    outside = roughBody ? albedo((float) (1 / ior)) : single;
    inside = roughBody ? albedo((float) ior) : single;
  }

  boolean smooth() {
    return smooth;
  }

  /** Whether the glass is smooth at a point; panes stay so. */
  boolean smooth(Scattering s) {
    return smooth && (thin || s.leastAlpha == 0);
  }

  float alpha() {
    return alpha;
  }

  boolean thin() {
    return thin;
  }

  boolean disperses() {
    return abbe > 0;
  }

  /**
   * Whether a smooth surface can be sampled before a path settles on a wavelength, as light of none
   * is reflected totally.
   */
  boolean scattersWithoutWavelength(Scattering s, boolean entering, float outerIndex) {
    return entering && smooth(s) && index(1) > outerIndex;
  }

  /** What single scattering keeps, reflected and refracted together, by direction. */
  private AlbedoTable albedo(float eta) {
    float[] m = new float[3];
    return AlbedoTable.of(cos -> {
      float oz = Math.max(1e-3f, cos);
      float ox = (float) Math.sqrt(1 - oz * oz);
      double sum = 0;
      for (int j = 0; j < GgxAlbedo.ACROSS * ROUND; j++) {
        float u = GgxAlbedo.across(j / ROUND), v = (j % ROUND + 0.5f) / ROUND;
        Ggx.visibleNormal(ox, 0, oz, alpha, u, v, m);
        float c = ox * m[0] + oz * m[2];
        if (c > 0) {
          double share = GgxAlbedo.weight(j / ROUND) / ROUND / Ggx.maskingOne(oz, alpha);
          sum = kept(sum, share, c, m[2], oz, eta);
        }
      }
      return (float) Math.max(0.05, sum);
    });
  }

  /** Adds what one microfacet reflects and refracts. */
  private double kept(double sum, double share, float c, float mz, float oz, float eta) {
    float f = Fresnel.dielectric(c, eta);
    float rz = 2 * c * mz - oz;
    double to = sum;
    if (rz > 0) {
      to += share * f * Ggx.maskingTwo(oz, rz, alpha);
    }
    if (f < 1) {
      float tz = eta * (c * mz - oz) - refracted(c, eta) * mz;
      if (tz < 0) {
        to += share * (1 - f) * Ggx.maskingTwo(oz, -tz, alpha);
      }
    }
    return to;
  }

  /** Cosine on the far side of an interface. */
  private static float refracted(float cos, float eta) {
    return (float) Math.sqrt(Math.max(0, 1 - eta * eta * (1 - cos * cos)));
  }

  /** Index of refraction at a wavelength; the mean one for a wavelength below 0. */
  float index(float wavelength) {
    return (float) (abbe > 0 && wavelength >= 0 ? Spectrum.index(wavelength, ior, abbe) : ior);
  }

  /** Index on the side of the outgoing direction over that on the other. */
  private float eta(Scattering s) {
    return eta(abbe > 0 ? index(s.wavelength) : ior, s);
  }

  private static float eta(double index, Scattering s) {
    double inside = s.outerIndex == 1 ? index : index / s.outerIndex;
    return (float) (s.entering ? 1 / inside : inside);
  }

  /** What single scattering keeps of the prepared direction's light. */
  private float kept(Scattering s) {
    if (s.outerIndex == 1) {
      return (s.entering ? outside : inside).at(s.oz);
    }
    int step = Math.round(eta(s) * BETWEEN_STEPS);
    return between.computeIfAbsent(step, i -> albedo((float) i / BETWEEN_STEPS)).at(s.oz);
  }

  /** What a thin wall reflects or passes after all bounces within, by what one pass leaves. */
  private static float wall(float f, float left, boolean through) {
    float inner = f * left, pass = (1 - f) * (1 - f) * left / (1 - inner * inner);
    return through ? pass : f + pass * inner;
  }

  private static float wallProbability(float f, Scattering s) {
    float left = Math.max(s.tint[0], Math.max(s.tint[1], s.tint[2]));
    float reflected = wall(f, left, false), passed = wall(f, left, true);
    float share = reflected / (reflected + passed);
    return share < 0.02f ? 0.02f : share > 0.98f ? 0.98f : share;
  }

  /** What passes a smooth thin wall straight, by channel, times {@code value}. */
  void straight(float cos, float value, Scattering s, float[] to) {
    float f = Fresnel.dielectric(cos, (float) (1 / ior));
    for (int k = 0; k < 3; k++) {
      to[k] = value * wall(f, s.tint[k], true);
    }
  }

  /** Adds rough glass: reflected where iz &gt; 0, refracted or passed through below. */
  void evaluate(float ix, float iy, float iz, Scattering s) {
    if (thin) {
      evaluateWall(ix, iy, iz, s);
      return;
    }
    float ox = s.ox, oy = s.oy, oz = s.oz;
    float eta = eta(s);
    float hx, hy, hz;
    if (iz > 0) {
      hx = ox + ix;
      hy = oy + iy;
      hz = oz + iz;
    } else {
      hx = -(eta * ox + ix);
      hy = -(eta * oy + iy);
      hz = -(eta * oz + iz);
    }
    float l = (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
    if (!(l > 1e-7f)) {
      return;
    }
    l = Math.copySign(1 / l, hz);
    hx *= l;
    hy *= l;
    hz *= l;
    float co = ox * hx + oy * hy + oz * hz, ci = ix * hx + iy * hy + iz * hz;
    if (!(co > 0) || iz < 0 && !(ci < 0)) {
      return;
    }
    float f = Fresnel.dielectric(co, eta);
    float share, jacobian;
    if (iz > 0) {
      share = f;
      jacobian = 1 / (4 * co);
    } else {
      float sum = ci + eta * co;
      share = 1 - f;
      jacobian = -ci / (sum * sum);
    }
    float alpha = Math.max(this.alpha, s.leastAlpha);
    float facets = Ggx.distribution(hz, alpha) * co / oz * jacobian * share;
    float kept = kept(s);
    float value = s.belowFace * s.glass * facets * Ggx.maskingTwo(oz, Math.abs(iz), alpha) / kept;
    s.add(value, value, value);
    s.pdf += s.probability[LayeredSurface.GLASS] * facets * Ggx.maskingOne(oz, alpha);
  }

  private void evaluateWall(float ix, float iy, float iz, Scattering s) {
    float oz = s.oz, mz = Math.abs(iz);
    float hx = s.ox + ix, hy = s.oy + iy, hz = oz + mz;
    float l = 1 / (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
    float c = Math.min(1, (s.ox * hx + s.oy * hy + oz * hz) * l);
    float alpha = Math.max(this.alpha, s.leastAlpha);
    float d = Ggx.distribution(hz * l, alpha);
    float value =
        s.belowFace * s.glass * d * Ggx.maskingTwo(oz, mz, alpha) / (4 * oz) / single.at(oz);
    float f = Fresnel.dielectric(c, (float) (1 / ior));
    boolean through = iz < 0;
    s.add(
        value * wall(f, s.tint[0], through),
        value * wall(f, s.tint[1], through),
        value * wall(f, s.tint[2], through));
    float mean = wallProbability(f, s);
    s.pdf +=
        s.probability[LayeredSurface.GLASS]
            * (through ? 1 - mean : mean)
            * d
            * Ggx.maskingOne(oz, alpha)
            / (4 * oz);
  }

  /**
   * Samples a direction of rough glass; false where it is on the wrong side.
   *
   * @param part chooses between reflection and the other side, [0, 1)
   */
  boolean sample(float u, float v, float part, Scattering s) {
    float[] m = s.facet;
    float ox = s.ox, oy = s.oy, oz = s.oz;
    Ggx.visibleNormal(ox, oy, oz, Math.max(alpha, s.leastAlpha), u, v, m);
    float c = ox * m[0] + oy * m[1] + oz * m[2];
    float eta = thin ? (float) (1 / ior) : eta(s);
    float f = Fresnel.dielectric(Math.max(c, 0), eta);
    boolean reflects = part < (thin ? wallProbability(f, s) : f);
    if (thin || reflects) {
      s.x = 2 * c * m[0] - ox;
      s.y = 2 * c * m[1] - oy;
      float iz = 2 * c * m[2] - oz;
      s.z = reflects ? iz : -iz;
      return iz > 0;
    }
    float t = eta * c - refracted(c, eta);
    s.x = t * m[0] - eta * ox;
    s.y = t * m[1] - eta * oy;
    s.z = t * m[2] - eta * oz;
    return s.z < 0;
  }

  /**
   * Takes the one direction in which smooth glass transmits, with all of its value; none where it
   * reflects totally.
   *
   * @return the probability with which {@link #sampleSmooth} takes it
   */
  float transmitSmooth(Scattering s) {
    float value = (1 - s.sheenAlbedo) * (1 - s.coatAlbedo) * s.glass;
    s.delta = s.through = true;
    s.pdf = 1;
    if (thin) {
      float f = Fresnel.dielectric(s.oz, (float) (1 / ior));
      s.r = value * wall(f, s.tint[0], true);
      s.g = value * wall(f, s.tint[1], true);
      s.b = value * wall(f, s.tint[2], true);
      s.x = -s.ox;
      s.y = -s.oy;
      s.z = -s.oz;
      return 1 - wallProbability(f, s);
    }
    float eta = eta(s), f = Fresnel.dielectric(s.oz, eta);
    if (f >= 1) {
      s.clear();
      return 0;
    }
    s.r = s.g = s.b = value * (1 - f);
    s.x = -eta * s.ox;
    s.y = -eta * s.oy;
    s.z = -refracted(s.oz, eta);
    return 1 - f;
  }

  /** The probability with which {@link #sampleSmooth} reflects. */
  float reflection(Scattering s) {
    return thin
        ? wallProbability(Fresnel.dielectric(s.oz, (float) (1 / ior)), s)
        : Fresnel.dielectric(s.oz, eta(s));
  }

  /** Samples smooth glass, whose directions are delta, and evaluates it. */
  void sampleSmooth(float part, Scattering s) {
    float ox = s.ox, oy = s.oy, oz = s.oz;
    float value =
        (1 - s.sheenAlbedo) * (1 - s.coatAlbedo) * s.glass / s.probability[LayeredSurface.GLASS];
    s.delta = true;
    s.pdf = 1;
    if (thin) {
      float f = Fresnel.dielectric(oz, (float) (1 / ior));
      float probability = wallProbability(f, s);
      s.through = part >= probability;
      float scale = value / (s.through ? 1 - probability : probability);
      s.r = scale * wall(f, s.tint[0], s.through);
      s.g = scale * wall(f, s.tint[1], s.through);
      s.b = scale * wall(f, s.tint[2], s.through);
      s.x = -ox;
      s.y = -oy;
      s.z = s.through ? -oz : oz;
      return;
    }
    s.r = s.g = s.b = value;
    float eta = eta(s), f = Fresnel.dielectric(oz, eta);
    if (part < f) {
      s.x = -ox;
      s.y = -oy;
      s.z = oz;
      if (channelIndex != null && s.wavelength < 0) {
        s.r *= Fresnel.dielectric(oz, eta(channelIndex[0], s)) / f;
        s.g *= Fresnel.dielectric(oz, eta(channelIndex[1], s)) / f;
        s.b *= Fresnel.dielectric(oz, eta(channelIndex[2], s)) / f;
      }
    } else {
      s.through = true;
      refract(eta, s);
    }
  }

  private static void refract(float eta, Scattering s) {
    s.x = -eta * s.ox;
    s.y = -eta * s.oy;
    s.z = -refracted(s.oz, eta);
  }

  /** Turns what was refracted with the mean index into what a wavelength does. */
  void disperse(float wavelength, Scattering s) {
    float mean = Fresnel.dielectric(s.oz, eta(s));
    s.wavelength = wavelength;
    float eta = eta(s), scale = (1 - Fresnel.dielectric(s.oz, eta)) / (1 - mean);
    s.r *= scale;
    s.g *= scale;
    s.b *= scale;
    refract(eta, s);
  }
}

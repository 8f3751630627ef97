package levelember.surface;

import levelember.math.Trig;
import levelember.shoot.Material;
import levelember.shoot.Rgb;

/**
 * A material made ready for tracing: sheen and a clear coat over a mix of GGX metal, rough or
 * smooth glass (a body or a thin wall), and a GGX dielectric over a Lambert base.
 *
 * <p>What varies from point to point of a material with maps (colour, metalness) is dressed into
 * the {@link Scattering} first; its roughness is that of the surface.
 *
 * <p>All methods take unit directions in the local frame with the outgoing one at z &gt; 0 and
 * allocate nothing. Energy lost by single scattering is given back after Turquin 2019, "Practical
 * multiple scattering compensation for microfacet models"; base and gloss are coupled after Kelemen
 * and Szirmay-Kalos 2001; what lies under sheen and coat gets what these leave of the outgoing
 * direction's light. So every lossless surface reflects and transmits all light. Refraction: Walter
 * et al. 2007, "Microfacet Models for Refraction through Rough Surfaces", in radiance over the
 * index squared, which passes interfaces unchanged. Fresnel: the full equations for gloss, coat,
 * glass and metals of a complex index, Schlick 1994 for metals by colour.
 */
public final class LayeredSurface {
  private static final int STEPS = 64;
  private static final int ROUND = 40;
  private static final float PI = (float) Math.PI;
  private static final float LEAST_CHANCE = 0.08f;

  /** Alpha below which a metal is a mirror to the eye. */
  private static final float CLEAR = 0.004f;

  private final float alpha;
  private final boolean smooth;
  private final float[] colour;
  private final float metal;
  private final float[] metalF0 = new float[3];
  private final float[] metalEdge = new float[3];
  private final float[] edge;
  private final float[] n;
  private final float[] k;
  private final float gloss;
  private final float f0;
  private final float etaGloss;
  private final float glass;
  private final float transmission;

  /** The most glass that any point can be. */
  private final float mostGlass;

  private final boolean thin;
  private final double ior;
  private final double abbe;
  private final float[] tint;
  private final float[] absorption = new float[3];
  private final float[] whole = new float[STEPS + 1];
  private final float[] glossAlbedo = new float[STEPS + 1];
  private final float glossMean;
  private final float[] glassOutside;
  private final float[] glassInside;
  private final float coat;
  private final float coatAlpha;
  private final float coatF0;
  private final float etaCoat;
  private final float[] coatAlbedo = new float[STEPS + 1];
  private final float[] coatWhole = new float[STEPS + 1];
  private final Sheen sheen;
  private final float[] sheenColour;
  private final float sheenMost;
  private final float colourMost;
  private final float metalMost;

  public LayeredSurface(Material m) {
    alpha = Ggx.alpha(m.roughness());
    Material.Glass g = m.glass();
    metal = (float) m.metalness();
    glass = (float) ((1 - m.metalness()) * g.transmission());
    transmission = (float) g.transmission();
    mostGlass = m.maps().metalness() == null ? glass : transmission;
    smooth = mostGlass > 0 && m.roughness() == 0;
    thin = g.thin();
    ior = m.ior();
    abbe = thin ? 0 : g.abbe();
    colour = channels(m.colour());
    gloss = (float) m.specular();
    f0 = normal(m.ior());
    tint = channels(g.tint());
    for (int c = 0; c < 3; c++) {
      absorption[c] = thin ? 0 : (float) (-Math.log(Math.max(tint[c], 1e-6)) / g.tintDepth());
    }
    n = m.complexIndex() == null ? null : channels(m.complexIndex().n());
    k = m.complexIndex() == null ? null : channels(m.complexIndex().k());
    edge = channels(m.edgeTint());
    for (int c = 0; c < 3; c++) {
      metalF0[c] = n == null ? colour[c] : Fresnel.conductor(1, n[c], k[c]);
      metalEdge[c] = n == null ? Fresnel.edge(colour[c], edge[c]) : 0;
    }
    colourMost = most(colour);
    metalMost = most(metalF0);
    etaGloss = (float) (1 / m.ior());
    reflectors(m.roughness(), gloss, etaGloss, whole, glossAlbedo);
    double mean = 0;
    int fine = 1024;
    for (int i = 0; i < fine; i++) {
      float cos = (i + 0.5f) / fine;
      mean += 2 * cos * look(glossAlbedo, cos) / fine;
    }
    glossMean = (float) mean;
    coat = (float) m.coat().amount();
    coatAlpha = Ggx.alpha(m.coat().roughness());
    coatF0 = normal(m.coat().ior());
    etaCoat = (float) (1 / m.coat().ior());
    reflectors(m.coat().roughness(), coat, etaCoat, coatWhole, coatAlbedo);
    sheenColour = channels(m.sheen().colour());
    sheenMost = most(sheenColour);
    sheen = sheenMost > 0 ? new Sheen(m.sheen().roughness()) : null;
    boolean body = mostGlass > 0 && !smooth && !thin;
    glassOutside = body ? glassAlbedo((float) (1 / ior)) : whole;
    glassInside = body ? glassAlbedo((float) ior) : whole;
  }

  private static float[] channels(Rgb c) {
    return new float[] {(float) c.r(), (float) c.g(), (float) c.b()};
  }

  private static float most(float[] c) {
    return Math.max(c[0], Math.max(c[1], c[2]));
  }

  private static float normal(double ior) {
    double f = (ior - 1) / (ior + 1);
    return (float) (f * f);
  }

  private static void reflectors(
      double roughness, float weight, float eta, float[] whole, float[] albedo) {
    float f0 = Fresnel.dielectric(1, eta), alpha = Ggx.alpha(roughness);
    for (int i = 0; i <= STEPS; i++) {
      float s = i / (float) STEPS, cos = s * s;
      whole[i] = GgxAlbedo.whole(cos, roughness);
      float single = weight > 0 ? GgxAlbedo.dielectric(cos, alpha, eta) : 0;
      albedo[i] = Math.min(1, weight * single * (1 + f0 * (1 / whole[i] - 1)));
    }
  }

  /** What single scattering keeps, reflected and refracted together, by direction. */
  private float[] glassAlbedo(float eta) {
    float[] to = new float[STEPS + 1];
    float[] m = new float[3];
    for (int i = 0; i <= STEPS; i++) {
      float s = i / (float) STEPS, oz = Math.max(1e-3f, s * s);
      float ox = (float) Math.sqrt(1 - oz * oz);
      double sum = 0;
      for (int j = 0; j < GgxAlbedo.ACROSS * ROUND; j++) {
        float u = GgxAlbedo.across(j / ROUND), v = (j % ROUND + 0.5f) / ROUND;
        Ggx.visibleNormal(ox, 0, oz, alpha, u, v, m);
        float c = ox * m[0] + oz * m[2];
        if (c <= 0) {
          continue;
        }
        float f = Fresnel.dielectric(c, eta);
        float rz = 2 * c * m[2] - oz;
        double share = GgxAlbedo.weight(j / ROUND) / ROUND / Ggx.maskingOne(oz, alpha);
        if (rz > 0) {
          sum += share * f * Ggx.maskingTwo(oz, rz, alpha);
        }
        if (f < 1) {
          float tz = eta * (c * m[2] - oz) - refracted(c, eta) * m[2];
          if (tz < 0) {
            sum += share * (1 - f) * Ggx.maskingTwo(oz, -tz, alpha);
          }
        }
      }
      to[i] = (float) Math.max(0.05, sum);
    }
    return to;
  }

  /** Cosine on the far side of an interface. */
  private static float refracted(float cos, float eta) {
    return (float) Math.sqrt(Math.max(0, 1 - eta * eta * (1 - cos * cos)));
  }

  private static float look(float[] table, float cos) {
    float x = (float) Math.sqrt(cos) * STEPS;
    int i = Math.min((int) x, STEPS - 1);
    return table[i] + (x - i) * (table[i + 1] - table[i]);
  }

  /** True for a surface through which light may pass. */
  public boolean transmits() {
    return mostGlass > 0;
  }

  /** True where light that reaches the far side is scattered here by more than one direction. */
  public boolean diffuses() {
    return mostGlass > 0 && !smooth;
  }

  /** True where one sees through or as in a mirror, so that what lies behind is what shows. */
  public boolean clear() {
    return smooth && glass == 1 || metal == 1 && alpha < CLEAR && coat == 0 && sheen == null;
  }

  /** True for a smooth thin wall, whose glass light passes straight. */
  public boolean pane() {
    return thin && smooth;
  }

  /**
   * What of a light passes a dressed point of a {@link #pane()} straight, by channel.
   *
   * @param cos of the angle to the normal, either sign
   */
  public void straight(Scattering s, float cos, boolean entering, float[] to) {
    float c = Math.max(1e-4f, Math.min(1, Math.abs(cos)));
    chances(c, entering, s);
    float f = Fresnel.dielectric(c, (float) (1 / ior));
    float value = (1 - s.rim) * (1 - s.top) * s.glass;
    for (int k = 0; k < 3; k++) {
      to[k] = value * wall(f, s.tint[k], true);
    }
  }

  /** Dresses a point in the material's own values, which the methods below then use. */
  public void dress(Scattering s) {
    s.metal = metal;
    s.glass = glass;
    s.colourMost = colourMost;
    s.metalMost = metalMost;
    for (int c = 0; c < 3; c++) {
      s.colour[c] = colour[c];
      s.metalF0[c] = metalF0[c];
      s.metalEdge[c] = metalEdge[c];
      s.tint[c] = tint[c];
    }
  }

  /**
   * Dresses a point in values of its own: a colour in place of the material's, which tints a thin
   * wall too, and a metalness.
   */
  public void dress(Scattering s, float r, float g, float b, float metalness) {
    dress(s);
    s.metal = metalness;
    s.glass = (1 - metalness) * transmission;
    s.colour[0] = r;
    s.colour[1] = g;
    s.colour[2] = b;
    for (int c = 0; c < 3; c++) {
      if (n == null) {
        s.metalF0[c] = s.colour[c];
        s.metalEdge[c] = Fresnel.edge(s.colour[c], edge[c]);
      }
      if (thin) {
        s.tint[c] = colour[c] > 0 ? Math.min(1, tint[c] * s.colour[c] / colour[c]) : tint[c];
      }
    }
    s.colourMost = most(s.colour);
    s.metalMost = most(s.metalF0);
  }

  /** The colour that a dressed point shows in even light, about: 0…1 by channel. */
  public void guide(Scattering s, float[] to) {
    for (int c = 0; c < 3; c++) {
      float under =
          (1 - s.metal) * ((1 - s.glass) * s.colour[c] + s.glass * s.tint[c])
              + s.metal * s.metalF0[c];
      to[c] = Math.min(1, under + (1 - s.metal) * gloss * f0 + coat * coatF0);
    }
  }

  /** True when a path must settle on one wavelength here. */
  public boolean disperses() {
    return mostGlass > 0 && abbe > 0;
  }

  /** Natural absorption per metre inside, by channel. */
  public float absorption(int channel) {
    return absorption[channel];
  }

  private float eta(boolean entering, float wave) {
    double index = abbe > 0 ? Spectrum.index(wave, ior, abbe) : ior;
    return (float) (entering ? 1 / index : index);
  }

  /** Fills in what the upper layers take, and the chances with which lobes are drawn. */
  private void chances(float oz, boolean entering, Scattering s) {
    float[] to = s.chance;
    float top = entering ? look(coatAlbedo, oz) : 0;
    float rim = entering && sheen != null ? sheenMost * sheen.albedo(oz) : 0;
    s.top = top;
    s.rim = rim;
    float under = (1 - rim) * (1 - top);
    float base = Math.max(0, 1 - s.metal - s.glass);
    float lost = look(glossAlbedo, oz);
    float mirror = s.metal * s.metalMost + base * lost;
    float matte = base * (1 - lost) * s.colourMost;
    to[0] = coat > 0 && entering ? Math.max(LEAST_CHANCE, (1 - rim) * top) : 0;
    to[1] = rim > 0 ? Math.max(LEAST_CHANCE, rim) : 0;
    to[2] = s.glass > 0 ? Math.max(LEAST_CHANCE * s.glass, under * s.glass) : 0;
    boolean shines = s.metal > 0 || base > 0 && gloss > 0;
    to[3] = shines ? Math.max(LEAST_CHANCE * Math.max(s.metal, base), under * mirror) : 0;
    float rest = base > 0 && s.colourMost > 0 ? Math.max(0.02f, under * matte) : 0;
    float sum = to[0] + to[1] + to[2] + to[3] + rest;
    float scale = sum > 0 ? 1 / sum : 0;
    for (int i = 0; i < 4; i++) {
      to[i] *= scale;
    }
  }

  /**
   * Value times cosine, and density, for a pair of directions; what is smooth has none.
   *
   * @param entering the outgoing direction is on the outside of the piece
   * @param wave the path's wavelength, for glass that disperses
   */
  public void evaluate(
      float ox,
      float oy,
      float oz,
      float ix,
      float iy,
      float iz,
      boolean entering,
      float wave,
      Scattering s) {
    s.black();
    if (oz <= 0 || iz == 0) {
      return;
    }
    chances(oz, entering, s);
    float rim = s.rim;
    float under = (1 - rim) * (1 - s.top);
    if (s.glass > 0 && !smooth) {
      rough(ox, oy, oz, ix, iy, iz, entering, wave, under, s);
    }
    if (iz < 0) {
      return;
    }
    float hx = ox + ix, hy = oy + iy, hz = oz + iz;
    float l = 1 / (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
    float h = hz * l;
    float c = Math.min(1, (ox * hx + oy * hy + oz * hz) * l);
    float schlick = Fresnel.fifth(c);
    float base = Math.max(0, 1 - s.metal - s.glass);
    float matte = 1 - s.chance[0] - s.chance[1] - s.chance[2] - s.chance[3];
    if (s.metal > 0 || base > 0) {
      float d = Ggx.distribution(h, alpha);
      float lobe = under * d * Ggx.maskingTwo(oz, iz, alpha) / (4 * oz);
      float give = 1 / look(whole, oz) - 1;
      float shine = 0;
      if (base > 0 && gloss > 0) {
        shine = base * gloss * Fresnel.dielectric(c, etaGloss) * (1 + f0 * give) * lobe;
      }
      float flat =
          under
              * base
              * (1 - look(glossAlbedo, oz))
              * (1 - look(glossAlbedo, iz))
              / Math.max(1e-6f, 1 - glossMean)
              * iz
              / PI;
      float mirror = s.metal * lobe;
      s.matteR = flat * s.colour[0];
      s.matteG = flat * s.colour[1];
      s.matteB = flat * s.colour[2];
      s.r += mirror * metalLobe(s, 0, c, schlick, give) + shine + s.matteR;
      s.g += mirror * metalLobe(s, 1, c, schlick, give) + shine + s.matteG;
      s.b += mirror * metalLobe(s, 2, c, schlick, give) + shine + s.matteB;
      s.pdf += s.chance[3] * d * Ggx.maskingOne(oz, alpha) / (4 * oz);
    }
    s.pdf += (matte > 1e-6f ? matte : 0) * iz / PI;
    if (!entering) {
      return;
    }
    if (rim > 0) {
      float value = sheen.value(ox, oy, oz, ix, iy, iz);
      s.matteR += sheenColour[0] * value;
      s.matteG += sheenColour[1] * value;
      s.matteB += sheenColour[2] * value;
      s.r += sheenColour[0] * value;
      s.g += sheenColour[1] * value;
      s.b += sheenColour[2] * value;
      s.pdf += s.chance[1] * iz / PI;
    }
    if (coat > 0) {
      float d = Ggx.distribution(h, coatAlpha);
      float give = 1 / look(coatWhole, oz) - 1;
      float value =
          (1 - rim)
              * coat
              * Fresnel.dielectric(c, etaCoat)
              * (1 + coatF0 * give)
              * d
              * Ggx.maskingTwo(oz, iz, coatAlpha)
              / (4 * oz);
      s.r += value;
      s.g += value;
      s.b += value;
      s.pdf += s.chance[0] * d * Ggx.maskingOne(oz, coatAlpha) / (4 * oz);
    }
  }

  private float metalLobe(Scattering s, int channel, float c, float schlick, float give) {
    float f = s.metalF0[channel];
    float fresnel =
        n == null
            ? f + (1 - f) * schlick - s.metalEdge[channel] * c * schlick * (1 - c)
            : Fresnel.conductor(c, n[channel], k[channel]);
    return Math.max(0, fresnel) * (1 + f * give);
  }

  /** Adds rough glass: reflected where iz &gt; 0, refracted or passed through below. */
  private void rough(
      float ox,
      float oy,
      float oz,
      float ix,
      float iy,
      float iz,
      boolean entering,
      float wave,
      float under,
      Scattering s) {
    if (thin) {
      float mz = Math.abs(iz);
      float hx = ox + ix, hy = oy + iy, hz = oz + mz;
      float l = 1 / (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
      float c = Math.min(1, (ox * hx + oy * hy + oz * hz) * l);
      float d = Ggx.distribution(hz * l, alpha);
      float value =
          under * s.glass * d * Ggx.maskingTwo(oz, mz, alpha) / (4 * oz) / look(whole, oz);
      float f = Fresnel.dielectric(c, (float) (1 / ior));
      boolean through = iz < 0;
      s.r += value * wall(f, s.tint[0], through);
      s.g += value * wall(f, s.tint[1], through);
      s.b += value * wall(f, s.tint[2], through);
      float mean = wallChance(f, s);
      s.pdf += s.chance[2] * (through ? 1 - mean : mean) * d * Ggx.maskingOne(oz, alpha) / (4 * oz);
      return;
    }
    float eta = eta(entering, wave);
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
    float facets = Ggx.distribution(hz, alpha) * co / oz * jacobian * share;
    float kept = look(entering ? glassOutside : glassInside, oz);
    float value = under * s.glass * facets * Ggx.maskingTwo(oz, Math.abs(iz), alpha) / kept;
    s.r += value;
    s.g += value;
    s.b += value;
    s.pdf += s.chance[2] * facets * Ggx.maskingOne(oz, alpha);
  }

  /** What a thin wall reflects or passes after all bounces within, by what one pass leaves. */
  private static float wall(float f, float left, boolean through) {
    float inner = f * left, pass = (1 - f) * (1 - f) * left / (1 - inner * inner);
    return through ? pass : f + pass * inner;
  }

  private float wallChance(float f, Scattering s) {
    float left = most(s.tint);
    float reflected = wall(f, left, false), passed = wall(f, left, true);
    float share = reflected / (reflected + passed);
    return share < 0.02f ? 0.02f : share > 0.98f ? 0.98f : share;
  }

  /**
   * Draws a direction from three numbers in [0, 1).
   *
   * @param entering the outgoing direction is on the outside of the piece
   * @param wave the path's wavelength, for glass that disperses
   */
  public void draw(
      float ox,
      float oy,
      float oz,
      boolean entering,
      float wave,
      float u,
      float v,
      float w,
      Scattering s) {
    s.black();
    if (oz <= 0) {
      return;
    }
    chances(oz, entering, s);
    float[] chance = s.chance;
    float at = w;
    int lobe = 0;
    while (lobe < 4 && (at >= chance[lobe] || chance[lobe] == 0)) {
      at -= chance[lobe++];
    }
    float[] m = s.facet;
    float ix, iy, iz;
    if (lobe == 0 || lobe == 3) {
      Ggx.visibleNormal(ox, oy, oz, lobe == 0 ? coatAlpha : alpha, u, v, m);
      float c = 2 * (ox * m[0] + oy * m[1] + oz * m[2]);
      ix = c * m[0] - ox;
      iy = c * m[1] - oy;
      iz = c * m[2] - oz;
    } else if (lobe == 2) {
      float part = Math.min(at / chance[2], 0.9999999f);
      if (smooth) {
        drawSmooth(ox, oy, oz, entering, wave, part, s);
        return;
      }
      Ggx.visibleNormal(ox, oy, oz, alpha, u, v, m);
      float c = ox * m[0] + oy * m[1] + oz * m[2];
      float eta = thin ? (float) (1 / ior) : eta(entering, wave);
      float f = Fresnel.dielectric(Math.max(c, 0), eta);
      boolean reflects = part < (thin ? wallChance(f, s) : f);
      if (thin || reflects) {
        ix = 2 * c * m[0] - ox;
        iy = 2 * c * m[1] - oy;
        iz = 2 * c * m[2] - oz;
        if (iz <= 0) {
          return;
        }
        iz = reflects ? iz : -iz;
      } else {
        float t = eta * c - refracted(c, eta);
        ix = t * m[0] - eta * ox;
        iy = t * m[1] - eta * oy;
        iz = t * m[2] - eta * oz;
        if (iz >= 0) {
          return;
        }
      }
    } else {
      float radius = (float) Math.sqrt(u);
      ix = radius * (float) Trig.cosine(v);
      iy = radius * (float) Trig.sine(v);
      iz = (float) Math.sqrt(Math.max(0, 1 - u));
    }
    if (iz <= 0 && lobe != 2) {
      return;
    }
    evaluate(ox, oy, oz, ix, iy, iz, entering, wave, s);
    s.x = ix;
    s.y = iy;
    s.z = iz;
    s.through = iz < 0;
    s.matte = lobe == 1 || lobe == 4;
    if (s.pdf > 0) {
      float inverse = 1 / s.pdf;
      s.matteR *= inverse;
      s.matteG *= inverse;
      s.matteB *= inverse;
      s.r *= inverse;
      s.g *= inverse;
      s.b *= inverse;
    }
  }

  private void drawSmooth(
      float ox, float oy, float oz, boolean entering, float wave, float part, Scattering s) {
    float value = (1 - s.rim) * (1 - s.top) * s.glass / s.chance[2];
    s.delta = true;
    s.pdf = 1;
    if (thin) {
      float f = Fresnel.dielectric(oz, (float) (1 / ior));
      float chance = wallChance(f, s);
      s.through = part >= chance;
      float scale = value / (s.through ? 1 - chance : chance);
      s.r = scale * wall(f, s.tint[0], s.through);
      s.g = scale * wall(f, s.tint[1], s.through);
      s.b = scale * wall(f, s.tint[2], s.through);
      s.x = -ox;
      s.y = -oy;
      s.z = s.through ? -oz : oz;
      return;
    }
    s.r = s.g = s.b = value;
    float eta = eta(entering, wave);
    if (part < Fresnel.dielectric(oz, eta)) {
      s.x = -ox;
      s.y = -oy;
      s.z = oz;
    } else {
      s.through = true;
      s.x = -eta * ox;
      s.y = -eta * oy;
      s.z = -refracted(oz, eta);
    }
  }
}

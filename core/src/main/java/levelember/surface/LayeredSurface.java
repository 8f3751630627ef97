package levelember.surface;

import levelember.math.Trig;
import levelember.shoot.Material;

/**
 * A material made ready for tracing: GGX metal, GGX coat over a Lambert base, and smooth glass.
 *
 * <p>All methods take unit directions in the local frame with the outgoing one at z &gt; 0 and
 * allocate nothing. Energy lost by single scattering is given back after Turquin 2019, "Practical
 * multiple scattering compensation for microfacet models"; base and coat are coupled after Kelemen
 * and Szirmay-Kalos 2001, so that a white base under any coat reflects all light. Fresnel: Schlick
 * 1994 for reflection lobes, the full equations for glass.
 */
public final class LayeredSurface {
  private static final int STEPS = 64;
  private static final float PI = (float) Math.PI;

  private final float alpha;
  private final float red, green, blue;
  private final float metal;
  private final float coat;
  private final float f0;
  private final float glass;
  private final float ior;
  private final float[] absorption = new float[3];
  private final float[] whole = new float[STEPS + 1];
  private final float[] coatAlbedo = new float[STEPS + 1];
  private final float coatMean;

  public LayeredSurface(Material m) {
    alpha = Ggx.alpha(m.roughness());
    red = (float) m.colour().r();
    green = (float) m.colour().g();
    blue = (float) m.colour().b();
    metal = (float) m.metalness();
    coat = (float) m.gloss();
    ior = (float) m.ior();
    glass = (float) ((1 - m.metalness()) * m.transmission());
    double f = (m.ior() - 1) / (m.ior() + 1);
    f0 = (float) (f * f);
    absorption[0] = (float) (-Math.log(Math.max(m.tint().r(), 1e-6)) / m.tintDepth());
    absorption[1] = (float) (-Math.log(Math.max(m.tint().g(), 1e-6)) / m.tintDepth());
    absorption[2] = (float) (-Math.log(Math.max(m.tint().b(), 1e-6)) / m.tintDepth());
    for (int i = 0; i <= STEPS; i++) {
      float cos = square(i / (float) STEPS);
      whole[i] = GgxAlbedo.whole(cos, m.roughness());
      float single = f0 * whole[i] + (1 - f0) * GgxAlbedo.grazing(cos, m.roughness());
      coatAlbedo[i] = Math.min(1, coat * single * (1 + f0 * (1 / whole[i] - 1)));
    }
    double mean = 0;
    int fine = 1024;
    for (int i = 0; i < fine; i++) {
      float cos = (i + 0.5f) / fine;
      mean += 2 * cos * look(coatAlbedo, cos) / fine;
    }
    coatMean = (float) mean;
  }

  private static float square(float x) {
    return x * x;
  }

  private static float look(float[] table, float cos) {
    float x = (float) Math.sqrt(cos) * STEPS;
    int i = Math.min((int) x, STEPS - 1);
    return table[i] + (x - i) * (table[i + 1] - table[i]);
  }

  /** True for a surface through which light may pass. */
  public boolean transmits() {
    return glass > 0;
  }

  /** Natural absorption per metre inside, by channel. */
  public float absorption(int channel) {
    return absorption[channel];
  }

  /** Value times cosine, and density, for a pair of directions; glass has none. */
  public void evaluate(float ox, float oy, float oz, float ix, float iy, float iz, Scattering s) {
    s.black();
    if (oz <= 0 || iz <= 0 || glass >= 1) {
      return;
    }
    float base = 1 - metal - glass;
    float lost = look(coatAlbedo, oz);
    float hx = ox + ix, hy = oy + iy, hz = oz + iz;
    float l = (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
    float h = hz / l;
    float c = Math.min(1, (ox * hx + oy * hy + oz * hz) / l);
    float d = Ggx.distribution(h, alpha);
    float schlick = fifth(1 - c);
    float lobe = d * Ggx.maskingTwo(oz, iz, alpha) / (4 * oz);
    float give = 1 / look(whole, oz) - 1;
    float coatLobe = base * coat * (f0 + (1 - f0) * schlick) * (1 + f0 * give) * lobe;
    float under =
        base * (1 - lost) * (1 - look(coatAlbedo, iz)) / Math.max(1e-6f, 1 - coatMean) * iz / PI;
    s.r = metal * metalLobe(red, schlick, give) * lobe + coatLobe + under * red;
    s.g = metal * metalLobe(green, schlick, give) * lobe + coatLobe + under * green;
    s.b = metal * metalLobe(blue, schlick, give) * lobe + coatLobe + under * blue;
    float share = reflectedShare(lost);
    s.pdf =
        (1 - glass) * (share * d * Ggx.maskingOne(oz, alpha) / (4 * oz) + (1 - share) * iz / PI);
  }

  private static float metalLobe(float f0, float schlick, float give) {
    return (f0 + (1 - f0) * schlick) * (1 + f0 * give);
  }

  private static float fifth(float x) {
    float x2 = x * x;
    return x2 * x2 * x;
  }

  /** How often a direction is drawn from the GGX lobe rather than from the cosine. */
  private float reflectedShare(float coatAlbedoOut) {
    float base = Math.max(0, 1 - metal - glass);
    float mirror = metal * Math.max(red, Math.max(green, blue)) + base * coatAlbedoOut;
    float matte = base * (1 - coatAlbedoOut) * Math.max(red, Math.max(green, blue));
    float sum = mirror + matte;
    if (!(sum > 0) || !(matte > 0)) {
      return 1;
    }
    float least = 0.1f * Math.min(1, coat + metal);
    float share = mirror / sum;
    return share < least ? least : share;
  }

  /**
   * Draws a direction from three numbers in [0, 1).
   *
   * @param entering the outgoing direction is on the outside of the piece
   */
  public void draw(
      float ox, float oy, float oz, boolean entering, float u, float v, float w, Scattering s) {
    s.black();
    if (oz <= 0) {
      return;
    }
    if (w < glass) {
      drawGlass(ox, oy, oz, entering, w / glass, s);
      return;
    }
    w = (w - glass) / (1 - glass);
    float share = reflectedShare(look(coatAlbedo, oz));
    float ix, iy, iz;
    if (w < share) {
      float[] m = s.facet;
      Ggx.visibleNormal(ox, oy, oz, alpha, u, v, m);
      float c = 2 * (ox * m[0] + oy * m[1] + oz * m[2]);
      ix = c * m[0] - ox;
      iy = c * m[1] - oy;
      iz = c * m[2] - oz;
    } else {
      float radius = (float) Math.sqrt(u);
      ix = radius * (float) Trig.cosine(v);
      iy = radius * (float) Trig.sine(v);
      iz = (float) Math.sqrt(Math.max(0, 1 - u));
    }
    if (iz <= 0) {
      return;
    }
    evaluate(ox, oy, oz, ix, iy, iz, s);
    s.x = ix;
    s.y = iy;
    s.z = iz;
    if (s.pdf > 0) {
      float inverse = 1 / s.pdf;
      s.r *= inverse;
      s.g *= inverse;
      s.b *= inverse;
    }
  }

  private void drawGlass(float ox, float oy, float oz, boolean entering, float w, Scattering s) {
    float eta = entering ? 1 / ior : ior;
    float sin2 = eta * eta * (1 - oz * oz);
    float reflected = 1;
    float ct = 0;
    if (sin2 < 1) {
      ct = (float) Math.sqrt(1 - sin2);
      float rs = (eta * oz - ct) / (eta * oz + ct);
      float rp = (oz - eta * ct) / (oz + eta * ct);
      reflected = 0.5f * (rs * rs + rp * rp);
    }
    s.delta = true;
    s.pdf = 1;
    s.r = s.g = s.b = 1;
    s.x = -ox;
    s.y = -oy;
    s.z = oz;
    if (w >= reflected) {
      s.through = true;
      s.x = -eta * ox;
      s.y = -eta * oy;
      s.z = -ct;
    }
  }
}

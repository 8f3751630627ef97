package levelember.surface;

import levelember.math.Rgb;
import levelember.shoot.material.Material;
import levelember.shoot.material.Reflections;

/**
 * A material made ready for tracing, as a sum of lobes: sheen and a clear coat over a mix of metal,
 * glass and a dielectric face on a Lambert base.
 *
 * <p>Use: a {@link Scattering} gets the material's values at the point ({@link #material}), then
 * the outgoing direction is prepared once ({@link #prepare}), and for it any number of incident
 * directions are evaluated ({@link #evaluate}) or sampled ({@link #sample}). All methods take unit
 * directions in the local frame with the outgoing one at z &gt; 0 and allocate nothing. What varies
 * from point to point of a material with maps is colour and metalness; its roughness is that of the
 * surface.
 *
 * <p>What lies under sheen and coat gets what these leave of the light of both directions, so that
 * reflection is the same both ways and lossless surfaces reflect and transmit all light.
 */
public final class LayeredSurface {
  /** Numbers of the lobes; the diffuse base comes after them. */
  static final int COAT = 0, SHEEN = 1, GLASS = 2, MICROFACETS = 3;

  private static final float LEAST_PROBABILITY = 0.08f;
  private static final float LEAST_DIFFUSE_PROBABILITY = 0.02f;

  /** Alpha below which a metal is a mirror to the eye. */
  private static final float MIRROR_ALPHA = 0.004f;

  private final CoatLobe coat;
  private final Sheen sheen;
  private final float[] sheenColour;
  private final float brightestSheen;
  private final GlassLobe glass;
  private final MicrofacetLobe microfacets;
  private final DiffuseLobe diffuse;
  private final float[] colour;
  private final float metal;
  private final float transmission;
  private final float glassShare;

  /** The most glass that any point can be. */
  private final float mostGlass;

  /** What coat and sheen leave to the diffuse base, its face, and metal: see {@link Coupling}. */
  private final AlbedoTable diffuseCoupling, faceCoupling, metalCoupling;

  /** What the sheen leaves to the coat. */
  private final AlbedoTable coatCoupling;

  private final int priority;
  private final float[] tint;

  /** Factors on what is reflected specularly, by channel; null where physics has it. */
  private final float[] reflected;

  private final float brightestReflected;
  private final float[] absorption = new float[3];

  public LayeredSurface(Material m) {
    metal = (float) m.metalness();
    glassShare = (float) ((1 - m.metalness()) * m.glass().transmission());
    transmission = (float) m.glass().transmission();
    mostGlass = m.maps().metalness() == null ? glassShare : transmission;
    colour = MicrofacetLobe.channels(m.colour());
    tint = MicrofacetLobe.channels(m.glass().tint());
    priority = m.glass().priority();
    for (int c = 0; c < 3; c++) {
      absorption[c] =
          m.glass().thin()
              ? 0
              : (float) (-StrictMath.log(Math.max(tint[c], 1e-6)) / m.glass().tintDepth());
    }
    Reflections levers = m.reflections();
    double rough = levers.roughness(m.roughness());
    reflected = factors(levers);
    brightestReflected = reflected == null ? 1 : brightest(reflected);
    microfacets = new MicrofacetLobe(m, rough);
    diffuse = new DiffuseLobe(microfacets.dielectric);
    glass =
        new GlassLobe(
            m,
            mostGlass > 0,
            rough == m.roughness()
                ? microfacets.single
                : AlbedoTable.of(cos -> GgxAlbedo.whole(cos, m.roughness())));
    coat = new CoatLobe(m.coat(), levers.roughness(m.coat().roughness()));
    sheenColour = MicrofacetLobe.channels(m.sheen().colour());
    brightestSheen = brightest(sheenColour);
    sheen = brightestSheen > 0 ? new Sheen(m.sheen().roughness()) : null;
    boolean layered = coat.there() || sheen != null;
    diffuseCoupling = layered ? Coupling.diffuse(microfacets.dielectric, this::left) : null;
    faceCoupling = layered ? microfacets.faceCoupling(this::left) : null;
    metalCoupling = layered ? Coupling.microfacets(microfacets.alpha, 0, this::left) : null;
    coatCoupling =
        coat.there() && sheen != null
            ? coat.coupling(cos -> Math.max(1e-4f, 1 - sheenAlbedo(cos)))
            : null;
  }

  private static float[] factors(Reflections levers) {
    if (levers.level() == 1 && levers.tint().equals(Rgb.WHITE)) {
      return null;
    }
    float[] to = MicrofacetLobe.channels(levers.tint());
    for (int c = 0; c < 3; c++) {
      to[c] *= (float) levers.level();
    }
    return to;
  }

  private static float brightest(float[] c) {
    return Math.max(c[0], Math.max(c[1], c[2]));
  }

  /** True for a surface through which light may pass. */
  public boolean transmits() {
    return mostGlass > 0;
  }

  /** True where light that reaches the far side is scattered here into more than one direction. */
  public boolean transmitsDiffusely(Scattering s) {
    return mostGlass > 0 && !glass.smooth(s);
  }

  /** True where the surface reflects or refracts by a lobe of less than a GGX alpha. */
  public boolean smootherThan(float least, Scattering s) {
    boolean mirror = s.metal > 0 || s.glass < 1 - s.metal && microfacets.reflects();
    return s.glass > 0 && glass.alpha() < least
        || mirror && microfacets.alpha < least
        || coat.there() && coat.alpha() < least;
  }

  /**
   * True where most of what a point scatters goes by lobes narrower than a GGX alpha: glass and
   * metal, not a diffuse base under a gloss.
   */
  public boolean narrow(float most, Scattering s) {
    if (sheen != null || coat.there() && coat.alpha() > most) {
      return false;
    }
    return s.glass >= 0.5f ? glass.alpha() <= most : s.metal >= 0.5f && microfacets.alpha <= most;
  }

  /** True where points of it may be {@link #narrow}, if nothing varies over it but its colour. */
  public boolean mayBeNarrow(float most) {
    return mostGlass >= 0.5f && glass.alpha() <= most || metal >= 0.5f && microfacets.alpha <= most;
  }

  /** True where a point may be metal or glass. */
  public boolean metalOrGlass() {
    return metal > 0 || mostGlass > 0;
  }

  /** True for clear glass and for mirrors, where what one sees is what lies behind. */
  public boolean specular() {
    return glass.smooth() && glassShare == 1
        || metal == 1 && microfacets.alpha < MIRROR_ALPHA && !coat.there() && sheen == null;
  }

  /** True where every direction that a point scatters into is the only one of its kind. */
  public boolean onlyDelta(Scattering s) {
    return s.glass >= 1 && glass.smooth(s) && !coat.there() && sheen == null;
  }

  /** True for glass with an inside. */
  public boolean body() {
    return mostGlass > 0 && !glass.thin();
  }

  /** Priority of the body where it overlaps others. */
  public int priority() {
    return priority;
  }

  /**
   * Index of refraction of the glass at a path's wavelength, or at the mean one where it has none.
   */
  public float index(float wavelength) {
    return glass.index(wavelength);
  }

  /**
   * What light of unit radiance inside of the body is as basic radiance, which is radiance over the
   * squared index and what paths carry.
   */
  public float basicRadiance(float wavelength) {
    float n = glass.index(wavelength);
    return 1 / (n * n);
  }

  /** True for a smooth thin wall, whose glass light passes straight. */
  public boolean pane() {
    return glass.thin() && glass.smooth();
  }

  /** True when a path that is refracted here must settle on one wavelength. */
  public boolean disperses() {
    return mostGlass > 0 && glass.disperses();
  }

  /**
   * True when a path must settle on one wavelength before it is scattered here: at rough glass, and
   * where some wavelengths may be reflected totally. Elsewhere what is reflected needs none.
   *
   * @param entering the path comes from outside
   * @param outerIndex index of refraction of what is outside of the piece
   */
  public boolean needsWavelengthToScatter(Scattering s, boolean entering, float outerIndex) {
    return disperses() && !glass.scattersWithoutWavelength(s, entering, outerIndex);
  }

  /**
   * Gives a direction that was sampled through smooth glass without a wavelength the one of a
   * wavelength, and its value.
   */
  public void disperse(float wavelength, Scattering s) {
    glass.disperse(wavelength, s);
  }

  /** Share of light that is left after a way through the body, by channel (Beer and Lambert). */
  public float transmittance(int channel, float metres) {
    return (float) StrictMath.exp(-absorption[channel] * metres);
  }

  /** Gives a point the material's own values. */
  public void material(Scattering s) {
    s.metal = metal;
    s.glass = glassShare;
    for (int c = 0; c < 3; c++) {
      s.colour[c] = colour[c];
      s.tint[c] = tint[c];
    }
    derived(s);
  }

  /**
   * Gives a point values of its own: a colour in place of the material's, which tints a thin wall
   * too, and a metalness.
   */
  public void material(Scattering s, float r, float g, float b, float metalness) {
    s.metal = metalness;
    s.glass = (1 - metalness) * transmission;
    s.colour[0] = r;
    s.colour[1] = g;
    s.colour[2] = b;
    for (int c = 0; c < 3; c++) {
      s.tint[c] =
          glass.thin() && colour[c] > 0 ? Math.min(1, tint[c] * s.colour[c] / colour[c]) : tint[c];
    }
    derived(s);
  }

  private void derived(Scattering s) {
    microfacets.metal(s);
    s.brightestColour = brightest(s.colour);
    s.brightestMetal = brightest(s.metalF0);
  }

  /** Reflectance of a point's matte base, without its faces; the mean over the channels. */
  public float diffuseReflectance(Scattering s) {
    return (1 - s.metal) * (1 - s.glass) * (s.colour[0] + s.colour[1] + s.colour[2]) / 3;
  }

  /** The colour that a point shows in even light, about: 0…1 by channel. */
  public void albedo(Scattering s, float[] to) {
    for (int c = 0; c < 3; c++) {
      float below = (1 - s.metal) * ((1 - s.glass) * s.colour[c] + s.glass * s.tint[c]);
      float mirrored =
          s.metal * s.metalF0[c]
              + (1 - s.metal) * microfacets.faceReflectance()
              + coat.faceReflectance();
      to[c] = Math.min(1, below + (reflected == null ? mirrored : reflected[c] * mirrored));
    }
  }

  /**
   * Prepares an outgoing direction.
   *
   * @param entering the direction is on the outside of the piece
   * @param wavelength the path's, for glass that disperses; the mean index below 0
   * @param outerIndex index of refraction of what is outside of the piece, 1 for air
   */
  public void prepare(
      float ox,
      float oy,
      float oz,
      boolean entering,
      float wavelength,
      float outerIndex,
      Scattering s) {
    s.ox = ox;
    s.oy = oy;
    s.oz = oz;
    s.entering = entering;
    s.wavelength = wavelength;
    s.outerIndex = outerIndex;
    if (oz > 0) {
      layers(oz, entering, s);
      probabilities(oz, s);
      outgoing(oz, s);
    }
  }

  /** What every evaluation takes from the outgoing direction. */
  private void outgoing(float oz, Scattering s) {
    if (s.metal > 0 || s.base > 0) {
      s.facetsLost = microfacets.lost(oz);
      s.outgoingBase = diffuse.passing(oz);
    }
    if (s.entering && coat.there()) {
      s.coatLost = coat.lost(oz);
      s.outgoingCoat = coatCoupling == null ? 1 : coatCoupling.at(oz);
    }
    if (s.entering && diffuseCoupling != null) {
      s.outgoingMetal = metalCoupling.at(oz);
      s.outgoingFace = faceCoupling.at(oz);
      s.outgoingDiffuse = diffuseCoupling.at(oz);
    }
  }

  private void layers(float oz, boolean entering, Scattering s) {
    s.coatAlbedo = entering ? coat.albedo(oz) : 0;
    s.sheenAlbedo = entering ? sheenAlbedo(oz) : 0;
    s.below = (1 - s.sheenAlbedo) * (1 - s.coatAlbedo);
    s.base = Math.max(0, 1 - s.metal - s.glass);
  }

  /** The probabilities with which lobes are sampled, by about what each reflects. */
  private void probabilities(float oz, Scattering s) {
    float[] to = s.probability;
    float base = s.base;
    float face = microfacets.dielectric.at(oz);
    float mirror = brightestReflected * (s.metal * s.brightestMetal + base * face);
    float flat = base * (1 - face) * s.brightestColour;
    boolean coated = coat.there() && s.entering;
    to[COAT] = coated ? Math.max(LEAST_PROBABILITY, (1 - s.sheenAlbedo) * s.coatAlbedo) : 0;
    to[SHEEN] = s.sheenAlbedo > 0 ? Math.max(LEAST_PROBABILITY, s.sheenAlbedo) : 0;
    to[GLASS] = s.glass > 0 ? Math.max(LEAST_PROBABILITY * s.glass, s.below * s.glass) : 0;
    boolean reflects = s.metal > 0 || base > 0 && microfacets.reflects();
    to[MICROFACETS] =
        reflects ? Math.max(LEAST_PROBABILITY * Math.max(s.metal, base), s.below * mirror) : 0;
    float rest =
        base > 0 && s.brightestColour > 0 ? Math.max(LEAST_DIFFUSE_PROBABILITY, s.below * flat) : 0;
    float sum = to[COAT] + to[SHEEN] + to[GLASS] + to[MICROFACETS] + rest;
    float scale = sum > 0 ? 1 / sum : 0;
    for (int i = 0; i < to.length; i++) {
      to[i] *= scale;
    }
  }

  /**
   * What of a light passes a point of a {@link #pane()} straight, by channel.
   *
   * @param cos of the angle to the normal, either sign
   */
  public void straight(Scattering s, float cos, boolean entering, float[] to) {
    float c = Math.max(1e-4f, Math.min(1, Math.abs(cos)));
    layers(c, entering, s);
    glass.straight(c, s.below * s.glass, s, to);
  }

  /**
   * Value times cosine, and density, of an incident direction for the prepared outgoing one; delta
   * lobes have none.
   */
  public void evaluate(float ix, float iy, float iz, Scattering s) {
    s.clear();
    s.through = iz < 0;
    if (s.oz <= 0 || iz == 0) {
      return;
    }
    below(iz, s);
    if (s.glass > 0 && !glass.smooth(s)) {
      glass.evaluate(ix, iy, iz, s);
    }
    if (iz < 0) {
      return;
    }
    half(ix, iy, iz, s);
    if (s.metal > 0 || s.base > 0) {
      microfacets.evaluate(iz, s);
      diffuse.evaluate(iz, s);
    }
    float[] p = s.probability;
    float flat = 1 - p[COAT] - p[SHEEN] - p[GLASS] - p[MICROFACETS];
    s.pdf += DiffuseLobe.density(flat > 1e-6f ? flat : 0, iz);
    if (s.sheenAlbedo > 0) {
      float value = sheen.value(s.ox, s.oy, s.oz, ix, iy, iz);
      s.addSheen(sheenColour[0] * value, sheenColour[1] * value, sheenColour[2] * value);
      s.pdf += DiffuseLobe.density(p[SHEEN], iz);
    }
    if (s.entering && coat.there()) {
      float left = coatCoupling == null ? 1 : s.outgoingCoat * coatCoupling.at(iz);
      coat.evaluate(iz, left, s);
    }
    if (reflected != null) {
      s.levelReflected(reflected[0], reflected[1], reflected[2]);
    }
  }

  /**
   * What coat and sheen leave of the light of both directions for the lobes below. Light that goes
   * through glass has one of its directions inside, where the layers count for the outgoing one.
   */
  private void below(float iz, Scattering s) {
    s.belowMetal = s.belowFace = s.belowDiffuse = s.below;
    if (s.entering && iz > 0 && diffuseCoupling != null) {
      s.belowMetal = s.outgoingMetal * metalCoupling.at(iz);
      s.belowFace = s.outgoingFace * faceCoupling.at(iz);
      s.belowDiffuse = s.outgoingDiffuse * diffuseCoupling.at(iz);
    }
  }

  /** What coat and sheen leave of a direction's light. */
  private float left(float cos) {
    return Math.max(1e-4f, (1 - sheenAlbedo(cos)) * (1 - coat.albedo(cos)));
  }

  private float sheenAlbedo(float cos) {
    return sheen == null ? 0 : brightestSheen * sheen.albedo(cos);
  }

  private static void half(float ix, float iy, float iz, Scattering s) {
    float hx = s.ox + ix, hy = s.oy + iy, hz = s.oz + iz;
    float l = 1 / (float) Math.sqrt(hx * hx + hy * hy + hz * hz);
    s.halfCos = hz * l;
    s.halfAngleCos = Math.min(1, (s.ox * hx + s.oy * hy + s.oz * hz) * l);
  }

  /**
   * Takes the direction in which smooth glass transmits, with all of its value, and nothing of what
   * it reflects; density 0 where it is no smooth glass or transmits nothing.
   *
   * @return the probability with which {@link #sample} takes it
   */
  public float transmit(Scattering s) {
    s.clear();
    boolean smooth = s.oz > 0 && glass != null && glass.smooth(s);
    return smooth ? s.probability[GLASS] * glass.transmitSmooth(s) : 0;
  }

  /**
   * Takes the direction in which smooth glass reflects, as {@link #sample} does; density 0 where it
   * is no smooth glass, or something else besides.
   *
   * @return the probability with which {@link #sample} takes it
   */
  public float reflect(Scattering s) {
    s.clear();
    if (!(s.oz > 0) || glass == null || !glass.smooth(s) || s.probability[GLASS] < 1) {
      return 0;
    }
    float probability = glass.reflection(s);
    if (probability > 0) {
      sampleSmoothGlass(0, s);
    }
    return probability;
  }

  /** The probability of the direction that {@link #sample} has taken last, where it is a delta. */
  public float probabilityOfDelta(Scattering s) {
    float reflection = glass.reflection(s);
    return s.probability[GLASS] * (s.through ? 1 - reflection : reflection);
  }

  private void sampleSmoothGlass(float part, Scattering s) {
    glass.sampleSmooth(part, s);
    if (reflected != null && !s.through) {
      s.levelReflected(reflected[0], reflected[1], reflected[2]);
    }
  }

  /**
   * Samples an incident direction for the prepared outgoing one from three numbers in [0, 1), and
   * evaluates it, divided by its density; a density of 0 says that there is none.
   *
   * @param w chooses the lobe
   */
  public void sample(float u, float v, float w, Scattering s) {
    s.clear();
    if (s.oz <= 0) {
      return;
    }
    float[] probability = s.probability;
    float at = w;
    int lobe = 0;
    while (lobe < 4 && (at >= probability[lobe] || probability[lobe] == 0)) {
      at -= probability[lobe++];
    }
    if (lobe == COAT || lobe == MICROFACETS) {
      float[] m = s.facet;
      float alpha = Math.max(s.leastAlpha, lobe == COAT ? coat.alpha() : microfacets.alpha);
      Ggx.visibleNormal(s.ox, s.oy, s.oz, alpha, u, v, m);
      float c = 2 * (s.ox * m[0] + s.oy * m[1] + s.oz * m[2]);
      s.x = c * m[0] - s.ox;
      s.y = c * m[1] - s.oy;
      s.z = c * m[2] - s.oz;
    } else if (lobe == GLASS) {
      float part = Math.min(at / probability[GLASS], 0.9999999f);
      if (glass.smooth(s)) {
        sampleSmoothGlass(part, s);
        return;
      }
      if (!glass.sample(u, v, part, s)) {
        return;
      }
    } else {
      DiffuseLobe.sample(u, v, s);
    }
    if (s.z <= 0 && lobe != GLASS) {
      return;
    }
    evaluate(s.x, s.y, s.z, s);
    s.perDensity();
  }
}

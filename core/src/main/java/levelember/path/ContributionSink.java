package levelember.path;

import java.util.Arrays;
import levelember.film.Component;
import levelember.film.Film;
import levelember.film.GBuffer;
import levelember.math.Colour;
import levelember.surface.Scattering;

/**
 * Takes what paths contribute to one pixel, and gives it to the film by layer and component; the
 * film decides what it keeps. One a thread.
 */
public final class ContributionSink {
  private Film film;
  private int x, y, pixel;
  private boolean even;
  private int sample;
  private boolean guided;
  private GBuffer surfaces;
  private final float[] value = new float[GBuffer.VALUES];
  private boolean emissionOnly;
  private boolean components;
  private final FirstScattering here = new FirstScattering();
  private final RayCount.Tally rays;
  private final boolean withoutGloss;
  private final boolean[] keptApart;
  private int tile;

  /**
   * @param withoutGloss leaves out light that reaches rough surfaces over smooth ones
   * @param keptApart for every layer whether the film keeps emission apart that is seen over
   *     mirrors and clear glass alone
   */
  public ContributionSink(RayCount.Tally rays, boolean withoutGloss, boolean[] keptApart) {
    this.rays = rays;
    this.withoutGloss = withoutGloss;
    this.keptApart = keptApart;
  }

  /**
   * Comes to a pixel.
   *
   * @param sample number; every other one is even, so that the film knows its noise
   * @param guided whether the sample adds to the guides
   */
  public void begin(Film to, int px, int py, int sample, boolean guided) {
    film = to;
    components = to.keepsComponents();
    x = px;
    y = py;
    pixel = py * to.width() + px;
    tile = to.tile(px, py);
    this.sample = sample;
    this.guided = guided;
    even = (sample & 1) == 0;
    surfaces = to.surfaces();
    emissionOnly = to.surfacesOnly();
  }

  /**
   * Adds what an emitter gives that a path has hit, cd/m² at unit level; what is no finite number
   * is dropped.
   */
  public void addHit(int layer, PathState path, float r, float g, float b) {
    if (withoutGloss && path.vertex.overGloss) {
      PathVertex vertex = path.vertex;
      float keptR = r * vertex.diffuseR, keptG = g * vertex.diffuseG, keptB = b * vertex.diffuseB;
      leaveOut(layer, r - keptR, g - keptG, b - keptB);
      addKeptHit(layer, path, keptR, keptG, keptB);
      return;
    }
    soften(layer, path.softened, r, g, b);
    addKeptHit(layer, path, r, g, b);
  }

  private void leaveOut(int layer, float r, float g, float b) {
    float l = Colour.luminance(r, g, b);
    if (Float.isFinite(l)) {
      film.gloss().leaveOut(layer, tile, l);
    }
  }

  private void soften(int layer, float share, float r, float g, float b) {
    float l = Colour.luminance(r, g, b);
    if (share > 0 && Float.isFinite(l)) {
      film.gloss().soften(layer, tile, share * l);
    }
  }

  private void addKeptHit(int layer, PathState path, float r, float g, float b) {
    boolean seen =
        surfaces == null
            ? keptApart[layer] && path.deltaSoFar && !path.improbable
            : path.specularSoFar || path.deltaSoFar && !path.improbable;
    boolean wanted = seen ? addEmission(layer, r, g, b) : !emissionOnly;
    if (!wanted || !add(layer, r, g, b)) {
      return;
    }
    if (path.depth == 0) {
      film.add(layer, Component.EMISSION, pixel, r, g, b);
    } else {
      addScattered(layer, path.first, path.depth == 1, r, g, b);
    }
  }

  /**
   * Adds to the emission seen over mirrors and clear glass alone; false where no other is wanted.
   */
  private boolean addEmission(int layer, float r, float g, float b) {
    if (Float.isFinite(r + g + b)) {
      film.addSeenEmission(layer, x, y, even, r, g, b);
    }
    return !emissionOnly;
  }

  /**
   * Adds what a light gives that was sampled at a vertex of a path.
   *
   * @param at the vertex, its scattering evaluated for the light's direction
   * @param diffuse level of the diffuse part of the BSDF in the value
   * @param specular level of the specular part
   */
  public void addSampled(
      int layer,
      PathState path,
      SurfaceInteraction at,
      float diffuse,
      float specular,
      float r,
      float g,
      float b) {
    Scattering s = at.scattering;
    if (!at.overGloss) {
      soften(layer, path.softened, r, g, b);
      addKeptSample(layer, path, s, diffuse, specular, r, g, b);
      return;
    }
    float matteR = r * share(s.levelledR(diffuse, 0), s.levelledR(diffuse, specular));
    float matteG = g * share(s.levelledG(diffuse, 0), s.levelledG(diffuse, specular));
    float matteB = b * share(s.levelledB(diffuse, 0), s.levelledB(diffuse, specular));
    if (withoutGloss) {
      leaveOut(layer, r - matteR, g - matteG, b - matteB);
      addKeptSample(layer, path, s, diffuse, 0, matteR, matteG, matteB);
    } else {
      soften(layer, 1, r - matteR, g - matteG, b - matteB);
      soften(layer, path.softened, matteR, matteG, matteB);
      addKeptSample(layer, path, s, diffuse, specular, r, g, b);
    }
  }

  private static float share(float part, float whole) {
    return whole > 0 ? part / whole : 0;
  }

  private void addKeptSample(
      int layer,
      PathState path,
      Scattering scattering,
      float diffuse,
      float specular,
      float r,
      float g,
      float b) {
    if (!add(layer, r, g, b)) {
      return;
    }
    if (path.depth == 0) {
      here.set(scattering, diffuse, specular);
      addScattered(layer, here, true, r, g, b);
    } else {
      addScattered(layer, path.first, false, r, g, b);
    }
  }

  /** Adds light that photons bring to a vertex: a caustic at the first rough one, else bounced. */
  public void addCaustic(int layer, PathState path, float r, float g, float b) {
    boolean first = path.causticChain == CausticPaths.EYE;
    float luminance = Colour.luminance(r, g, b);
    if (first && Float.isFinite(luminance)) {
      film.gloss().addCaustic(layer, tile, luminance);
    }
    if (!first) {
      soften(layer, path.softened, r, g, b);
    }
    if (!add(layer, r, g, b)) {
      return;
    }
    if (first) {
      film.add(layer, Component.CAUSTICS, pixel, r, g, b);
    } else {
      addScattered(layer, path.first, false, r, g, b);
    }
  }

  private void addScattered(
      int layer, FirstScattering first, boolean direct, float r, float g, float b) {
    if (first.through) {
      film.add(layer, Component.TRANSMISSION, pixel, r, g, b);
      return;
    }
    float diffuseR = first.diffuseR * r;
    float diffuseG = first.diffuseG * g;
    float diffuseB = first.diffuseB * b;
    float sheenR = first.sheenR * r, sheenG = first.sheenG * g, sheenB = first.sheenB * b;
    film.add(layer, Component.SHEEN, pixel, sheenR, sheenG, sheenB);
    film.add(
        layer,
        direct ? Component.DIFFUSE_DIRECT : Component.DIFFUSE_INDIRECT,
        pixel,
        diffuseR - sheenR,
        diffuseG - sheenG,
        diffuseB - sheenB);
    film.add(
        layer,
        direct ? Component.SPECULAR_DIRECT : Component.SPECULAR_INDIRECT,
        pixel,
        r - diffuseR,
        g - diffuseG,
        b - diffuseB);
  }

  /** Adds what a backdrop plate shows. */
  public void addBehind(int layer, float r, float g, float b) {
    boolean wanted = surfaces == null && !keptApart[layer] || addEmission(layer, r, g, b);
    if (wanted && add(layer, r, g, b)) {
      film.add(layer, Component.EMISSION, pixel, r, g, b);
    }
  }

  /** Adds what a shadow catcher takes off a light, 0 or less. */
  public void addCaught(int layer, float r, float g, float b) {
    if (add(layer, r, g, b)) {
      film.add(layer, Component.CAUGHT_SHADOW, pixel, r, g, b);
    }
  }

  /** Adds to the whole of a layer; true where the film wants to know the component too. */
  private boolean add(int layer, float r, float g, float b) {
    if (!Float.isFinite(r + g + b)) {
      rays.dropped++;
      return false;
    }
    film.add(layer, pixel, even, r, g, b);
    return components;
  }

  /** Adds to what a shadow catcher would get of a light, and to what of it shadows keep off. */
  public void caught(int layer, float shadowed, float offered) {
    film.caught(layer, pixel, shadowed, offered);
  }

  /** Whether the sample adds to the guides. */
  public boolean guided() {
    return guided;
  }

  /**
   * Guides the denoiser by a surface.
   *
   * @param r albedo times what the path's throughput was before it, as g and b
   * @param nearness one over the path's length, 1/m
   * @param dispersed whether the path has settled on a wavelength
   */
  public void guide(
      float r, float g, float b, SurfaceInteraction at, float nearness, boolean dispersed) {
    value[3] = at.shading.nx;
    value[4] = at.shading.ny;
    value[5] = at.shading.nz;
    value[6] = nearness;
    value[7] = at.x;
    value[8] = at.y;
    value[9] = at.z;
    guide(r, g, b);
    if (dispersed && guided && surfaces != null) {
      surfaces.dispersed(pixel, sample);
    }
  }

  /** Guides the denoiser by what lies open, of a colour 0…1. */
  public void guideOpen(float r, float g, float b) {
    Arrays.fill(value, 0);
    guide(r, g, b);
  }

  private void guide(float r, float g, float b) {
    value[0] = unit(r);
    value[1] = unit(g);
    value[2] = unit(b);
    if (guided && film.guides() != null) {
      film.guides()
          .add(pixel, value[0], value[1], value[2], value[3], value[4], value[5], value[6]);
    }
    if (guided && surfaces != null) {
      surfaces.surface(pixel, sample, value);
    }
  }

  /** How the path covers what is behind the set, and what of that shadow catchers do. */
  public void cover(float alpha, float caughtShare) {
    film.guides().cover(pixel, alpha, caughtShare);
  }

  /** Width by height of the whole picture. */
  public double aspect() {
    return (double) film.fullWidth() / film.fullHeight();
  }

  private static float unit(float v) {
    return Math.clamp(v, 0, 1);
  }
}

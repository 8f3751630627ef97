package levelember.path;

import levelember.math.Sampler;
import levelember.surface.LayeredSurface;
import levelember.surface.Spectrum;
import levelember.trace.Hierarchy;

/** One path while it is traced: its ray, its throughput and where it has been. One a thread. */
public final class PathState {
  private static final int ROULETTE_FROM = 3;
  private static final float LEAST_SURVIVAL = 0.05f;

  /** Throughput down to which mirrors and clear glass are followed without chance. */
  private static final float LEAST_SPECULAR = 0.02f;

  /** Throughput beyond which no path goes on: mirrors that give back more than they get. */
  private static final float MOST_THROUGHPUT = 1e4f;

  /** The ray that is traced next; its direction is a unit vector. */
  public float ox, oy, oz, dx, dy, dz;

  /** What the ray is, of the kinds of {@link Hierarchy}: pieces may be hidden from some. */
  public int rayKind;

  /** Throughput by channel. */
  public float r, g, b;

  /** The same without the response to a chosen wavelength, by channel: what guides go by. */
  public float neutralR, neutralG, neutralB;

  /** Wavelength that the path has settled on where glass disperses, 0…1 of the visible, or −1. */
  public float wavelength;

  /** Path vertices so far, the camera not counted. */
  public int depth;

  /** Vertices and panes so far; what sample points are drawn by at the next. */
  public int surfaces;

  /** Vertices so far whose scattering was wide, so that what follows is blurred. */
  public int roughVertices;

  /** Reflections in smooth surfaces from outside since the last rough one. */
  public int mirrors;

  /** How widely the path has been scattered so far, as a GGX alpha; 0 by mirrors alone. */
  public float spread;

  /** Share of the path's light that surfaces gave which were softened. */
  public float softened;

  /** Holes, panes and shadow catchers that the ray has passed straight since the last vertex. */
  public int passed;

  /** Metres that the ray has come since the last vertex, before its present origin. */
  public float sinceVertex;

  /** Metres from the camera. */
  public float length;

  /** The ray has been reflected diffusely, in part at least, and not come to a surface yet. */
  public boolean fromDiffuse;

  /** What lies between the last rough vertex and here; see {@link CausticPaths}. */
  public int causticChain;

  /** The ray has passed a shadow catcher. */
  public boolean caught;

  /** Nothing but smooth mirrors and clear glass has been met yet. */
  public boolean specularSoFar;

  /** All vertices so far were scattered at in one of the directions that mirrors and glass have. */
  public boolean deltaSoFar;

  /** One of them had a small probability, so that few samples find what is seen over it. */
  public boolean improbable;

  /**
   * What the throughput is multiplied by at the first vertex that is no delta; 0 where the path
   * ends there. Other than 1 only for what was split off another path, see {@code SplitPaths}.
   */
  public float continuation;

  /** Place on the whole picture, 0…1 from its left and from its top. */
  public float screenX, screenY;

  /** How the path covers what is behind, and what of that shadow catchers do. */
  public float alpha, caughtShare;

  /** The body of glass that the ray is in, or null; and the one behind the surface it has hit. */
  public LayeredSurface medium, behind;

  /** How the path was scattered first. */
  public final FirstScattering first = new FirstScattering();

  /** Where the path was scattered last. */
  public final PathVertex vertex = new PathVertex();

  /** Begins with a ray from the camera. */
  public void begin(float x, float y, float z, float toX, float toY, float toZ) {
    from(x, y, z);
    towards(toX, toY, toZ);
    rayKind = Hierarchy.CAMERA;
    r = g = b = 1;
    neutralR = neutralG = neutralB = 1;
    wavelength = -1;
    depth = surfaces = roughVertices = passed = mirrors = 0;
    spread = softened = 0;
    causticChain = CausticPaths.EYE;
    sinceVertex = length = 0;
    fromDiffuse = caught = false;
    specularSoFar = deltaSoFar = true;
    improbable = false;
    continuation = 1;
    medium = behind = null;
    alpha = 1;
    caughtShare = 0;
    vertex.camera(x, y, z);
  }

  /** Takes over another, so that both go on apart. */
  public void copy(PathState other) {
    from(other.ox, other.oy, other.oz);
    towards(other.dx, other.dy, other.dz);
    rayKind = other.rayKind;
    r = other.r;
    g = other.g;
    b = other.b;
    neutralR = other.neutralR;
    neutralG = other.neutralG;
    neutralB = other.neutralB;
    wavelength = other.wavelength;
    depth = other.depth;
    surfaces = other.surfaces;
    roughVertices = other.roughVertices;
    mirrors = other.mirrors;
    spread = other.spread;
    softened = other.softened;
    passed = other.passed;
    causticChain = other.causticChain;
    sinceVertex = other.sinceVertex;
    length = other.length;
    fromDiffuse = other.fromDiffuse;
    caught = other.caught;
    specularSoFar = other.specularSoFar;
    deltaSoFar = other.deltaSoFar;
    improbable = other.improbable;
    continuation = other.continuation;
    screenX = other.screenX;
    screenY = other.screenY;
    alpha = other.alpha;
    caughtShare = other.caughtShare;
    medium = other.medium;
    behind = other.behind;
    first.set(other.first);
    vertex.set(other.vertex);
  }

  public void from(float x, float y, float z) {
    ox = x;
    oy = y;
    oz = z;
  }

  /** Goes on behind a surface which it passes, before that is oriented. */
  public void fromBehind(SurfaceInteraction at) {
    at.offsetOriginBehind();
    from(at.ox, at.oy, at.oz);
  }

  /** Goes on behind a surface which it passes, once that is oriented. */
  public void fromBelow(SurfaceInteraction at) {
    at.offsetOrigin(-1);
    from(at.ox, at.oy, at.oz);
  }

  public void towards(float x, float y, float z) {
    dx = x;
    dy = y;
    dz = z;
  }

  public void times(float byR, float byG, float byB) {
    r *= byR;
    g *= byG;
    b *= byB;
    if (specularSoFar) {
      neutralR *= byR;
      neutralG *= byG;
      neutralB *= byB;
    }
  }

  /** Settles on a wavelength, 0…1 of the visible. */
  public void disperse(float chosen) {
    wavelength = chosen;
    r *= Spectrum.response(chosen, 0);
    g *= Spectrum.response(chosen, 1);
    b *= Spectrum.response(chosen, 2);
  }

  /** Goes on from a branch's emission to its other light; false where it has none. */
  public boolean continuesAfterDelta() {
    times(continuation, continuation, continuation);
    boolean on = continuation > 0;
    // As few branches as chance would have sent are left: what they find they find rarely.
    improbable |= continuation != 1;
    continuation = 1;
    return on;
  }

  /** Makes guides what they are where a direction was taken by chance. */
  public void divideGuides(float probability) {
    if (probability > 0) {
      neutralR /= probability;
      neutralG /= probability;
      neutralB /= probability;
    }
  }

  /** Settles on green, without its response: for what guides show, which have no dispersion. */
  public void settleOnGreen() {
    wavelength = 0.5f;
  }

  /** Whether the throughput is one that a path can go on with. */
  public boolean carries(float brightest) {
    return brightest > 0 && brightest < MOST_THROUGHPUT;
  }

  public float brightest() {
    return Math.max(r, Math.max(g, b));
  }

  public float mean() {
    return (r + g + b) / 3;
  }

  /**
   * Russian roulette: paths of little throughput end by chance, and those that go on carry more.
   *
   * @param brightest channel of the throughput
   * @param dimension of the sample point that decides
   */
  public boolean survives(float brightest, Sampler points, int dimension) {
    if (depth < ROULETTE_FROM || brightest >= 1) {
      return true;
    }
    if (specularSoFar && brightest >= LEAST_SPECULAR) {
      return true;
    }
    float chance = Math.max(LEAST_SURVIVAL, brightest);
    if (points.single(dimension) >= chance) {
      return false;
    }
    r /= chance;
    g /= chance;
    b /= chance;
    return true;
  }
}

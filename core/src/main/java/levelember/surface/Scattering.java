package levelember.surface;

/**
 * Scattering at one point of a {@link LayeredSurface}: the values of its material there, the
 * outgoing direction that was prepared, and the answers of {@link LayeredSurface#evaluate} and
 * {@link LayeredSurface#sample}. Directions are unit vectors of the local frame, in which the
 * normal is +Z. One object a thread, filled anew for every point.
 */
public final class Scattering {
  /** The sampled incident direction. */
  public float x, y, z;

  /**
   * Value of the BSDF times the cosine, by channel; after sampling divided by the density, which is
   * the factor that a path's throughput gets.
   */
  public float r, g, b;

  /** What of {@link #r}, {@link #g} and {@link #b} the diffuse lobes give: base and sheen. */
  public float diffuseR, diffuseG, diffuseB;

  /** What of that the sheen gives. */
  public float sheenR, sheenG, sheenB;

  /** Density per steradian; meaningless for a {@link #delta} direction. */
  public float pdf;

  /** The direction is the only one (mirror, refraction), not one of many. */
  public boolean delta;

  /** The direction lies on the other side of the surface. */
  public boolean through;

  /** The outgoing direction, z &gt; 0, and whether it is outside of the piece. */
  float ox, oy, oz;

  boolean entering;

  /** The path's wavelength, for glass that disperses. */
  float wavelength;

  /** Index of refraction of what is outside of the piece. */
  float outerIndex;

  /** Least GGX alpha that the lobes have here; 0 leaves them as they are. */
  float leastAlpha;

  /** The normal of the microfacet that was sampled. */
  final float[] facet = new float[3];

  /** Probabilities of the lobes by {@link LayeredSurface}'s numbers; the base has what is left. */
  final float[] probability = new float[4];

  /** Albedo of the coat and of the sheen for the outgoing direction. */
  float coatAlbedo, sheenAlbedo;

  /** What coat and sheen leave of the outgoing direction's light for the lobes below. */
  float below;

  /** What is the outgoing direction's alone of the couplings of the lobes with the layers above. */
  float outgoingMetal, outgoingFace, outgoingDiffuse, outgoingCoat;

  /** Share of the outgoing direction's light that passes the face of the base. */
  float outgoingBase;

  /**
   * What single scattering loses of the outgoing direction's light on microfacets, over what it
   * gives: of the base and of the coat.
   */
  float facetsLost, coatLost;

  /** What they leave of the light of an outgoing and an incident direction for those lobes. */
  float belowMetal, belowFace, belowDiffuse;

  /** Share of the dielectric base: what is neither metal nor glass. */
  float base;

  /** Cosine of the half vector to the normal, and of the directions to the half vector. */
  float halfCos, halfAngleCos;

  /** Values of the material at the point: see {@link LayeredSurface#material(Scattering)}. */
  final float[] colour = new float[3], metalF0 = new float[3], metalEdge = new float[3];

  final float[] tint = new float[3];
  float metal, glass, brightestColour, brightestMetal;

  /** Value with its diffuse and its specular part weighed, first channel. */
  public float levelledR(float diffuse, float specular) {
    return diffuse * diffuseR + specular * (r - diffuseR);
  }

  /** Value with its diffuse and its specular part weighed, second channel. */
  public float levelledG(float diffuse, float specular) {
    return diffuse * diffuseG + specular * (g - diffuseG);
  }

  /** Value with its diffuse and its specular part weighed, third channel. */
  public float levelledB(float diffuse, float specular) {
    return diffuse * diffuseB + specular * (b - diffuseB);
  }

  /** Makes the surface rougher than a GGX alpha from here on; 0 leaves it as it is. */
  public void widen(float alpha) {
    leastAlpha = alpha;
  }

  void clear() {
    r = g = b = pdf = 0;
    diffuseR = diffuseG = diffuseB = 0;
    sheenR = sheenG = sheenB = 0;
    delta = through = false;
  }

  void addDiffuse(float r, float g, float b) {
    diffuseR += r;
    diffuseG += g;
    diffuseB += b;
    add(r, g, b);
  }

  void addSheen(float r, float g, float b) {
    sheenR += r;
    sheenG += g;
    sheenB += b;
    addDiffuse(r, g, b);
  }

  void add(float r, float g, float b) {
    this.r += r;
    this.g += g;
    this.b += b;
  }

  /** Weighs the specular part by channel. */
  void levelReflected(float byR, float byG, float byB) {
    r = diffuseR + byR * (r - diffuseR);
    g = diffuseG + byG * (g - diffuseG);
    b = diffuseB + byB * (b - diffuseB);
  }

  /** Divides what was evaluated for a sampled direction by its density. */
  void perDensity() {
    if (pdf > 0) {
      float inverse = 1 / pdf;
      diffuseR *= inverse;
      diffuseG *= inverse;
      diffuseB *= inverse;
      sheenR *= inverse;
      sheenG *= inverse;
      sheenB *= inverse;
      r *= inverse;
      g *= inverse;
      b *= inverse;
    }
  }
}

package levelember.surface;

/** What a surface answers, in the local frame; one object a thread, filled anew at each call. */
public final class Scattering {
  /** The direction drawn. */
  public float x, y, z;

  /** Value times cosine; after drawing, divided by the density. */
  public float r, g, b;

  /** What of {@link #r}, {@link #g} and {@link #b} is the matte part: base and sheen. */
  public float matteR, matteG, matteB;

  /** After drawing: the direction was drawn for the matte part. */
  public boolean matte;

  /** Density per steradian; meaningless for a {@link #delta} direction. */
  public float pdf;

  /** The direction is the only one (mirror, refraction), not one of many. */
  public boolean delta;

  /** The direction lies on the other side of the surface. */
  public boolean through;

  final float[] facet = new float[3];

  /** Chances of the lobes: coat, sheen, glass, mirror; the matte base has what is left. */
  final float[] chance = new float[4];

  /** What the coat and the sheen take of the outgoing direction's light. */
  float top, rim;

  /** What the point is dressed in: see {@link LayeredSurface#dress(Scattering)}. */
  final float[] colour = new float[3], metalF0 = new float[3], metalEdge = new float[3];

  final float[] tint = new float[3];
  float metal, glass, colourMost, metalMost;

  void black() {
    r = g = b = pdf = 0;
    matteR = matteG = matteB = 0;
    delta = through = matte = false;
  }
}

package levelember.path;

import levelember.light.ReferencePoint;
import levelember.surface.Scattering;

/**
 * The vertex at which a path was scattered last, or the camera. Panes, holes and shadow catchers
 * that it passes straight are no vertices.
 */
public final class PathVertex {
  /** Number of the piece, or −1 for the camera. */
  public int piece;

  /** Its place, and the normal of the only side on which light was sampled. */
  public final ReferencePoint at = new ReferencePoint();

  /**
   * Density with which the direction was sampled, per steradian, where it is not {@link #delta}.
   */
  public float pdf;

  /** The direction was the only one: of a mirror, of smooth glass, or of the camera. */
  public boolean delta;

  /** The surface is smooth and seen from rougher ones; see {@code PathRegularization}. */
  public boolean overGloss;

  /**
   * Lit patches were sampled for the side that the path went on from; see {@code PatchSampling}.
   */
  public boolean samplesPatches;

  /** How many samples of each light's patches there were, on the mean. */
  public float patchRate;

  /** Share of the BSDF's value that its diffuse part has, by channel. */
  public float diffuseR, diffuseG, diffuseB;

  /** Share of the BSDF's value that its sheen has, by channel; part of the diffuse share. */
  float sheenR, sheenG, sheenB;

  public boolean isCamera() {
    return piece < 0;
  }

  void camera(float ox, float oy, float oz) {
    piece = -1;
    overGloss = false;
    samplesPatches = false;
    at.set(ox, oy, oz);
    pdf = 0;
    delta = true;
  }

  /** A path is scattered at a piece; the place is set apart. */
  public void scattered(int on, Scattering s) {
    piece = on;
    pdf = s.pdf;
    delta = s.delta;
    // Smooth glass and mirrors have no diffuse part.
    diffuseR = share(s.diffuseR, s.r);
    diffuseG = share(s.diffuseG, s.g);
    diffuseB = share(s.diffuseB, s.b);
    sheenR = share(s.sheenR, s.r);
    sheenG = share(s.sheenG, s.g);
    sheenB = share(s.sheenB, s.b);
  }

  /** Takes over another. */
  void set(PathVertex other) {
    piece = other.piece;
    at.set(other.at);
    pdf = other.pdf;
    delta = other.delta;
    overGloss = other.overGloss;
    samplesPatches = other.samplesPatches;
    patchRate = other.patchRate;
    diffuseR = other.diffuseR;
    diffuseG = other.diffuseG;
    diffuseB = other.diffuseB;
    sheenR = other.sheenR;
    sheenG = other.sheenG;
    sheenB = other.sheenB;
  }

  /** The same on the mean over the channels. */
  public float diffuse() {
    return (diffuseR + diffuseG + diffuseB) / 3;
  }

  /** Says that the path goes on with the light of one part alone, diffuse or specular. */
  public void part(boolean diffuse) {
    sheenR = diffuse ? share(sheenR, diffuseR) : 0;
    sheenG = diffuse ? share(sheenG, diffuseG) : 0;
    sheenB = diffuse ? share(sheenB, diffuseB) : 0;
    diffuseR = diffuseG = diffuseB = diffuse ? 1 : 0;
  }

  private static float share(float part, float whole) {
    return whole > 0 ? part / whole : 0;
  }
}

package levelember.transport;

import levelember.surface.Scattering;

/**
 * The vertex at which a path was scattered last, or the camera. Panes, holes and shadow catchers
 * that it passes straight are no vertices.
 */
final class PathVertex {
  /** Number of the piece, or −1 for the camera. */
  int piece;

  float x, y, z;

  /** Normal of the only side on which light was sampled; 0 where it was sampled on both. */
  float nx, ny, nz;

  /**
   * Density with which the direction was sampled, per steradian, where it is not {@link #delta}.
   */
  float pdf;

  /** The direction was the only one: of a mirror, of smooth glass, or of the camera. */
  boolean delta;

  /** Share of the BSDF's value that its diffuse part has, by channel. */
  float diffuseR, diffuseG, diffuseB;

  boolean isCamera() {
    return piece < 0;
  }

  void camera(float ox, float oy, float oz) {
    piece = -1;
    x = ox;
    y = oy;
    z = oz;
    pdf = 0;
    delta = true;
  }

  void scattered(int at, float ox, float oy, float oz, Scattering s) {
    piece = at;
    x = ox;
    y = oy;
    z = oz;
    pdf = s.pdf;
    delta = s.delta;
    // Smooth glass and mirrors have no diffuse part.
    diffuseR = share(s.diffuseR, s.r);
    diffuseG = share(s.diffuseG, s.g);
    diffuseB = share(s.diffuseB, s.b);
  }

  /** The same on the mean over the channels. */
  float diffuse() {
    return (diffuseR + diffuseG + diffuseB) / 3;
  }

  /** Says that the path goes on with the light of one part alone, diffuse or specular. */
  void part(boolean diffuse) {
    diffuseR = diffuseG = diffuseB = diffuse ? 1 : 0;
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

package levelember.transport;

import levelember.surface.LayeredSurface;
import levelember.surface.Scattering;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Asks how much of a light arrives: nothing past what is solid, part of it straight through panes
 * and holes. One object a thread, with the answer in its fields; uses up the walk's last hit.
 */
final class ShadowRay {
  private static final int MOST = 32;

  private final Scene scene;
  private final RayWalk walk;
  private final Scattering scattering = new Scattering();
  private final Dress.Spot spot = new Dress.Spot();
  private final float[] place = new float[3];
  private final float[] normal = new float[3];
  private final float[] straight = new float[3];

  /** What arrives, by channel. */
  float r, g, b;

  ShadowRay(Scene scene, RayWalk walk) {
    this.scene = scene;
    this.walk = walk;
  }

  /**
   * Looks along a ray; false when nothing arrives.
   *
   * @param lever of the light, or null
   */
  boolean arrives(
      Lever lever, float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    r = g = b = 1;
    long[] pieces = lever == null ? null : lever.shadows;
    if (lever != null && lever.shadowless()) {
      return true;
    }
    if (walk.blocked(ox, oy, oz, dx, dy, dz, far, Hierarchy.SHADOW, pieces)) {
      r = g = b = 0;
    } else if (scene.clear) {
      look(pieces, ox, oy, oz, dx, dy, dz, far);
    }
    if (lever != null && lever.veiled()) {
      r += (1 - r) * lever.darkR;
      g += (1 - g) * lever.darkG;
      b += (1 - b) * lever.darkB;
    }
    return r + g + b > 0;
  }

  private void look(
      long[] pieces, float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    float left = far;
    for (int i = 0; i < MOST; i++) {
      if (!walk.nearest(ox, oy, oz, dx, dy, dz, left, Hierarchy.CLEAR)) {
        return;
      }
      left -= walk.t;
      int piece = walk.piece();
      walk.faceNormal(normal);
      float gx = normal[0], gy = normal[1], gz = normal[2];
      boolean outside = gx * dx + gy * dy + gz * dz < 0;
      if (pieces == null || (pieces[piece >> 6] >>> (piece & 63) & 1) != 0) {
        pass(piece, outside, dx, dy, dz);
        if (!(r + g + b > 0)) {
          return;
        }
      }
      walk.place(place);
      float s = outside ? -1 : 1;
      ox = PathTracer.off(place[0], s * gx);
      oy = PathTracer.off(place[1], s * gy);
      oz = PathTracer.off(place[2], s * gz);
    }
  }

  private void pass(int piece, boolean outside, float dx, float dy, float dz) {
    LayeredSurface surface = scene.surfaces[piece];
    Dress dress = scene.dresses[piece];
    float there = dress != null && dress.pierced() ? dress.opacity(walk, spot) : 1;
    float cr = 0, cg = 0, cb = 0;
    if (there > 0 && surface.pane()) {
      walk.shadingNormal(normal);
      float cos = normal[0] * dx + normal[1] * dy + normal[2] * dz;
      if (dress == null) {
        surface.dress(scattering);
      } else {
        surface = dress.at(walk, cos, spot, scattering);
      }
      if (surface.pane()) {
        surface.straight(scattering, cos, outside, straight);
        cr = straight[0];
        cg = straight[1];
        cb = straight[2];
      }
    }
    r *= 1 - there + there * cr;
    g *= 1 - there + there * cg;
    b *= 1 - there + there * cb;
  }
}

package levelember.path;

import levelember.light.LightSample;
import levelember.scene.CompiledControls;
import levelember.scene.EmissivePieces;
import levelember.scene.Scene;
import levelember.scene.TexturedMaterial;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Finds how much of a light arrives: nothing past what is solid, part of it straight through panes
 * and holes. One object a thread, with the answer in its fields; uses up the walk's last hit.
 */
public final class ShadowRay {
  /** Panes and holes that a ray passes; behind more of them light counts as arriving. */
  private static final int MOST = 32;

  private final Scene scene;
  private final RayWalk walk;
  private final SurfaceInteraction at;
  private final float[] straight = new float[3];
  private final TexturedMaterial.Lookup lookup = new TexturedMaterial.Lookup();

  /** What arrives, by channel. */
  public float r, g, b;

  public ShadowRay(Scene scene, RayWalk walk) {
    this.scene = scene;
    this.walk = walk;
    at = new SurfaceInteraction(scene, walk);
  }

  /**
   * Traces a ray; false when nothing arrives.
   *
   * @param controls of the light, or null
   * @param far metres to the light
   */
  public boolean arrives(
      CompiledControls controls,
      float ox,
      float oy,
      float oz,
      float dx,
      float dy,
      float dz,
      float far) {
    r = g = b = 1;
    long[] casters = controls == null ? null : controls.shadows;
    if (controls != null && controls.shadowless()) {
      return true;
    }
    if (walk.occluded(ox, oy, oz, dx, dy, dz, far, Hierarchy.SHADOW, casters)) {
      r = g = b = 0;
    } else if (scene.clear) {
      passClear(casters, ox, oy, oz, dx, dy, dz, far);
    }
    if (controls != null && controls.customShadow()) {
      r += (1 - r) * controls.darkR;
      g += (1 - g) * controls.darkG;
      b += (1 - b) * controls.darkB;
    }
    return r + g + b > 0;
  }

  /**
   * How much of an emissive piece is there at the place that was sampled on it: 0 in a hole … 1.
   */
  public float emitterOpacity(int place, LightSample sampled) {
    EmissivePieces emissive = scene.emissive;
    TexturedMaterial textures = scene.textured[emissive.piece(place)];
    if (textures == null || !textures.pierced()) {
      return 1;
    }
    walk.instance = emissive.instance(place);
    walk.triangle = emissive.triangleOfMesh(place, sampled.triangle);
    walk.b = sampled.second;
    walk.c = emissive.third(place, sampled.second, sampled.third);
    return textures.opacity(walk, lookup);
  }

  private void passClear(
      long[] casters, float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    float left = far;
    for (int i = 0; i < MOST; i++) {
      if (!walk.closestHit(ox, oy, oz, dx, dy, dz, left, Hierarchy.CLEAR)) {
        return;
      }
      left -= walk.t;
      at.hit(dx, dy, dz);
      if (casters == null || (casters[at.piece >> 6] >>> (at.piece & 63) & 1) != 0) {
        pass(dx, dy, dz);
        if (!(r + g + b > 0)) {
          return;
        }
      }
      at.offsetOriginBehind();
      ox = at.ox;
      oy = at.oy;
      oz = at.oz;
    }
  }

  private void pass(float dx, float dy, float dz) {
    float there = at.opacity();
    straight[0] = straight[1] = straight[2] = 0;
    if (there > 0) {
      at.straight(dx, dy, dz, straight);
    }
    r *= 1 - there + there * straight[0];
    g *= 1 - there + there * straight[1];
    b *= 1 - there + there * straight[2];
  }
}

package levelember.patches;

import java.util.Arrays;
import levelember.light.LightSample;
import levelember.light.LightTree;
import levelember.light.ReferencePoint;

/**
 * Patches of surfaces that a light shines on, sampled as sources of the light that they reflect:
 * each is drawn by a {@link LightTree} with about what it gives to a point, and a place uniformly
 * over its area. They are to virtual lights (Keller 1997, "Instant Radiosity") what an area light
 * is to a point: a direction has a density, so that they are mixed with BSDF sampling. Immutable.
 */
public final class LitPatches {
  private final LightTree tree;

  /** For every patch of the set its triangle in the tree, or −1. */
  private final int[] triangleOf;

  /** For every triangle of the tree its patch. */
  private final int[] patchOf;

  /**
   * Some of the patches of a set.
   *
   * @param patches numbers of those that are lit, at least one
   * @param corners nine floats each: corners in the world, metres, counter-clockwise from the lit
   *     side
   * @param powers what each reflects, up to a factor
   * @param count of all patches of the set
   */
  public LitPatches(int[] patches, float[] corners, float[] powers, int count) {
    tree = new LightTree(corners, powers);
    patchOf = patches;
    triangleOf = new int[count];
    Arrays.fill(triangleOf, -1);
    for (int i = 0; i < patches.length; i++) {
      triangleOf[patches[i]] = i;
    }
  }

  /** How many patches are lit. */
  public int size() {
    return patchOf.length;
  }

  /**
   * Draws a patch and a place on it.
   *
   * @param choice in [0, 1), by which the patch is drawn
   * @param u in [0, 1), as v, by which the place is
   * @param to gets direction, distance and density
   * @return false where nothing was found that reflects towards the point
   */
  public boolean sample(ReferencePoint from, float choice, float u, float v, LightSample to) {
    LightTree.Sample drawn = to.chosen;
    tree.sample(from.x, from.y, from.z, from.nx, from.ny, from.nz, 1, choice, drawn);
    return drawn.chance[0] > 0 && tree.place(drawn.triangle[0], drawn.chance[0], from, u, v, to);
  }

  /** Number, among those of the set, of the patch that was drawn last. */
  public int patch(LightSample drawn) {
    return patchOf[drawn.triangle];
  }

  /**
   * Density per steradian with which {@link #sample} would have drawn a direction in which a patch
   * lies; 0 for patches that are not lit.
   *
   * @param patch number among those of the set
   * @param distance metres from the point to the place on the patch
   * @param by is worked with
   */
  public float density(
      int patch,
      ReferencePoint from,
      float dx,
      float dy,
      float dz,
      float distance,
      LightSample by) {
    int t = triangleOf[patch];
    return t < 0 ? 0 : tree.density(t, from, dx, dy, dz, distance, by.chosen);
  }
}

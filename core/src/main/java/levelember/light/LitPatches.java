package levelember.light;

import java.util.Arrays;
import levelember.math.Triangle;

/**
 * Patches of surfaces that a light shines on, sampled as sources of the light that they reflect:
 * each is drawn by a {@link LightTree} with about what it gives to a point, and a place uniformly
 * over its area. They are to virtual lights (Keller 1997, "Instant Radiosity") what an area light
 * is to a point: a direction has a density, so that they are mixed with BSDF sampling. Immutable.
 */
public final class LitPatches {
  /** Below this cosine a patch is seen too flat to be sampled. */
  private static final float LEAST_COSINE = 1e-4f;

  private final LightTree tree;

  /** For every patch of the set its triangle in the tree, or −1. */
  private final int[] triangleOf;

  /** For every triangle of the tree its patch. */
  private final int[] patchOf;

  /** What is sampled; one object a thread. */
  public static final class Sample {
    private final LightTree.Sample chosen = new LightTree.Sample();

    /** Unit direction to the place. */
    public float x, y, z;

    /** Metres to the place. */
    public float distance;

    /** Density of the direction, per steradian. */
    public float pdf;

    /** Number of the patch among those of the set. */
    public int patch;
  }

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
   * @return false where nothing was found that reflects towards the point
   */
  public boolean sample(ReferencePoint from, float choice, float u, float v, Sample to) {
    tree.sample(from.x, from.y, from.z, from.nx, from.ny, from.nz, 1, choice, to.chosen);
    if (!(to.chosen.chance[0] > 0)) {
      return false;
    }
    int t = to.chosen.triangle[0];
    float b = Triangle.second(u, v), c = Triangle.third(u, v), a = 1 - b - c;
    float x = blend(t, a, b, c, 0) - from.x;
    float y = blend(t, a, b, c, 1) - from.y;
    float z = blend(t, a, b, c, 2) - from.z;
    float d2 = x * x + y * y + z * z;
    to.distance = (float) Math.sqrt(d2);
    float s = 1 / to.distance;
    to.x = x * s;
    to.y = y * s;
    to.z = z * s;
    to.patch = patchOf[t];
    float cosine = cosine(t, to.x, to.y, to.z);
    if (!(d2 > 0) || !(cosine > LEAST_COSINE)) {
      return false;
    }
    to.pdf = (float) (to.chosen.chance[0] * d2 / (cosine * tree.area(t)));
    return true;
  }

  private float blend(int t, float a, float b, float c, int k) {
    return a * tree.corner(t, 0, k) + b * tree.corner(t, 1, k) + c * tree.corner(t, 2, k);
  }

  private float cosine(int t, float dx, float dy, float dz) {
    return -(dx * tree.normal(t, 0) + dy * tree.normal(t, 1) + dz * tree.normal(t, 2));
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
      int patch, ReferencePoint from, float dx, float dy, float dz, float distance, Sample by) {
    int t = triangleOf[patch];
    if (t < 0) {
      return 0;
    }
    float cosine = cosine(t, dx, dy, dz);
    if (!(cosine > LEAST_COSINE)) {
      return 0;
    }
    double chance = tree.chance(t, from.x, from.y, from.z, from.nx, from.ny, from.nz, by.chosen);
    return (float) (chance * distance * distance / (cosine * tree.area(t)));
  }
}

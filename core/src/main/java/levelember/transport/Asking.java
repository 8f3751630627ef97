package levelember.transport;

import levelember.light.RigTree;
import levelember.math.Points;

/**
 * Which lights a surface asks for light, and with how great a chance. Few lights are asked all, or
 * each with the same chance; of many those with a place are drawn from a {@link RigTree}, as many
 * shadow rays as a budget allows, so that a rig of hundreds costs little more than one of ten. One
 * object a thread.
 */
final class Asking {
  /** More lights than this are many. */
  static final int FEW = 16;

  private static final float[] SHARE = {1f, 0.5f, 0.35f, 0.25f};
  private static final int[] BUDGET = {12, 5, 3, 2};

  private final Scene scene;
  private final RigTree tree;
  private final boolean always;
  private final RigTree.Draw draw = new RigTree.Draw();
  private float chance = 1, chanceBefore = 1;
  private int budget, budgetBefore;
  private float x, y, z;
  private float xBefore, yBefore, zBefore;

  /** How many lights are asked at the surface. */
  int count;

  /** Numbers of the lights that are asked. */
  final int[] which;

  /** For each of these its chance, over 1 where it is drawn more than once. */
  final float[] how;

  /** For each of these whether it is drawn already, or to be asked with its chance. */
  final boolean[] drawn;

  Asking(Scene scene, boolean always) {
    this.scene = scene;
    this.always = always;
    boolean many = !always && scene.lights.length > FEW && !scene.rig.empty();
    tree = many ? scene.rig : null;
    int most = scene.lights.length + BUDGET[0];
    which = new int[most];
    how = new float[most];
    drawn = new boolean[most];
  }

  /**
   * Comes to a surface.
   *
   * @param spread how often the path has spread before
   * @param dimension of the points that the draws are made by
   */
  void at(float px, float py, float pz, int spread, Points points, int dimension) {
    int i = Math.min(spread, SHARE.length - 1);
    chance = always ? 1 : SHARE[i];
    count = 0;
    for (int k = 0; k < scene.lights.length; k++) {
      if (tree == null || !tree.has(k)) {
        which[count] = k;
        how[count] = chance;
        drawn[count++] = false;
      }
    }
    if (tree == null) {
      return;
    }
    x = px;
    y = py;
    z = pz;
    budget = BUDGET[i];
    float u = points.single(dimension);
    for (int n = 0; n < budget; n++) {
      tree.draw(px, py, pz, (n + u) / budget, draw);
      which[count] = draw.light;
      how[count] = budget * draw.chance;
      drawn[count++] = true;
    }
  }

  /** The chance with which the last surface that a path turned at asked a light. */
  float before(int light) {
    return tree == null || !tree.has(light)
        ? chanceBefore
        : budgetBefore * tree.chance(light, xBefore, yBefore, zBefore);
  }

  /** The path turns. */
  void turns() {
    chanceBefore = chance;
    budgetBefore = budget;
    xBefore = x;
    yBefore = y;
    zBefore = z;
  }
}

package levelember.transport;

import levelember.light.RigTree;
import levelember.math.Points;

/**
 * Which lights a surface asks for light, and with how great a chance. Few lights are asked all, or
 * each with the same chance; of many those with a place are drawn from a {@link RigTree}, as many
 * shadow rays as a budget allows, so that a rig of hundreds costs little more than one of ten. A
 * light of many parts is asked for several of them, as it were that many lights. One object a
 * thread.
 */
final class Asking {
  /** More lights than this are many. */
  static final int FEW = 16;

  private static final float[] SHARE = {1f, 0.5f, 0.35f, 0.25f};
  private static final int[] BUDGET = {12, 5, 3, 2};

  /** What of a light's parts is asked, against the first. */
  private static final int[] PARTS = {6, 3, 2, 2};

  private final Scene scene;
  private final RigTree tree;
  private final boolean always;
  private final RigTree.Draw draw = new RigTree.Draw();
  private float chance = 1, chanceBefore = 1;
  private int budget, budgetBefore;
  private int spread, spreadBefore;
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

  /** For each of these how many of its parts are asked. */
  final int[] parts;

  Asking(Scene scene, boolean always) {
    this.scene = scene;
    this.always = always;
    boolean many = !always && scene.lights.length > FEW && !scene.rig.empty();
    tree = many ? scene.rig : null;
    int most = scene.lights.length + BUDGET[0];
    which = new int[most];
    how = new float[most];
    drawn = new boolean[most];
    parts = new int[most];
  }

  /**
   * Comes to a surface.
   *
   * @param spread how often the path has spread before
   * @param dimension of the points that the draws are made by
   */
  void at(float px, float py, float pz, int spread, Points points, int dimension) {
    int i = Math.min(spread, SHARE.length - 1);
    this.spread = i;
    x = px;
    y = py;
    z = pz;
    chance = always ? 1 : SHARE[i];
    count = 0;
    for (int k = 0; k < scene.lights.length; k++) {
      if (tree == null || !tree.has(k)) {
        int asked = parts(k, i, px, py, pz);
        which[count] = k;
        how[count] = asked > 1 ? asked : chance;
        parts[count] = asked;
        drawn[count++] = asked > 1;
      }
    }
    if (tree == null) {
      return;
    }
    budget = BUDGET[i];
    float u = points.single(dimension);
    for (int n = 0; n < budget; n++) {
      tree.draw(px, py, pz, (n + u) / budget, draw);
      which[count] = draw.light;
      how[count] = budget * draw.chance;
      parts[count] = 1;
      drawn[count++] = true;
    }
  }

  /** How many parts of a light are asked: of many a share, the smaller the more it has spread. */
  private int parts(int light, int spread, float px, float py, float pz) {
    int all = scene.lights[light].parts(px, py, pz);
    return all == 1 || always ? all : (all * PARTS[spread] + PARTS[0] - 1) / PARTS[0];
  }

  /** The chance with which the last surface that a path turned at asked a light. */
  float before(int light) {
    if (tree != null && tree.has(light)) {
      return budgetBefore * tree.chance(light, xBefore, yBefore, zBefore);
    }
    int asked = parts(light, spreadBefore, xBefore, yBefore, zBefore);
    return asked > 1 ? asked : chanceBefore;
  }

  /** The path turns. */
  void turns() {
    chanceBefore = chance;
    budgetBefore = budget;
    spreadBefore = spread;
    xBefore = x;
    yBefore = y;
    zBefore = z;
  }
}

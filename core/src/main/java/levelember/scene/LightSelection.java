package levelember.scene;

import levelember.math.Sampler;

/**
 * Selects the lights that next-event estimation samples at a vertex, and at which rate. Of few
 * lights all, or each with the same probability; of many those with a place by importance, through
 * a {@link RigTree}, as many shadow rays as a budget allows, so that a rig of hundreds costs little
 * more than one of ten. A light of many parts is sampled several times, as it were that many
 * lights. One object a thread.
 */
public final class LightSelection {
  /** More lights than this are many. */
  static final int FEW = 16;

  /** Probability of a light by the number of rough vertices before. */
  private static final float[] PROBABILITY = {1f, 0.5f, 0.35f, 0.25f};

  /** Samples of many lights together, by the same number. */
  private static final int[] BUDGET = {12, 5, 3, 2};

  /** Share of a light's parts that is sampled, against the first, by the same number. */
  private static final int[] PARTS = {6, 3, 2, 2};

  private final Scene scene;
  private final RigTree tree;
  private final boolean always;
  private final RigTree.Sample chosen = new RigTree.Sample();
  private float probability = 1, previousProbability = 1;
  private int budget, previousBudget;
  private int rough, previousRough;
  private float x, y, z;
  private float previousX, previousY, previousZ;

  /** How many lights are selected; one may be more than once. */
  public int count;

  /** Numbers of the selected lights. */
  public final int[] light;

  /** For each the mean number of its samples, all entries of the same light together. */
  public final float[] rate;

  /** For each whether it is to be sampled for certain, or with its rate as a probability. */
  public final boolean[] sampled;

  /** For each how many of its parts are sampled. */
  public final int[] parts;

  public LightSelection(Scene scene, boolean always) {
    this.scene = scene;
    this.always = always;
    boolean many = !always && scene.lights.length > FEW && !scene.rig.empty();
    tree = many ? scene.rig : null;
    int most = scene.lights.length + BUDGET[0];
    light = new int[most];
    rate = new float[most];
    sampled = new boolean[most];
    parts = new int[most];
  }

  /**
   * Selects at a point.
   *
   * @param roughVertices of the path before
   * @param dimension of the sample points that many lights are drawn by
   */
  public void select(
      float px, float py, float pz, int roughVertices, Sampler points, int dimension) {
    int i = Math.min(roughVertices, PROBABILITY.length - 1);
    rough = i;
    x = px;
    y = py;
    z = pz;
    probability = always ? 1 : PROBABILITY[i];
    count = 0;
    for (int k = 0; k < scene.lights.length; k++) {
      if (tree == null || !tree.has(k)) {
        int samples = parts(k, i, px, py, pz);
        light[count] = k;
        rate[count] = samples > 1 ? samples : probability;
        parts[count] = samples;
        sampled[count++] = samples > 1;
      }
    }
    if (tree == null) {
      return;
    }
    budget = BUDGET[i];
    float u = points.single(dimension);
    for (int n = 0; n < budget; n++) {
      tree.sample(px, py, pz, (n + u) / budget, chosen);
      light[count] = chosen.light;
      rate[count] = budget * chosen.chance;
      parts[count] = 1;
      sampled[count++] = true;
    }
  }

  /**
   * The rate of a light without parts, of few, at a vertex.
   *
   * @param roughVertices of the path before
   */
  public float rateOfFew(int roughVertices) {
    return always ? 1 : PROBABILITY[Math.min(roughVertices, PROBABILITY.length - 1)];
  }

  /** How many parts of a light are sampled: of many a share, the smaller the rougher the path. */
  private int parts(int light, int rough, float px, float py, float pz) {
    int all = scene.lights[light].parts(px, py, pz);
    return all == 1 || always ? all : (all * PARTS[rough] + PARTS[0] - 1) / PARTS[0];
  }

  /** The rate of a light at the last vertex of the path. */
  public float previousRate(int light) {
    if (tree != null && tree.has(light)) {
      return previousBudget * tree.chance(light, previousX, previousY, previousZ);
    }
    int samples = parts(light, previousRough, previousX, previousY, previousZ);
    return samples > 1 ? samples : previousProbability;
  }

  /** The point selected at last becomes a vertex of the path. */
  public void vertex() {
    previousProbability = probability;
    previousBudget = budget;
    previousRough = rough;
    previousX = x;
    previousY = y;
    previousZ = z;
  }
}

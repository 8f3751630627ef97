package levelember.light;

import java.util.Arrays;
import levelember.math.Triangle;

/**
 * A tree over shining triangles from which some are drawn by what they may give to a surface: power
 * over squared distance, bounded by balls, by cones of normals and by the surface's own normal.
 *
 * <p>Method: Conty Estévez and Kulla 2018, "Importance Sampling of Many Lights with Adaptive Tree
 * Splitting", with more than two children a node ({@link ImportanceBound}); instead of splitting,
 * the draws of one surface are strata of one number and go down together. Triangles shine from the
 * side that they are wound counter-clockwise seen from.
 */
public final class LightTree {
  private static final int NODE = ImportanceBound.NUMBERS * ImportanceBound.LANES;

  /** Cosine at a triangle from which on it is seen. */
  private static final float LEAST_FACING = 1e-6f;

  /** Most triangles that are drawn at one surface. */
  static final int MOST = 6;

  private final ImportanceBound bound = ImportanceBound.ofMachine();
  private final float[] triangles;
  private final float[] normals;
  private final float[] areas;

  /** What each triangle emits, up to a factor. */
  private final float[] powers;

  /** Sum of the areas of all triangles before each, and of all. */
  private final double[] areasBefore;

  /** Bound of all: least x y z, greatest x y z, axis x y z, half angle of the normals, power. */
  private final float[] whole;

  private final float[] nodes;

  /** Of every lane of every node its child, or minus one less a triangle. */
  private final int[] children;

  /** Of every node the lane of its parent. */
  private final int[] parents;

  private final int[] leaves;
  private int used;

  /** The triangles drawn last are left here, and with which chance each was; 0 for none. */
  public static final class Sample {
    public final int[] triangle = new int[MOST];
    public final double[] chance = new double[MOST];
    private final float[] importance = new float[ImportanceBound.LANES];

    // Nodes that draws have still to go down from: the draws, and what part of all numbers is
    // theirs.
    private final int[] node = new int[MOST];
    private final int[] first = new int[MOST];
    private final int[] end = new int[MOST];
    private final double[] least = new double[MOST];
    private final double[] part = new double[MOST];
    private int waiting;

    private void wait(int at, int from, int to, double low, double share) {
      node[waiting] = at;
      first[waiting] = from;
      end[waiting] = to;
      least[waiting] = low;
      part[waiting++] = share;
    }
  }

  /**
   * Builds the tree of triangles that emit alike.
   *
   * @param triangles nine floats each: three corners in the world, metres; at least one
   */
  public LightTree(float[] triangles) {
    this(triangles, null);
  }

  /**
   * Builds the tree.
   *
   * @param triangles nine floats each: three corners in the world, metres; at least one
   * @param powers what each triangle emits, up to a factor; null for its area
   */
  public LightTree(float[] triangles, float[] powers) {
    this.triangles = triangles;
    int count = triangles.length / 9;
    normals = new float[3 * count];
    areas = new float[count];
    for (int i = 0; i < count; i++) {
      measure(i);
    }
    this.powers = powers == null ? areas : powers;
    areasBefore = new double[count + 1];
    for (int i = 0; i < count; i++) {
      areasBefore[i + 1] = areasBefore[i] + areas[i];
    }
    LightTreeBuild build = new LightTreeBuild(this, count);
    whole = build.whole();
    leaves = new int[count];
    int all = count(build, 0);
    nodes = new float[NODE * all];
    children = new int[ImportanceBound.LANES * all];
    parents = new int[all];
    join(build, 0, -1);
  }

  private static int count(LightTreeBuild build, int from) {
    int[] below = new int[ImportanceBound.LANES];
    int all = 1;
    for (int k = build.children(from, below) - 1; k >= 0; k--) {
      all += build.leaf(below[k]) ? 0 : count(build, below[k]);
    }
    return all;
  }

  private int join(LightTreeBuild build, int from, int parent) {
    int node = used++;
    parents[node] = parent;
    int[] below = new int[ImportanceBound.LANES];
    int count = build.children(from, below);
    for (int k = 0; k < count; k++) {
      build.look(below[k], nodes, NODE * node + k);
      int lane = ImportanceBound.LANES * node + k;
      if (build.leaf(below[k])) {
        children[lane] = -1 - build.triangle(below[k]);
        leaves[build.triangle(below[k])] = lane;
      } else {
        children[lane] = join(build, below[k], lane);
      }
    }
    return node;
  }

  private void measure(int i) {
    float[] t = triangles;
    int a = 9 * i;
    double ux = t[a + 3] - t[a], uy = t[a + 4] - t[a + 1], uz = t[a + 5] - t[a + 2];
    double vx = t[a + 6] - t[a], vy = t[a + 7] - t[a + 1], vz = t[a + 8] - t[a + 2];
    double x = uy * vz - uz * vy, y = uz * vx - ux * vz, z = ux * vy - uy * vx;
    double l = Math.sqrt(x * x + y * y + z * z);
    areas[i] = (float) (l / 2);
    double s = l > 0 ? 1 / l : 0;
    normals[3 * i] = (float) (x * s);
    normals[3 * i + 1] = (float) (y * s);
    normals[3 * i + 2] = (float) (z * s);
  }

  int triangles() {
    return areas.length;
  }

  /** Area of all triangles before one; of all for {@link #triangles}. */
  double areaBefore(int triangle) {
    return areasBefore[triangle];
  }

  /** The triangle at which the areas of those before it come up to a value. */
  int at(double area) {
    int at = Arrays.binarySearch(areasBefore, area);
    int triangle = Math.clamp(at < 0 ? -at - 2 : at, 0, areas.length - 1);
    while (areas[triangle] == 0 && triangle < areas.length - 1) {
      triangle++;
    }
    return triangle;
  }

  float area(int triangle) {
    return areas[triangle];
  }

  float power(int triangle) {
    return powers[triangle];
  }

  float normal(int triangle, int k) {
    return normals[3 * triangle + k];
  }

  float corner(int triangle, int corner, int k) {
    return triangles[9 * triangle + 3 * corner + k];
  }

  float centre(int triangle, int k) {
    int a = 9 * triangle + k;
    return (triangles[a] + triangles[a + 3] + triangles[a + 6]) / 3;
  }

  /**
   * How many triangles are drawn at a place: one from afar, more the larger all of it is seen, at
   * most {@link #MOST}.
   */
  int parts(float px, float py, float pz) {
    int most = Math.min(MOST, areas.length);
    double part = most * reach2() / Math.max(away2(px, py, pz), 1e-30);
    return part >= most ? most : 1 + (int) part;
  }

  /**
   * Draws triangles for a surface.
   *
   * @param nx normal of the side that is lit; all three 0 where both are
   * @param count how many, 1 to {@link #MOST}
   * @param u in [0, 1)
   */
  public void sample(
      float px, float py, float pz, float nx, float ny, float nz, int count, double u, Sample to) {
    float[] importances = to.importance;
    to.waiting = 0;
    to.wait(0, 0, count, 0, 1);
    double stratum = 1.0 / count;
    while (to.waiting > 0) {
      int at = --to.waiting;
      int node = to.node[at];
      int next = to.first[at], end = to.end[at];
      double low = to.least[at];
      bound.of(nodes, NODE * node, px, py, pz, nx, ny, nz, importances);
      double sum = 0;
      int last = -1;
      for (int k = 0; k < ImportanceBound.LANES; k++) {
        sum += importances[k];
        last = importances[k] > 0 ? k : last;
      }
      for (; last < 0 && next < end; next++) {
        to.chance[next] = 0;
      }
      double scale = to.part[at] / sum;
      for (int k = 0; next < end; k++) {
        double share = scale * importances[k];
        if (share == 0) {
          continue;
        }
        int from = next;
        double high = k == last ? 2 : low + share;
        while (next < end && (next + u) * stratum < high) {
          next++;
        }
        if (next > from) {
          int child = children[ImportanceBound.LANES * node + k];
          if (child >= 0) {
            to.wait(child, from, next, low, share);
          } else {
            for (int i = from; i < next; i++) {
              to.triangle[i] = -1 - child;
              to.chance[i] = share;
            }
          }
        }
        low += share;
      }
    }
  }

  /**
   * The chance with which each draw of {@link #sample} draws a triangle for a surface.
   *
   * @param by is worked with; what was drawn into it stays
   */
  double chance(
      int triangle, float px, float py, float pz, float nx, float ny, float nz, Sample by) {
    double chance = 1;
    float[] importances = by.importance;
    for (int lane = leaves[triangle]; lane >= 0; lane = parents[lane / ImportanceBound.LANES]) {
      bound.of(nodes, NODE * (lane / ImportanceBound.LANES), px, py, pz, nx, ny, nz, importances);
      float own = importances[lane % ImportanceBound.LANES];
      if (!(own > 0)) {
        return 0;
      }
      double sum = 0;
      for (int k = 0; k < ImportanceBound.LANES; k++) {
        sum += importances[k];
      }
      chance *= own / sum;
    }
    return chance;
  }

  /**
   * A place on a triangle that was drawn, uniform over its area, as seen from a point.
   *
   * @param chance with which the triangle was drawn
   * @param u in [0, 1), as v
   * @param to gets direction, distance, density per steradian and the place
   * @return false where the point lies behind the triangle or in its plane
   */
  public boolean place(
      int triangle, double chance, ReferencePoint from, float u, float v, LightSample to) {
    float b = Triangle.second(u, v), c = Triangle.third(u, v), a = 1 - b - c;
    float x = blend(triangle, a, b, c, 0) - from.x;
    float y = blend(triangle, a, b, c, 1) - from.y;
    float z = blend(triangle, a, b, c, 2) - from.z;
    float d2 = x * x + y * y + z * z;
    float d = (float) Math.sqrt(d2);
    float s = 1 / d;
    to.x = x * s;
    to.y = y * s;
    to.z = z * s;
    to.distance = d;
    float facing = facing(triangle, to.x, to.y, to.z);
    if (!(facing > LEAST_FACING) || !(d2 > 0)) {
      return false;
    }
    to.pdf = (float) (chance * d2 / (facing * areas[triangle]));
    to.delta = false;
    to.triangle = triangle;
    to.second = b;
    to.third = c;
    return to.pdf > 0;
  }

  private float blend(int t, float a, float b, float c, int k) {
    return a * corner(t, 0, k) + b * corner(t, 1, k) + c * corner(t, 2, k);
  }

  private float facing(int t, float dx, float dy, float dz) {
    return -(dx * normals[3 * t] + dy * normals[3 * t + 1] + dz * normals[3 * t + 2]);
  }

  /**
   * Density per steradian with which {@link #sample} and {@link #place} would have drawn the place
   * that a ray from a surface has hit.
   *
   * @param distance metres from the point
   * @param by is worked with; what was drawn into it stays
   */
  public float density(
      int triangle, ReferencePoint from, float dx, float dy, float dz, float distance, Sample by) {
    float facing = facing(triangle, dx, dy, dz);
    if (!(facing > LEAST_FACING)) {
      return 0;
    }
    double chance = chance(triangle, from.x, from.y, from.z, from.nx, from.ny, from.nz, by);
    return (float) (chance * distance * distance / (facing * areas[triangle]));
  }

  /** About the illuminance that all of it gives at a place: its power from its box's middle. */
  float importance(float px, float py, float pz) {
    double power = whole[10];
    return (float) (power / (Math.max(away2(px, py, pz), reach2()) + power));
  }

  /** Squared metres from the middle of all. */
  private double away2(float px, float py, float pz) {
    return sq(0.5 * (whole[0] + whole[3]) - px)
        + sq(0.5 * (whole[1] + whole[4]) - py)
        + sq(0.5 * (whole[2] + whole[5]) - pz);
  }

  /** Squared metres from the middle of all to its corners. */
  private double reach2() {
    return 0.25 * (sq(whole[3] - whole[0]) + sq(whole[4] - whole[1]) + sq(whole[5] - whole[2]));
  }

  private static double sq(double v) {
    return v * v;
  }

  /** Writes the box of all of it. */
  boolean box(float[] to) {
    System.arraycopy(whole, 0, to, 0, 6);
    return true;
  }
}

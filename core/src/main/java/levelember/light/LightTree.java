package levelember.light;

import java.util.Arrays;
import levelember.math.Trig;

/**
 * A tree over shining triangles from which one is drawn by what it may give to a point: power over
 * squared distance, bounded by boxes and by cones of normals.
 *
 * <p>Method: Conty Estévez and Kulla 2018, "Importance Sampling of Many Lights with Adaptive Tree
 * Splitting", without splitting; built by their surface area and orientation rule over bins.
 * Triangles shine from the side that they are wound counter-clockwise seen from.
 */
final class LightTree {
  private static final int BINS = 12;
  private static final int NODE = 13;
  private static final double BENDS_TO = Math.PI / 2;

  // A node: least x y z, greatest x y z, axis x y z, half angle of the normals, power, then right
  // child or triangle, and 1 for a leaf.
  private final float[] nodes;
  private final int[] parent;
  private final int[] leafOf;
  private final float[] triangles;
  private final float[] normals;
  private final float[] areas;
  private int used;

  /** The number drawn last is left here, and the chance with which it was drawn. */
  static final class Draw {
    int triangle;
    double chance;
  }

  /**
   * Builds the tree.
   *
   * @param triangles nine floats each: three corners in the world, metres; at least one
   */
  LightTree(float[] triangles) {
    this.triangles = triangles;
    int count = triangles.length / 9;
    normals = new float[3 * count];
    areas = new float[count];
    for (int i = 0; i < count; i++) {
      measure(i);
    }
    nodes = new float[NODE * (2 * count - 1)];
    parent = new int[2 * count - 1];
    leafOf = new int[count];
    int[] order = new int[count];
    Arrays.setAll(order, i -> i);
    build(order, 0, count, -1);
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

  float area(int triangle) {
    return areas[triangle];
  }

  float normal(int triangle, int k) {
    return normals[3 * triangle + k];
  }

  float corner(int triangle, int corner, int k) {
    return triangles[9 * triangle + 3 * corner + k];
  }

  private float centre(int triangle, int k) {
    int a = 9 * triangle + k;
    return (triangles[a] + triangles[a + 3] + triangles[a + 6]) / 3;
  }

  private int build(int[] order, int from, int to, int above) {
    int node = used++;
    parent[node] = above;
    float[] bound = new float[NODE];
    clear(bound);
    for (int i = from; i < to; i++) {
      join(bound, single(order[i]));
    }
    System.arraycopy(bound, 0, nodes, NODE * node, NODE);
    if (to - from == 1) {
      nodes[NODE * node + 11] = Float.intBitsToFloat(order[from]);
      nodes[NODE * node + 12] = 1;
      leafOf[order[from]] = node;
      return node;
    }
    int cut = cut(order, from, to);
    build(order, from, cut, node);
    nodes[NODE * node + 11] = Float.intBitsToFloat(build(order, cut, to, node));
    return node;
  }

  private int cut(int[] order, int from, int to) {
    double best = Double.MAX_VALUE;
    int bestAxis = -1, bestBin = 0;
    float bestLeast = 0, bestScale = 0;
    for (int k = 0; k < 3; k++) {
      float least = Float.MAX_VALUE, most = -Float.MAX_VALUE;
      for (int i = from; i < to; i++) {
        least = Math.min(least, centre(order[i], k));
        most = Math.max(most, centre(order[i], k));
      }
      if (!(most > least)) {
        continue;
      }
      float scale = BINS * 0.9999f / (most - least);
      float[][] bins = new float[BINS][NODE];
      int[] many = new int[BINS];
      for (float[] bin : bins) {
        clear(bin);
      }
      for (int i = from; i < to; i++) {
        int bin = (int) ((centre(order[i], k) - least) * scale);
        many[bin]++;
        join(bins[bin], single(order[i]));
      }
      for (int split = 1; split < BINS; split++) {
        float[] left = new float[NODE], right = new float[NODE];
        clear(left);
        clear(right);
        int n = 0;
        for (int bin = 0; bin < BINS; bin++) {
          if (many[bin] > 0) {
            join(bin < split ? left : right, bins[bin]);
            n += bin < split ? many[bin] : 0;
          }
        }
        if (n == 0 || n == to - from) {
          continue;
        }
        double cost = cost(left) + cost(right);
        if (cost < best) {
          best = cost;
          bestAxis = k;
          bestBin = split;
          bestLeast = least;
          bestScale = scale;
        }
      }
    }
    if (bestAxis < 0) {
      return (from + to) >>> 1;
    }
    int i = from, j = to - 1;
    while (i <= j) {
      if ((int) ((centre(order[i], bestAxis) - bestLeast) * bestScale) < bestBin) {
        i++;
      } else {
        int swap = order[i];
        order[i] = order[j];
        order[j--] = swap;
      }
    }
    return i;
  }

  private float[] single(int triangle) {
    float[] b = new float[NODE];
    for (int k = 0; k < 3; k++) {
      float p = corner(triangle, 0, k), q = corner(triangle, 1, k), r = corner(triangle, 2, k);
      b[k] = Math.min(p, Math.min(q, r));
      b[3 + k] = Math.max(p, Math.max(q, r));
      b[6 + k] = normal(triangle, k);
    }
    b[10] = area(triangle);
    return b;
  }

  private static void clear(float[] b) {
    Arrays.fill(b, 0, 3, Float.MAX_VALUE);
    Arrays.fill(b, 3, 6, -Float.MAX_VALUE);
    Arrays.fill(b, 6, NODE, 0);
    b[9] = -1;
  }

  private static void join(float[] b, float[] o) {
    for (int k = 0; k < 3; k++) {
      b[k] = Math.min(b[k], o[k]);
      b[3 + k] = Math.max(b[3 + k], o[3 + k]);
    }
    b[10] += o[10];
    if (b[9] < 0) {
      System.arraycopy(o, 6, b, 6, 4);
      return;
    }
    double cos = b[6] * o[6] + b[7] * o[7] + b[8] * o[8];
    double between = Trig.arcCosine(cos);
    double wide = Math.max(b[9], o[9]), narrow = Math.min(b[9], o[9]);
    if (Math.min(between + narrow, Math.PI) <= wide) {
      if (o[9] > b[9]) {
        System.arraycopy(o, 6, b, 6, 4);
      }
      return;
    }
    double half = (between + wide + narrow) / 2;
    if (half >= Math.PI || between > Math.PI - 1e-3) {
      b[9] = (float) Math.PI;
      return;
    }
    // Turn the axis from this cone's towards the other's.
    double turn = half - b[9];
    double sin = Math.sin(between);
    double x = Math.sin(between - turn) / sin, y = Math.sin(turn) / sin;
    for (int k = 6; k < 9; k++) {
      b[k] = (float) (x * b[k] + y * o[k]);
    }
    b[9] = (float) half;
  }

  private static double cost(float[] b) {
    double x = b[3] - b[0], y = b[4] - b[1], z = b[5] - b[2];
    double area = x * y + y * z + z * x;
    double o = b[9], w = Math.min(o + BENDS_TO, Math.PI);
    double spread =
        2 * Math.PI * (1 - Math.cos(o))
            + Math.PI
                / 2
                * (2 * w * Math.sin(o) - Math.cos(o - 2 * w) - 2 * o * Math.sin(o) + Math.cos(o));
    return b[10] * Math.max(area, 1e-12) * spread;
  }

  /** What a node may give to a point, up to a factor. */
  private double importance(int node, float px, float py, float pz) {
    int at = NODE * node;
    double cx = 0.5 * (nodes[at] + nodes[at + 3]) - px;
    double cy = 0.5 * (nodes[at + 1] + nodes[at + 4]) - py;
    double cz = 0.5 * (nodes[at + 2] + nodes[at + 5]) - pz;
    double hx = 0.5 * (nodes[at + 3] - nodes[at]);
    double hy = 0.5 * (nodes[at + 4] - nodes[at + 1]);
    double hz = 0.5 * (nodes[at + 5] - nodes[at + 2]);
    double d2 = cx * cx + cy * cy + cz * cz, r2 = hx * hx + hy * hy + hz * hz;
    if (d2 <= r2 * 1.0001) {
      return nodes[at + 10] / Math.max(r2, 1e-30);
    }
    double d = Math.sqrt(d2);
    double cos = -(cx * nodes[at + 6] + cy * nodes[at + 7] + cz * nodes[at + 8]) / d;
    double seen = Math.PI / 2 - Trig.arcCosine(Math.sqrt(r2 / d2));
    double off = Trig.arcCosine(cos) - nodes[at + 9] - seen;
    if (off >= BENDS_TO) {
      return 0;
    }
    return nodes[at + 10] * (off <= 0 ? 1 : Trig.cosine(off / (2 * Math.PI))) / d2;
  }

  /** Draws a triangle for a point by one number in [0, 1); false when none can give anything. */
  boolean draw(float px, float py, float pz, double u, Draw to) {
    int node = 0;
    double chance = 1;
    while (nodes[NODE * node + 12] == 0) {
      int right = Float.floatToRawIntBits(nodes[NODE * node + 11]);
      double a = importance(node + 1, px, py, pz), b = importance(right, px, py, pz);
      if (!(a + b > 0)) {
        return false;
      }
      double left = a / (a + b);
      if (u < left) {
        u /= left;
        chance *= left;
        node++;
      } else {
        u = (u - left) / (1 - left);
        chance *= 1 - left;
        node = right;
      }
    }
    to.triangle = Float.floatToRawIntBits(nodes[NODE * node + 11]);
    to.chance = chance;
    return true;
  }

  /** The chance with which {@link #draw} draws a triangle for a point. */
  double chance(int triangle, float px, float py, float pz) {
    double chance = 1;
    for (int node = leafOf[triangle]; parent[node] >= 0; node = parent[node]) {
      int above = parent[node];
      int right = Float.floatToRawIntBits(nodes[NODE * above + 11]);
      double own = importance(node, px, py, pz);
      double other = importance(node == right ? above + 1 : right, px, py, pz);
      if (!(own > 0)) {
        return 0;
      }
      chance *= own / (own + other);
    }
    return chance;
  }

  /** About the illuminance that all of it gives at a place: its power from its box's middle. */
  float nearness(float px, float py, float pz) {
    double x = 0.5 * (nodes[0] + nodes[3]) - px;
    double y = 0.5 * (nodes[1] + nodes[4]) - py;
    double z = 0.5 * (nodes[2] + nodes[5]) - pz;
    double reach =
        0.25 * (sq(nodes[3] - nodes[0]) + sq(nodes[4] - nodes[1]) + sq(nodes[5] - nodes[2]));
    double power = nodes[10];
    return (float) (power / (Math.max(x * x + y * y + z * z, reach) + power));
  }

  private static double sq(double v) {
    return v * v;
  }

  /** Writes the box of all of it. */
  boolean box(float[] to) {
    System.arraycopy(nodes, 0, to, 0, 6);
    return true;
  }
}

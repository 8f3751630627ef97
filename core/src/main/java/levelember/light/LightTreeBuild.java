package levelember.light;

import java.util.Arrays;
import java.util.concurrent.RecursiveAction;
import levelember.math.Trig;

/**
 * Sorts the triangles of a {@link LightTree}: a tree of two children a node by the surface area and
 * orientation rule over bins (Conty Estévez and Kulla 2018), then joined to one of {@link
 * ImportanceBound#LANES}.
 */
final class LightTreeBuild {
  private static final int BINS = 12;
  private static final int OWN_TASK = 1024;

  /** Ranges of so few triangles are parted along their widest axis alone. */
  private static final int FEW = 8;

  // Of a bound: least x y z, greatest x y z, axis x y z, half angle of the normals, power.
  private static final int BOUND = 11;

  private final LightTree tree;
  private final float[][] bounds;

  /** Right child, or minus one less the triangle of a leaf; the left child follows its parent. */
  private final int[] right;

  private final float[][] singles;

  LightTreeBuild(LightTree tree, int count) {
    this.tree = tree;
    bounds = new float[2 * count - 1][];
    right = new int[2 * count - 1];
    int[] order = new int[count];
    Arrays.setAll(order, i -> i);
    singles = new float[count][];
    Arrays.parallelSetAll(singles, this::single);
    Part whole = new Part(order, 0, count, 0);
    if (count > OWN_TASK) {
      whole.fork().join();
    } else {
      whole.compute();
    }
  }

  /** Bound of all: least x y z, greatest x y z, axis x y z, half angle of the normals, power. */
  float[] whole() {
    return bounds[0];
  }

  /** True for a tree of one triangle. */
  boolean leaf(int node) {
    return right[node] < 0;
  }

  /** The triangle of a leaf. */
  int triangle(int node) {
    return -1 - right[node];
  }

  /**
   * The nodes below a node that are its children when {@link ImportanceBound#LANES} may be: the
   * greatest are opened first.
   *
   * @param to gets their numbers
   * @return how many
   */
  int children(int node, int[] to) {
    int count = 1;
    to[0] = node;
    while (count < ImportanceBound.LANES) {
      int most = -1;
      double greatest = -1;
      for (int i = 0; i < count; i++) {
        if (!leaf(to[i]) && cost(bounds[to[i]]) > greatest) {
          greatest = cost(bounds[to[i]]);
          most = i;
        }
      }
      if (most < 0) {
        break;
      }
      to[count++] = right[to[most]];
      to[most]++;
    }
    return count;
  }

  /** Writes what {@link ImportanceBound} wants of a node. */
  void look(int node, float[] to, int at) {
    float[] bound = bounds[node];
    double r2 = 0;
    for (int k = 0; k < 3; k++) {
      to[at + k * ImportanceBound.LANES] = 0.5f * (bound[k] + bound[3 + k]);
      double half = 0.5 * (bound[3 + k] - bound[k]);
      r2 += half * half;
      to[at + (4 + k) * ImportanceBound.LANES] = bound[6 + k];
    }
    to[at + 3 * ImportanceBound.LANES] = (float) r2;
    to[at + 7 * ImportanceBound.LANES] = (float) StrictMath.cos(bound[9]);
    to[at + 8 * ImportanceBound.LANES] = (float) StrictMath.sin(bound[9]);
    to[at + 9 * ImportanceBound.LANES] = bound[10];
  }

  /** Builds a subtree; its nodes follow each other, two less one for each triangle. */
  private final class Part extends RecursiveAction {
    private static final long serialVersionUID = 1L;
    private final int[] order;
    private final int from, to, node;

    Part(int[] order, int from, int to, int node) {
      this.order = order;
      this.from = from;
      this.to = to;
      this.node = node;
    }

    @Override
    protected void compute() {
      float[] bound = new float[BOUND];
      clear(bound);
      for (int i = from; i < to; i++) {
        LightTreeBuild.join(bound, singles[order[i]]);
      }
      bounds[node] = bound;
      if (to - from == 1) {
        right[node] = -1 - order[from];
        return;
      }
      int cut = new Cut(order, from, to).part();
      int other = node + 2 * (cut - from);
      right[node] = other;
      Part first = new Part(order, from, cut, node + 1), second = new Part(order, cut, to, other);
      if (to - from > OWN_TASK) {
        invokeAll(first, second);
      } else {
        first.compute();
        second.compute();
      }
    }
  }

  /** The cheapest plane that parts a range. */
  private final class Cut {
    private final int[] order;
    private final int from, to;
    private final float[][] bins = new float[BINS][BOUND];
    private final int[] many = new int[BINS];

    /** Costs of what lies from a bin on, and what lies before it. */
    private final double[] after = new double[BINS];

    private final float[] run = new float[BOUND];
    private final float[] least = new float[3], span = new float[3];
    private double best = Double.MAX_VALUE;
    private int bestAxis = -1, bestBin;
    private float bestLeast, bestScale;

    Cut(int[] order, int from, int to) {
      this.order = order;
      this.from = from;
      this.to = to;
    }

    /** Sorts the range about the plane; answers where its second part begins. */
    int part() {
      spans();
      int widest = span[0] >= span[1] && span[0] >= span[2] ? 0 : span[1] >= span[2] ? 1 : 2;
      for (int k = 0; k < 3; k++) {
        if (span[k] > 0 && (to - from > FEW || k == widest)) {
          look(k);
        }
      }
      if (bestAxis < 0) {
        return (from + to) >>> 1;
      }
      int i = from, j = to - 1;
      while (i <= j) {
        if ((int) ((tree.centre(order[i], bestAxis) - bestLeast) * bestScale) < bestBin) {
          i++;
        } else {
          int swap = order[i];
          order[i] = order[j];
          order[j--] = swap;
        }
      }
      return i;
    }

    private void spans() {
      for (int k = 0; k < 3; k++) {
        float low = Float.MAX_VALUE, high = -Float.MAX_VALUE;
        for (int i = from; i < to; i++) {
          low = Math.min(low, tree.centre(order[i], k));
          high = Math.max(high, tree.centre(order[i], k));
        }
        least[k] = low;
        span[k] = high - low;
      }
    }

    private void look(int k) {
      float least = this.least[k];
      float scale = BINS * 0.9999f / span[k];
      for (int bin = 0; bin < BINS; bin++) {
        clear(bins[bin]);
        many[bin] = 0;
      }
      for (int i = from; i < to; i++) {
        int bin = (int) ((tree.centre(order[i], k) - least) * scale);
        many[bin]++;
        join(bins[bin], singles[order[i]]);
      }
      clear(run);
      for (int bin = BINS - 1; bin > 0; bin--) {
        if (many[bin] > 0) {
          join(run, bins[bin]);
          after[bin] = cost(run);
        }
      }
      clear(run);
      double before = 0;
      boolean some = false;
      for (int bin = 0; bin < BINS; bin++) {
        // Planes beside an empty bin part alike: the last of them is looked at.
        if (many[bin] == 0) {
          continue;
        }
        if (some && before + after[bin] < best) {
          best = before + after[bin];
          bestAxis = k;
          bestBin = bin;
          bestLeast = least;
          bestScale = scale;
        }
        join(run, bins[bin]);
        before = cost(run);
        some = true;
      }
    }
  }

  private float[] single(int triangle) {
    float[] b = new float[BOUND];
    for (int k = 0; k < 3; k++) {
      float p = tree.corner(triangle, 0, k),
          q = tree.corner(triangle, 1, k),
          r = tree.corner(triangle, 2, k);
      b[k] = Math.min(p, Math.min(q, r));
      b[3 + k] = Math.max(p, Math.max(q, r));
      b[6 + k] = tree.normal(triangle, k);
    }
    b[10] = tree.power(triangle);
    return b;
  }

  private static void clear(float[] b) {
    Arrays.fill(b, 0, 3, Float.MAX_VALUE);
    Arrays.fill(b, 3, 6, -Float.MAX_VALUE);
    Arrays.fill(b, 6, BOUND, 0);
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
    double sin = StrictMath.sin(between);
    double x = StrictMath.sin(between - turn) / sin, y = StrictMath.sin(turn) / sin;
    for (int k = 6; k < 9; k++) {
      b[k] = (float) (x * b[k] + y * o[k]);
    }
    b[9] = (float) half;
  }

  private static double cost(float[] b) {
    double x = b[3] - b[0], y = b[4] - b[1], z = b[5] - b[2];
    double area = x * y + y * z + z * x;
    // The integral of Conty Estévez and Kulla for emission into a half space.
    double o = b[9], sin = StrictMath.sin(o), cos = StrictMath.cos(o);
    double edge = o <= Math.PI / 2 ? Math.PI * sin + 2 * cos : 2 * (Math.PI - o) * sin;
    double spread = 2 * Math.PI * (1 - cos) + Math.PI / 2 * edge;
    return b[10] * Math.max(area, 1e-12) * spread;
  }
}

package levelember.trace;

import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;

/**
 * A binary bounding hierarchy over the triangles of a set, flattened depth first.
 *
 * <p>A node is one cache line of 16 floats: the bounds of its two children (least x, y, z, then
 * greatest), and their references as int bits. A reference of 0 or more is the offset of a node; a
 * negative one is the complement of a leaf, its first triangle times 16 plus how many. Built by
 * binned surface area (Wald 2007, "On fast Construction of SAH-based Bounding Volume Hierarchies").
 */
public final class Hierarchy {
  private static final int BINS = 16;
  private static final int LARGEST_LEAF = 8;

  /** Below this depth ranges are halved, so that a walk's stack of 128 is always enough. */
  private static final int DEEPEST_CHOSEN = 80;

  private static final float NODE_COST = 1f;
  private static final float TRIANGLE_COST = 1.2f;

  /** Floats a node. */
  static final int NODE = 16;

  final float[] nodes;
  final TriangleSoup soup;
  private final Vec3 least, greatest;

  private Hierarchy(float[] nodes, Vec3 least, Vec3 greatest, TriangleSoup soup) {
    this.nodes = nodes;
    this.least = least;
    this.greatest = greatest;
    this.soup = soup;
  }

  /** Builds the hierarchy of a set; the same set gives the same hierarchy. */
  public static Hierarchy of(SetGeometry geometry) {
    return new Builder(geometry).build();
  }

  public TriangleSoup soup() {
    return soup;
  }

  public int nodes() {
    return nodes.length / NODE;
  }

  /** True where there is nothing to hit. */
  public boolean empty() {
    return soup.count == 0;
  }

  /** Least corner of everything; the origin when empty. */
  public Vec3 least() {
    return least;
  }

  /** Greatest corner of everything; the origin when empty. */
  public Vec3 greatest() {
    return greatest;
  }

  private static final class Builder {
    private final SetGeometry geometry;
    private final int count;
    private final float[] box;
    private final int[] order;
    private final float[] bounds;
    private final int[] links;
    private int nodes;

    Builder(SetGeometry geometry) {
      this.geometry = geometry;
      Triangles t = geometry.triangles();
      count = t.count();
      box = new float[6 * count];
      order = new int[count];
      bounds = new float[6 * Math.max(1, 2 * count)];
      links = new int[2 * Math.max(1, 2 * count)];
      for (int i = 0; i < count; i++) {
        order[i] = i;
        emptyBox(box, 6 * i);
        for (int k = 0; k < 3; k++) {
          Vec3 p = t.position(t.index(i, k));
          grow(box, 6 * i, (float) p.x(), (float) p.y(), (float) p.z());
        }
      }
    }

    Hierarchy build() {
      TriangleSoup soup;
      if (count == 0) {
        soup = TriangleSoup.inOrder(geometry, order);
        return new Hierarchy(new float[0], Vec3.ZERO, Vec3.ZERO, soup);
      }
      split(0, count, 0);
      soup = TriangleSoup.inOrder(geometry, order);
      return new Hierarchy(
          paired(),
          new Vec3(bounds[0], bounds[1], bounds[2]),
          new Vec3(bounds[3], bounds[4], bounds[5]),
          soup);
    }

    /** Gathers the bounds and references of both children in their parent's cache line. */
    private float[] paired() {
      int[] offset = new int[nodes];
      int inner = 0;
      for (int i = 0; i < nodes; i++) {
        if (links[2 * i + 1] == 0) {
          offset[i] = NODE * inner++;
        }
      }
      float[] to = new float[NODE * Math.max(1, inner)];
      if (inner == 0) {
        child(to, 0, 0, 0, offset);
        emptyBox(to, 6);
        return to;
      }
      for (int i = 0; i < nodes; i++) {
        if (links[2 * i + 1] == 0) {
          child(to, offset[i], 0, i + 1, offset);
          child(to, offset[i], 1, links[2 * i], offset);
        }
      }
      return to;
    }

    private void child(float[] to, int at, int side, int node, int[] offset) {
      System.arraycopy(bounds, 6 * node, to, at + 6 * side, 6);
      int many = links[2 * node + 1];
      int reference = many == 0 ? offset[node] : ~(links[2 * node] << 4 | many);
      to[at + 12 + side] = Float.intBitsToFloat(reference);
    }

    private void split(int from, int to, int depth) {
      int node = nodes++;
      int at = 6 * node;
      emptyBox(bounds, at);
      float[] middle = {
        Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE,
        -Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE
      };
      for (int i = from; i < to; i++) {
        int b = 6 * order[i];
        join(bounds, at, box, b);
        grow(middle, 0, centre(b, 0), centre(b, 1), centre(b, 2));
      }
      int cut;
      if (to - from <= 2) {
        cut = -1;
      } else if (depth > DEEPEST_CHOSEN) {
        cut = to - from <= LARGEST_LEAF ? -1 : from + (to - from) / 2;
      } else {
        cut = cheapestCut(node, from, to, middle);
      }
      if (cut < 0) {
        links[2 * node] = from;
        links[2 * node + 1] = to - from;
        return;
      }
      split(from, cut, depth + 1);
      links[2 * node] = nodes;
      links[2 * node + 1] = 0;
      split(cut, to, depth + 1);
    }

    /** Sorts {@code order} about the cheapest plane and gives the cut, or −1 for a leaf. */
    private int cheapestCut(int node, int from, int to, float[] middle) {
      int n = to - from;
      float best = n <= LARGEST_LEAF ? n * TRIANGLE_COST : Float.MAX_VALUE;
      int bestAxis = -1, bestBin = -1;
      float whole = area(bounds, 6 * node);
      int[] many = new int[BINS];
      float[] bins = new float[6 * BINS];
      float[] rightArea = new float[BINS];
      float[] run = new float[6];
      for (int axis = 0; axis < 3; axis++) {
        float least = middle[axis], extent = middle[3 + axis] - least;
        if (!(extent > 0)) {
          continue;
        }
        java.util.Arrays.fill(many, 0);
        for (int k = 0; k < BINS; k++) {
          emptyBox(bins, 6 * k);
        }
        float scale = BINS * 0.99999f / extent;
        for (int i = from; i < to; i++) {
          int b = 6 * order[i];
          int k = bin(centre(b, axis), least, scale);
          many[k]++;
          join(bins, 6 * k, box, b);
        }
        emptyBox(run, 0);
        for (int k = BINS - 1; k > 0; k--) {
          join(run, 0, bins, 6 * k);
          rightArea[k] = area(run, 0);
        }
        emptyBox(run, 0);
        int left = 0;
        for (int k = 0; k + 1 < BINS; k++) {
          join(run, 0, bins, 6 * k);
          left += many[k];
          if (left == 0 || left == n) {
            continue;
          }
          float cost =
              NODE_COST
                  + TRIANGLE_COST
                      * (left * area(run, 0) + (n - left) * rightArea[k + 1])
                      / Math.max(whole, 1e-30f);
          if (cost < best) {
            best = cost;
            bestAxis = axis;
            bestBin = k;
          }
        }
      }
      if (bestAxis < 0) {
        return n <= LARGEST_LEAF ? -1 : from + n / 2;
      }
      float least = middle[bestAxis];
      float scale = BINS * 0.99999f / (middle[3 + bestAxis] - least);
      int i = from, j = to - 1;
      while (i <= j) {
        if (bin(centre(6 * order[i], bestAxis), least, scale) <= bestBin) {
          i++;
        } else {
          int swap = order[i];
          order[i] = order[j];
          order[j--] = swap;
        }
      }
      return i;
    }

    private static int bin(float centre, float least, float scale) {
      return Math.clamp((int) ((centre - least) * scale), 0, BINS - 1);
    }

    private float centre(int b, int axis) {
      return 0.5f * (box[b + axis] + box[b + 3 + axis]);
    }

    private static void emptyBox(float[] a, int at) {
      a[at] = a[at + 1] = a[at + 2] = Float.MAX_VALUE;
      a[at + 3] = a[at + 4] = a[at + 5] = -Float.MAX_VALUE;
    }

    private static void grow(float[] a, int at, float x, float y, float z) {
      a[at] = Math.min(a[at], x);
      a[at + 1] = Math.min(a[at + 1], y);
      a[at + 2] = Math.min(a[at + 2], z);
      a[at + 3] = Math.max(a[at + 3], x);
      a[at + 4] = Math.max(a[at + 4], y);
      a[at + 5] = Math.max(a[at + 5], z);
    }

    private static void join(float[] a, int at, float[] b, int from) {
      for (int k = 0; k < 3; k++) {
        a[at + k] = Math.min(a[at + k], b[from + k]);
        a[at + 3 + k] = Math.max(a[at + 3 + k], b[from + 3 + k]);
      }
    }

    private static float area(float[] a, int at) {
      float x = a[at + 3] - a[at], y = a[at + 4] - a[at + 1], z = a[at + 5] - a[at + 2];
      return x < 0 ? 0 : x * y + y * z + z * x;
    }
  }
}

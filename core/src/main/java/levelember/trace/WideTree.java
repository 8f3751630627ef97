package levelember.trace;

import java.util.Arrays;

/**
 * A {@link BoxTree} whose nodes have been opened, largest first, until each has {@code width}
 * children, flattened for the walk.
 *
 * <p>A node is {@code width} references as int bits, then six rows of {@code width} bounds: least
 * x, y, z, greatest x, y, z. A reference of 0 or more is the offset of a node, a negative one is
 * the complement of a leaf's number. Empty places have bounds that no ray meets. The first node
 * lies on a cache line where large arrays begin 16 bytes into one.
 */
final class WideTree {
  private static final int FIRST = 12;

  /** The number of a leaf, 0 or more, from its first record and how many. */
  interface Leaves {
    int number(int first, int many);
  }

  final int width;
  final float[] nodes;

  /** Reference of the root; a leaf's where there is one leaf in all. */
  final int root;

  /** Places that a walk's stack needs. */
  final int stack;

  /** Least x, y, z, greatest x, y, z of everything. */
  final float[] box = new float[6];

  private WideTree(int width, float[] nodes, int root, int stack) {
    this.width = width;
    this.nodes = nodes;
    this.root = root;
    this.stack = stack;
  }

  /** Floats a node. */
  static int stride(int width) {
    return width == 2 ? 16 : 7 * width;
  }

  /**
   * Flattens a tree.
   *
   * @param pad by how much boxes are widened on every side
   */
  static WideTree of(BoxTree tree, int width, float pad, Leaves leaves) {
    Collapse c = new Collapse(tree, width, pad, leaves);
    c.nodes = new float[FIRST + 64 * stride(width)];
    int root = tree.leaf(0) ? ~leaves.number(tree.links[0], tree.links[1]) : c.node(0);
    WideTree wide =
        new WideTree(width, Arrays.copyOf(c.nodes, c.end), root, (c.deepest + 1) * width + 1);
    for (int k = 0; k < 6; k++) {
      wide.box[k] = BoxTree.value(tree.bounds[k]) + (k < 3 ? -pad : pad);
    }
    return wide;
  }

  private static final class Collapse {
    private final BoxTree tree;
    private final int width;
    private final float pad;
    private final Leaves leaves;
    private float[] nodes;
    private int end = FIRST;
    private int depth;
    private int deepest;

    Collapse(BoxTree tree, int width, float pad, Leaves leaves) {
      this.tree = tree;
      this.width = width;
      this.pad = pad;
      this.leaves = leaves;
    }

    /** Writes a node whose children come from opening {@code from}; gives its offset. */
    private int node(int from) {
      int[] children = new int[width];
      int many = 1;
      children[0] = from;
      while (many < width) {
        int largest = -1;
        float area = -1;
        for (int i = 0; i < many; i++) {
          if (!tree.leaf(children[i]) && tree.area(children[i]) > area) {
            area = tree.area(children[i]);
            largest = i;
          }
        }
        if (largest < 0) {
          break;
        }
        int opened = children[largest];
        children[largest] = opened + 1;
        children[many++] = tree.right(opened);
      }
      int at = end;
      end += stride(width);
      if (end > nodes.length) {
        nodes = Arrays.copyOf(nodes, Math.max(end, nodes.length + nodes.length / 2));
      }
      deepest = Math.max(deepest, ++depth);
      for (int i = 0; i < width; i++) {
        for (int k = 0; k < 6; k++) {
          float value;
          if (i < many) {
            value = BoxTree.value(tree.bounds[6 * children[i] + k]) + (k < 3 ? -pad : pad);
          } else {
            value = k < 3 ? Float.POSITIVE_INFINITY : Float.NEGATIVE_INFINITY;
          }
          nodes[at + (1 + k) * width + i] = value;
        }
      }
      for (int i = 0; i < many; i++) {
        int child = children[i];
        int reference =
            tree.leaf(child)
                ? ~leaves.number(tree.links[2 * child], tree.links[2 * child + 1])
                : node(child);
        nodes[at + i] = Float.intBitsToFloat(reference);
      }
      depth--;
      return at;
    }
  }
}

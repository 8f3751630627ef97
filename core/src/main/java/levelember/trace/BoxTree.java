package levelember.trace;

import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.RecursiveAction;
import java.util.function.IntConsumer;

/**
 * A binary tree over boxes by binned surface area (Wald 2007, "On fast Construction of SAH-based
 * Bounding Volume Hierarchies"), built on the common pool. The same boxes give the same tree with
 * any number of threads.
 *
 * <p>Bounds are held as ints in the order of the floats that they stand for, so that least and
 * greatest are single instructions. A record is one item: least x, y, z, greatest x, y, z, its
 * number, and one to spare. A node's left child is the next node; links hold the right child and 0,
 * or for a leaf its first record and how many.
 */
final class BoxTree {
  static final int RECORD = 8;
  private static final int BINS = 16;

  /** Bins of ranges of so few items. */
  private static final int FEW = 24, FEW_BINS = 8;

  private static final int BIN = 7;
  private static final int DEEPEST_CHOSEN = 56;
  private static final int OWN_TASK = 4096;
  private static final int SHARED_PASS = 1 << 16;

  /**
   * What the surface area rule weighs.
   *
   * @param node cost of testing a node's boxes
   * @param group items that are tested together for a cost of 1
   * @param largestLeaf more items than this are always split
   */
  record Costs(float node, int group, int largestLeaf) {
    private int of(int items) {
      return (items + group - 1) / group;
    }
  }

  final int[] records;
  final int[] bounds;
  final int[] links;
  private final Costs costs;
  private final IntConsumer done;

  private BoxTree(int[] records, int count, Costs costs, IntConsumer done) {
    this.records = records;
    this.costs = costs;
    this.done = done;
    bounds = new int[6 * Math.max(1, 2 * count - 1)];
    links = new int[2 * Math.max(1, 2 * count - 1)];
  }

  /**
   * Builds the tree; sorts the records into the order of its leaves.
   *
   * @param count records, 1 or more
   * @param done told how many items have found their leaf, from any thread
   */
  static BoxTree of(int[] records, int count, Costs costs, IntConsumer done) {
    BoxTree tree = new BoxTree(records, count, costs, done);
    Split whole = tree.new Split(0, count, 0, 0);
    if (count <= OWN_TASK) {
      whole.compute();
    } else {
      whole.fork().join();
    }
    return tree;
  }

  /** The int that stands for a float: of the same order. */
  static int ordered(float value) {
    int bits = Float.floatToRawIntBits(value);
    return bits ^ (bits >> 31 & 0x7fffffff);
  }

  /** The float that an ordered int stands for. */
  static float value(int ordered) {
    return Float.intBitsToFloat(ordered ^ (ordered >> 31 & 0x7fffffff));
  }

  boolean leaf(int node) {
    return links[2 * node + 1] != 0;
  }

  int right(int node) {
    return links[2 * node];
  }

  /** Half the surface of a node's box. */
  float area(int node) {
    return area(bounds, 6 * node);
  }

  static float area(int[] box, int at) {
    float x = value(box[at + 3]) - value(box[at]);
    float y = value(box[at + 4]) - value(box[at + 1]);
    float z = value(box[at + 5]) - value(box[at + 2]);
    return x < 0 ? 0 : x * y + y * z + z * x;
  }

  private static void empty(int[] box, int at) {
    box[at] = box[at + 1] = box[at + 2] = Integer.MAX_VALUE;
    box[at + 3] = box[at + 4] = box[at + 5] = Integer.MIN_VALUE;
  }

  private static void join(int[] box, int at, int[] other, int from) {
    box[at] = Math.min(box[at], other[from]);
    box[at + 1] = Math.min(box[at + 1], other[from + 1]);
    box[at + 2] = Math.min(box[at + 2], other[from + 2]);
    box[at + 3] = Math.max(box[at + 3], other[from + 3]);
    box[at + 4] = Math.max(box[at + 4], other[from + 4]);
    box[at + 5] = Math.max(box[at + 5], other[from + 5]);
  }

  /** Bounds, bins and the best cut of one range; reused from range to range. */
  private final class Scratch {
    private final int[] box = new int[6];
    private final float[] least = new float[3];
    private final float[] most = new float[3];
    private final float[] scale = new float[3];
    private final int[] bins = new int[3 * BINS * BIN];
    private final float[] rightCost = new float[BINS];
    private final int[] run = new int[6];
    private int axis;
    private int bin;

    /** Bins that the present range is sorted into. */
    private int used = BINS;

    /** Bounds of the boxes, and of their centres (twice them). */
    private void bound(int from, int to) {
      if (to - from >= SHARED_PASS) {
        int middle = (from + to) >>> 1;
        Scratch right = new Scratch();
        ForkJoinTask<?> task = ForkJoinTask.adapt(() -> right.bound(middle, to)).fork();
        bound(from, middle);
        task.join();
        join(box, 0, right.box, 0);
        for (int k = 0; k < 3; k++) {
          least[k] = Math.min(least[k], right.least[k]);
          most[k] = Math.max(most[k], right.most[k]);
        }
        return;
      }
      empty(box, 0);
      float lx = Float.MAX_VALUE, ly = lx, lz = lx, mx = -lx, my = -lx, mz = -lx;
      int[] r = records;
      for (int i = from; i < to; i++) {
        int at = RECORD * i;
        join(box, 0, r, at);
        float x = value(r[at]) + value(r[at + 3]);
        float y = value(r[at + 1]) + value(r[at + 4]);
        float z = value(r[at + 2]) + value(r[at + 5]);
        lx = x < lx ? x : lx;
        ly = y < ly ? y : ly;
        lz = z < lz ? z : lz;
        mx = x > mx ? x : mx;
        my = y > my ? y : my;
        mz = z > mz ? z : mz;
      }
      least[0] = lx;
      least[1] = ly;
      least[2] = lz;
      most[0] = mx;
      most[1] = my;
      most[2] = mz;
    }

    private int bin(int at, int k) {
      float c = value(records[at + k]) + value(records[at + 3 + k]);
      return Math.min((int) ((c - least[k]) * scale[k]), used - 1);
    }

    private void fill(int from, int to) {
      for (int k = 0; k < 3; k++) {
        for (int b = k * BINS; b < k * BINS + used; b++) {
          empty(bins, BIN * b);
          bins[BIN * b + 6] = 0;
        }
      }
      if (to - from >= SHARED_PASS) {
        int middle = (from + to) >>> 1;
        Scratch right = new Scratch();
        for (int k = 0; k < 3; k++) {
          right.least[k] = least[k];
          right.scale[k] = scale[k];
        }
        ForkJoinTask<?> task = ForkJoinTask.adapt(() -> right.fill(middle, to)).fork();
        fill(from, middle);
        task.join();
        for (int at = 0; at < bins.length; at += BIN) {
          join(bins, at, right.bins, at);
          bins[at + 6] += right.bins[at + 6];
        }
        return;
      }
      for (int i = from; i < to; i++) {
        int at = RECORD * i;
        int x = BIN * bin(at, 0);
        int y = BIN * (BINS + bin(at, 1));
        int z = BIN * (2 * BINS + bin(at, 2));
        join(bins, x, records, at);
        bins[x + 6]++;
        join(bins, y, records, at);
        bins[y + 6]++;
        join(bins, z, records, at);
        bins[z + 6]++;
      }
    }

    /** Finds the cheapest plane; false when staying together is as cheap or nothing can part. */
    private boolean choose(int from, int to) {
      int n = to - from;
      used = n > FEW ? BINS : FEW_BINS;
      for (int k = 0; k < 3; k++) {
        float extent = most[k] - least[k];
        scale[k] = extent > 0 ? used * 0.99999f / extent : 0;
      }
      fill(from, to);
      float whole = Math.max(area(box, 0), 1e-30f);
      float best = n <= costs.largestLeaf ? costs.of(n) : Float.MAX_VALUE;
      axis = -1;
      for (int k = 0; k < 3; k++) {
        if (scale[k] == 0) {
          continue;
        }
        int row = k * BINS;
        empty(run, 0);
        int many = 0;
        for (int b = used - 1; b > 0; b--) {
          int at = BIN * (row + b);
          join(run, 0, bins, at);
          many += bins[at + 6];
          rightCost[b] = many == 0 ? 0 : area(run, 0) * costs.of(many);
        }
        empty(run, 0);
        many = 0;
        for (int b = 0; b + 1 < used; b++) {
          int at = BIN * (row + b);
          join(run, 0, bins, at);
          many += bins[at + 6];
          if (many == 0 || many == n) {
            continue;
          }
          float cost = costs.node + (area(run, 0) * costs.of(many) + rightCost[b + 1]) / whole;
          if (cost < best) {
            best = cost;
            axis = k;
            bin = b;
          }
        }
      }
      return axis >= 0;
    }

    /** Sorts the range about the chosen plane and gives the first record of the right side. */
    private int part(int from, int to) {
      int i = RECORD * from, j = RECORD * (to - 1);
      int[] r = records;
      while (i <= j) {
        if (bin(i, axis) <= bin) {
          i += RECORD;
        } else {
          for (int k = 0; k < RECORD; k++) {
            int swap = r[i + k];
            r[i + k] = r[j + k];
            r[j + k] = swap;
          }
          j -= RECORD;
        }
      }
      return i / RECORD;
    }
  }

  private final class Split extends RecursiveAction {
    private static final long serialVersionUID = 1L;
    private final int from, to, node, depth;

    Split(int from, int to, int node, int depth) {
      this.from = from;
      this.to = to;
      this.node = node;
      this.depth = depth;
    }

    @Override
    protected void compute() {
      split(from, to, node, depth, new Scratch());
      if (to - from <= OWN_TASK) {
        done.accept(to - from);
      }
    }

    private void split(int from, int to, int node, int depth, Scratch s) {
      int n = to - from;
      s.bound(from, to);
      System.arraycopy(s.box, 0, bounds, 6 * node, 6);
      int cut = -1;
      if (n > 1) {
        if (depth < DEEPEST_CHOSEN && s.choose(from, to)) {
          cut = s.part(from, to);
        } else if (n > costs.largestLeaf) {
          cut = from + n / 2;
        }
      }
      if (cut < 0) {
        links[2 * node] = from;
        links[2 * node + 1] = n;
        return;
      }
      int right = node + 2 * (cut - from);
      links[2 * node] = right;
      if (n > OWN_TASK) {
        invokeAll(new Split(from, cut, node + 1, depth + 1), new Split(cut, to, right, depth + 1));
      } else {
        split(from, cut, node + 1, depth + 1, s);
        split(cut, to, right, depth + 1, s);
      }
    }
  }
}

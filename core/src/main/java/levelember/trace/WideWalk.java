package levelember.trace;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/**
 * The walk with the Vector API: all boxes of a node, and all triangles of a block, at a time.
 *
 * <p>Near and far are taken on the int bits, whose order is that of floats of 0 and more and which
 * need not care for NaN and −0. A ray's constants lie wide in scratch arrays, from where they are
 * loaded anew, as broadcasts inside loops cost more. Hits of several children are sorted on a stack
 * of longs, distance above reference; shadow rays do not sort.
 */
final class WideWalk extends RayWalk {
  private static final VectorSpecies<Float> F = Lanes.species();
  private static final VectorSpecies<Integer> I = VectorSpecies.of(int.class, F.vectorShape());

  /** Lanes of this machine's vectors, at most 16. */
  static final int WIDTH = F.length();

  private static final int W = WIDTH;

  private final float[] upper = new float[6 * W];
  private final float[] lower = new float[12 * W];
  private final float[] limit = new float[W];
  private final int[] near = new int[W];
  private final float[] hitT = new float[W];
  private final float[] hitU = new float[W];
  private final float[] hitV = new float[W];

  WideWalk(Hierarchy hierarchy) {
    super(hierarchy);
    if (hierarchy.width != W) {
      throw new IllegalArgumentException(
          "the hierarchy is " + hierarchy.width + " wide, this machine's walk " + W);
    }
  }

  private static void wide(float[] to, int row, float value) {
    FloatVector.broadcast(F, value).intoArray(to, row * W);
  }

  /** Lays out what boxes are tested with: reciprocals and shifts. */
  private static void slopes(
      float[] to, float ox, float oy, float oz, float dx, float dy, float dz) {
    float ix = reciprocal(dx), iy = reciprocal(dy), iz = reciprocal(dz);
    wide(to, 0, ix);
    wide(to, 1, iy);
    wide(to, 2, iz);
    wide(to, 3, -ox * ix);
    wide(to, 4, -oy * iy);
    wide(to, 5, -oz * iz);
  }

  /** Lays out what triangles are tested with: origin and direction. */
  private static void line(float[] to, float ox, float oy, float oz, float dx, float dy, float dz) {
    wide(to, 6, ox);
    wide(to, 7, oy);
    wide(to, 8, oz);
    wide(to, 9, dx);
    wide(to, 10, dy);
    wide(to, 11, dz);
  }

  @Override
  void walk(
      float ox,
      float oy,
      float oz,
      float dx,
      float dy,
      float dz,
      int kind,
      long[] pieces,
      boolean any) {
    Hierarchy h = hierarchy;
    float[] ray = upper;
    slopes(ray, ox, oy, oz, dx, dy, dz);
    int signs = (dx < 0 ? 1 : 0) | (dy < 0 ? 2 : 0) | (dz < 0 ? 4 : 0);
    wide(limit, 0, t);
    int top = 1;
    stack[0] = h.top.root & 0xffffffffL;
    while (top > 0) {
      long entry = stack[--top];
      float skip = Float.intBitsToFloat((int) (entry >>> 32));
      if (skip > t) {
        continue;
      }
      int at = (int) entry;
      if (at >= 0) {
        top = open(h.top.nodes, at, top, ray, signs);
        continue;
      }
      int i = ~at;
      if (passes(i, kind, pieces)) {
        continue;
      }
      intoMesh(i, skip, ox, oy, oz, dx, dy, dz);
      float before = t;
      if (h.meshes[i].tree.root >= 0) {
        slopes(lower, mx, my, mz, ex, ey, ez);
      }
      line(lower, mx, my, mz, ex, ey, ez);
      int way = (ex < 0 ? 1 : 0) | (ey < 0 ? 2 : 0) | (ez < 0 ? 4 : 0);
      if (any) {
        wide(limit, 0, before - skip);
        if (blockedIn(h.meshes[i], top, way)) {
          instance = i;
          return;
        }
      } else {
        beginMesh(skip);
        wide(limit, 0, meshT);
        if (nearestIn(h.meshes[i], top, way)) {
          endMesh(i, skip);
        }
      }
      wide(limit, 0, t);
    }
  }

  /** Distance bits at which a node's children are entered, where they are before the limit. */
  private static IntVector entries(float[] n, int at, float[] ray, int signs) {
    int lx = at + (signs & 1) * 3 * W + W;
    int ly = at + (signs >> 1 & 1) * 3 * W + 2 * W;
    int lz = at + (signs >> 2) * 3 * W + 3 * W;
    FloatVector x = FloatVector.fromArray(F, ray, 0), px = FloatVector.fromArray(F, ray, 3 * W);
    FloatVector y = FloatVector.fromArray(F, ray, W), py = FloatVector.fromArray(F, ray, 4 * W);
    FloatVector z = FloatVector.fromArray(F, ray, 2 * W);
    FloatVector pz = FloatVector.fromArray(F, ray, 5 * W);
    IntVector inX = FloatVector.fromArray(F, n, lx).fma(x, px).reinterpretAsInts();
    IntVector inY = FloatVector.fromArray(F, n, ly).fma(y, py).reinterpretAsInts();
    IntVector inZ = FloatVector.fromArray(F, n, lz).fma(z, pz).reinterpretAsInts();
    return inX.max(inY).max(inZ).max(IntVector.zero(I));
  }

  private static IntVector exits(float[] n, int at, float[] ray, int signs, float[] limit) {
    int hx = at + (1 - (signs & 1)) * 3 * W + W;
    int hy = at + (1 - (signs >> 1 & 1)) * 3 * W + 2 * W;
    int hz = at + (1 - (signs >> 2)) * 3 * W + 3 * W;
    FloatVector x = FloatVector.fromArray(F, ray, 0), px = FloatVector.fromArray(F, ray, 3 * W);
    FloatVector y = FloatVector.fromArray(F, ray, W), py = FloatVector.fromArray(F, ray, 4 * W);
    FloatVector z = FloatVector.fromArray(F, ray, 2 * W);
    FloatVector pz = FloatVector.fromArray(F, ray, 5 * W);
    IntVector outX = FloatVector.fromArray(F, n, hx).fma(x, px).reinterpretAsInts();
    IntVector outY = FloatVector.fromArray(F, n, hy).fma(y, py).reinterpretAsInts();
    IntVector outZ = FloatVector.fromArray(F, n, hz).fma(z, pz).reinterpretAsInts();
    IntVector end = FloatVector.fromArray(F, limit, 0).reinterpretAsInts();
    return outX.min(outY).min(outZ).min(end);
  }

  /** Pushes the children of a node that the ray enters, the nearest last. */
  private int open(float[] n, int at, int top, float[] ray, int signs) {
    IntVector in = entries(n, at, ray, signs);
    long hits = in.compare(VectorOperators.LE, exits(n, at, ray, signs, limit)).toLong();
    if (hits == 0) {
      return top;
    }
    in.intoArray(near, 0);
    return push(n, at, top, hits);
  }

  /** Pushes the children in {@code hits}, sorted so that the nearest is on top. */
  private int push(float[] n, int at, int top, long hits) {
    long[] s = stack;
    int base = top;
    do {
      int k = Long.numberOfTrailingZeros(hits);
      hits &= hits - 1;
      long entry = (long) near[k] << 32 | Float.floatToRawIntBits(n[at + k]) & 0xffffffffL;
      int place = top++;
      while (place > base && s[place - 1] < entry) {
        s[place] = s[place - 1];
        place--;
      }
      s[place] = entry;
    } while (hits != 0);
    return top;
  }

  /** Finds the nearest hit in one mesh; leaves it in the fields of the mesh's hit. */
  private boolean nearestIn(MeshHierarchy mesh, int base, int signs) {
    float[] n = mesh.tree.nodes;
    float[] ray = lower;
    long[] s = stack;
    int top = base;
    int at = mesh.tree.root;
    int limitBits = Float.floatToRawIntBits(meshT);
    boolean found = false;
    while (true) {
      if (at >= 0) {
        IntVector in = entries(n, at, ray, signs);
        long hits = in.compare(VectorOperators.LE, exits(n, at, ray, signs, limit)).toLong();
        if (hits != 0) {
          int k = Long.numberOfTrailingZeros(hits);
          if ((hits & hits - 1) == 0) {
            at = Float.floatToRawIntBits(n[at + k]);
            continue;
          }
          in.intoArray(near, 0);
          top = push(n, at, top, hits);
        }
      } else if (testBlocks(mesh, ~at)) {
        found = true;
        limitBits = Float.floatToRawIntBits(meshT);
      }
      long entry;
      do {
        if (top == base) {
          return found;
        }
        entry = s[--top];
      } while ((int) (entry >>> 32) > limitBits);
      at = (int) entry;
    }
  }

  private boolean testBlocks(MeshHierarchy mesh, int leaf) {
    boolean found = false;
    int block = MeshHierarchy.block(leaf), end = block + MeshHierarchy.many(leaf);
    for (; block < end; block++) {
      long hits = test(mesh.blocks, block * MeshHierarchy.ROWS * W);
      for (; hits != 0; hits &= hits - 1) {
        int k = Long.numberOfTrailingZeros(hits);
        int other = mesh.triangles[block * W + k];
        if (hitT[k] < meshT || hitT[k] == meshT && other < meshTriangle) {
          meshT = hitT[k];
          meshB = hitU[k];
          meshC = hitV[k];
          meshTriangle = other;
          found = true;
        }
      }
      if (found) {
        wide(limit, 0, meshT);
      }
    }
    return found;
  }

  /** Tests a block of triangles; the bits of those hit before the limit. */
  private long test(float[] p, int at) {
    float[] ray = lower;
    FloatVector ox = FloatVector.fromArray(F, ray, 6 * W);
    FloatVector oy = FloatVector.fromArray(F, ray, 7 * W);
    FloatVector oz = FloatVector.fromArray(F, ray, 8 * W);
    FloatVector dx = FloatVector.fromArray(F, ray, 9 * W);
    FloatVector dy = FloatVector.fromArray(F, ray, 10 * W);
    FloatVector dz = FloatVector.fromArray(F, ray, 11 * W);
    FloatVector nx = FloatVector.fromArray(F, p, at + 8 * W);
    FloatVector ny = FloatVector.fromArray(F, p, at + 9 * W);
    FloatVector nz = FloatVector.fromArray(F, p, at + 10 * W);
    FloatVector high = nx.fma(ox, ny.fma(oy, nz.fma(oz, FloatVector.fromArray(F, p, at + 11 * W))));
    FloatVector fall = nx.fma(dx, ny.fma(dy, nz.mul(dz)));
    FloatVector d = high.neg().div(fall);
    VectorMask<Float> in =
        d.compare(VectorOperators.GT, 0f)
            .and(d.compare(VectorOperators.LE, FloatVector.fromArray(F, limit, 0)));
    if (!in.anyTrue()) {
      return 0;
    }
    FloatVector x = d.fma(dx, ox), y = d.fma(dy, oy), z = d.fma(dz, oz);
    FloatVector u =
        FloatVector.fromArray(F, p, at)
            .fma(
                x,
                FloatVector.fromArray(F, p, at + W)
                    .fma(
                        y,
                        FloatVector.fromArray(F, p, at + 2 * W)
                            .fma(z, FloatVector.fromArray(F, p, at + 3 * W))));
    FloatVector v =
        FloatVector.fromArray(F, p, at + 4 * W)
            .fma(
                x,
                FloatVector.fromArray(F, p, at + 5 * W)
                    .fma(
                        y,
                        FloatVector.fromArray(F, p, at + 6 * W)
                            .fma(z, FloatVector.fromArray(F, p, at + 7 * W))));
    long hits =
        in.and(u.compare(VectorOperators.GE, 0f))
            .and(v.compare(VectorOperators.GE, 0f))
            .and(u.add(v).compare(VectorOperators.LE, 1f))
            .toLong();
    if (hits != 0) {
      d.intoArray(hitT, 0);
      u.intoArray(hitU, 0);
      v.intoArray(hitV, 0);
    }
    return hits;
  }

  /** Whether anything of one mesh stands before the limit. */
  private boolean blockedIn(MeshHierarchy mesh, int base, int signs) {
    float[] n = mesh.tree.nodes;
    float[] ray = lower;
    long[] s = stack;
    int top = base;
    int at = mesh.tree.root;
    while (true) {
      if (at >= 0) {
        IntVector in = entries(n, at, ray, signs);
        long hits = in.compare(VectorOperators.LE, exits(n, at, ray, signs, limit)).toLong();
        for (; hits != 0; hits &= hits - 1) {
          s[top++] = Float.floatToRawIntBits(n[at + Long.numberOfTrailingZeros(hits)]);
        }
      } else {
        int block = MeshHierarchy.block(~at), end = block + MeshHierarchy.many(~at);
        for (; block < end; block++) {
          if (test(mesh.blocks, block * MeshHierarchy.ROWS * W) != 0) {
            return true;
          }
        }
      }
      if (top == base) {
        return false;
      }
      at = (int) s[--top];
    }
  }
}

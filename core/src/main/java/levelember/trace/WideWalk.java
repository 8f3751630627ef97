package levelember.trace;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorMask;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;
import levelember.math.Lanes;

/**
 * The walk with the Vector API: all boxes of a node, and all triangles of a block, at a time (slabs
 * as in Wald, Benthin and Boulos 2008, "Getting Rid of Packets").
 *
 * <p>Near and far are taken on the int bits, whose order is that of floats of 0 and more and which
 * need not care for NaN and −0. A ray's constants are broadcast once at the entry of a tree and
 * stay in registers. Children that the ray enters are gathered by compressing lanes; the stack of
 * the nearest hit holds distance bits above references, the farthest child lowest; shadow rays do
 * not order what they push.
 */
final class WideWalk extends RayWalk {
  private static final VectorSpecies<Float> F = Lanes.species();
  private static final VectorSpecies<Integer> I = VectorSpecies.of(int.class, F.vectorShape());

  /** Lanes of this machine's vectors, at most 16. */
  static final int WIDTH = F.length();

  private static final int W = WIDTH;

  /** Narrow vectors compress by steps in software; there lanes are gathered one by one. */
  private static final boolean COMPRESS = W >= 8;

  private static final IntVector ZERO = IntVector.zero(I);
  private static final FloatVector NOUGHT = FloatVector.zero(F), ONE = FloatVector.broadcast(F, 1);
  private static final IntVector LANE = IntVector.zero(I).addIndex(1);

  /** Bits of a distance that leave room for a lane's number below them. */
  private static final int ABOVE_LANE = -W;

  private final float[] limit = new float[W];
  private final int[] near = new int[W];
  private final int[] reference = new int[W];
  private final int[] open;
  private final int[] openNear;
  private final float[] hitT = new float[W];
  private final float[] hitU = new float[W];
  private final float[] hitV = new float[W];

  WideWalk(Hierarchy hierarchy) {
    super(hierarchy);
    if (hierarchy.width != W) {
      throw new IllegalArgumentException(
          "the hierarchy is " + hierarchy.width + " wide, this machine's walk " + W);
    }
    open = new int[stack.length + W];
    openNear = new int[stack.length + W];
  }

  private static FloatVector wide(float value) {
    return FloatVector.broadcast(F, value);
  }

  private void limit(float value) {
    FloatVector.broadcast(F, value).intoArray(limit, 0);
  }

  /** Where in a node a ray's entries along an axis begin: its least bounds, or its greatest. */
  private static int entryRow(float d, int axis) {
    return (d < 0 ? 4 + axis : 1 + axis) * W;
  }

  private static int exitRow(float d, int axis) {
    return (d < 0 ? 1 + axis : 4 + axis) * W;
  }

  private static IntVector slab(float[] n, int row, FloatVector slope, FloatVector shift) {
    return FloatVector.fromArray(F, n, row).fma(slope, shift).reinterpretAsInts();
  }

  private IntVector end() {
    return FloatVector.fromArray(F, limit, 0).reinterpretAsInts();
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
    if (any) {
      findAny(ox, oy, oz, dx, dy, dz, kind, pieces);
    } else {
      findNearest(ox, oy, oz, dx, dy, dz, kind, pieces);
    }
  }

  private void findNearest(
      float ox, float oy, float oz, float dx, float dy, float dz, int kind, long[] pieces) {
    float[] n = hierarchy.top.nodes;
    long[] s = stack;
    float rx = reciprocal(dx), ry = reciprocal(dy), rz = reciprocal(dz);
    FloatVector ix = wide(rx), iy = wide(ry), iz = wide(rz);
    FloatVector px = wide(-ox * rx), py = wide(-oy * ry), pz = wide(-oz * rz);
    int inX = entryRow(dx, 0), inY = entryRow(dy, 1), inZ = entryRow(dz, 2);
    int outX = exitRow(dx, 0), outY = exitRow(dy, 1), outZ = exitRow(dz, 2);
    limit(t);
    s[0] = hierarchy.top.root & 0xffffffffL;
    for (int top = 1; top > 0; ) {
      long entry = s[--top];
      int at = (int) entry;
      float skip = Float.intBitsToFloat((int) (entry >>> 32));
      if (skip > t) {
        continue;
      }
      if (at < 0) {
        if (!passes(~at, kind, pieces)) {
          intoMesh(~at, skip, ox, oy, oz, dx, dy, dz);
          beginMesh(skip);
          limit(meshT);
          if (walkMesh(hierarchy.meshes[~at], top, false)) {
            endMesh(~at, skip);
          }
          limit(t);
        }
        continue;
      }
      IntVector in = slab(n, at + inX, ix, px).max(slab(n, at + inY, iy, py));
      in = in.max(slab(n, at + inZ, iz, pz)).max(ZERO);
      IntVector out = slab(n, at + outX, ix, px).min(slab(n, at + outY, iy, py));
      out = out.min(slab(n, at + outZ, iz, pz)).min(end());
      VectorMask<Integer> entered = in.compare(VectorOperators.LE, out);
      IntVector children = FloatVector.fromArray(F, n, at).reinterpretAsInts();
      int many = entered.trueCount();
      if (many > 0) {
        pack(in, entered, near, 0);
        pack(children, entered, reference, 0);
        top = push(many, top);
      }
    }
  }

  private void findAny(
      float ox, float oy, float oz, float dx, float dy, float dz, int kind, long[] pieces) {
    float[] n = hierarchy.top.nodes;
    int[] s = open, near = openNear;
    float rx = reciprocal(dx), ry = reciprocal(dy), rz = reciprocal(dz);
    FloatVector ix = wide(rx), iy = wide(ry), iz = wide(rz);
    FloatVector px = wide(-ox * rx), py = wide(-oy * ry), pz = wide(-oz * rz);
    int inX = entryRow(dx, 0), inY = entryRow(dy, 1), inZ = entryRow(dz, 2);
    int outX = exitRow(dx, 0), outY = exitRow(dy, 1), outZ = exitRow(dz, 2);
    IntVector far = wide(t).reinterpretAsInts();
    s[0] = hierarchy.top.root;
    near[0] = 0;
    for (int top = 1; top > 0; ) {
      int at = s[--top];
      if (at < 0) {
        if (!passes(~at, kind, pieces)) {
          float skip = Float.intBitsToFloat(near[top]);
          intoMesh(~at, skip, ox, oy, oz, dx, dy, dz);
          meshT = t - skip;
          limit(meshT);
          if (walkMesh(hierarchy.meshes[~at], top, true)) {
            instance = ~at;
            return;
          }
        }
        continue;
      }
      IntVector in = slab(n, at + inX, ix, px).max(slab(n, at + inY, iy, py));
      in = in.max(slab(n, at + inZ, iz, pz)).max(ZERO);
      IntVector out = slab(n, at + outX, ix, px).min(slab(n, at + outY, iy, py));
      out = out.min(slab(n, at + outZ, iz, pz)).min(far);
      VectorMask<Integer> entered = in.compare(VectorOperators.LE, out);
      IntVector children = FloatVector.fromArray(F, n, at).reinterpretAsInts();
      int many = entered.trueCount();
      if (many > 0) {
        pack(in, entered, near, top);
        pack(children, entered, s, top);
        top += many;
      }
    }
  }

  /** Writes the chosen lanes one after the other; up to a vector's length is written over. */
  private static void pack(IntVector from, VectorMask<Integer> chosen, int[] to, int at) {
    if (COMPRESS) {
      from.compress(chosen).intoArray(to, at);
      return;
    }
    from.intoArray(to, at);
    int end = at;
    for (long bits = chosen.toLong(); bits != 0; bits &= bits - 1) {
      to[end++] = to[at + Long.numberOfTrailingZeros(bits)];
    }
  }

  /** Pushes the gathered children so that the nearest is on top. */
  private int push(int many, int top) {
    long[] s = stack;
    if (many == 2) {
      long a = entry(0), b = entry(1);
      s[top] = Math.max(a, b);
      s[top + 1] = Math.min(a, b);
      return top + 2;
    }
    return many == 1 ? pushed(top) : pushRanked(many, top);
  }

  private int pushed(int top) {
    stack[top] = entry(0);
    return top + 1;
  }

  private int pushRanked(int many, int top) {
    // Keys differ by their lanes, so that the number of greater ones is a place of its own.
    IntVector key = IntVector.fromArray(I, near, 0).and(ABOVE_LANE).or(LANE);
    long used = (1L << many) - 1;
    for (int i = 0; i < many; i++) {
      int own = near[i] & ABOVE_LANE | i;
      stack[top + Long.bitCount(key.compare(VectorOperators.GT, own).toLong() & used)] = entry(i);
    }
    return top + many;
  }

  private long entry(int i) {
    return (long) near[i] << 32 | reference[i] & 0xffffffffL;
  }

  /**
   * Walks one mesh by the ray in its frame. The nearest hit is left in the fields of the mesh's
   * hit; for {@code any} the walk ends with the first one before the limit.
   */
  private boolean walkMesh(MeshHierarchy mesh, int base, boolean any) {
    float[] n = mesh.tree.nodes, p = mesh.blocks;
    float rx = reciprocal(ex), ry = reciprocal(ey), rz = reciprocal(ez);
    FloatVector ix = wide(rx), iy = wide(ry), iz = wide(rz);
    FloatVector px = wide(-mx * rx), py = wide(-my * ry), pz = wide(-mz * rz);
    FloatVector ox = wide(mx), oy = wide(my), oz = wide(mz);
    FloatVector dx = wide(ex), dy = wide(ey), dz = wide(ez);
    int inX = entryRow(ex, 0), inY = entryRow(ey, 1), inZ = entryRow(ez, 2);
    int outX = exitRow(ex, 0), outY = exitRow(ey, 1), outZ = exitRow(ez, 2);
    int top = base, at = mesh.tree.root, far = Float.floatToRawIntBits(meshT);
    boolean found = false;
    while (true) {
      if (at >= 0) {
        IntVector in = slab(n, at + inX, ix, px).max(slab(n, at + inY, iy, py));
        in = in.max(slab(n, at + inZ, iz, pz)).max(ZERO);
        IntVector out = slab(n, at + outX, ix, px).min(slab(n, at + outY, iy, py));
        out = out.min(slab(n, at + outZ, iz, pz)).min(end());
        VectorMask<Integer> entered = in.compare(VectorOperators.LE, out);
        int many = entered.trueCount();
        if (many == 1) {
          at = Float.floatToRawIntBits(n[at + entered.firstTrue()]);
          continue;
        }
        IntVector children = FloatVector.fromArray(F, n, at).reinterpretAsInts();
        if (any) {
          pack(children, entered, open, top);
          top += many;
        } else if (many > 1) {
          pack(in, entered, near, 0);
          pack(children, entered, reference, 0);
          top = push(many, top);
        }
      } else {
        int block = MeshHierarchy.block(~at), end = block + MeshHierarchy.many(~at);
        for (; block < end; block++) {
          int row = MeshHierarchy.at(block, W);
          FloatVector d = distances(p, row + 8 * W, ox, oy, oz, dx, dy, dz);
          VectorMask<Float> ahead =
              d.compare(VectorOperators.GT, NOUGHT)
                  .and(d.compare(VectorOperators.LE, FloatVector.fromArray(F, limit, 0)));
          if (ahead.anyTrue()) {
            FloatVector x = d.fma(dx, ox), y = d.fma(dy, oy), z = d.fma(dz, oz);
            FloatVector u = FloatVector.fromArray(F, p, row + 3 * W);
            u = FloatVector.fromArray(F, p, row + 2 * W).fma(z, u);
            u = FloatVector.fromArray(F, p, row + W).fma(y, u);
            u = FloatVector.fromArray(F, p, row).fma(x, u);
            FloatVector v = FloatVector.fromArray(F, p, row + 7 * W);
            v = FloatVector.fromArray(F, p, row + 6 * W).fma(z, v);
            v = FloatVector.fromArray(F, p, row + 5 * W).fma(y, v);
            v = FloatVector.fromArray(F, p, row + 4 * W).fma(x, v);
            ahead = ahead.and(u.compare(VectorOperators.GE, NOUGHT));
            ahead = ahead.and(v.compare(VectorOperators.GE, NOUGHT));
            long hits = ahead.and(u.add(v).compare(VectorOperators.LE, ONE)).toLong();
            d.intoArray(hitT, 0);
            u.intoArray(hitU, 0);
            v.intoArray(hitV, 0);
            if (hits != 0) {
              if (any) {
                return true;
              }
              found |= nearer(mesh, block, hits);
              far = Float.floatToRawIntBits(meshT);
            }
          }
        }
      }
      do {
        if (top == base) {
          return found;
        }
        at = any ? open[--top] : (int) stack[--top];
      } while (!any && (int) (stack[top] >>> 32) > far);
    }
  }

  /** Takes the nearest of the triangles hit in a block, where it is nearer than all before. */
  private boolean nearer(MeshHierarchy mesh, int block, long hits) {
    boolean found = false;
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
      limit(meshT);
    }
    return found;
  }

  /** Distances at which a ray meets the planes of a block of triangles. */
  private static FloatVector distances(
      float[] p,
      int normals,
      FloatVector ox,
      FloatVector oy,
      FloatVector oz,
      FloatVector dx,
      FloatVector dy,
      FloatVector dz) {
    FloatVector nx = FloatVector.fromArray(F, p, normals);
    FloatVector ny = FloatVector.fromArray(F, p, normals + W);
    FloatVector nz = FloatVector.fromArray(F, p, normals + 2 * W);
    FloatVector shift = FloatVector.fromArray(F, p, normals + 3 * W);
    return nx.fma(ox, ny.fma(oy, nz.fma(oz, shift))).neg().div(nx.fma(dx, ny.fma(dy, nz.mul(dz))));
  }
}

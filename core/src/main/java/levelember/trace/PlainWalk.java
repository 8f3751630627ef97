package levelember.trace;

/** The walk in plain Java over trees of two children a node: what {@link WideWalk} is held to. */
final class PlainWalk extends RayWalk {
  PlainWalk(Hierarchy hierarchy) {
    super(hierarchy);
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
    float ix = reciprocal(dx), iy = reciprocal(dy), iz = reciprocal(dz);
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
        top = open(h.top.nodes, at, top, ox, oy, oz, ix, iy, iz, t);
        continue;
      }
      int i = ~at;
      if (passes(i, kind, pieces)) {
        continue;
      }
      intoMesh(i, skip, ox, oy, oz, dx, dy, dz);
      beginMesh(skip);
      if (any) {
        meshT = t - skip;
      }
      if (through(h.meshes[i], top, mx, my, mz, ex, ey, ez, any)) {
        if (any) {
          instance = i;
          return;
        }
        endMesh(i, skip);
      }
    }
  }

  /** Walks one mesh; true when it was hit. Leaves the hit in the fields of the mesh's hit. */
  private boolean through(
      MeshHierarchy mesh,
      int base,
      float ox,
      float oy,
      float oz,
      float dx,
      float dy,
      float dz,
      boolean any) {
    float[] nodes = mesh.tree.nodes;
    float ix = reciprocal(dx), iy = reciprocal(dy), iz = reciprocal(dz);
    boolean found = false;
    int top = base;
    stack[top++] = mesh.tree.root & 0xffffffffL;
    while (top > base) {
      long entry = stack[--top];
      if (Float.intBitsToFloat((int) (entry >>> 32)) > meshT) {
        continue;
      }
      int at = (int) entry;
      if (at >= 0) {
        top = open(nodes, at, top, ox, oy, oz, ix, iy, iz, meshT);
        continue;
      }
      int first = MeshHierarchy.block(~at), end = first + MeshHierarchy.many(~at);
      for (int block = first; block < end; block++) {
        float[] p = mesh.blocks;
        int r = MeshHierarchy.at(block, 1);
        float high =
            Math.fma(p[r + 8], ox, Math.fma(p[r + 9], oy, Math.fma(p[r + 10], oz, p[r + 11])));
        float fall = Math.fma(p[r + 8], dx, Math.fma(p[r + 9], dy, p[r + 10] * dz));
        float d = -high / fall;
        int other = mesh.triangles[block];
        if (!(d > 0 && (d < meshT || d == meshT && (any || other < meshTriangle)))) {
          continue;
        }
        float x = Math.fma(d, dx, ox), y = Math.fma(d, dy, oy), z = Math.fma(d, dz, oz);
        float u = Math.fma(p[r], x, Math.fma(p[r + 1], y, Math.fma(p[r + 2], z, p[r + 3])));
        float v = Math.fma(p[r + 4], x, Math.fma(p[r + 5], y, Math.fma(p[r + 6], z, p[r + 7])));
        if (u >= 0 && v >= 0 && u + v <= 1) {
          meshT = d;
          meshTriangle = other;
          meshB = u;
          meshC = v;
          found = true;
          if (any) {
            return true;
          }
        }
      }
    }
    return found;
  }

  /** Pushes those children of a node that the ray enters, the nearer one last. */
  private int open(
      float[] n,
      int at,
      int top,
      float ox,
      float oy,
      float oz,
      float ix,
      float iy,
      float iz,
      float far) {
    float px = -ox * ix, py = -oy * iy, pz = -oz * iz;
    int nearX = ix < 0 ? 8 : 2, nearY = iy < 0 ? 10 : 4, nearZ = iz < 0 ? 12 : 6;
    int farX = 10 - nearX, farY = 14 - nearY, farZ = 18 - nearZ;
    float in =
        most(
            Math.fma(n[at + nearX], ix, px),
            Math.fma(n[at + nearY], iy, py),
            Math.fma(n[at + nearZ], iz, pz));
    float out =
        least(
            Math.fma(n[at + farX], ix, px),
            Math.fma(n[at + farY], iy, py),
            Math.fma(n[at + farZ], iz, pz),
            far);
    float in2 =
        most(
            Math.fma(n[at + nearX + 1], ix, px),
            Math.fma(n[at + nearY + 1], iy, py),
            Math.fma(n[at + nearZ + 1], iz, pz));
    float out2 =
        least(
            Math.fma(n[at + farX + 1], ix, px),
            Math.fma(n[at + farY + 1], iy, py),
            Math.fma(n[at + farZ + 1], iz, pz),
            far);
    boolean left = in <= out, right = in2 <= out2;
    if (left && right) {
      boolean swap = in < in2;
      stack[top++] = swap ? entry(in2, n[at + 1]) : entry(in, n[at]);
      stack[top++] = swap ? entry(in, n[at]) : entry(in2, n[at + 1]);
    } else if (left) {
      stack[top++] = entry(in, n[at]);
    } else if (right) {
      stack[top++] = entry(in2, n[at + 1]);
    }
    return top;
  }

  private static long entry(float in, float reference) {
    return (long) Float.floatToRawIntBits(in) << 32
        | Float.floatToRawIntBits(reference) & 0xffffffffL;
  }

  // Plain comparisons: Math.max and Math.min care for NaN and −0 and cost several times more.
  private static float most(float a, float b, float c) {
    float ab = a > b ? a : b;
    float abc = ab > c ? ab : c;
    return abc > 0 ? abc : 0;
  }

  private static float least(float a, float b, float c, float d) {
    float ab = a < b ? a : b, cd = c < d ? c : d;
    return ab < cd ? ab : cd;
  }
}

package levelember.trace;

/**
 * Walks rays through a {@link Hierarchy}. One object a thread: it owns the stack and holds the
 * result of the last ray in its fields.
 *
 * <p>Triangles are hit from both sides, by Möller and Trumbore 1997.
 */
public final class RayWalk {
  /** Boxes are widened by a few roundings. */
  private static final float WIDER = 1.0000004f;

  private final Hierarchy hierarchy;
  private final int[] stack = new int[128];
  private final float[] entered = new float[128];

  /** Distance of the hit in lengths of the direction; infinite without one. */
  public float t;

  /** Number of the triangle hit, −1 without one. */
  public int triangle;

  /** Weight of the triangle's second corner at the hit. */
  public float b;

  /** Weight of the triangle's third corner at the hit. */
  public float c;

  public RayWalk(Hierarchy hierarchy) {
    this.hierarchy = hierarchy;
  }

  /** The nearest hit between 0 and {@code far}; true when there is one. */
  public boolean nearest(float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    t = far;
    triangle = -1;
    walk(ox, oy, oz, dx, dy, dz, false);
    if (triangle < 0) {
      t = Float.POSITIVE_INFINITY;
      return false;
    }
    return true;
  }

  /** Whether anything stands between 0 and {@code far}. */
  public boolean blocked(float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    t = far;
    triangle = -1;
    walk(ox, oy, oz, dx, dy, dz, true);
    return triangle >= 0;
  }

  private void walk(float ox, float oy, float oz, float dx, float dy, float dz, boolean any) {
    Hierarchy h = hierarchy;
    if (h.empty()) {
      return;
    }
    float[] nodes = h.nodes;
    float ix = reciprocal(dx), iy = reciprocal(dy), iz = reciprocal(dz);
    float px = -ox * ix, py = -oy * iy, pz = -oz * iz;
    int nearX = dx < 0 ? 3 : 0, nearY = dy < 0 ? 4 : 1, nearZ = dz < 0 ? 5 : 2;
    int farX = 3 - nearX, farY = 5 - nearY, farZ = 7 - nearZ;
    int top = 0;
    int at = 0;
    while (true) {
      if (at >= 0) {
        float in =
            most(
                Math.fma(nodes[at + nearX], ix, px),
                Math.fma(nodes[at + nearY], iy, py),
                Math.fma(nodes[at + nearZ], iz, pz));
        float out =
            least(
                Math.fma(nodes[at + farX], ix, px),
                Math.fma(nodes[at + farY], iy, py),
                Math.fma(nodes[at + farZ], iz, pz),
                t);
        float in2 =
            most(
                Math.fma(nodes[at + 6 + nearX], ix, px),
                Math.fma(nodes[at + 6 + nearY], iy, py),
                Math.fma(nodes[at + 6 + nearZ], iz, pz));
        float out2 =
            least(
                Math.fma(nodes[at + 6 + farX], ix, px),
                Math.fma(nodes[at + 6 + farY], iy, py),
                Math.fma(nodes[at + 6 + farZ], iz, pz),
                t);
        boolean left = in <= out * WIDER, right = in2 <= out2 * WIDER;
        if (left) {
          int first = Float.floatToRawIntBits(nodes[at + 12]);
          if (right) {
            int second = Float.floatToRawIntBits(nodes[at + 13]);
            if (in <= in2) {
              stack[top] = second;
              entered[top++] = in2;
              at = first;
            } else {
              stack[top] = first;
              entered[top++] = in;
              at = second;
            }
          } else {
            at = first;
          }
          continue;
        } else if (right) {
          at = Float.floatToRawIntBits(nodes[at + 13]);
          continue;
        }
      } else {
        int leaf = ~at;
        int first = leaf >>> 4, end = first + (leaf & 15);
        for (int i = first; i < end; i++) {
          if (hit(i, ox, oy, oz, dx, dy, dz) && any) {
            return;
          }
        }
      }
      do {
        if (top == 0) {
          return;
        }
        at = stack[--top];
      } while (entered[top] > t);
    }
  }

  private static float reciprocal(float d) {
    return 1 / (Math.abs(d) < 1e-20f ? Math.copySign(1e-20f, d) : d);
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

  private boolean hit(int i, float ox, float oy, float oz, float dx, float dy, float dz) {
    float[] e = hierarchy.soup.edges;
    int at = 9 * i;
    float e1x = e[at + 3], e1y = e[at + 4], e1z = e[at + 5];
    float e2x = e[at + 6], e2y = e[at + 7], e2z = e[at + 8];
    float px = dy * e2z - dz * e2y, py = dz * e2x - dx * e2z, pz = dx * e2y - dy * e2x;
    float det = e1x * px + e1y * py + e1z * pz;
    if (det == 0) {
      return false;
    }
    float inv = 1 / det;
    float sx = ox - e[at], sy = oy - e[at + 1], sz = oz - e[at + 2];
    float u = (sx * px + sy * py + sz * pz) * inv;
    if (!(u >= 0 && u <= 1)) {
      return false;
    }
    float qx = sy * e1z - sz * e1y, qy = sz * e1x - sx * e1z, qz = sx * e1y - sy * e1x;
    float v = (dx * qx + dy * qy + dz * qz) * inv;
    if (!(v >= 0 && u + v <= 1)) {
      return false;
    }
    float d = (e2x * qx + e2y * qy + e2z * qz) * inv;
    if (!(d > 0 && d < t)) {
      return false;
    }
    t = d;
    triangle = i;
    b = u;
    c = v;
    return true;
  }

  /** Writes the unit geometric normal of the hit triangle, outside as wound, into three floats. */
  public void faceNormal(float[] to) {
    float[] e = hierarchy.soup.edges;
    int at = 9 * triangle;
    float x = e[at + 4] * e[at + 8] - e[at + 5] * e[at + 7];
    float y = e[at + 5] * e[at + 6] - e[at + 3] * e[at + 8];
    float z = e[at + 3] * e[at + 7] - e[at + 4] * e[at + 6];
    store(to, x, y, z);
  }

  /** Writes the unit shading normal at the hit into three floats. */
  public void shadingNormal(float[] to) {
    float[] n = hierarchy.soup.normals;
    int at = 9 * triangle;
    float a = 1 - b - c;
    store(
        to,
        a * n[at] + b * n[at + 3] + c * n[at + 6],
        a * n[at + 1] + b * n[at + 4] + c * n[at + 7],
        a * n[at + 2] + b * n[at + 5] + c * n[at + 8]);
  }

  /** Number of the piece hit. */
  public int piece() {
    return hierarchy.soup.piece[triangle];
  }

  private static void store(float[] to, float x, float y, float z) {
    float l = (float) Math.sqrt(x * x + y * y + z * z);
    float s = l > 0 ? 1 / l : 0;
    to[0] = x * s;
    to[1] = y * s;
    to[2] = z * s;
  }
}

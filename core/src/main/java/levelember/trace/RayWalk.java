package levelember.trace;

/**
 * Walks rays through a {@link Hierarchy}. One object a thread: it owns the stack and holds the
 * result of the last ray in its fields.
 *
 * <p>Triangles are hit from both sides, by Möller and Trumbore 1997.
 */
public final class RayWalk {
  private final Hierarchy hierarchy;
  private final int[] stack = new int[128];

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
    float[] bounds = h.bounds;
    int[] links = h.links;
    float ix = reciprocal(dx), iy = reciprocal(dy), iz = reciprocal(dz);
    float px = -ox * ix, py = -oy * iy, pz = -oz * iz;
    int nearX = dx < 0 ? 3 : 0, nearY = dy < 0 ? 4 : 1, nearZ = dz < 0 ? 5 : 2;
    int farX = 3 - nearX, farY = 5 - nearY, farZ = 7 - nearZ;
    int top = 0;
    int node = 0;
    if (enter(bounds, 0, nearX, nearY, nearZ, farX, farY, farZ, ix, iy, iz, px, py, pz)
        == Float.POSITIVE_INFINITY) {
      return;
    }
    while (true) {
      int many = links[2 * node + 1];
      if (many > 0) {
        int first = links[2 * node];
        for (int i = first; i < first + many; i++) {
          if (hit(i, ox, oy, oz, dx, dy, dz) && any) {
            return;
          }
        }
      } else {
        int left = node + 1, right = links[2 * node];
        float l =
            enter(bounds, 6 * left, nearX, nearY, nearZ, farX, farY, farZ, ix, iy, iz, px, py, pz);
        float r =
            enter(bounds, 6 * right, nearX, nearY, nearZ, farX, farY, farZ, ix, iy, iz, px, py, pz);
        if (l != Float.POSITIVE_INFINITY) {
          if (r != Float.POSITIVE_INFINITY) {
            if (l <= r) {
              stack[top++] = right;
              node = left;
            } else {
              stack[top++] = left;
              node = right;
            }
          } else {
            node = left;
          }
          continue;
        } else if (r != Float.POSITIVE_INFINITY) {
          node = right;
          continue;
        }
      }
      do {
        if (top == 0) {
          return;
        }
        node = stack[--top];
      } while (top > 0
          && enter(bounds, 6 * node, nearX, nearY, nearZ, farX, farY, farZ, ix, iy, iz, px, py, pz)
              == Float.POSITIVE_INFINITY);
    }
  }

  private static float reciprocal(float d) {
    return 1 / (Math.abs(d) < 1e-20f ? Math.copySign(1e-20f, d) : d);
  }

  /** Where the ray enters a box, or infinity; boxes are widened by a few roundings. */
  private float enter(
      float[] bounds,
      int at,
      int nearX,
      int nearY,
      int nearZ,
      int farX,
      int farY,
      int farZ,
      float ix,
      float iy,
      float iz,
      float px,
      float py,
      float pz) {
    float in =
        Math.max(
            Math.max(Math.fma(bounds[at + nearX], ix, px), Math.fma(bounds[at + nearY], iy, py)),
            Math.max(Math.fma(bounds[at + nearZ], iz, pz), 0));
    float out =
        Math.min(
            Math.min(Math.fma(bounds[at + farX], ix, px), Math.fma(bounds[at + farY], iy, py)),
            Math.min(Math.fma(bounds[at + farZ], iz, pz), t));
    return in <= out * 1.0000004f ? in : Float.POSITIVE_INFINITY;
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

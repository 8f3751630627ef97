package levelember.trace;

import levelember.geometry.Triangles;
import levelember.math.Lanes;

/**
 * Walks rays through a {@link Hierarchy}. One object a thread: it owns the stack and holds the
 * result of the last ray in its fields; nothing is allocated per ray. Triangles are hit from both
 * sides. Hits have the same bits with any number of lanes and by the plain walk.
 *
 * <p>Where the module {@code jdk.incubator.vector} is there, boxes and triangles are tested as many
 * at a time as the machine's vectors have lanes; else the plain walk does the same one by one.
 */
public abstract sealed class RayWalk permits PlainWalk, WideWalk {
  static final int PLAIN_WIDTH = 2;

  final Hierarchy hierarchy;
  final long[] stack;

  /** The ray in the frame of a mesh: origin and direction. */
  float mx, my, mz, ex, ey, ez;

  /** Distance of the hit in lengths of the direction; infinite without one. */
  public float t;

  /** Number of the instance hit, −1 without one. */
  public int instance;

  /** Number of the triangle hit in its mesh. */
  public int triangle;

  /** Weight of the triangle's second corner at the hit. */
  public float b;

  /** Weight of the triangle's third corner at the hit. */
  public float c;

  /** The nearest hit so far in the mesh that is walked, by the ray in the mesh's frame. */
  float meshT, meshB, meshC;

  int meshTriangle;

  RayWalk(Hierarchy hierarchy) {
    this.hierarchy = hierarchy;
    stack = new long[hierarchy.stack + 1];
  }

  /** A walk through a hierarchy. */
  public static RayWalk of(Hierarchy hierarchy) {
    return hierarchy.width == PLAIN_WIDTH ? new PlainWalk(hierarchy) : new WideWalk(hierarchy);
  }

  /** Children a node that suit this machine. */
  static int width() {
    return Machine.WIDTH;
  }

  /** Asked once, and only where the module is there, so that the class loads without it. */
  private static final class Machine {
    static final int WIDTH = Lanes.vectors() ? Math.max(WideWalk.WIDTH, PLAIN_WIDTH) : PLAIN_WIDTH;
  }

  /** The nearest hit between 0 and {@code far}, of what any ray sees; true when there is one. */
  public final boolean closestHit(
      float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    return closestHit(ox, oy, oz, dx, dy, dz, far, Hierarchy.EVERY_KIND);
  }

  /**
   * The nearest hit between 0 and {@code far}; true when there is one.
   *
   * @param kind one bit: only what shows to this kind of ray is hit
   */
  public final boolean closestHit(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, int kind) {
    t = far;
    instance = -1;
    if (!hierarchy.empty()) {
      walk(ox, oy, oz, dx, dy, dz, kind, null, false);
    }
    if (instance < 0) {
      t = Float.POSITIVE_INFINITY;
      return false;
    }
    return true;
  }

  /** Whether anything that any ray sees stands between 0 and {@code far}. */
  public final boolean occluded(
      float ox, float oy, float oz, float dx, float dy, float dz, float far) {
    return occluded(ox, oy, oz, dx, dy, dz, far, Hierarchy.EVERY_KIND, null);
  }

  /**
   * Whether anything stands between 0 and {@code far}.
   *
   * @param kind one bit: only what shows to this kind of ray blocks
   * @param pieces bits of the pieces that block, 64 a word, or null for all
   */
  public final boolean occluded(
      float ox,
      float oy,
      float oz,
      float dx,
      float dy,
      float dz,
      float far,
      int kind,
      long[] pieces) {
    t = far;
    instance = -1;
    if (!hierarchy.empty()) {
      walk(ox, oy, oz, dx, dy, dz, kind, pieces, true);
    }
    return instance >= 0;
  }

  /** Walks one ray from {@link #t}; leaves the hit in the fields. */
  abstract void walk(
      float ox,
      float oy,
      float oz,
      float dx,
      float dy,
      float dz,
      int kind,
      long[] pieces,
      boolean any);

  /** Takes a ray, begun {@code skip} further along, into the frame of an instance's mesh. */
  final void intoMesh(
      int number, float skip, float ox, float oy, float oz, float dx, float dy, float dz) {
    float[] m = hierarchy.toMesh;
    int r = 12 * number;
    float x = Math.fma(skip, dx, ox), y = Math.fma(skip, dy, oy), z = Math.fma(skip, dz, oz);
    mx = Math.fma(m[r], x, Math.fma(m[r + 1], y, Math.fma(m[r + 2], z, m[r + 3])));
    my = Math.fma(m[r + 4], x, Math.fma(m[r + 5], y, Math.fma(m[r + 6], z, m[r + 7])));
    mz = Math.fma(m[r + 8], x, Math.fma(m[r + 9], y, Math.fma(m[r + 10], z, m[r + 11])));
    ex = Math.fma(m[r], dx, Math.fma(m[r + 1], dy, m[r + 2] * dz));
    ey = Math.fma(m[r + 4], dx, Math.fma(m[r + 5], dy, m[r + 6] * dz));
    ez = Math.fma(m[r + 8], dx, Math.fma(m[r + 9], dy, m[r + 10] * dz));
  }

  /**
   * Begins a mesh that the ray enters after {@code skip}. Of hits at one distance the one of the
   * lowest instance and triangle counts, so that the order of the walk does not: what is as far as
   * the best hit so far, but for rounding, is still looked for.
   */
  final void beginMesh(float skip) {
    float limit = t - skip + t * 0x1p-22f;
    meshT = limit < Float.MAX_VALUE ? limit : Float.MAX_VALUE;
    meshTriangle = Integer.MAX_VALUE;
  }

  /** Takes over the mesh's hit where it is nearer than all before. */
  final void endMesh(int number, float skip) {
    float there = skip + meshT;
    if (there < t || there == t && number < instance) {
      t = there;
      instance = number;
      triangle = meshTriangle;
      b = meshB;
      c = meshC;
    }
  }

  /** Whether an instance is passed by. */
  final boolean passes(int candidate, int kind, long[] pieces) {
    if ((hierarchy.shows[candidate] & kind) == 0) {
      return true;
    }
    int piece = hierarchy.piece[candidate];
    return pieces != null && (pieces[piece >> 6] >>> (piece & 63) & 1) == 0;
  }

  /** One over a component of a direction, never infinite; of both zeros it is positive. */
  static float reciprocal(float d) {
    return Math.abs(d) < 1e-20f ? d < 0 ? -1e20f : 1e20f : 1 / d;
  }

  /** Number of the piece hit. */
  public final int piece() {
    return hierarchy.piece[instance];
  }

  /** Writes the place of the hit in the world into three floats. */
  public final void place(float[] to) {
    MeshHierarchy mesh = hierarchy.meshes[instance];
    corners(mesh.mesh.positions(), mesh.mesh.indices(), to);
    float[] m = hierarchy.toWorld;
    int at = 12 * instance;
    float x = to[0], y = to[1], z = to[2];
    for (int k = 0; k < 3; k++) {
      int row = at + 4 * k;
      to[k] = Math.fma(m[row], x, Math.fma(m[row + 1], y, Math.fma(m[row + 2], z, m[row + 3])));
    }
  }

  /** Writes the unit shading normal at the hit, in the world, into three floats. */
  public final void shadingNormal(float[] to) {
    MeshHierarchy mesh = hierarchy.meshes[instance];
    corners(mesh.mesh.normals(), mesh.mesh.indices(), to);
    turned(to[0], to[1], to[2], to);
  }

  /** Writes the unit geometric normal of the hit triangle, outside as wound, into three floats. */
  public final void faceNormal(float[] to) {
    MeshHierarchy mesh = hierarchy.meshes[instance];
    float[] p = mesh.mesh.positions();
    int[] index = mesh.mesh.indices();
    int a = 3 * index[3 * triangle], b = 3 * index[3 * triangle + 1];
    int c = 3 * index[3 * triangle + 2];
    float ux = p[b] - p[a], uy = p[b + 1] - p[a + 1], uz = p[b + 2] - p[a + 2];
    float vx = p[c] - p[a], vy = p[c + 1] - p[a + 1], vz = p[c + 2] - p[a + 2];
    float x = uy * vz - uz * vy, y = uz * vx - ux * vz, z = ux * vy - uy * vx;
    float l = 1 / (Math.abs(x) + Math.abs(y) + Math.abs(z));
    turned(x * l, y * l, z * l, to);
  }

  /** The mesh hit. */
  public final Triangles mesh() {
    return hierarchy.meshes[instance].mesh;
  }

  /** Writes the place of the hit in the mesh's own frame into three floats. */
  public final void placeInMesh(float[] to) {
    Triangles mesh = mesh();
    corners(mesh.positions(), mesh.indices(), to);
  }

  /** Writes a value that each corner has three floats of, at the hit, into three floats. */
  public final void weighed(float[] corners, float[] to) {
    corners(corners, mesh().indices(), to);
  }

  /**
   * Writes where the hit lies on a picture, u and v, and how far along it the triangle's two edges
   * from its first corner go, into six floats.
   *
   * @param places two floats a corner
   */
  public final void uv(float[] places, float[] to) {
    int[] index = mesh().indices();
    int p = 2 * index[3 * triangle], q = 2 * index[3 * triangle + 1];
    int r = 2 * index[3 * triangle + 2];
    for (int k = 0; k < 2; k++) {
      to[2 + k] = places[q + k] - places[p + k];
      to[4 + k] = places[r + k] - places[p + k];
      to[k] = places[p + k] + b * to[2 + k] + c * to[4 + k];
    }
  }

  /**
   * Writes the triangle's two edges from its first corner, in the mesh's frame, into six floats.
   */
  public final void edgesInMesh(float[] to) {
    Triangles mesh = mesh();
    float[] at = mesh.positions();
    int[] index = mesh.indices();
    int p = 3 * index[3 * triangle], q = 3 * index[3 * triangle + 1];
    int r = 3 * index[3 * triangle + 2];
    for (int k = 0; k < 3; k++) {
      to[k] = at[q + k] - at[p + k];
      to[3 + k] = at[r + k] - at[p + k];
    }
  }

  /** Takes a direction of the mesh's frame into the world, in place at an offset. */
  public final void intoWorld(float[] v, int at) {
    float[] m = hierarchy.toWorld;
    int row = 12 * instance;
    float x = v[at], y = v[at + 1], z = v[at + 2];
    for (int k = 0; k < 3; k++) {
      v[at + k] = m[row + 4 * k] * x + m[row + 4 * k + 1] * y + m[row + 4 * k + 2] * z;
    }
  }

  /** Weighs three floats of each corner of the hit triangle. */
  private void corners(float[] from, int[] index, float[] to) {
    int p = 3 * index[3 * triangle], q = 3 * index[3 * triangle + 1];
    int r = 3 * index[3 * triangle + 2];
    float a = 1 - b - c;
    for (int k = 0; k < 3; k++) {
      to[k] = a * from[p + k] + b * from[q + k] + c * from[r + k];
    }
  }

  /** A normal of the mesh's frame in the world: by the transpose of the map back. */
  private void turned(float x, float y, float z, float[] to) {
    float[] m = hierarchy.toMesh;
    int at = 12 * instance;
    float wx = m[at] * x + m[at + 4] * y + m[at + 8] * z;
    float wy = m[at + 1] * x + m[at + 5] * y + m[at + 9] * z;
    float wz = m[at + 2] * x + m[at + 6] * y + m[at + 10] * z;
    float l = (float) Math.sqrt(wx * wx + wy * wy + wz * wz);
    float s = l > 0 ? 1 / l : 0;
    to[0] = wx * s;
    to[1] = wy * s;
    to[2] = wz * s;
  }
}

package levelember.patches;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.scene.Scene;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Large triangles of a set's opaque surfaces, parted into patches of about the same size: for every
 * place on them the number of its patch, and for every patch its corners. Both sides of a triangle
 * have patches of their own, with an even number on the outside. Immutable.
 */
public final class SurfacePatches {
  /** Patches of one side, about. */
  private static final int ABOUT = 4000;

  /** Most parts of a triangle's edge. */
  private static final int MOST_PARTS = 48;

  /** Triangles below this share of a patch's area have none. */
  private static final double LEAST_SHARE = 1.0 / 16;

  /** Meshes of more triangles than this have none. */
  private static final int FINE = 1 << 14;

  /** For every place and triangle its first patch, or −1; null for a place without patches. */
  private final int[][] first;

  /** For every place and triangle the parts of its edges; null for a place without patches. */
  private final byte[][] parts;

  /** Of every parted triangle: place, triangle, first patch. */
  private final List<int[]> parted = new ArrayList<>();

  private final SetGeometry set;
  private int count;

  public SurfacePatches(Scene scene) {
    set = scene.set;
    int places = set.placed().size();
    first = new int[places][];
    parts = new byte[places][];
    double area = 0;
    for (int p = 0; p < places; p++) {
      if (suits(scene, set.placed().get(p))) {
        Triangles mesh = set.placed().get(p).mesh();
        for (int t = 0; t < mesh.count(); t++) {
          area += area(p, t);
        }
      }
    }
    double side = area / ABOUT;
    for (int p = 0; p < places; p++) {
      if (suits(scene, set.placed().get(p))) {
        part(p, side);
      }
    }
  }

  /** Whether what lies on a piece is opaque, without holes, and shows to all bounced light. */
  private static boolean suits(Scene scene, SetGeometry.Placed placed) {
    int piece = placed.piece();
    return placed.mesh().count() <= FINE
        && scene.solid(piece)
        && !scene.surfaces[piece].specular()
        && !scene.catches[piece]
        && scene.shows(piece, Hierarchy.BOUNCE)
        && scene.shows(piece, Hierarchy.REFLECTION)
        && scene.reflectedByAll(piece);
  }

  private void part(int place, double areaOfPatch) {
    Triangles mesh = set.placed().get(place).mesh();
    for (int t = 0; t < mesh.count(); t++) {
      double area = area(place, t);
      if (!(area > LEAST_SHARE * areaOfPatch)) {
        continue;
      }
      if (first[place] == null) {
        first[place] = new int[mesh.count()];
        Arrays.fill(first[place], -1);
        parts[place] = new byte[mesh.count()];
      }
      int n = Math.clamp((int) Math.ceil(Math.sqrt(area / areaOfPatch)), 1, MOST_PARTS);
      first[place][t] = count;
      parts[place][t] = (byte) n;
      parted.add(new int[] {place, t, count});
      count += 2 * n * n;
    }
  }

  private double area(int place, int triangle) {
    Vec3 a = corner(place, triangle, 0), b = corner(place, triangle, 1);
    return 0.5 * b.minus(a).cross(corner(place, triangle, 2).minus(a)).length();
  }

  private Vec3 corner(int place, int triangle, int k) {
    SetGeometry.Placed p = set.placed().get(place);
    return p.map().point(p.mesh().position(p.mesh().index(triangle, k)));
  }

  /** How many patches there are. */
  public int count() {
    return count;
  }

  /**
   * Number of the patch that a ray has hit, or −1.
   *
   * @param place in the set
   * @param outside whether the ray comes from outside
   */
  public int patch(int place, RayWalk hit, boolean outside) {
    if (first[place] == null || first[place][hit.triangle] < 0) {
      return -1;
    }
    int n = parts[place][hit.triangle];
    float b = Math.clamp(hit.b, 0, 1) * n, c = Math.clamp(hit.c, 0, 1) * n;
    int i = Math.min((int) b, n - 1), j = Math.clamp((int) c, 0, n - 1 - i);
    int upper = i + j + 1 < n && b - i + c - j > 1 ? 1 : 0;
    int inTriangle = i * (2 * n - i) + 2 * j + upper;
    return first[place][hit.triangle] + 2 * inTriangle + (outside ? 0 : 1);
  }

  /** A triangle that is parted. */
  public record Parted(int place, int piece, int first, int count) {}

  /** How many triangles are parted. */
  public int triangles() {
    return parted.size();
  }

  public Parted triangle(int number) {
    int[] of = parted.get(number);
    int n = parts[of[0]][of[1]];
    return new Parted(of[0], set.placed().get(of[0]).piece(), of[2], 2 * n * n);
  }

  /**
   * Writes the corners of a patch in the world, counter-clockwise seen from its side.
   *
   * @param number of its triangle among those that are parted
   * @param patch of that triangle, from 0
   * @param at where its nine floats begin
   */
  public void corners(int number, int patch, float[] to, int at) {
    int[] of = parted.get(number);
    int n = parts[of[0]][of[1]];
    int rest = patch / 2, i = 0;
    while (rest >= 2 * (n - i) - 1) {
      rest -= 2 * (n - i) - 1;
      i++;
    }
    int j = rest / 2;
    boolean upper = (rest & 1) != 0;
    boolean turned = set.placed().get(of[0]).map().determinant() < 0 != ((patch & 1) != 0);
    Vec3 a = corner(of[0], of[1], 0);
    Vec3 along = corner(of[0], of[1], 1).minus(a).times(1.0 / n);
    Vec3 across = corner(of[0], of[1], 2).minus(a).times(1.0 / n);
    for (int k = 0; k < 3; k++) {
      int corner = turned ? 2 - k : k;
      int di = upper ? (corner == 1 ? 0 : 1) : (corner == 1 ? 1 : 0);
      int dj = upper ? (corner == 2 ? 0 : 1) : (corner == 2 ? 1 : 0);
      Vec3 p = a.plus(along.times(i + di)).plus(across.times(j + dj));
      to[at + 3 * k] = (float) p.x();
      to[at + 3 * k + 1] = (float) p.y();
      to[at + 3 * k + 2] = (float) p.z();
    }
  }
}

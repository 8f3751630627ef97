package levelember.caustics;

import java.util.ArrayList;
import java.util.List;
import levelember.geometry.SetGeometry;
import levelember.math.Triangle;
import levelember.math.Vec3;
import levelember.scene.Scene;

/** The surfaces of a set that throw caustics, as places that are sampled by area. Immutable. */
final class CasterSurfaces {
  /**
   * Triangles of which areas are kept, 8 bytes each; those of further casters are drawn with equal
   * chances.
   */
  private static final int TABLED = 1 << 22;

  private final SetGeometry set;

  /** Places of the set where casters stand. */
  private final List<Integer> places = new ArrayList<>();

  /** For each the areas of the triangles before each of its own, and of all; or null. */
  private final List<double[]> before = new ArrayList<>();

  /** A place on a caster; one object a thread. */
  public static final class Sample {
    /** In the world, metres. */
    float x, y, z;

    /** Unit normal of the triangle. */
    float nx, ny, nz;

    /** Density within its piece, 1/m². */
    double pdf;
  }

  CasterSurfaces(Scene scene) {
    set = scene.set;
    long tabled = 0;
    for (int p = 0; p < set.placed().size(); p++) {
      SetGeometry.Placed placed = set.placed().get(p);
      if (scene.isCaster(placed.piece()) && placed.mesh().count() > 0) {
        places.add(p);
        boolean fits = tabled + placed.mesh().count() <= TABLED;
        before.add(fits ? areas(placed) : null);
        tabled += fits ? placed.mesh().count() : 0;
      }
    }
  }

  private static double[] areas(SetGeometry.Placed placed) {
    double[] to = new double[placed.mesh().count() + 1];
    for (int t = 0; t + 1 < to.length; t++) {
      Vec3 a = corner(placed, t, 0);
      Vec3 n = corner(placed, t, 1).minus(a).cross(corner(placed, t, 2).minus(a));
      to[t + 1] = to[t] + n.length() / 2;
    }
    return to;
  }

  private static Vec3 corner(SetGeometry.Placed p, int triangle, int k) {
    return p.map().point(p.mesh().position(p.mesh().index(triangle, k)));
  }

  /** How many pieces and copies of pieces there are. */
  int count() {
    return places.size();
  }

  /** The number of a caster's piece. */
  int piece(int caster) {
    return set.placed().get(places.get(caster)).piece();
  }

  /**
   * Draws a place on a caster.
   *
   * @param choice in [0, 1), by which a triangle is drawn
   * @param u in [0, 1), as v, by which a place on it is
   * @return false where there is no area
   */
  boolean sample(int caster, double choice, float u, float v, Sample to) {
    SetGeometry.Placed placed = set.placed().get(places.get(caster));
    double[] areas = before.get(caster);
    int count = placed.mesh().count();
    int t = areas == null ? Math.min((int) (choice * count), count - 1) : find(areas, choice);
    Vec3 a = corner(placed, t, 0);
    Vec3 along = corner(placed, t, 1).minus(a), across = corner(placed, t, 2).minus(a);
    Vec3 n = along.cross(across);
    double area = n.length() / 2;
    if (!(area > 0)) {
      return false;
    }
    Vec3 p = a.plus(along.times(Triangle.second(u, v))).plus(across.times(Triangle.third(u, v)));
    to.x = (float) p.x();
    to.y = (float) p.y();
    to.z = (float) p.z();
    to.nx = (float) (n.x() / (2 * area));
    to.ny = (float) (n.y() / (2 * area));
    to.nz = (float) (n.z() / (2 * area));
    to.pdf = areas == null ? 1 / (count * area) : 1 / areas[count];
    return true;
  }

  private static int find(double[] areas, double choice) {
    double wanted = choice * areas[areas.length - 1];
    int low = 0, high = areas.length - 2;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (areas[middle] <= wanted) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return low;
  }
}

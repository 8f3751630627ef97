package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.math.Vec3;
import levelember.shoot.material.Texture;

/**
 * A mesh whose surface is pushed along its normals by a picture of heights (Cook 1984, "Shade
 * Trees"). Its triangles are first divided into four, all alike so that no gap opens, until none is
 * longer than a {@value #FINE}th of the mesh or there are {@value #MOST}. Corners at one place move
 * as one.
 */
final class Displacement {
  private static final int FINE = 400;
  private static final int MOST = 400_000;

  /** What shades as one: a place of the mesh before, and the normal there. */
  private record Shaded(Vec3 position, Vec3 normal) {}

  private Displacement() {}

  static Triangles of(Triangles from, Relief.Push push, Relief relief) {
    Triangles fine = from;
    while (4L * fine.count() <= MOST && longest(fine) > extent(from) / FINE) {
      fine = divided(fine);
    }
    int n = fine.corners();
    Map<Vec3, double[]> places = new HashMap<>();
    for (int i = 0; i < n; i++) {
      Vec3 normal = fine.normal(i);
      double[] sum = places.computeIfAbsent(fine.position(i), p -> new double[5]);
      sum[0] += normal.x();
      sum[1] += normal.y();
      sum[2] += normal.z();
      sum[3] += height(fine, i, push, relief);
      sum[4]++;
    }
    Vec3[] moved = new Vec3[n];
    for (int i = 0; i < n; i++) {
      double[] sum = places.get(fine.position(i));
      Vec3 along = new Vec3(sum[0], sum[1], sum[2]);
      double l = along.length();
      double way = push.metres() * sum[3] / sum[4];
      moved[i] = l > 1e-9 ? fine.position(i).plus(along.times(way / l)) : fine.position(i);
    }
    return shaded(fine, moved);
  }

  private static Triangles shaded(Triangles fine, Vec3[] moved) {
    Map<Shaded, double[]> normals = new HashMap<>();
    List<Shaded> own = new ArrayList<>();
    for (int i = 0; i < fine.corners(); i++) {
      own.add(new Shaded(fine.position(i), fine.normal(i)));
    }
    for (int t = 0; t < fine.count(); t++) {
      Vec3 a = moved[fine.index(t, 0)];
      Vec3 face = moved[fine.index(t, 1)].minus(a).cross(moved[fine.index(t, 2)].minus(a));
      for (int k = 0; k < 3; k++) {
        double[] sum = normals.computeIfAbsent(own.get(fine.index(t, k)), s -> new double[3]);
        sum[0] += face.x();
        sum[1] += face.y();
        sum[2] += face.z();
      }
    }
    Triangles to = new Triangles();
    float[] lies = fine.places();
    for (int i = 0; i < moved.length; i++) {
      double[] s = normals.getOrDefault(own.get(i), new double[] {0, 1, 0});
      Vec3 normal = new Vec3(s[0], s[1], s[2]);
      if (lies == null) {
        to.corner(moved[i], normal);
      } else {
        to.corner(moved[i], normal, lies[2 * i], lies[2 * i + 1]);
      }
    }
    for (int t = 0; t < fine.count(); t++) {
      to.triangle(fine.index(t, 0), fine.index(t, 1), fine.index(t, 2));
    }
    return to.with(to.places(), fine.ownSeconds(), fine.colours());
  }

  private static double height(Triangles mesh, int corner, Relief.Push push, Relief relief) {
    Texture t = push.texture();
    float[] lies = mesh.places();
    double x, y;
    if (t.mapping() == Texture.Mapping.METRES || lies == null) {
      // Seen along the axis that the surface looks along most, as pictures in metres lie.
      Vec3 p = mesh.position(corner), n = mesh.normal(corner);
      double ax = Math.abs(n.x()), ay = Math.abs(n.y()), az = Math.abs(n.z());
      if (ay >= ax && ay >= az) {
        x = p.x();
        y = n.y() >= 0 ? p.z() : -p.z();
      } else if (ax >= az) {
        x = n.x() >= 0 ? -p.z() : p.z();
        y = -p.y();
      } else {
        x = n.z() >= 0 ? p.x() : -p.x();
        y = -p.y();
      }
    } else {
      x = lies[2 * corner];
      y = lies[2 * corner + 1];
    }
    double a = Math.toRadians(t.rotationDegrees()), c = StrictMath.cos(a), s = StrictMath.sin(a);
    double u = c * t.repeatsU() * x + s * t.repeatsV() * y + t.offsetU();
    double v = -s * t.repeatsU() * x + c * t.repeatsV() * y + t.offsetV();
    return relief.height(push, (float) u, (float) v);
  }

  private static double extent(Triangles mesh) {
    double[] low = {1e30, 1e30, 1e30}, high = {-1e30, -1e30, -1e30};
    for (int i = 0; i < mesh.corners(); i++) {
      Vec3 p = mesh.position(i);
      double[] at = {p.x(), p.y(), p.z()};
      for (int k = 0; k < 3; k++) {
        low[k] = Math.min(low[k], at[k]);
        high[k] = Math.max(high[k], at[k]);
      }
    }
    return new Vec3(high[0] - low[0], high[1] - low[1], high[2] - low[2]).length();
  }

  private static double longest(Triangles mesh) {
    double most = 0;
    for (int t = 0; t < mesh.count(); t++) {
      for (int k = 0; k < 3; k++) {
        Vec3 a = mesh.position(mesh.index(t, k)), b = mesh.position(mesh.index(t, (k + 1) % 3));
        most = Math.max(most, a.minus(b).length());
      }
    }
    return most;
  }

  /** Every triangle as four; corners and all they have between are in the middle. */
  private static Triangles divided(Triangles mesh) {
    Triangles to = new Triangles();
    List<int[]> ends = new ArrayList<>();
    for (int i = 0; i < mesh.corners(); i++) {
      corner(to, mesh, i, i, ends);
    }
    Map<Long, Integer> middles = new HashMap<>();
    for (int t = 0; t < mesh.count(); t++) {
      int[] c = {mesh.index(t, 0), mesh.index(t, 1), mesh.index(t, 2)}, m = new int[3];
      for (int k = 0; k < 3; k++) {
        int a = c[k], b = c[(k + 1) % 3];
        m[k] =
            middles.computeIfAbsent(
                (long) Math.min(a, b) << 32 | Math.max(a, b), e -> corner(to, mesh, a, b, ends));
      }
      to.triangle(c[0], m[0], m[2]);
      to.triangle(c[1], m[1], m[0]);
      to.triangle(c[2], m[2], m[1]);
      to.triangle(m[0], m[1], m[2]);
    }
    return to.with(
        between(mesh.places(), 2, ends),
        between(mesh.ownSeconds(), 2, ends),
        between(mesh.colours(), 3, ends));
  }

  private static int corner(Triangles to, Triangles mesh, int a, int b, List<int[]> ends) {
    ends.add(new int[] {a, b});
    return to.corner(
        mesh.position(a).plus(mesh.position(b)).times(0.5), mesh.normal(a).plus(mesh.normal(b)));
  }

  /** Values of corners in the middle between two each; null stays null. */
  private static float[] between(float[] values, int each, List<int[]> ends) {
    if (values == null) {
      return null;
    }
    float[] to = new float[each * ends.size()];
    for (int i = 0; i < ends.size(); i++) {
      int[] e = ends.get(i);
      for (int k = 0; k < each; k++) {
        to[each * i + k] = (values[each * e[0] + k] + values[each * e[1] + k]) / 2;
      }
    }
    return to;
  }
}

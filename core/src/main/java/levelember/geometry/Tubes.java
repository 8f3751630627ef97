package levelember.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/** Round tubes along curves, and the edges of meshes as struts. */
final class Tubes {
  private static final int AROUND = 48;
  private static final int EACH = 20;
  private static final int STRUT_AROUND = 8;

  /** Edges between faces that bend less than this are left out, so that flat faces stay open. */
  private static final double FLAT = StrictMath.cos(Math.toRadians(1));

  private Tubes() {}

  static Triangles tube(Shape.Tube s) {
    List<Vec3> way = way(s.points(), s.closed());
    int n = way.size();
    Triangles t = new Triangles();
    Vec3[] along = new Vec3[n];
    for (int i = 0; i < n; i++) {
      Vec3 from = s.closed() ? way.get(Math.floorMod(i - 1, n)) : way.get(Math.max(0, i - 1));
      Vec3 to = s.closed() ? way.get((i + 1) % n) : way.get(Math.min(n - 1, i + 1));
      along[i] = to.minus(from).unit();
      if (along[i].length() == 0) {
        along[i] = i == 0 ? Vec3.UP : along[i - 1];
      }
    }
    Vec3[] side = carried(along);
    double twist = 0;
    if (s.closed()) {
      Vec3 back = flattened(side[n - 1], along[0]);
      twist = StrictMath.atan2(back.cross(side[0]).dot(along[0]), back.dot(side[0]));
    }
    int rings = s.closed() ? n + 1 : n;
    int[][] id = new int[rings][AROUND + 1];
    for (int i = 0; i < rings; i++) {
      int k = i % n;
      double turn = s.closed() ? (i == n ? 0 : twist * i / n) : 0;
      Vec3 x = side[k], y = along[k].cross(x);
      for (int j = 0; j <= AROUND; j++) {
        double a = 2 * Math.PI * (j % AROUND) / AROUND + turn;
        Vec3 out = x.times(StrictMath.cos(a)).plus(y.times(StrictMath.sin(a)));
        double u = (double) j / AROUND, v = (double) i / (rings - 1);
        id[i][j] = t.corner(way.get(k).plus(out.times(s.radius())), out, u, v);
      }
    }
    for (int i = 0; i + 1 < rings; i++) {
      for (int j = 0; j < AROUND; j++) {
        t.quad(id[i][j], id[i][j + 1], id[i + 1][j + 1], id[i + 1][j]);
      }
    }
    if (!s.closed()) {
      cap(t, id[0], way.getFirst(), along[0].times(-1), false);
      cap(t, id[n - 1], way.getLast(), along[n - 1], true);
    }
    return t;
  }

  private static void cap(Triangles t, int[] ring, Vec3 middle, Vec3 out, boolean far) {
    int centre = t.corner(middle, out, 0.5, 0.5);
    int[] rim = new int[ring.length];
    for (int j = 0; j < ring.length; j++) {
      double a = 2 * Math.PI * j / (ring.length - 1);
      rim[j] =
          t.corner(
              t.position(ring[j]), out, 0.5 + StrictMath.cos(a) / 2, 0.5 + StrictMath.sin(a) / 2);
    }
    for (int j = 0; j + 1 < ring.length; j++) {
      if (far) {
        t.triangle(centre, rim[j], rim[j + 1]);
      } else {
        t.triangle(centre, rim[j + 1], rim[j]);
      }
    }
  }

  /** A direction across each step of a way, turned as little as can be from one to the next. */
  private static Vec3[] carried(Vec3[] along) {
    Vec3[] side = new Vec3[along.length];
    Vec3 helper = Math.abs(along[0].y()) > 0.9 ? new Vec3(1, 0, 0) : Vec3.UP;
    side[0] = flattened(helper, along[0]);
    for (int i = 1; i < side.length; i++) {
      side[i] = flattened(side[i - 1], along[i]);
      if (side[i].length() == 0) {
        side[i] = side[i - 1];
      }
    }
    return side;
  }

  private static Vec3 flattened(Vec3 v, Vec3 along) {
    return v.minus(along.times(v.dot(along))).unit();
  }

  /** Centripetal Catmull-Rom (Yuksel, Schaefer and Keyser 2011), without loops or cusps. */
  private static List<Vec3> way(List<Vec3> p, boolean closed) {
    List<Vec3> to = new ArrayList<>();
    int n = p.size(), stretches = closed ? n : n - 1;
    for (int i = 0; i < stretches; i++) {
      Vec3 b = p.get(i), c = p.get((i + 1) % n);
      Vec3 a = closed || i > 0 ? p.get(Math.floorMod(i - 1, n)) : b.times(2).minus(c);
      Vec3 d = closed || i + 2 < n ? p.get((i + 2) % n) : c.times(2).minus(b);
      int each = n == 2 ? 1 : EACH;
      for (int k = 0; k < each; k++) {
        to.add(between(a, b, c, d, (double) k / each));
      }
    }
    if (!closed) {
      to.add(p.getLast());
    }
    return to;
  }

  private static double knot(Vec3 a, Vec3 b) {
    return Math.max(1e-6, Math.sqrt(b.minus(a).length()));
  }

  private static Vec3 between(Vec3 a, Vec3 b, Vec3 c, Vec3 d, double part) {
    double t1 = knot(a, b), t2 = t1 + knot(b, c), t3 = t2 + knot(c, d);
    double t = t1 + part * (t2 - t1);
    Vec3 ab = mix(a, b, t / t1), bc = mix(b, c, (t - t1) / (t2 - t1));
    Vec3 cd = mix(c, d, (t - t2) / (t3 - t2));
    Vec3 abc = mix(ab, bc, t / t2), bcd = mix(bc, cd, (t - t1) / (t3 - t1));
    return mix(abc, bcd, part);
  }

  private static Vec3 mix(Vec3 a, Vec3 b, double part) {
    return a.times(1 - part).plus(b.times(part));
  }

  /** Two corners of a mesh, whichever way round. */
  private record Edge(int a, int b) {}

  static Triangles struts(Triangles of, double radius) {
    Map<Vec3, Integer> places = new HashMap<>();
    List<Vec3> at = new ArrayList<>();
    int[] same = new int[of.corners()];
    for (int i = 0; i < same.length; i++) {
      Vec3 p = of.position(i);
      same[i] = places.computeIfAbsent(p, k -> at.size());
      if (same[i] == at.size()) {
        at.add(p);
      }
    }
    Map<Edge, Vec3> first = new HashMap<>();
    Map<Edge, Boolean> bent = new java.util.LinkedHashMap<>();
    for (int i = 0; i < of.count(); i++) {
      int[] k = {same[of.index(i, 0)], same[of.index(i, 1)], same[of.index(i, 2)]};
      Vec3 normal = at.get(k[1]).minus(at.get(k[0])).cross(at.get(k[2]).minus(at.get(k[0]))).unit();
      for (int e = 0; e < 3; e++) {
        int a = Math.min(k[e], k[(e + 1) % 3]), b = Math.max(k[e], k[(e + 1) % 3]);
        Edge edge = new Edge(a, b);
        Vec3 there = first.putIfAbsent(edge, normal);
        bent.merge(edge, true, (x, y) -> there != null && there.dot(normal) < FLAT);
      }
    }
    Triangles t = new Triangles();
    boolean[] joint = new boolean[at.size()];
    bent.forEach((edge, stands) -> {
      if (stands) {
        strut(t, at.get(edge.a), at.get(edge.b), radius);
        joint[edge.a] = joint[edge.b] = true;
      }
    });
    for (int i = 0; i < joint.length; i++) {
      if (joint[i]) {
        ball(t, at.get(i), radius);
      }
    }
    return t;
  }

  private static void strut(Triangles t, Vec3 a, Vec3 b, double radius) {
    Vec3 along = b.minus(a).unit();
    Vec3 x = flattened(Math.abs(along.y()) > 0.9 ? new Vec3(1, 0, 0) : Vec3.UP, along);
    Vec3 y = along.cross(x);
    int[] low = new int[STRUT_AROUND + 1], high = new int[STRUT_AROUND + 1];
    for (int j = 0; j <= STRUT_AROUND; j++) {
      double turn = 2 * Math.PI * (j % STRUT_AROUND) / STRUT_AROUND;
      Vec3 out = x.times(StrictMath.cos(turn)).plus(y.times(StrictMath.sin(turn)));
      double u = (double) j / STRUT_AROUND;
      low[j] = t.corner(a.plus(out.times(radius)), out, u, 1);
      high[j] = t.corner(b.plus(out.times(radius)), out, u, 0);
    }
    for (int j = 0; j < STRUT_AROUND; j++) {
      t.quad(low[j], low[j + 1], high[j + 1], high[j]);
    }
  }

  /** A small ball over a joint. */
  private static void ball(Triangles t, Vec3 at, double radius) {
    int across = 4;
    int[][] id = new int[across + 1][STRUT_AROUND + 1];
    for (int i = 0; i <= across; i++) {
      double a = Math.PI * i / across;
      for (int j = 0; j <= STRUT_AROUND; j++) {
        double b = 2 * Math.PI * (j % STRUT_AROUND) / STRUT_AROUND;
        Vec3 out =
            new Vec3(
                StrictMath.sin(a) * StrictMath.sin(b),
                -StrictMath.cos(a),
                StrictMath.sin(a) * StrictMath.cos(b));
        double u = (double) j / STRUT_AROUND, v = 1 - (double) i / across;
        id[i][j] = t.corner(at.plus(out.times(radius)), out, u, v);
      }
    }
    for (int i = 0; i < across; i++) {
      for (int j = 0; j < STRUT_AROUND; j++) {
        t.quad(id[i][j], id[i][j + 1], id[i + 1][j + 1], id[i + 1][j]);
      }
    }
  }
}

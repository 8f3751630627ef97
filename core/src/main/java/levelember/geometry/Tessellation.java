package levelember.geometry;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Corner;

/**
 * Shapes as triangles with smooth corner normals, fine enough that a silhouette that fills the
 * picture's height shows no corners at print size.
 */
public final class Tessellation {
  private static final int FINEST = 192;
  private static final int COARSEST = 48;

  /** Farthest that a circle's corners lie from the true circle between them, metres. */
  private static final double SAG = 6e-6;

  private static final int ROUNDING_STEPS = 6;

  private Tessellation() {}

  /**
   * The triangles of a shape in its own frame.
   *
   * @throws Meshes.MissingMesh for a model; {@link SetGeometry} has these from their files
   */
  public static Triangles of(Shape shape) {
    return switch (shape) {
      case Shape.Floor s -> floor(s);
      case Shape.Sweep s -> sweep(s);
      case Shape.Box s -> box(s);
      case Shape.Sphere s -> sphere(s.radius());
      case Shape.Cylinder s -> cylinder(s);
      case Shape.Cone s -> cone(s);
      case Shape.Torus s -> torus(s);
      case Shape.Lathe s -> lathe(s.profile(), s.closed(), s.creaseDegrees());
      case Shape.Rectangle s -> rectangle(s);
      case Shape.Mesh s -> mesh(s);
      case Shape.Card s -> Sheets.card(s);
      case Shape.Room s -> Rooms.room(s);
      case Shape.Tube s -> Tubes.tube(s);
      case Shape.Water s -> WaterSurface.of(s);
      case Shape.Ground s -> Sheets.ground(s);
      case Shape.Text s -> Lettering.text(s, Typeface.shipped());
      case Shape.Smooth s -> Smoothing.of(of(s.of()), s);
      case Shape.Struts s -> Tubes.struts(of(s.of()), s.radius());
      case Shape.Model s -> Meshes.NONE.mesh(s.file(), s.mesh(), s.part());
    };
  }

  private static Triangles floor(Shape.Floor s) {
    Triangles t = new Triangles();
    double x = s.width() / 2, z = s.depth() / 2;
    Vec3 up = Vec3.UP;
    t.quad(
        t.corner(new Vec3(-x, 0, z), up, 0, 1),
        t.corner(new Vec3(x, 0, z), up, 1, 1),
        t.corner(new Vec3(x, 0, -z), up, 1, 0),
        t.corner(new Vec3(-x, 0, -z), up, 0, 0));
    return t;
  }

  private static Triangles rectangle(Shape.Rectangle s) {
    Triangles t = new Triangles();
    double x = s.width() / 2, y = s.height() / 2;
    Vec3 front = new Vec3(0, 0, 1);
    t.quad(
        t.corner(new Vec3(-x, -y, 0), front, 0, 1),
        t.corner(new Vec3(x, -y, 0), front, 1, 1),
        t.corner(new Vec3(x, y, 0), front, 1, 0),
        t.corner(new Vec3(-x, y, 0), front, 0, 0));
    return t;
  }

  private static Triangles sweep(Shape.Sweep s) {
    Triangles t = new Triangles();
    int steps = 64;
    double x = s.width() / 2, r = s.radius();
    List<double[]> way = new ArrayList<>();
    way.add(new double[] {s.depth(), 0, 1, 0});
    for (int i = 0; i <= steps; i++) {
      double a = Math.PI / 2 * i / steps;
      way.add(
          new double[] {
            r - r * StrictMath.sin(a),
            r - r * StrictMath.cos(a),
            StrictMath.cos(a),
            StrictMath.sin(a)
          });
    }
    way.add(new double[] {0, s.height(), 0, 1});
    int[] left = new int[way.size()];
    int[] right = new int[way.size()];
    double whole = s.depth() + s.height() + (Math.PI / 2 - 2) * r, length = 0;
    for (int i = 0; i < way.size(); i++) {
      double[] w = way.get(i);
      length += i == 0 ? 0 : StrictMath.hypot(w[0] - way.get(i - 1)[0], w[1] - way.get(i - 1)[1]);
      left[i] = t.corner(-x, w[1], w[0], 0, w[2], w[3], 0, 1 - length / whole);
      right[i] = t.corner(x, w[1], w[0], 0, w[2], w[3], 1, 1 - length / whole);
    }
    for (int i = 0; i + 1 < way.size(); i++) {
      t.quad(left[i], right[i], right[i + 1], left[i + 1]);
    }
    return t;
  }

  /** A rounded box: the corners of a subdivided cube pushed out from an inner, smaller box. */
  private static Triangles box(Shape.Box s) {
    Triangles t = new Triangles();
    double r = s.rounding();
    double[] half = {s.width() / 2, s.height() / 2, s.depth() / 2};
    int n = r > 0 ? ROUNDING_STEPS : 0;
    double[] grid = new double[2 * (n + 1)];
    double[] bend = new double[2 * (n + 1)];
    for (int i = 0; i <= n; i++) {
      double a = n == 0 ? 0 : StrictMath.tan(Math.PI / 4 * (1 - (double) i / n));
      grid[i] = -1;
      bend[i] = -a;
      grid[2 * n + 1 - i] = 1;
      bend[2 * n + 1 - i] = a;
    }
    int m = grid.length;
    for (int axis = 0; axis < 3; axis++) {
      int u = (axis + 1) % 3, v = (axis + 2) % 3;
      for (int side = -1; side <= 1; side += 2) {
        int[][] id = new int[m][m];
        for (int i = 0; i < m; i++) {
          for (int j = 0; j < m; j++) {
            double[] d = new double[3];
            d[axis] = side;
            d[u] = bend[i];
            d[v] = bend[j];
            double l = Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
            double[] sign = new double[3];
            sign[axis] = side;
            sign[u] = grid[i];
            sign[v] = grid[j];
            double[] p = new double[3];
            for (int k = 0; k < 3; k++) {
              p[k] = sign[k] * (half[k] - r) + r * d[k] / l;
            }
            double across = 0.5 + p[u] / (2 * half[u]), along = 0.5 + p[v] / (2 * half[v]);
            double[] uv = onFace(axis, side, across, along);
            id[i][j] = t.corner(p[0], p[1] + half[1], p[2], d[0], d[1], d[2], uv[0], uv[1]);
          }
        }
        for (int i = 0; i + 1 < m; i++) {
          for (int j = 0; j + 1 < m; j++) {
            if (side > 0) {
              t.quad(id[i][j], id[i + 1][j], id[i + 1][j + 1], id[i][j + 1]);
            } else {
              t.quad(id[i][j], id[i][j + 1], id[i + 1][j + 1], id[i + 1][j]);
            }
          }
        }
      }
    }
    return t;
  }

  /** A place of a box's face as a place of a picture that stands upright on it. */
  private static double[] onFace(int axis, int side, double across, double along) {
    return switch (axis) {
      case 0 -> new double[] {side > 0 ? 1 - along : along, 1 - across};
      case 1 -> new double[] {along, side > 0 ? across : 1 - across};
      default -> new double[] {side > 0 ? across : 1 - across, 1 - along};
    };
  }

  /** Corners round a circle, even in number. */
  private static int around(double radius) {
    int n = (int) Math.ceil(Math.PI * Math.sqrt(radius / (2 * SAG)) / 2) * 2;
    return Math.clamp(n, COARSEST, FINEST);
  }

  private static Triangles sphere(double radius) {
    Triangles t = new Triangles();
    int around = around(radius);
    int across = around / 2;
    int[][] id = new int[across + 1][around + 1];
    for (int i = 0; i <= across; i++) {
      double a = Math.PI * i / across;
      double ring = i == 0 || i == across ? 0 : StrictMath.sin(a);
      for (int j = 0; j <= around; j++) {
        double b = 2 * Math.PI * (j % around) / around;
        double x = ring * StrictMath.sin(b), y = -StrictMath.cos(a), z = ring * StrictMath.cos(b);
        double u = (double) j / around, v = 1 - (double) i / across;
        id[i][j] = t.corner(radius * x, radius * y, radius * z, x, y, z, u, v);
      }
    }
    for (int i = 0; i < across; i++) {
      for (int j = 0; j < around; j++) {
        t.quad(id[i][j], id[i][j + 1], id[i + 1][j + 1], id[i + 1][j]);
      }
    }
    return t;
  }

  private static Triangles torus(Shape.Torus s) {
    Triangles t = new Triangles();
    int tube = COARSEST;
    int around = around(s.radius());
    int[][] id = new int[around + 1][tube + 1];
    for (int i = 0; i <= around; i++) {
      double a = 2 * Math.PI * (i % around) / around;
      for (int j = 0; j <= tube; j++) {
        double b = 2 * Math.PI * (j % tube) / tube;
        double nx = StrictMath.sin(a) * StrictMath.cos(b),
            ny = StrictMath.sin(b),
            nz = StrictMath.cos(a) * StrictMath.cos(b);
        double r = s.radius() + s.tube() * StrictMath.cos(b);
        double x = r * StrictMath.sin(a), z = r * StrictMath.cos(a);
        double u = (double) i / around, v = 1 - (double) j / tube;
        id[i][j] = t.corner(x, s.tube() * ny, z, nx, ny, nz, u, v);
      }
    }
    for (int i = 0; i < around; i++) {
      for (int j = 0; j < tube; j++) {
        t.quad(id[i][j], id[i + 1][j], id[i + 1][j + 1], id[i][j + 1]);
      }
    }
    return t;
  }

  private static Triangles cylinder(Shape.Cylinder s) {
    double r = s.radius(), h = s.height(), b = s.rounding();
    List<Corner> profile = new ArrayList<>();
    profile.add(new Corner(0, 0));
    rounded(profile, r - b, b, b, -90);
    rounded(profile, r - b, h - b, b, 0);
    profile.add(new Corner(0, h));
    return lathe(profile, false, 40);
  }

  private static Triangles cone(Shape.Cone s) {
    List<Corner> profile = new ArrayList<>();
    profile.add(new Corner(0, 0));
    profile.add(new Corner(s.radius(), 0));
    if (s.top() > 0) {
      profile.add(new Corner(s.top(), s.height()));
    }
    profile.add(new Corner(0, s.height()));
    return lathe(profile, false, 40);
  }

  /** A quarter circle, or its corner when the rounding is nothing. */
  private static void rounded(
      List<Corner> profile, double x, double y, double rounding, double fromDegrees) {
    int steps = rounding > 0 ? ROUNDING_STEPS : 0;
    for (int i = 0; i <= steps; i++) {
      double a = Math.toRadians(fromDegrees + (steps == 0 ? 0 : 90.0 * i / steps));
      profile.add(new Corner(x + rounding * StrictMath.cos(a), y + rounding * StrictMath.sin(a)));
    }
  }

  /**
   * A turned profile; each stretch has its own corners where the bend is sharper than the crease.
   */
  private static Triangles lathe(List<Corner> given, boolean closed, double creaseDegrees) {
    List<Corner> p = withoutRepeats(given, closed);
    Triangles t = new Triangles();
    int n = p.size();
    int stretches = closed ? n : n - 1;
    double crease = StrictMath.cos(Math.toRadians(creaseDegrees));
    double[][] normal = new double[stretches][];
    double whole = 0, length = 0;
    for (int i = 0; i < stretches; i++) {
      Corner a = p.get(i), b = p.get((i + 1) % n);
      double dr = b.radius() - a.radius(), dy = b.height() - a.height();
      double l = StrictMath.hypot(dr, dy);
      whole += l;
      normal[i] = new double[] {dy / l, -dr / l};
    }
    double radius = p.stream().mapToDouble(Corner::radius).max().orElse(0);
    int around = around(radius);
    for (int i = 0; i < stretches; i++) {
      double[] from = blend(normal, i, i - 1, closed, crease);
      double[] to = blend(normal, i, i + 1, closed, crease);
      Corner low = p.get(i), high = p.get((i + 1) % n);
      double next =
          length + StrictMath.hypot(high.radius() - low.radius(), high.height() - low.height());
      int[] lower = ring(t, low, from, around, 1 - length / whole);
      int[] upper = ring(t, high, to, around, 1 - next / whole);
      length = next;
      for (int j = 0; j < around; j++) {
        t.quad(lower[j], lower[j + 1], upper[j + 1], upper[j]);
      }
    }
    return t;
  }

  private static List<Corner> withoutRepeats(List<Corner> given, boolean closed) {
    List<Corner> p = new ArrayList<>();
    for (Corner c : given) {
      if (p.isEmpty() || !c.equals(p.getLast())) {
        p.add(c);
      }
    }
    if (closed && p.size() > 1 && p.getFirst().equals(p.getLast())) {
      p.removeLast();
    }
    return p;
  }

  private static double[] blend(
      double[][] normal, int own, int next, boolean closed, double crease) {
    int n = normal.length;
    if (!closed && (next < 0 || next >= n)) {
      return normal[own];
    }
    double[] a = normal[own], b = normal[Math.floorMod(next, n)];
    if (a[0] * b[0] + a[1] * b[1] < crease) {
      return a;
    }
    return new double[] {a[0] + b[0], a[1] + b[1]};
  }

  private static int[] ring(Triangles t, Corner c, double[] n, int around, double v) {
    int[] id = new int[around + 1];
    for (int j = 0; j <= around; j++) {
      double a = 2 * Math.PI * (j % around) / around;
      double s = StrictMath.sin(a), k = StrictMath.cos(a);
      double x = c.radius() * s, z = c.radius() * k, u = (double) j / around;
      id[j] = t.corner(x, c.height(), z, n[0] * s, n[1], n[0] * k, u, v);
    }
    return id;
  }

  private static Triangles mesh(Shape.Mesh s) {
    Triangles t = new Triangles();
    int n = s.triangles().size();
    boolean smooth = !s.normals().isEmpty();
    if (smooth) {
      for (int i = 0; i < s.positions().size() / 3; i++) {
        t.corner(at(s.positions(), i), at(s.normals(), i));
      }
    }
    for (int i = 0; i < n; i += 3) {
      int a = s.triangles().get(i), b = s.triangles().get(i + 1), c = s.triangles().get(i + 2);
      if (smooth) {
        t.triangle(a, b, c);
      } else {
        Vec3 pa = at(s.positions(), a), pb = at(s.positions(), b), pc = at(s.positions(), c);
        Vec3 normal = pb.minus(pa).cross(pc.minus(pa));
        t.triangle(t.corner(pa, normal), t.corner(pb, normal), t.corner(pc, normal));
      }
    }
    return t;
  }

  private static Vec3 at(List<Double> values, int i) {
    return new Vec3(values.get(3 * i), values.get(3 * i + 1), values.get(3 * i + 2));
  }
}

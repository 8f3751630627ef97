package levelember.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/** Rooms: a shell of walls, floor and ceiling with holes cut through the walls. */
final class Rooms {
  private Rooms() {}

  /** A wall's frame: the middle of its foot inside, its right seen from inside, and outwards. */
  private record Frame(Vec3 foot, Vec3 right, Vec3 out, double half) {
    Vec3 at(double across, double up, double through) {
      return foot.plus(right.times(across)).plus(Vec3.UP.times(up)).plus(out.times(through));
    }
  }

  private static Frame frame(Shape.Wall wall, double x, double z) {
    return switch (wall) {
      case AHEAD -> new Frame(new Vec3(0, 0, -z), new Vec3(1, 0, 0), new Vec3(0, 0, -1), x);
      case RIGHT -> new Frame(new Vec3(x, 0, 0), new Vec3(0, 0, 1), new Vec3(1, 0, 0), z);
      case BEHIND -> new Frame(new Vec3(0, 0, z), new Vec3(-1, 0, 0), new Vec3(0, 0, 1), x);
      case LEFT -> new Frame(new Vec3(-x, 0, 0), new Vec3(0, 0, -1), new Vec3(-1, 0, 0), z);
    };
  }

  /** The openings of a room on the inner faces of its walls, those of no size left out. */
  static List<RoomOpening> openings(Shape.Room s) {
    List<RoomOpening> to = new ArrayList<>();
    for (Shape.Opening o : s.openings()) {
      Frame f = frame(o.wall(), s.width() / 2, s.depth() / 2);
      double[] e = edges(o, f.half, s.height());
      if (e[1] > e[0] && e[3] > e[2]) {
        to.add(new RoomOpening(f.at(e[0], e[2], 0), f.right, f.out, e[1] - e[0], e[3] - e[2]));
      }
    }
    return to;
  }

  static Triangles room(Shape.Room s) {
    Triangles t = new Triangles();
    double x = s.width() / 2, z = s.depth() / 2, b = s.thickness(), h = s.height();
    for (Shape.Wall wall : Shape.Wall.values()) {
      Frame f = frame(wall, x, z);
      List<Shape.Opening> holes = s.openings().stream().filter(o -> o.wall() == wall).toList();
      wall(t, f, h, b, holes);
    }
    level(t, x, z, 0, Vec3.UP);
    level(t, x, z, h, new Vec3(0, -1, 0));
    level(t, x + b, z + b, -b, new Vec3(0, -1, 0));
    level(t, x + b, z + b, h + b, Vec3.UP);
    return t;
  }

  private static void level(Triangles t, double x, double z, double y, Vec3 normal) {
    int[] id = {
      t.corner(new Vec3(-x, y, z), normal, 0, 1),
      t.corner(new Vec3(x, y, z), normal, 1, 1),
      t.corner(new Vec3(x, y, -z), normal, 1, 0),
      t.corner(new Vec3(-x, y, -z), normal, 0, 0)
    };
    if (normal.y() > 0) {
      t.quad(id[0], id[1], id[2], id[3]);
    } else {
      t.quad(id[3], id[2], id[1], id[0]);
    }
  }

  /** The wall's two faces, cell by cell between the edges of its holes, and the holes' reveals. */
  private static void wall(
      Triangles t, Frame f, double height, double thickness, List<Shape.Opening> holes) {
    TreeSet<Double> across = new TreeSet<>(List.of(-f.half, f.half));
    TreeSet<Double> up = new TreeSet<>(List.of(0.0, height));
    for (Shape.Opening o : holes) {
      double[] e = edges(o, f.half, height);
      across.add(e[0]);
      across.add(e[1]);
      up.add(e[2]);
      up.add(e[3]);
    }
    Double[] xs = across.toArray(Double[]::new), ys = up.toArray(Double[]::new);
    double[] outer = new double[xs.length], above = new double[ys.length];
    for (int i = 0; i < xs.length; i++) {
      outer[i] = xs[i] + (i == 0 ? -thickness : i == xs.length - 1 ? thickness : 0);
    }
    for (int j = 0; j < ys.length; j++) {
      above[j] = ys[j] + (j == 0 ? -thickness : j == ys.length - 1 ? thickness : 0);
    }
    int last = xs.length - 2, top = ys.length - 2;
    for (int i = 0; i <= last; i++) {
      for (int j = 0; j <= top; j++) {
        double mx = (xs[i] + xs[i + 1]) / 2, my = (ys[j] + ys[j + 1]) / 2;
        boolean hole = inside(holes, f.half, height, mx, my);
        if (!hole) {
          cell(t, f, xs[i], xs[i + 1], ys[j], ys[j + 1], 0, height);
        }
        outside(t, f, xs, ys, outer, above, i, j, hole, thickness, height);
        if (hole) {
          reveals(t, f, holes, xs, ys, i, j, thickness, height);
        }
      }
    }
  }

  /** The outer face, which goes on round the corners of the room. */
  private static void outside(
      Triangles t,
      Frame f,
      Double[] xs,
      Double[] ys,
      double[] outer,
      double[] above,
      int i,
      int j,
      boolean hole,
      double thickness,
      double height) {
    if (!hole) {
      cell(t, f, outer[i], outer[i + 1], above[j], above[j + 1], thickness, height);
      return;
    }
    // A hole at the wall's end still leaves the thickness of the next wall standing.
    if (outer[i] < xs[i]) {
      cell(t, f, outer[i], xs[i], above[j], above[j + 1], thickness, height);
    }
    if (outer[i + 1] > xs[i + 1]) {
      cell(t, f, xs[i + 1], outer[i + 1], above[j], above[j + 1], thickness, height);
    }
    if (above[j] < ys[j]) {
      cell(t, f, xs[i], xs[i + 1], above[j], ys[j], thickness, height);
    }
    if (above[j + 1] > ys[j + 1]) {
      cell(t, f, xs[i], xs[i + 1], ys[j + 1], above[j + 1], thickness, height);
    }
  }

  /** One cell of a face: the inner at 0, the outer further out. */
  private static void cell(
      Triangles t,
      Frame f,
      double x0,
      double x1,
      double y0,
      double y1,
      double through,
      double height) {
    boolean inner = through == 0;
    Vec3 normal = inner ? f.out.times(-1) : f.out;
    double w = 2 * f.half;
    int a = t.corner(f.at(x0, y0, through), normal, 0.5 + x0 / w, 1 - y0 / height);
    int b = t.corner(f.at(x1, y0, through), normal, 0.5 + x1 / w, 1 - y0 / height);
    int c = t.corner(f.at(x1, y1, through), normal, 0.5 + x1 / w, 1 - y1 / height);
    int d = t.corner(f.at(x0, y1, through), normal, 0.5 + x0 / w, 1 - y1 / height);
    if (inner) {
      t.quad(a, b, c, d);
    } else {
      t.quad(d, c, b, a);
    }
  }

  /** The reveals of a cell of a hole where the wall begins beside it. */
  private static void reveals(
      Triangles t,
      Frame f,
      List<Shape.Opening> holes,
      Double[] xs,
      Double[] ys,
      int i,
      int j,
      double thickness,
      double height) {
    double x0 = xs[i], x1 = xs[i + 1], y0 = ys[j], y1 = ys[j + 1];
    double mx = (x0 + x1) / 2, my = (y0 + y1) / 2;
    if (i == 0 || !inside(holes, f.half, height, (xs[i - 1] + x0) / 2, my)) {
      reveal(t, f, x0, y0, x0, y1, f.right, thickness);
    }
    if (i == xs.length - 2 || !inside(holes, f.half, height, (x1 + xs[i + 2]) / 2, my)) {
      reveal(t, f, x1, y1, x1, y0, f.right.times(-1), thickness);
    }
    if (j == 0 || !inside(holes, f.half, height, mx, (ys[j - 1] + y0) / 2)) {
      reveal(t, f, x1, y0, x0, y0, Vec3.UP, thickness);
    }
    if (j == ys.length - 2 || !inside(holes, f.half, height, mx, (y1 + ys[j + 2]) / 2)) {
      reveal(t, f, x0, y1, x1, y1, new Vec3(0, -1, 0), thickness);
    }
  }

  private static void reveal(
      Triangles t, Frame f, double x0, double y0, double x1, double y1, Vec3 normal, double thick) {
    t.quad(
        t.corner(f.at(x0, y0, thick), normal, 0, 0),
        t.corner(f.at(x1, y1, thick), normal, 1, 0),
        t.corner(f.at(x1, y1, 0), normal, 1, 1),
        t.corner(f.at(x0, y0, 0), normal, 0, 1));
  }

  private static double[] edges(Shape.Opening o, double half, double height) {
    return new double[] {
      Math.clamp(o.across() - o.width() / 2, -half, half),
      Math.clamp(o.across() + o.width() / 2, -half, half),
      Math.clamp(o.sill(), 0, height),
      Math.clamp(o.sill() + o.height(), 0, height)
    };
  }

  private static boolean inside(
      List<Shape.Opening> holes, double half, double height, double x, double y) {
    for (Shape.Opening o : holes) {
      double[] e = edges(o, half, height);
      if (x > e[0] && x < e[1] && y > e[2] && y < e[3]) {
        return true;
      }
    }
    return false;
  }
}

package levelember.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import levelember.geometry.SetGeometry;
import levelember.geometry.Tessellation;
import levelember.geometry.Triangles;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;

/** Generated sets to trace rays through. */
final class KernelSets {
  private KernelSets() {}

  /** A furnished room of about 30 thousand triangles as one mesh. */
  static SetGeometry interior() {
    Triangles all = new Triangles();
    for (Piece p : furniture()) {
      all.add(mesh(p), Affine.of(p.position(), p.rotationDegrees(), p.scale()));
    }
    return SetGeometry.of(all);
  }

  /** The same room as some sixty pieces of their own. */
  static SetGeometry pieces() {
    return SetGeometry.of(furniture());
  }

  private static Triangles mesh(Piece p) {
    return p.shape() instanceof Shape.Box b ? Tessellation.of(b) : folded(17);
  }

  private static List<Piece> furniture() {
    List<Piece> pieces = new ArrayList<>();
    Random random = new Random(5);
    double[][] walls = {
      {0, -0.05, 0, 6, 0.1, 5},
      {0, 3.05, 0, 6, 0.1, 5},
      {-3.05, 1.5, 0, 0.1, 3.2, 5},
      {3.05, 1.5, 0, 0.1, 3.2, 5},
      {0, 1.5, -2.55, 6, 3.2, 0.1},
      {0, 1.5, 2.55, 6, 3.2, 0.1}
    };
    for (double[] w : walls) {
      Vec3 place = new Vec3(w[0], w[1], w[2]);
      add(pieces, new Shape.Box(w[3], w[4], w[5], 0), place, Vec3.ZERO, 1);
    }
    for (int i = 0; i < 72; i++) {
      Shape shape = i % 3 == 0 ? new Shape.Box(0.5, 0.8, 0.4, 0) : new Shape.Sphere(1);
      Vec3 place =
          new Vec3(
              random.nextDouble() * 5 - 2.5,
              0.1 + random.nextDouble() * 2,
              random.nextDouble() * 4 - 2);
      Vec3 turn = new Vec3(random.nextDouble() * 60, random.nextDouble() * 360, 0);
      add(pieces, shape, place, turn, i % 3 == 0 ? 1 : 0.1 + 0.2 * random.nextDouble());
    }
    return pieces;
  }

  private static void add(List<Piece> to, Shape shape, Vec3 place, Vec3 turn, double size) {
    String id = "p" + to.size();
    Vec3 s = Vec3.ONE.times(size);
    to.add(new Piece(id, id, null, place, turn, s, shape, "m", null, true));
  }

  /** One mesh of {@code 2·side²} triangles: folds within folds, closed like a ball. */
  static Triangles folded(int side) {
    int corners = (side + 1) * (side + 1);
    float[] positions = new float[3 * corners];
    float[] normals = new float[3 * corners];
    for (int j = 0; j <= side; j++) {
      for (int i = 0; i <= side; i++) {
        double u = 2 * Math.PI * i / side, v = Math.PI * (0.001 + 0.998 * j / side);
        double x = Math.sin(v) * Math.cos(u), y = Math.cos(v), z = Math.sin(v) * Math.sin(u);
        double r = 1;
        double wave = 7;
        double high = 0.06;
        for (int octave = 0; octave < 5; octave++) {
          r +=
              high * Math.sin(wave * x + octave) * Math.sin(wave * y) * Math.sin(wave * z - octave);
          wave *= 2.1;
          high *= 0.55;
        }
        int at = 3 * (j * (side + 1) + i);
        positions[at] = (float) (r * x);
        positions[at + 1] = (float) (r * y);
        positions[at + 2] = (float) (r * z);
        normals[at] = (float) x;
        normals[at + 1] = (float) y;
        normals[at + 2] = (float) z;
      }
    }
    int[] index = new int[6 * side * side];
    for (int j = 0, at = 0; j < side; j++) {
      for (int i = 0; i < side; i++) {
        int a = j * (side + 1) + i, b = a + 1, c = a + side + 1, d = c + 1;
        index[at++] = a;
        index[at++] = b;
        index[at++] = d;
        index[at++] = a;
        index[at++] = d;
        index[at++] = c;
      }
    }
    return Triangles.over(positions, normals, index);
  }
}

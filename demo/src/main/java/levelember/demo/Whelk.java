package levelember.demo;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;

/**
 * A sea snail's shell: a circle that grows as it goes round and down an axis, in a logarithmic
 * spiral.
 *
 * <p>Method: Raup 1966, "Geometric Analysis of Shell Coiling". Metres; the tip is up.
 */
final class Whelk {
  private static final int ALONG = 150, ROUND = 20;
  private static final double TURNS = 6, GROWTH = 0.55;
  private static final double WIDTH = 0.019, TUBE = 0.025, HEIGHT = 0.078;

  private Whelk() {}

  static Shape.Mesh mesh() {
    List<Double> positions = new ArrayList<>();
    List<Double> normals = new ArrayList<>();
    List<Integer> triangles = new ArrayList<>();
    for (int i = 0; i <= ALONG; i++) {
      double angle = 2 * Math.PI * TURNS * i / ALONG;
      double size = StrictMath.exp(GROWTH / (2 * Math.PI) * (angle - 2 * Math.PI * TURNS));
      // Ribs across the whorls.
      double rib = 1 + 0.05 * StrictMath.cos(11 * angle);
      for (int k = 0; k < ROUND; k++) {
        double round = 2 * Math.PI * k / ROUND;
        Vec3 out = new Vec3(StrictMath.cos(angle), 0, -StrictMath.sin(angle));
        Vec3 normal = out.times(StrictMath.cos(round)).plus(new Vec3(0, StrictMath.sin(round), 0));
        Vec3 middle = out.times(WIDTH * size).plus(new Vec3(0, HEIGHT * (1 - size), 0));
        add(positions, middle.plus(normal.times(TUBE * size * rib)));
        add(normals, normal);
        if (i < ALONG) {
          int a = ROUND * i + k, b = ROUND * i + (k + 1) % ROUND;
          triangles.addAll(List.of(a, a + ROUND, b, b, a + ROUND, b + ROUND));
        }
      }
    }
    return new Shape.Mesh(positions, normals, triangles);
  }

  private static void add(List<Double> to, Vec3 v) {
    for (double d : new double[] {v.x(), v.y(), v.z()}) {
      to.add(Math.round(d * 1e5) / 1e5);
    }
  }
}

package levelember.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.trace.Hierarchy;

/** Seconds to build the hierarchy, cold and warm, and to build its top when a piece moves. */
final class BuildFigures {
  private BuildFigures() {}

  static Map<String, Object> measured(int rounds) {
    Map<String, Object> to = new LinkedHashMap<>();
    Triangles million = KernelSets.folded(708);
    to.put("triangles", million.count());
    to.put("first build in this process, s", seconds(million));
    double[] warm = new double[rounds];
    for (int i = -3; i < rounds; i++) {
      double s = seconds(million);
      if (i >= 0) {
        warm[i] = s;
      }
    }
    to.put("warm build, s", Spread.of(warm));
    to.put("a piece of 2000 moved, ms", moved(rounds));
    return to;
  }

  private static double seconds(Triangles mesh) {
    SetGeometry set = SetGeometry.of(mesh);
    long begin = System.nanoTime();
    Hierarchy.of(set);
    return (System.nanoTime() - begin) / 1e9;
  }

  private static Spread moved(int rounds) {
    SetGeometry set = SetGeometry.of(pieces(0));
    Hierarchy hierarchy = Hierarchy.of(set);
    double[] millis = new double[rounds];
    for (int i = -3; i < rounds; i++) {
      long begin = System.nanoTime();
      set = set.next(pieces(0.01 * (i + 4)));
      hierarchy = hierarchy.next(set, n -> {});
      if (i >= 0) {
        millis[i] = (System.nanoTime() - begin) / 1e6;
      }
    }
    return Spread.of(millis);
  }

  private static List<Piece> pieces(double shift) {
    List<Piece> pieces = new ArrayList<>();
    for (int i = 0; i < 2000; i++) {
      Vec3 place = new Vec3(i % 50 + (i == 7 ? shift : 0), 0, i / 50);
      String id = "p" + i;
      Shape ball = new Shape.Sphere(0.4);
      pieces.add(new Piece(id, id, null, place, Vec3.ZERO, Vec3.ONE, ball, "m", null, true));
    }
    return pieces;
  }
}

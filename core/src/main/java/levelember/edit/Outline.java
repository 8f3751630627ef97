package levelember.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import levelember.geometry.SetGeometry;
import levelember.math.Vec3;
import levelember.scene.View;

/**
 * A piece as a plan draws it: the convex outline of each of its copies, metres.
 *
 * @param piece its id
 * @param top corners x, z by turns, seen from above
 * @param side corners z, y by turns, seen from the right
 * @param front corners x, y by turns, seen from in front
 */
public record Outline(String piece, List<double[]> top, List<double[]> side, List<double[]> front) {
  /** Copies that are drawn one by one; more become one outline. */
  private static final int MOST_COPIES = 64;

  /** Corners of a mesh that are looked at. */
  private static final int MOST_CORNERS = 20_000;

  /** The outlines of all pieces of a scene that have a shape and are shown. */
  public static List<Outline> of(View view) {
    Map<Integer, List<SetGeometry.Placed>> byPiece = new LinkedHashMap<>();
    for (SetGeometry.Placed p : view.scene().set().placed()) {
      byPiece.computeIfAbsent(p.piece(), k -> new ArrayList<>()).add(p);
    }
    List<Outline> to = new ArrayList<>();
    byPiece.forEach((piece, placed) ->
        to.add(outline(view.shoot().pieces().get(piece).id(), placed, view.origin())));
    return to;
  }

  private static Outline outline(String id, List<SetGeometry.Placed> placed, Vec3 origin) {
    List<List<Vec3>> groups = new ArrayList<>();
    boolean together = placed.size() > MOST_COPIES;
    for (SetGeometry.Placed p : placed) {
      int most = together ? MOST_CORNERS / placed.size() + 8 : MOST_CORNERS;
      List<Vec3> corners = corners(p, most, origin);
      if (together && !groups.isEmpty()) {
        groups.getFirst().addAll(corners);
      } else {
        groups.add(corners);
      }
    }
    Outline to = new Outline(id, new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    for (List<Vec3> g : groups) {
      to.top.add(hull(g, true, false));
      to.side.add(hull(g, false, false));
      to.front.add(hull(g, false, true));
    }
    return to;
  }

  private static List<Vec3> corners(SetGeometry.Placed p, int most, Vec3 origin) {
    int n = p.mesh().corners(), step = Math.max(1, n / most);
    List<Vec3> to = new ArrayList<>();
    for (int i = 0; i < n; i += step) {
      to.add(p.map().point(p.mesh().position(i)).plus(origin));
    }
    return to;
  }

  /** Convex hull by monotone chains (Andrew 1979), to the millimetre. */
  private static double[] hull(List<Vec3> points, boolean top, boolean front) {
    double[][] p =
        points.stream()
            .map(
                v -> new double[] {round(top || front ? v.x() : v.z()), round(top ? v.z() : v.y())})
            .sorted(Comparator.<double[]>comparingDouble(a -> a[0]).thenComparingDouble(a -> a[1]))
            .toArray(double[][]::new);
    double[][] chain = new double[2 * p.length + 1][];
    int k = 0;
    for (double[] at : p) {
      while (k >= 2 && cross(chain[k - 2], chain[k - 1], at) <= 0) {
        k--;
      }
      chain[k++] = at;
    }
    int lower = k + 1;
    for (int i = p.length - 2; i >= 0; i--) {
      while (k >= lower && cross(chain[k - 2], chain[k - 1], p[i]) <= 0) {
        k--;
      }
      chain[k++] = p[i];
    }
    return Arrays.stream(chain, 0, Math.max(1, k - 1)).flatMapToDouble(Arrays::stream).toArray();
  }

  private static double round(double metres) {
    return Math.round(metres * 1000) / 1000.0;
  }

  private static double cross(double[] o, double[] a, double[] b) {
    return (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  }
}

package levelember.findings.inspection;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import levelember.shoot.piece.Piece;

/**
 * What a picture is of: the thing, with all that it holds, that fills most of the middle, the very
 * centre counting most. Ground, walls and water are none, nor is what spans the picture.
 */
public final class Subject {
  private static final double REACH = 0.35;

  private final Inspection in;

  Subject(Inspection in) {
    this.in = in;
  }

  /** The outermost piece of what a picture is of; null where there is none. */
  public static Piece root(Inspection in) {
    Map<String, String> roots = in.roots();
    for (int i = 0; i < in.cells(); i++) {
      if (in.subject[i]) {
        String id = roots.get(in.shoot.pieces().get(in.piece[i]).id());
        return in.shoot.pieces().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
      }
    }
    return null;
  }

  /** Which cells show it. */
  boolean[] cells() {
    Map<String, String> roots = in.roots();
    Set<String> spanning = spanning(roots);
    Map<String, Double> weight = new HashMap<>();
    for (int i = 0; i < in.cells(); i++) {
      String root = root(i, roots);
      if (root != null && !spanning.contains(root)) {
        weight.merge(root, centred(i), Double::sum);
      }
    }
    String most =
        weight.entrySet().stream()
            .max(
                Map.Entry.<String, Double>comparingByValue()
                    .thenComparing(Map.Entry.comparingByKey()))
            .map(Map.Entry::getKey)
            .orElse(null);
    boolean[] to = new boolean[in.cells()];
    for (int i = 0; i < to.length; i++) {
      to[i] = most != null && most.equals(root(i, roots));
    }
    return to;
  }

  /** What reaches from the left edge of the picture to the right, as a table does. */
  private Set<String> spanning(Map<String, String> roots) {
    Set<String> left = new HashSet<>(), right = new HashSet<>();
    for (int y = 0; y < in.rows; y++) {
      left.add(root(y * in.columns, roots));
      right.add(root((y + 1) * in.columns - 1, roots));
    }
    left.retainAll(right);
    return left;
  }

  private String root(int cell, Map<String, String> roots) {
    if (in.piece[cell] < 0) {
      return null;
    }
    Piece piece = in.shoot.pieces().get(in.piece[cell]);
    return Inspection.isStage(piece) ? null : roots.get(piece.id());
  }

  /** 1 in the middle of the picture, falling to 0 at its reach. */
  private double centred(int cell) {
    double x = (cell % in.columns + 0.5) / in.columns - 0.5;
    double y = (cell / in.columns + 0.5) / in.rows - 0.5;
    return Math.max(0, 1 - Math.sqrt(x * x + y * y) / REACH);
  }
}

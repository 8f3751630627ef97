package levelember.findings;

import java.util.Map;
import levelember.shoot.Piece;

/** What the subject of a picture is. */
final class Subjects {
  private Subjects() {}

  /** The outermost piece of the subject; null where there is none. */
  static Piece root(Inspection in) {
    Map<String, String> roots = in.roots();
    for (int i = 0; i < in.cells(); i++) {
      if (in.subject[i]) {
        String id = roots.get(in.shoot.pieces().get(in.piece[i]).id());
        return in.shoot.pieces().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
      }
    }
    return null;
  }
}

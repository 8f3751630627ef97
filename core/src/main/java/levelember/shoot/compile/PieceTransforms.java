package levelember.shoot.compile;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.document.ImpossibleValue;
import levelember.math.Affine;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;

/** Where pieces stand in the world, their first copies where there are several. */
public final class PieceTransforms {
  private final Map<String, Piece> pieces = new HashMap<>();

  public PieceTransforms(List<Piece> all) {
    all.forEach(p -> pieces.put(p.id(), p));
  }

  /** Whether there is a piece of that id. */
  public boolean has(String id) {
    return pieces.containsKey(id);
  }

  /**
   * The map from a piece's own frame to the world.
   *
   * @throws ImpossibleValue when there is no such piece
   */
  public Affine of(String id) {
    Affine frame = Affine.IDENTITY;
    for (String at = id; at != null; at = pieces.get(at).parent()) {
      Piece p = pieces.get(at);
      if (p == null) {
        throw new ImpossibleValue("piece", at, "the id of a piece of this shoot");
      }
      frame = Affine.of(p.position(), p.rotationDegrees(), p.scale()).after(frame);
    }
    return frame;
  }

  /**
   * For every piece of a list whether it is in a scope, by itself or by what holds it; null when
   * all are.
   */
  public static boolean[] in(Scope scope, List<Piece> all) {
    if (scope.equals(Scope.ALL)) {
      return null;
    }
    Set<String> named = new HashSet<>(scope.pieces());
    Map<String, String> parents = new HashMap<>();
    all.forEach(p -> parents.put(p.id(), p.parent()));
    boolean[] in = new boolean[all.size()];
    for (int i = 0; i < in.length; i++) {
      boolean is = false;
      for (String at = all.get(i).id(); at != null && !is; at = parents.get(at)) {
        is = named.contains(at);
      }
      in[i] = is == scope.only();
    }
    return in;
  }
}

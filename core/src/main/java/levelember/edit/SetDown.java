package levelember.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import levelember.geometry.Meshes;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;

/**
 * Sets a piece, with all that it holds, down on what is under it. The fall is measured from the
 * corners of the piece to the rest of the set and from the corners of the rest to the piece, so two
 * edges that would cross first are not seen.
 */
public final class SetDown {
  private SetDown() {}

  /**
   * How far a piece has to rise until it rests on what is under it; negative to fall.
   *
   * <p>A piece that is sunk in by less than half its height is lifted out.
   *
   * @param id of the piece
   * @return empty when nothing is under it, or it has no shape
   */
  public static OptionalDouble rise(List<Piece> pieces, String id, Meshes meshes) {
    Set<String> own = withAllIn(pieces, id);
    Triangles piece = SetGeometry.of(kept(pieces, own, true), meshes).flattened();
    Triangles rest = SetGeometry.of(kept(pieces, own, false), meshes).flattened();
    if (piece.count() == 0 || rest.count() == 0) {
      return OptionalDouble.empty();
    }
    double low = Double.POSITIVE_INFINITY, high = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < piece.corners(); i++) {
      low = Math.min(low, piece.position(i).y());
      high = Math.max(high, piece.position(i).y());
    }
    double lift = 0.5 * (high - low) + 1e-4;
    double fall = Math.min(fall(piece, rest, lift, -1), fall(rest, piece, lift, 1));
    return Double.isFinite(fall) ? OptionalDouble.of(lift - fall) : OptionalDouble.empty();
  }

  /**
   * The place that a piece has when it has risen in the world.
   *
   * @param rise metres
   */
  public static Vec3 place(List<Piece> pieces, String id, double rise) {
    Piece piece = pieces.stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    Affine frame = Affine.IDENTITY;
    for (String at = piece.parent(); at != null; ) {
      String here = at;
      Piece parent = pieces.stream().filter(p -> p.id().equals(here)).findFirst().orElseThrow();
      frame = Affine.of(parent.position(), parent.rotationDegrees(), parent.scale()).after(frame);
      at = parent.parent();
    }
    return piece.position().plus(frame.inverse().direction(new Vec3(0, rise, 0)));
  }

  /** A piece and all that stands in it. */
  static Set<String> withAllIn(List<Piece> pieces, String id) {
    Set<String> all = new HashSet<>(Set.of(id));
    for (int before = 0; before < all.size(); ) {
      before = all.size();
      for (Piece p : pieces) {
        if (p.parent() != null && all.contains(p.parent())) {
          all.add(p.id());
        }
      }
    }
    return all;
  }

  /** The pieces with only those shapes that are, or are not, in a set of ids. */
  static List<Piece> kept(List<Piece> pieces, Set<String> ids, boolean in) {
    List<Piece> to = new ArrayList<>();
    for (Piece p : pieces) {
      to.add(ids.contains(p.id()) == in ? p : p.withShape(null));
    }
    return to;
  }

  /** The shortest way along Y from the corners of one mesh to another, the piece being lifted. */
  private static double fall(Triangles from, Triangles to, double lift, int along) {
    RayWalk walk = RayWalk.of(Hierarchy.of(SetGeometry.of(to)));
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < from.corners(); i++) {
      Vec3 p = from.position(i);
      // Down from the lifted piece, or up to it, which is as from a lowered rest.
      float y = (float) (p.y() - along * lift);
      if (walk.closestHit((float) p.x(), y, (float) p.z(), 0, along, 0, Float.POSITIVE_INFINITY)) {
        least = Math.min(least, walk.t);
      }
    }
    return least;
  }
}

package levelember.edit;

import java.util.List;
import levelember.geometry.Meshes;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;

/**
 * How large a piece is in the world, its copies and all that stands in it counted.
 *
 * @param metres of the box about it, along X, Y and Z; null without any surface
 * @param triangles in all
 */
public record TrueSize(double[] metres, long triangles) {

  /**
   * Measures a piece.
   *
   * @param id of the piece
   */
  public static TrueSize of(List<Piece> pieces, String id, Meshes meshes) {
    return WorldBox.of(pieces, id, meshes)
        .map(b -> {
          Vec3 size = b.max().minus(b.min());
          return new TrueSize(new double[] {size.x(), size.y(), size.z()}, b.triangles());
        })
        .orElse(new TrueSize(null, 0));
  }
}

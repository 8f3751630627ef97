package levelember.edit;

import java.util.List;
import levelember.geometry.Meshes;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.math.Vec3;
import levelember.shoot.Piece;

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
    List<Piece> alone = SetDown.kept(pieces, SetDown.withAllIn(pieces, id), true);
    SetGeometry set = SetGeometry.of(alone, meshes);
    double[] box = {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
    for (SetGeometry.Placed p : set.placed()) {
      Triangles mesh = p.mesh();
      for (int i = 0; i < mesh.corners(); i++) {
        Vec3 at = p.map().point(mesh.position(i));
        double[] c = {at.x(), at.y(), at.z()};
        for (int k = 0; k < 3; k++) {
          box[k] = Math.min(box[k], c[k]);
          box[3 + k] = Math.max(box[3 + k], c[k]);
        }
      }
    }
    return set.triangles() == 0
        ? new TrueSize(null, 0)
        : new TrueSize(
            new double[] {box[3] - box[0], box[4] - box[1], box[5] - box[2]}, set.triangles());
  }
}

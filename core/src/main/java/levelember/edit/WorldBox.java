package levelember.edit;

import java.util.List;
import java.util.Optional;
import levelember.geometry.Meshes;
import levelember.geometry.SetGeometry;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;

/**
 * The box about a piece in the world, its copies and all that stands in it counted.
 *
 * @param min its lowest corner, metres
 * @param max its highest corner
 * @param triangles within
 */
record WorldBox(Vec3 min, Vec3 max, long triangles) {

  /** That of a piece; none without any surface. */
  static Optional<WorldBox> of(List<Piece> pieces, String id, Meshes meshes) {
    List<Piece> alone = SetDown.kept(pieces, SetDown.withAllIn(pieces, id), true);
    SetGeometry set = SetGeometry.of(alone, meshes);
    double[] box = {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
    for (SetGeometry.Placed p : set.placed()) {
      for (int i = 0; i < p.mesh().corners(); i++) {
        Vec3 at = p.map().point(p.mesh().position(i));
        double[] c = {at.x(), at.y(), at.z()};
        for (int k = 0; k < 3; k++) {
          box[k] = Math.min(box[k], c[k]);
          box[3 + k] = Math.max(box[3 + k], c[k]);
        }
      }
    }
    return set.triangles() == 0
        ? Optional.empty()
        : Optional.of(
            new WorldBox(
                new Vec3(box[0], box[1], box[2]),
                new Vec3(box[3], box[4], box[5]),
                set.triangles()));
  }

  Vec3 centre() {
    return min.plus(max).times(0.5);
  }

  /** Half of its diagonal. */
  double radius() {
    return max.minus(min).length() / 2;
  }
}

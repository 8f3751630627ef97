package levelember.edit;

import java.util.Optional;
import levelember.firsthit.CameraHit;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shot;
import levelember.shoot.piece.Piece;

/**
 * What stands at a place of the picture.
 *
 * @param piece id
 * @param material id, or null
 * @param position of the surface there, metres
 * @param normal of the surface, towards the camera
 * @param depth metres from the lens along the line in which it looks, which is where it focuses
 */
public record Pick(String piece, String material, Vec3 position, Vec3 normal, double depth) {

  /**
   * Looks at a place of the picture.
   *
   * @param x from the left, 0…1
   * @param y from the top, 0…1
   * @param aspect width over height of the picture
   */
  public static Optional<Pick> at(View view, double x, double y, double aspect) {
    Shot shot = view.shot();
    int fine = 1 << 14;
    ThinLens lens = new ThinLens(shot, fine, (int) Math.round(fine / aspect), 1);
    Camera.Ray ray = new Camera.Ray();
    lens.ray((int) (x * fine), (int) (y * fine / aspect), 0.5f, 0.5f, 0, 0, ray);
    CameraHit hit = new CameraHit(view.scene());
    if (!hit.trace(ray)) {
      return Optional.empty();
    }
    Piece piece = view.shoot().pieces().get(hit.piece());
    Vec3 n = hit.normal(), at = hit.position();
    Vec3 way = new Vec3(ray.dx, ray.dy, ray.dz);
    return Optional.of(
        new Pick(
            piece.id(),
            piece.material(),
            at.plus(view.origin()),
            n.dot(way) > 0 ? n.times(-1) : n,
            lens.depth(at)));
  }
}

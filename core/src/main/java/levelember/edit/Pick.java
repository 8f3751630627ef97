package levelember.edit;

import java.util.Optional;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Piece;
import levelember.shoot.Shot;
import levelember.trace.Hierarchy;
import levelember.trace.RayWalk;
import levelember.transport.View;

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
    RayWalk walk = RayWalk.of(view.scene().hierarchy());
    if (!walk.nearest(
        ray.ox,
        ray.oy,
        ray.oz,
        ray.dx,
        ray.dy,
        ray.dz,
        Float.POSITIVE_INFINITY,
        Hierarchy.CAMERA)) {
      return Optional.empty();
    }
    Piece piece = view.shoot().pieces().get(walk.piece());
    float[] place = new float[3], normal = new float[3];
    walk.place(place);
    walk.shadingNormal(normal);
    Vec3 n = new Vec3(normal[0], normal[1], normal[2]);
    Vec3 way = new Vec3(ray.dx, ray.dy, ray.dz);
    Vec3 at = new Vec3(place[0], place[1], place[2]);
    Vec3 aim =
        shot.upright() ? new Vec3(shot.aim().x(), shot.position().y(), shot.aim().z()) : shot.aim();
    Vec3 back = Affine.lookingAt(shot.position(), aim, 0).z();
    return Optional.of(
        new Pick(
            piece.id(),
            piece.material(),
            at.plus(view.origin()),
            n.dot(way) > 0 ? n.times(-1) : n,
            -at.minus(shot.position()).dot(back)));
  }
}

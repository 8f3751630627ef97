package levelember.transport;

import java.util.ArrayList;
import java.util.List;
import levelember.geometry.RoomOpening;
import levelember.geometry.SetGeometry;
import levelember.light.Portal;
import levelember.light.RoomPortals;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shape;
import levelember.shoot.Shoot;

/** The openings through which light of the surroundings comes into the rooms of a set. */
final class Openings {
  /** Cosine between sides up to which they count as square to each other. */
  private static final double SQUARE = 1e-6;

  private Openings() {}

  /** The rooms that have openings; those whose walls are skewed are left out. */
  static List<RoomPortals> of(Shoot shoot, SetGeometry set) {
    List<RoomPortals> to = new ArrayList<>();
    for (SetGeometry.Placed placed : set.placed()) {
      if (shoot.pieces().get(placed.piece()).shape() instanceof Shape.Room room
          && !room.openings().isEmpty()
          && square(placed.map())) {
        List<Portal> portals =
            RoomOpening.of(room).stream().map(o -> portal(o, placed.map())).toList();
        to.add(
            new RoomPortals(
                placed.map().inverse(),
                room.width() / 2,
                room.height(),
                room.depth() / 2,
                portals));
      }
    }
    return to;
  }

  private static boolean square(Affine map) {
    Vec3 x = map.x().unit(), y = map.y().unit(), z = map.z().unit();
    return map.determinant() != 0
        && Math.abs(x.dot(y)) < SQUARE
        && Math.abs(y.dot(z)) < SQUARE
        && Math.abs(z.dot(x)) < SQUARE;
  }

  private static Portal portal(RoomOpening o, Affine map) {
    Vec3 right = map.direction(o.right()),
        up = map.direction(Vec3.UP),
        out = map.direction(o.out());
    return new Portal(
        map.point(o.corner()),
        right.unit(),
        up.unit(),
        out.unit(),
        o.width() * right.length(),
        o.height() * up.length());
  }
}

package levelember.scene;

import java.util.ArrayList;
import java.util.List;
import levelember.geometry.RoomOpening;
import levelember.geometry.SetGeometry;
import levelember.geometry.Triangles;
import levelember.light.Portal;
import levelember.light.PortalSet;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.piece.Shape;

/** The openings of a set through which light of the surroundings comes in. */
final class Openings {
  /** Cosine between sides up to which they count as square to each other. */
  private static final double SQUARE = 1e-6;

  private Openings() {}

  /** An opening that is thicker than so much of its shorter side is not flat. */
  private static final double FLAT = 0.25;

  /**
   * The rooms that have openings, then all that is marked as one; what is skewed, and marked pieces
   * that are not flat, are left out. Rooms have the marked ones besides their own.
   */
  static List<PortalSet> of(Shoot shoot, SetGeometry set) {
    List<Portal> marked = marked(shoot, set);
    List<PortalSet> to = new ArrayList<>();
    for (SetGeometry.Placed placed : set.placed()) {
      if (shoot.pieces().get(placed.piece()).shape() instanceof Shape.Room room
          && !room.openings().isEmpty()
          && square(placed.map())) {
        List<Portal> portals =
            new ArrayList<>(
                RoomOpening.of(room).stream().map(o -> portal(o, placed.map())).toList());
        portals.addAll(marked);
        to.add(
            new RoomPortals(
                placed.map().inverse(),
                room.width() / 2,
                room.height(),
                room.depth() / 2,
                portals));
      }
    }
    if (!marked.isEmpty()) {
      to.add(new MarkedPortals(marked));
    }
    return to;
  }

  private static List<Portal> marked(Shoot shoot, SetGeometry set) {
    List<Portal> to = new ArrayList<>();
    for (SetGeometry.Placed placed : set.placed()) {
      if (shoot.pieces().get(placed.piece()).visibility().portal() && square(placed.map())) {
        marked(placed.mesh(), placed.map(), to);
      }
    }
    return to;
  }

  /** The middle plane of a mesh that is flat, facing either way. */
  private static void marked(Triangles mesh, Affine map, List<Portal> to) {
    Vec3[] axes = {map.x(), map.y(), map.z()};
    Vec3 least = mesh.least(), size = mesh.most().minus(least);
    double[] sides = {
      size.x() * axes[0].length(), size.y() * axes[1].length(), size.z() * axes[2].length()
    };
    int thin = 0;
    for (int i = 1; i < 3; i++) {
      thin = sides[i] < sides[thin] ? i : thin;
    }
    int across = (thin + 1) % 3, along = (thin + 2) % 3;
    if (!(sides[thin] <= FLAT * Math.min(sides[across], sides[along]))
        || sides[across] * sides[along] == 0) {
      return;
    }
    Vec3 right = axes[across].unit(), up = axes[along].unit(), out = axes[thin].unit();
    Vec3 corner =
        map.point(least.plus(size.times(0.5)))
            .minus(right.times(sides[across] / 2))
            .minus(up.times(sides[along] / 2));
    for (int way = -1; way <= 1; way += 2) {
      to.add(new Portal(corner, right, up, out.times(way), sides[across], sides[along]));
    }
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

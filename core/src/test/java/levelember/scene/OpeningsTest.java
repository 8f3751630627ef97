package levelember.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.geometry.SetGeometry;
import levelember.light.Portal;
import levelember.light.PortalSet;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Opening;
import levelember.shoot.piece.Shape.Wall;
import org.junit.jupiter.api.Test;

class OpeningsTest {
  private static final Shape.Room ROOM =
      new Shape.Room(4, 6, 3, 0.2, List.of(new Opening(Wall.AHEAD, 0.5, 1, 1, 1.5)));

  private static Piece piece(String id, String parent, Vec3 at, Vec3 turned, Vec3 size, Shape s) {
    return new Piece(id, id, parent, at, turned, size, s, "white", null, true);
  }

  private static List<PortalSet> found(Piece... pieces) {
    Sets sets = Sets.white(0.5).light(Sets.dome(1));
    for (Piece piece : pieces) {
      sets.piece(piece);
    }
    Shoot shoot = sets.shoot();
    return Openings.of(shoot, SetGeometry.of(shoot.pieces()));
  }

  private static void near(Vec3 a, Vec3 b) {
    assertThat(a.minus(b).length()).as("%s %s", a, b).isCloseTo(0, within(1e-9));
  }

  @Test
  void anOpeningStandsWhereItsRoomPutsIt() {
    RoomPortals room =
        (RoomPortals)
            found(piece("r", null, new Vec3(1, 2, 3), Vec3.ZERO, new Vec3(2, 1, 1), ROOM))
                .getFirst();
    Portal portal = room.portals().getFirst();
    // From −0 to 1 across, twice as wide as the room's own; the wall ahead is 3 m off.
    near(portal.corner(), new Vec3(1, 3, 0));
    near(portal.out(), new Vec3(0, 0, -1));
    assertThat(portal.width()).isCloseTo(2, within(1e-9));
    assertThat(portal.height()).isCloseTo(1.5, within(1e-9));
    near(room.toRoom().point(new Vec3(5, 2, 3)), new Vec3(2, 0, 0));
  }

  @Test
  void aTurnedRoomTurnsItsOpenings() {
    RoomPortals room =
        (RoomPortals)
            found(piece("r", null, Vec3.ZERO, new Vec3(0, 90, 0), Vec3.ONE, ROOM)).getFirst();
    Portal portal = room.portals().getFirst();
    assertThat(portal.out().y()).isCloseTo(0, within(1e-9));
    assertThat(Math.abs(portal.out().x())).isCloseTo(1, within(1e-9));
    near(portal.up(), Vec3.UP);
  }

  @Test
  void roomsWithoutOpeningsAndSkewedOnesHaveNone() {
    Shape.Room shut = new Shape.Room(4, 6, 3, 0.2, List.of());
    assertThat(found(piece("r", null, Vec3.ZERO, Vec3.ZERO, Vec3.ONE, shut))).isEmpty();
    Piece stretched =
        piece("p", null, Vec3.ZERO, Vec3.ZERO, new Vec3(3, 1, 1), new Shape.Box(1, 1, 1, 0));
    Piece leaning = piece("r", "p", Vec3.ZERO, new Vec3(0, 40, 0), Vec3.ONE, ROOM);
    assertThat(found(stretched, leaning)).isEmpty();
  }

  private static Piece marked(Piece piece) {
    return piece.withVisibility(piece.visibility().asPortal(true));
  }

  @Test
  void aFlatPieceThatIsMarkedIsAnOpeningEitherWay() {
    Shape pane = new Shape.Box(2, 1, 0.02, 0);
    Piece hung = piece("p", null, new Vec3(1, 0, 3), new Vec3(0, 90, 0), new Vec3(1, 2, 1), pane);
    List<Portal> portals = found(marked(hung)).getFirst().portals();
    assertThat(portals).hasSize(2);
    near(portals.get(0).out(), portals.get(1).out().times(-1));
    for (Portal portal : portals) {
      assertThat(Math.abs(portal.out().x())).isCloseTo(1, within(1e-9));
      assertThat(portal.width() * portal.height()).isCloseTo(4, within(1e-6));
      Vec3 middle =
          portal
              .corner()
              .plus(portal.right().times(portal.width() / 2))
              .plus(portal.up().times(portal.height() / 2));
      near(middle, new Vec3(1, 1, 3));
    }
  }

  @Test
  void whatIsMarkedServesRoomsBesidesTheirOwnOpenings() {
    Piece room = piece("r", null, Vec3.ZERO, Vec3.ZERO, Vec3.ONE, ROOM);
    Piece skylight =
        piece(
            "s", null, new Vec3(0, 3, 0), new Vec3(90, 0, 0), Vec3.ONE, new Shape.Rectangle(1, 1));
    List<PortalSet> groups = found(room, marked(skylight));
    assertThat(groups).hasSize(2);
    assertThat(groups.get(0).portals()).hasSize(3);
    assertThat(groups.get(1).portals()).hasSize(2);
  }

  @Test
  void whatIsNotFlatOrSkewedIsNoOpening() {
    Piece ball = piece("b", null, Vec3.ZERO, Vec3.ZERO, Vec3.ONE, new Shape.Sphere(1));
    Piece stretched =
        piece("p", null, Vec3.ZERO, Vec3.ZERO, new Vec3(3, 1, 1), new Shape.Box(1, 1, 1, 0));
    Piece leaning =
        piece("r", "p", Vec3.ZERO, new Vec3(0, 40, 0), Vec3.ONE, new Shape.Rectangle(1, 1));
    assertThat(found(marked(ball), stretched, marked(leaning))).isEmpty();
  }
}

package levelember.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import levelember.geometry.Meshes;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

class SetDownTest {
  private static Piece piece(String id, String parent, Vec3 place, Vec3 size, Shape shape) {
    return new Piece(id, id, parent, place, Vec3.ZERO, size, shape, "m", null, true);
  }

  private static final Piece FLOOR =
      piece("floor", null, Vec3.ZERO, Vec3.ONE, new Shape.Floor(4, 4));
  private static final Piece TABLE =
      piece("table", null, new Vec3(1, 0, 0), Vec3.ONE, new Shape.Box(1, 0.7, 1, 0));

  private static OptionalDouble rise(String id, Piece... pieces) {
    return SetDown.rise(List.of(pieces), id, Meshes.NONE);
  }

  @Test
  void aBallFallsToTheFloorAndOntoATable() {
    Shape ball = new Shape.Sphere(0.2);
    assertThat(
            rise("ball", FLOOR, TABLE, piece("ball", null, new Vec3(-1, 1.5, 0), Vec3.ONE, ball)))
        .hasValueCloseTo(-1.3, within(1e-4));
    assertThat(rise("ball", FLOOR, TABLE, piece("ball", null, new Vec3(1, 1.5, 0), Vec3.ONE, ball)))
        .hasValueCloseTo(-0.6, within(1e-4));
  }

  @Test
  void aWideBoardComesToRestOnASmallPost() {
    // No corner of the board is over the post: the post's corners find the board.
    Piece post = piece("post", null, new Vec3(0, 0, 0), Vec3.ONE, new Shape.Box(0.1, 0.5, 0.1, 0));
    Piece board = piece("board", null, new Vec3(0, 2, 0), Vec3.ONE, new Shape.Box(1, 0.05, 1, 0));
    assertThat(rise("board", FLOOR, post, board)).hasValueCloseTo(-1.5, within(1e-4));
  }

  @Test
  void whatIsSunkInIsLiftedOutAndWhatRestsStays() {
    Shape box = new Shape.Box(0.4, 0.4, 0.4, 0);
    assertThat(rise("box", FLOOR, piece("box", null, new Vec3(0, -0.1, 0), Vec3.ONE, box)))
        .hasValueCloseTo(0.1, within(1e-4));
    assertThat(rise("box", FLOOR, piece("box", null, new Vec3(0, 0, 0), Vec3.ONE, box)))
        .hasValueCloseTo(0.0, within(1e-4));
  }

  @Test
  void overNothingItStays() {
    Shape box = new Shape.Box(0.4, 0.4, 0.4, 0);
    assertThat(rise("box", FLOOR, piece("box", null, new Vec3(9, 1, 0), Vec3.ONE, box))).isEmpty();
    assertThat(rise("group", FLOOR, piece("group", null, Vec3.UP, Vec3.ONE, null))).isEmpty();
  }

  @Test
  void aPieceTakesAlongWhatItHoldsAndItsPlaceIsInItsParentsFrame() {
    Piece parent =
        new Piece(
            "parent",
            "parent",
            null,
            new Vec3(0, 1, 0),
            new Vec3(0, 0, 90),
            new Vec3(2, 2, 2),
            null,
            null,
            null,
            true);
    Piece holder = piece("holder", "parent", new Vec3(0.5, 0, 0), Vec3.ONE, new Shape.Sphere(0.1));
    Piece held = piece("held", "holder", new Vec3(-0.3, 0, 0), Vec3.ONE, new Shape.Sphere(0.1));
    List<Piece> pieces = new ArrayList<>(List.of(FLOOR, parent, holder, held));
    // In the world the holder is at y = 2 with radius 0.2, what it holds lower by 0.6.
    double rise = SetDown.rise(pieces, "holder", Meshes.NONE).orElseThrow();
    assertThat(rise).isCloseTo(-1.2, within(1e-4));
    Vec3 place = SetDown.place(pieces, "holder", rise);
    assertThat(place.minus(new Vec3(-0.1, 0, 0)).length()).isLessThan(1e-4);
  }
}

package levelember.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

/** Pins on a wall seen straight on from five metres, four metres of it across the picture. */
class PinInViewTest {
  private static final int WIDTH = 400, HEIGHT = 400;

  private static Sets set() {
    return Sets.white(0.5)
        .piece("wall", new Shape.Rectangle(9, 9), "white", Vec3.ZERO)
        .seen(new Vec3(0, 0, 5), Vec3.ZERO, 4);
  }

  private static PinInView found(Shoot shoot, Pin pin) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    return PinInView.of(view, pin, WIDTH, HEIGHT);
  }

  private static Pin pin(String piece, Vec3 at, double radius) {
    return new Pin("p", "P", piece, at, new Vec3(0, 0, 1), radius);
  }

  @Test
  void aSpotReadsThePixelsAboutIt() {
    PinInView spot = found(set().shoot(), pin("wall", new Vec3(1, 1, 0), 0));
    assertThat(spot.state()).isEqualTo(PinInView.State.SEEN);
    assertThat(spot.x()).isCloseTo(0.75, within(1e-6));
    assertThat(spot.y()).isCloseTo(0.25, within(1e-6));
    assertThat(spot.pixels()).hasSize(25).contains(100 * WIDTH + 300);
  }

  @Test
  void anAreaReadsThePixelsOfADiscOnTheSurface() {
    PinInView area = found(set().shoot(), pin("wall", Vec3.ZERO, 0.5));
    // Fifty pixels are half a metre.
    assertThat(area.pixels().length).isCloseTo((int) (Math.PI * 50 * 50), within(60));
  }

  @Test
  void behindSomethingItIsHiddenAndBesideThePictureOutside() {
    Shoot hidden =
        set().piece("card", new Shape.Rectangle(1, 1), "white", new Vec3(0, 0, 1)).shoot();
    assertThat(found(hidden, pin("wall", Vec3.ZERO, 0)).state()).isEqualTo(PinInView.State.HIDDEN);
    assertThat(found(set().shoot(), pin("wall", new Vec3(4, 0, 0), 0)).state())
        .isEqualTo(PinInView.State.OUTSIDE);
    assertThat(
            found(set().shoot(), new Pin("p", "P", "wall", Vec3.ZERO, new Vec3(0, 0, -1), 0))
                .state())
        .isEqualTo(PinInView.State.HIDDEN);
  }

  @Test
  void itStaysOnItsPieceAndReadsNothingWithoutIt() {
    Shoot moved =
        Sets.white(0.5)
            .piece("wall", new Shape.Rectangle(9, 9), "white", new Vec3(1, 0, 0))
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 4)
            .shoot();
    assertThat(found(moved, pin("wall", Vec3.ZERO, 0)).x()).isCloseTo(0.75, within(1e-6));
    assertThat(found(moved, pin("gone", Vec3.ZERO, 0)).state()).isEqualTo(PinInView.State.GONE);
    assertThat(PinInView.inWorld(new PieceTransforms(List.of()), pin(null, Vec3.ONE, 0)).position())
        .isEqualTo(Vec3.ONE);
  }
}

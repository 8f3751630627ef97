package levelember.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What stands at a place of the picture. */
class PickTest {
  /** A net, there on its left half and a hole on its right, a metre before a wall. */
  private static View view(Vec3 at) {
    Picture left = Picture.black(2, 1);
    left.set(0, 0, 1, 1, 1);
    Maps maps = Maps.NONE.withOpacity(Texture.once("left").withEdge(Texture.Edge.CLAMP));
    Shoot shoot =
        Sets.white(0.5)
            .material(Material.matte("net", "Net", Rgb.WHITE).with(maps))
            .piece("net", new Shape.Rectangle(4, 4), "net", at)
            .piece("wall", new Shape.Rectangle(9, 9), "white", at.plus(new Vec3(0, 0, -1)))
            .seen(at.plus(new Vec3(0, 0, 5)), at, 3)
            .shoot();
    return View.of(shoot, shoot.shots().getFirst(), name -> left);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 20_000})
  void aPlaceIsTheOneInTheWorldWithItsNormalAndDepth(double away) {
    Vec3 there = new Vec3(away, -away, away);
    Pick pick = Pick.at(view(there), 0.25, 0.5, 1).orElseThrow();
    assertThat(pick.piece()).isEqualTo("net");
    assertThat(pick.material()).isEqualTo("net");
    Vec3 wanted = there.plus(new Vec3(-0.75, 0, 0));
    assertThat(pick.position().minus(wanted).length()).isLessThan(0.001);
    assertThat(pick.normal().minus(new Vec3(0, 0, 1)).length()).isLessThan(1e-5);
    assertThat(pick.depth()).isCloseTo(5, within(0.001));
  }

  @Test
  void throughAHoleOnePointsAtWhatIsBehindIt() {
    Pick pick = Pick.at(view(Vec3.ZERO), 0.75, 0.5, 1).orElseThrow();
    assertThat(pick.piece()).isEqualTo("wall");
    assertThat(pick.position().z()).isCloseTo(-1, within(0.001));
    assertThat(pick.depth()).isCloseTo(6, within(0.001));
  }

  @Test
  void besideTheSetThereIsNothing() {
    Shoot shoot =
        Sets.white(0.5)
            .piece("wall", new Shape.Rectangle(1, 1), "white", Vec3.ZERO)
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 3)
            .shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), levelember.texture.Pictures.NONE);
    assertThat(Pick.at(view, 0.02, 0.02, 1)).isEmpty();
  }
}

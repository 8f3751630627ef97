package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** What glass mirrors is there with every sample, as bright as the equations say. */
class SplitPathsTest {
  private static final double ONE_FACE = Math.pow(0.5 / 2.5, 2);

  /** A camera that sees a wide lamp behind it mirrored in glass before it, straight on. */
  private static Shoot mirrored(Material glass, Shape shape, Vec3 at) {
    return new Sets()
        .material(glass)
        .piece("glass", shape, glass.id(), at)
        .light(
            Sets.light(
                "lamp",
                new Emitter.Rectangle(4, 4, false),
                new Vec3(0, 0, 6),
                Vec3.ZERO,
                100,
                Unit.NIT))
        .seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.2)
        .shoot();
  }

  private static void everyPixelShows(Shoot shoot, double wanted) {
    Picture p = Sets.render(shoot, 6, 4, 4, 4);
    for (int i = 0; i < p.rgb().length; i++) {
      assertThat((double) p.rgb()[i]).isCloseTo(wanted, within(0.004 * wanted));
    }
  }

  @Test
  void aPaneMirrorsItsShareOfALampWithoutNoise() {
    Material pane =
        Material.glass("pane", "Pane", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 1, true, 0));
    // Both faces, with all that goes to and fro between them.
    everyPixelShows(
        mirrored(pane, new Shape.Rectangle(2, 2), Vec3.ZERO), 100 * 2 * ONE_FACE / (1 + ONE_FACE));
  }

  @Test
  void aBodyOfGlassMirrorsALampInBothOfItsFaces() {
    Material glass = Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1);
    Shoot shoot = mirrored(glass, new Shape.Box(2, 2, 0.02, 0), new Vec3(0, -1, 0));
    Picture p = Sets.render(shoot, 6, 4, 64, 12);
    double wanted = 100 * 2 * ONE_FACE / (1 + ONE_FACE);
    assertThat(Sets.mean(p)).isCloseTo(wanted, within(0.02 * wanted));
  }
}

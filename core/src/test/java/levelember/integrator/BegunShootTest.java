package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.look.Development;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** The shoot that everything of one's own begins with. */
class BegunShootTest {
  @Test
  void aMidGreyGroundIsShownAsMidGrey() {
    Shoot empty = Shoot.begun("Begun", false);
    Material grey = Material.matte("grey", "Grey", Rgb.grey(0.18));
    Piece ground =
        new Piece(
            "ground",
            "Ground",
            null,
            new Vec3(0, -3, 0),
            Vec3.ZERO,
            Vec3.ONE,
            new Shape.Floor(100, 100),
            "grey",
            null,
            true);
    Shoot filled =
        new Shoot(
            empty.name(),
            List.of(ground),
            List.of(grey),
            empty.lights(),
            0,
            List.of(empty.shots().getFirst()),
            empty.looks());
    View view = View.of(filled, filled.shots().getFirst(), name -> null);
    Film film = new Film(8, 4, view.layers());
    try (Renderer renderer = new Renderer(2, 4, 1)) {
      renderer.trace(view, film, 64, () -> false);
    }
    Picture picture = LayerMix.picture(film, LayerWeights.of(filled));
    float[] rgb = picture.rgb();
    assertThat(rgb[rgb.length - 2]).isCloseTo(18, within(0.5f));
    byte[] codes = new Development(filled.lookOf(filled.shots().getFirst())).codes(picture);
    // 0.18 encoded is 118.
    assertThat(codes[codes.length - 2] & 255).isBetween(112, 122);
  }
}

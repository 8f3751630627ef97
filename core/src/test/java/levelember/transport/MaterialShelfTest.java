package levelember.transport;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.Sets;
import levelember.math.Vec3;
import levelember.shoot.piece.Shape;
import levelember.shoot.shelf.MaterialShelf;
import levelember.shoot.shelf.MaterialShelf.Preset;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class MaterialShelfTest {
  static Iterable<Preset> presets() {
    return MaterialShelf.all();
  }

  @Test
  void thereAreManyAndEachHasANameOfItsOwn() {
    assertThat(MaterialShelf.all()).hasSizeGreaterThanOrEqualTo(30);
    assertThat(MaterialShelf.all()).extracting(p -> p.material().id()).doesNotHaveDuplicates();
    assertThat(MaterialShelf.all()).extracting(p -> p.material().name()).doesNotHaveDuplicates();
  }

  /** A ball in an even dome sends back no more light than falls on it, and some. */
  @ParameterizedTest
  @MethodSource("presets")
  void noneGivesLightThatItDoesNotGet(Preset preset) {
    Picture p =
        Sets.render(
            new Sets()
                .material(preset.material())
                .piece("ball", new Shape.Sphere(0.1), preset.material().id(), Vec3.ZERO)
                .light(Sets.dome(1))
                .seen(new Vec3(0, 0, 3), Vec3.ZERO, 0.12)
                .shoot(),
            8,
            8,
            256,
            64);
    double mean = Sets.mean(p);
    assertThat(mean).as(preset.material().name()).isLessThan(1.005);
    assertThat(mean).as(preset.material().name()).isGreaterThan(0.02);
  }
}

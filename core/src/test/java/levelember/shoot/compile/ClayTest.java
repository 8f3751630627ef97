package levelember.shoot.compile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import levelember.Sets;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

class ClayTest {
  @Test
  void clayKeepsTheRigAndHowLightBounces() {
    Shoot s =
        Sets.white(0.8)
            .piece("floor", new Shape.Floor(1, 1), "white", Vec3.ZERO)
            .light(Sets.dome(3))
            .shoot();
    Bank bank = new Bank("b", "B", 1, Rgb.WHITE, false, false);
    Shoot full =
        new Shoot(
            s.name(),
            s.pieces(),
            s.materials(),
            s.lights(),
            List.of(bank),
            new Bounce(3, 0.5, 2),
            1,
            s.shots(),
            s.looks());
    Shoot clay = Clay.of(full, 0.4, false, true);
    assertThat(clay.banks()).containsExactly(bank);
    assertThat(clay.bounce()).isEqualTo(full.bounce());
    assertThat(clay.lights()).isEqualTo(full.lights());
    assertThat(clay.materials().getFirst().colour()).isEqualTo(Rgb.grey(0.4));
  }
}

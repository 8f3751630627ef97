package levelember.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.lighting.Profile;
import org.junit.jupiter.api.Test;

class IntensityTest {
  private static final Affine FRAME = Affine.lookingAt(Vec3.ZERO, new Vec3(0.3, -1, 0.2), 20);

  private static float looked(Profile profile, double polar, double turn) {
    double p = Math.toRadians(polar), a = Math.toRadians(turn);
    Vec3 across = FRAME.x().times(StrictMath.cos(a)).plus(FRAME.y().times(StrictMath.sin(a)));
    Vec3 way = across.times(StrictMath.sin(p)).minus(FRAME.z().times(StrictMath.cos(p))).unit();
    return new Intensity(profile, FRAME).along(way.x(), way.y(), way.z());
  }

  private static List<Double> rising(Random random, int count, double most) {
    List<Double> to = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      to.add(most * (i + 0.8 * random.nextDouble()) / count);
    }
    return to;
  }

  /** Against the profile's own reading, with angles as uneven as files have them. */
  @Test
  void whatIsLookedUpIsWhatTheProfileSays() {
    Random random = new Random(5);
    for (int planes : new int[] {1, 2, 5, 73}) {
      List<Double> polar = rising(random, 40, 170), around = rising(random, planes, 350);
      List<Double> candela = new ArrayList<>();
      for (int i = 0; i < 40 * planes; i++) {
        candela.add(100 * random.nextDouble());
      }
      Profile profile = new Profile("p", polar, around, candela);
      for (int i = 0; i < 2000; i++) {
        double p = polar.getFirst() + 0.01 + 150 * random.nextDouble();
        double turn = 360 * random.nextDouble();
        assertThat(looked(profile, p, turn))
            .as("%d half planes at %f, %f", planes, p, turn)
            .isCloseTo((float) (profile.at(p, turn) / profile.peak()), within(2e-3f));
      }
      assertThat(looked(profile, 178, 10)).isZero();
    }
  }

  @Test
  void aNarrowBeamIsAsNarrowAsItsFile() {
    Profile beam =
        new Profile("p", List.of(0.0, 0.4, 0.5, 90.0), List.of(0.0), List.of(9.0, 9.0, 0.0, 0.0));
    assertThat(looked(beam, 0, 0)).isEqualTo(1);
    assertThat(looked(beam, 0.39, 0)).isEqualTo(1);
    assertThat(looked(beam, 0.45, 0)).isCloseTo(0.5f, within(0.01f));
    assertThat(looked(beam, 0.55, 0)).isZero();
  }
}

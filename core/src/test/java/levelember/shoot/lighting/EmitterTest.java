package levelember.shoot.lighting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What a kind of light says of itself, on which exports, reports and findings rest. */
class EmitterTest {
  private static final Emitter RECTANGLE = new Emitter.Rectangle(0.3, 0.4, false, 180, null);
  private static final Emitter SPHERE = new Emitter.Sphere(0.1);
  private static final Emitter TUBE = new Emitter.Tube(1.2, 0.02);
  private static final Emitter SUN = new Emitter.Sun(0.53);

  @Test
  void aLampHasAPlaceAndASizeOrAnAngleInTheSky() {
    assertThat(RECTANGLE.extents()).containsExactly(0.3, 0.4);
    assertThat(SPHERE.extents()).containsExactly(0.2);
    assertThat(TUBE.extents()).containsExactly(1.2);
    assertThat(SUN.extents()).isEmpty();
    assertThat(SUN.angularDiameterDegrees()).isEqualTo(0.53);
    assertThat(new Emitter.SkySun("sky", 0.6).angularDiameterDegrees()).isEqualTo(0.6);
    for (Emitter placed : List.of(RECTANGLE, SPHERE, TUBE)) {
      assertThat(placed.placed()).isTrue();
      assertThat(placed.angularDiameterDegrees()).isZero();
    }
  }

  @Test
  void sizesGrowWithTheSource() {
    for (Emitter e : List.of(RECTANGLE, SPHERE, TUBE)) {
      Emitter twice = e.scaled(2).orElseThrow();
      for (int i = 0; i < e.extents().size(); i++) {
        assertThat(twice.extents().get(i)).isEqualTo(2 * e.extents().get(i));
      }
      assertThat(twice.faceRadius()).isEqualTo(2 * e.faceRadius());
    }
  }

  @Test
  void aFaceShinesToOneSideAndABulbToAll() {
    assertThat(List.of(SPHERE, TUBE)).allMatch(Emitter::omnidirectional);
    assertThat(List.of(RECTANGLE, SUN)).noneMatch(Emitter::omnidirectional);
  }
}

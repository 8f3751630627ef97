package levelember.formats.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;

class ShootChangesTest {
  private static final Shoot BEGUN = Shoot.begun("Begun", true);

  private static Shoot with(List<Material> materials, List<Light> lights, Bounce bounce) {
    return new Shoot(
        BEGUN.name(),
        BEGUN.pieces(),
        materials,
        lights,
        List.of(),
        bounce,
        0,
        BEGUN.shots(),
        BEGUN.looks());
  }

  @Test
  void theSameNeedsNothing() {
    assertThat(ShootChanges.operations(BEGUN, BEGUN)).isEmpty();
  }

  @Test
  void saysWhatIsChangedAndWhatIsAdded() {
    Material clay = Material.matte("clay", "Clay", Rgb.grey(0.5));
    List<Light> lights = new ArrayList<>(BEGUN.lights());
    Light first = lights.getFirst();
    lights.set(0, first.withMuted(true));
    lights.add(first.withId("other"));
    ArrayNode to = ShootChanges.operations(BEGUN, with(List.of(clay), lights, new Bounce(8, 1, 0)));
    assertThat(to)
        .extracting(o -> o.get("op").stringValue() + " " + o.get("path").stringValue())
        .containsExactly(
            "add /materials/-", "replace /lights/0", "add /lights/-", "replace /bounce");
    assertThat(to.get(1).at("/value/muted").booleanValue()).isTrue();
    assertThat(to.get(3).at("/value/maxBounces").intValue()).isEqualTo(8);
  }
}

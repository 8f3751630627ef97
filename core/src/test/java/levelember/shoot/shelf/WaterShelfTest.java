package levelember.shoot.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import levelember.shoot.piece.Shape;
import levelember.shoot.shelf.WaterShelf.Preset;
import org.junit.jupiter.api.Test;

class WaterShelfTest {
  @Test
  void holdsFiveWatersThatDiffer() {
    List<Preset> all = WaterShelf.all();
    assertThat(all).hasSize(5);
    assertThat(all).extracting(Preset::waves).doesNotHaveDuplicates();
    assertThat(all).extracting(p -> p.material().id()).doesNotHaveDuplicates();
    assertThat(all).extracting(p -> p.material().name()).doesNotHaveDuplicates();
  }

  @Test
  void aWaterHasItsOwnSizeAndThePresetsWaves() {
    for (Preset preset : WaterShelf.all()) {
      Shape.Water water = preset.water(2, 1, 0.3);
      assertThat(water.width()).isEqualTo(2);
      assertThat(water.deep()).isEqualTo(0.3);
      assertThat(water.waves()).isEqualTo(preset.waves());
      assertThat(water.rings()).isEqualTo(preset.rings());
      assertThat(preset.material().ior()).isEqualTo(1.333);
      assertThat(preset.material().glass().tintDepth()).isEqualTo(1);
    }
  }
}

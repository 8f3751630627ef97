package levelember.gel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.math.Rgb;
import levelember.photometry.ColourTemperature;
import levelember.shoot.lighting.LightColour;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GelShelfTest {
  private static Rgb gel(String name) {
    return GelShelf.gels().stream()
        .filter(g -> g.name().equals(name))
        .findFirst()
        .orElseThrow()
        .filter();
  }

  @Test
  void noGelGivesMoreLightThanItGets() {
    List<String> names = GelShelf.gels().stream().map(GelShelf.Gel::name).toList();
    assertThat(names).doesNotHaveDuplicates().hasSizeGreaterThanOrEqualTo(12);
    for (GelShelf.Gel g : GelShelf.gels()) {
      for (double v : new double[] {g.filter().r(), g.filter().g(), g.filter().b()}) {
        assertThat(v).as(g.name()).isBetween(0.0, 1.0);
      }
    }
  }

  /** A full warm gel turns daylight of 6504 K (154 mired) into 319 mired, 3137 K. */
  @ParameterizedTest
  @CsvSource({"'Warm, full', 165", "'Warm, half', 90", "'Cold, full', -130"})
  void aShiftTurnsOneWhiteIntoTheOtherByItsMireds(String name, double mireds) {
    double[] shifted = ColourTemperature.rgb(new LightColour(6504, 0, gel(name)));
    double[] wanted = ColourTemperature.rgb(1e6 / (1e6 / 6504 + mireds), 0);
    double scale = wanted[1] / shifted[1];
    assertThat(shifted[0] * scale).isCloseTo(wanted[0], within(0.01 * wanted[0]));
    assertThat(shifted[2] * scale).isCloseTo(wanted[2], within(0.01));
  }

  @Test
  void dyesTakeTheColoursTheyAreNamedFor() {
    assertThat(gel("Kiln red").r()).isGreaterThan(5 * gel("Kiln red").b());
    assertThat(gel("Harbour blue").b()).isGreaterThan(3 * gel("Harbour blue").r());
    assertThat(gel("Bottle green").g()).isGreaterThan(2 * gel("Bottle green").r());
  }
}

package levelember.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import levelember.edit.PinInView;
import levelember.findings.inspection.Finding;
import levelember.formats.exchange.ShootPackage;
import levelember.scene.View;
import levelember.shoot.Meter;
import levelember.shoot.Shoot;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DemoMetersTest {
  static Set<String> withoutMistakes() {
    return DemoShoots.withoutMistakes();
  }

  @ParameterizedTest
  @MethodSource("withoutMistakes")
  void everyPinIsSeenInTheFirstShot(String name) {
    ShootPackage pack = DemoShoots.make(name);
    Shoot shoot = pack.shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), pack.files());
    assertThat(shoot.meter().pins()).isNotEmpty();
    assertThat(shoot.meter().pins())
        .allSatisfy(pin -> {
          PinInView there = PinInView.of(view, pin, 320, 180);
          assertThat(there.state()).as(pin.name()).isEqualTo(PinInView.State.SEEN);
          assertThat(there.pixels()).isNotEmpty();
        });
  }

  @ParameterizedTest
  @MethodSource("withoutMistakes")
  void whatIsSilencedIsAFindingOfALightOrPiece(String name) {
    Shoot shoot = DemoShoots.make(name).shoot();
    Meter meter = shoot.meter();
    Set<String> kinds =
        Arrays.stream(Finding.Kind.values())
            .map(k -> k.name().toLowerCase(Locale.ROOT).replace('_', '-'))
            .collect(Collectors.toSet());
    assertThat(meter.silenced())
        .allSatisfy(s -> {
          String[] parts = s.finding().split(":");
          assertThat(kinds).contains(parts[0]);
          assertThat(shoot.light(parts[1])).isPresent();
          assertThat(s.reason()).isNotBlank();
        });
  }
}

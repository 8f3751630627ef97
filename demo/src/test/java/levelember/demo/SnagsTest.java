package levelember.demo;

import static levelember.findings.inspection.Finding.Kind.CONTACT_SHADE;
import static levelember.findings.inspection.Finding.Kind.EMISSION_DROWNED;
import static levelember.findings.inspection.Finding.Kind.ENVIRONMENT_SEAM;
import static levelember.findings.inspection.Finding.Kind.FAINT_LIGHT;
import static levelember.findings.inspection.Finding.Kind.FLOATING;
import static levelember.findings.inspection.Finding.Kind.FOCUS_ON_NOTHING;
import static levelember.findings.inspection.Finding.Kind.HORIZON_TILTED;
import static levelember.findings.inspection.Finding.Kind.LAMP_CLOSED_IN;
import static levelember.findings.inspection.Finding.Kind.LAMP_SEEN;
import static levelember.findings.inspection.Finding.Kind.LINKED_TO_NOTHING;
import static levelember.findings.inspection.Finding.Kind.TWO_SUNS;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import levelember.film.Film;
import levelember.findings.SecondLook;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import org.junit.jupiter.api.Test;

/** Second look finds every mistake of the shoot that has them, and its mends heal it. */
class SnagsTest {
  private static final int MOST_MENDS = 24;
  private final ShootPackage pack = Snags.shoot();

  private List<Finding> findings(Shoot shoot) {
    Shot shot = shoot.shots().getFirst();
    View view = View.of(shoot, shot, pack.files());
    Film film = new Film(160, 90, view.layers());
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, film, 4, () -> false);
    }
    return SecondLook.at(new Inspection(view, shot, film, film, pack.files()));
  }

  @Test
  void everyMistakeIsFoundAndHealed() {
    Shoot shoot = pack.shoot();
    assertThat(findings(shoot))
        .extracting(Finding::kind)
        .contains(
            LAMP_SEEN,
            TWO_SUNS,
            ENVIRONMENT_SEAM,
            HORIZON_TILTED,
            FLOATING,
            EMISSION_DROWNED,
            LAMP_CLOSED_IN,
            LINKED_TO_NOTHING,
            FAINT_LIGHT,
            FOCUS_ON_NOTHING,
            CONTACT_SHADE);
    StringBuilder mended = new StringBuilder();
    List<Finding> left = findings(shoot);
    for (int i = 0; i < MOST_MENDS; i++) {
      Optional<Finding> next = left.stream().filter(f -> !f.mends().isEmpty()).findFirst();
      if (next.isEmpty()) {
        break;
      }
      shoot = next.get().mends().getFirst().after();
      mended.append(next.get().mends().getFirst().text()).append("; ");
      left = findings(shoot);
    }
    assertThat(left).as(mended.toString()).isEmpty();
  }
}

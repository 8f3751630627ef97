package levelember.findings;

import static levelember.findings.Studio.light;
import static levelember.findings.Studio.piece;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import levelember.findings.inspection.Finding;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

/** What is found about noise. */
class NoiseFindingsTest {
  @Test
  void theLightThatMakesTheNoise() {
    Studio noisy = new Studio();
    // A small lamp that lights the set by way of a wall beside it alone.
    noisy.more.add(
        piece("wall", new Shape.Rectangle(3, 3), "white", new Vec3(-3, 1.5, 2))
            .withRotationDegrees(new Vec3(0, 90, 0)));
    noisy.lights.add(
        light(
            "bounced",
            new Emitter.Disc(0.1, false, 60, null),
            new Vec3(-2.6, 1.5, 2),
            new Vec3(-3, 1.5, 2),
            60_000,
            Brightness.Unit.NIT));
    Finding found = noisy.found(Finding.Kind.NOISE);
    assertThat(found.light()).isEqualTo("bounced");
    assertThat(found.mends()).as("nothing is glossy").isEmpty();
    new Studio().hasNo(Finding.Kind.NOISE);
  }

  /** A sun, through a pane of clear glass over everything or not. */
  private static Studio throughGlass(boolean noisy) {
    Studio studio = new Studio();
    studio.materials.add(
        Material.glass("clear", "Clear", 1.5, Rgb.WHITE, 1).withCastsCaustics(false));
    if (noisy) {
      studio.more.add(piece("pane", new Shape.Box(14, 0.02, 14, 0), "clear", new Vec3(0, 2.2, 0)));
    }
    studio.lights.removeIf(l -> !l.id().equals("dome"));
    Light sun =
        light("sun", new Emitter.Sun(6), new Vec3(-2, 3, 1), Vec3.ZERO, 60, Brightness.Unit.LUX);
    studio.lights.add(sun);
    return studio;
  }

  private static Finding noise(List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.kind() == Finding.Kind.NOISE)
        .findFirst()
        .orElseThrow(() -> new AssertionError("no noise among " + findings));
  }

  /** Samples that a picture is said to need; 4, which were traced, where nothing is said. */
  private static int needed(List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.kind() == Finding.Kind.NOISE)
        .map(f -> Pattern.compile("about (\\d+) samples").matcher(f.what()))
        .filter(Matcher::find)
        .mapToInt(m -> Integer.parseInt(m.group(1)))
        .findFirst()
        .orElse(4);
  }

  @Test
  void lightThroughGlassIsCarriedByPhotons() {
    Studio studio = throughGlass(true);
    List<Finding> findings = studio.findings();
    Finding found = noise(findings);
    assertThat(found.light()).isEqualTo("sun");
    assertThat(found.mends())
        .extracting(Finding.Mend::text)
        .containsExactly("Cast caustics of sun");
    int mended = needed(Studio.look(found.mends().getFirst().after(), studio.pictures));
    assertThat(mended).isLessThan(needed(findings) / 10);
    assertThat(needed(throughGlass(false).findings())).isLessThan(needed(findings) / 10);
  }

  /** What would carry the sun through a pane that lets photons pass. */
  private static List<String> offered(Caustics caustics) {
    Studio studio = throughGlass(true);
    studio.materials.replaceAll(m -> m.id().equals("clear") ? m.withCastsCaustics(true) : m);
    studio.lights.replaceAll(
        l -> l.id().equals("sun") ? l.withControls(l.controls().withCaustics(caustics)) : l);
    return studio.findings().stream()
        .filter(f -> f.kind() == Finding.Kind.NOISE)
        .flatMap(f -> f.mends().stream())
        .map(Finding.Mend::text)
        .toList();
  }

  @Test
  void photonsAreNotOfferedWhereTheyAreChosenAlready() {
    assertThat(offered(Caustics.NONE)).containsExactly("Cast caustics of sun");
    assertThat(offered(Caustics.AUTOMATIC)).isEmpty();
    assertThat(offered(Caustics.CAST)).isEmpty();
  }

  @Test
  void theMaterialOnWhichTheNoiseIsSeen() {
    Studio studio = throughGlass(true);
    studio.ball = new Vec3(0, 20, 0);
    Finding found = noise(studio.findings());
    assertThat(found.what()).contains("of the noise is seen on Grey, 100 % is of sun");
    assertThat(found.region().top()).as("the floor").isGreaterThan(0.2);
  }
}

package levelember.caustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.film.Film;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.measure.CausticReading;
import levelember.photometry.LayerWeights;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;
import org.junit.jupiter.api.Test;

class CausticSurveyTest {
  private static Light lamp(double radius, Vec3 at) {
    return Sets.light(
            "lamp", new Emitter.Disc(radius, false, 180, null), at, Vec3.ZERO, 9, Unit.NIT)
        .withControls(LightControls.WHOLE.withCaustics(Caustics.CAST));
  }

  private static Sets mirror() {
    return Sets.white(0.4)
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
        .piece("wall", new Shape.Box(0.4, 0.4, 0.001, 0), "mirror", new Vec3(0, 1, 0))
        .seen(new Vec3(0, 3, 4), new Vec3(0, 0, 1.2), 1.2);
  }

  private static CausticSurvey survey(Shoot shoot) {
    return CausticSurvey.of(View.of(shoot, shoot.shots().getFirst(), name -> null).scene(), 0);
  }

  private static CausticReading read(Shoot shoot) {
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(48, 32, view.layers());
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, film, 8, () -> false);
    }
    return CausticReading.of(film, LayerWeights.of(shoot), 0);
  }

  private static Shape floor() {
    return new Shape.Floor(20, 20);
  }

  @Test
  void aMirrorsLightLandsOnAFloorAndIsMeasuredThere() {
    Shoot shoot =
        mirror()
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, 3, 2)))
            .shoot();
    CausticSurvey survey = survey(shoot);
    assertThat(survey.casters()).isEqualTo(1);
    assertThat(survey.deposited()).isCloseTo(1, within(0.03));
    assertThat(survey.escaped()).isLessThan(0.02);
    assertThat(survey.reflectance()).isCloseTo(0.4, within(0.01));
    // A disc of 0.2 m some 2.7 m away, seen a little aslant.
    assertThat(survey.angularDiameter()).isCloseTo(0.2 / 2.7, within(0.012));
    // Down at the slope that it has come, 1.2 m high.
    assertThat(survey.metres()).isCloseTo(1.2 * 2.7 / 1.8, within(0.1));
    assertThat(survey.penumbra())
        .isCloseTo(survey.metres() * survey.angularDiameter(), within(1e-9));
    assertThat(survey.pattern()).isBetween(0.2, 0.7);
  }

  @Test
  void withNothingToCatchItItLeavesTheSet() {
    Shoot shoot = mirror().light(lamp(0.1, new Vec3(0, 3, 2))).shoot();
    assertThat(survey(shoot).deposited()).isZero();
    assertThat(survey(shoot).escaped()).isCloseTo(1, within(0.01));
    assertThat(read(shoot)).isEqualTo(new CausticReading(0, 0, -1, 0));
  }

  @Test
  void lightThatMeetsNoCasterIsSaid() {
    Shoot unlit =
        mirror()
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, -3, 0)))
            .shoot();
    assertThat(survey(unlit).lit()).isFalse();
    Shoot none =
        Sets.white(0.5)
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, 3, 2)))
            .seen(new Vec3(0, 3, 4), Vec3.ZERO, 1)
            .shoot();
    assertThat(survey(none).casters()).isZero();
  }

  @Test
  void theLightThatDrownsItIsNamedWithItsStops() {
    Light other = Sets.light("over", new Emitter.Dome(), Vec3.ZERO, Vec3.UP, 10, Unit.NIT);
    Shoot shoot =
        mirror()
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, 3, 2)))
            .light(other)
            .shoot();
    CausticReading once = read(shoot);
    assertThat(once.share()).isGreaterThan(0.05);
    assertThat(once.drownedBy()).isEqualTo(1);
    assertThat(once.drownedStops()).isGreaterThan(2);
    Shoot brighter =
        mirror()
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, 3, 2)))
            .light(other.withLevelStops(2))
            .shoot();
    CausticReading twice = read(brighter);
    assertThat(twice.drownedStops()).isCloseTo(once.drownedStops() + 2, within(0.01));
    assertThat(twice.ofPicture()).isLessThan(once.ofPicture());
  }

  @Test
  void wavesFocusByTheirCurvature() {
    // A height of 8 mm over 0.1 m: crests of 62 mm radius, so that light meets 0.25 m below.
    Waves waves = Waves.round(0.008, 0.1, 0, 1);
    double focal = CausticSurvey.focalLength(new Shape.Water(1, 1, 0, waves, 0), 1.333);
    assertThat(focal).isCloseTo(1.333 / 0.333 / (0.004 * Math.pow(20 * Math.PI, 2)), within(1e-9));
    assertThat(focal).isCloseTo(0.253, within(0.005));
    Waves calm = Waves.round(0, 0.1, 0, 1);
    assertThat(CausticSurvey.focalLength(new Shape.Water(1, 1, 0, calm, 0), 1.333)).isZero();
    // The sharpest counts: a ring of half the height and half the length is twice as curved.
    List<RippleRing> ring = List.of(new RippleRing(0, 0, 0.004, 0.05, 1));
    assertThat(CausticSurvey.focalLength(new Shape.Water(1, 1, 0, waves, ring, null, 0), 1.333))
        .isCloseTo(focal / 2, within(1e-9));
    FineRipples fine = new FineRipples(null, 0.5, 1, 0, 0);
    assertThat(CausticSurvey.focalLength(new Shape.Water(1, 1, 0, calm, List.of(), fine, 0), 1.333))
        .isCloseTo(1.333 / 0.333 / (0.1 * 2 * Math.PI * 24), within(1e-6));
  }

  @Test
  void waterSaysHowDeepItIsAndWhereItsWavesFocus() {
    Shoot shoot =
        Sets.white(0.5)
            .material(Material.glass("water", "Water", 1.333, Rgb.WHITE, 1))
            .piece("floor", floor(), "white", new Vec3(0, -0.3, 0))
            .piece(
                "pool",
                new Shape.Water(1, 1, 0, Waves.round(0.008, 0.1, 0, 1), 0),
                "water",
                Vec3.ZERO)
            .light(lamp(0.02, new Vec3(0, 3, 0.1)))
            .seen(new Vec3(0, 2, 1), Vec3.ZERO, 0.8)
            .shoot();
    CausticSurvey.Focus focus = survey(shoot).focus();
    assertThat(focus.depth()).isCloseTo(0.3, within(0.03));
    assertThat(focus.focalLength()).isCloseTo(0.253, within(0.005));
  }

  @Test
  void whatTintedGlassTakesIsSaid() {
    Shoot shoot =
        Sets.white(0.5)
            .material(Material.glass("glass", "Glass", 1.5, Rgb.grey(0.25), 0.1))
            .piece("floor", floor(), "white", Vec3.ZERO)
            .piece("slab", new Shape.Box(2, 0.1, 2, 0), "glass", new Vec3(0, 0.5, 0))
            .light(lamp(0.02, new Vec3(0, 5, 0)))
            .seen(new Vec3(0, 2, 1), Vec3.ZERO, 0.8)
            .shoot();
    CausticSurvey survey = survey(shoot);
    // Three quarters of what is not reflected at the upper face, four hundredths of it all.
    assertThat(survey.absorbed()).isCloseTo(0.72, within(0.03));
    assertThat(survey.deposited()).isCloseTo(0.24, within(0.03));
  }

  @Test
  void surveysComeOutTheSameEachTime() {
    Shoot shoot =
        mirror()
            .piece("floor", floor(), "white", Vec3.ZERO)
            .light(lamp(0.1, new Vec3(0, 3, 2)))
            .shoot();
    Scene scene = View.of(shoot, shoot.shots().getFirst(), name -> null).scene();
    assertThat(CausticSurvey.of(scene, 0)).isEqualTo(CausticSurvey.of(scene, 0));
  }
}

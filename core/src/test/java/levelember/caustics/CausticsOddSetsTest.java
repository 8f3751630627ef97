package levelember.caustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.TimeUnit;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Sets that caustics are not made for: a picture all the same, and never a hang. */
@Timeout(value = 120, unit = TimeUnit.SECONDS)
class CausticsOddSetsTest {
  private static final Material GLASS = Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 0.1);

  private static Light lamp(Vec3 at, Caustics caustics) {
    return Sets.light("lamp", new Emitter.Sphere(0.03), at, Vec3.ZERO, 9000, Unit.NIT)
        .withControls(LightControls.WHOLE.withCaustics(caustics));
  }

  private static Sets floor() {
    return Sets.white(0.5)
        .material(GLASS)
        .material(Material.glass("water", "Water", 1.333, new Rgb(0.8, 0.9, 1), 1))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .seen(new Vec3(0, 1.6, 3), new Vec3(0, 0.2, 0), 2.4);
  }

  private static Picture render(Shoot of, int samples) {
    Shoot shoot = of.with(of.bounce().with(LightOverGloss.EVERYTHING));
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(24, 16, view.layers());
    try (Renderer renderer = new Renderer(2, 16, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    Picture p = LayerMix.picture(film, LayerWeights.of(shoot));
    for (float v : p.rgb()) {
      assertThat(v).isFinite().isNotNegative();
    }
    return p;
  }

  @Test
  void aLampInsideGlassLightsTheFloorThroughIt() {
    Material tinted = Material.glass("tinted", "Tinted", 1.5, new Rgb(0.5, 0.8, 0.9), 0.3);
    Picture photons = render(lit(tinted, Caustics.CAST), 64);
    Picture paths = render(lit(tinted, Caustics.NONE), 4096);
    for (int c = 0; c < 3; c++) {
      double by = Sets.mean(paths, c);
      assertThat(Sets.mean(photons, c)).isCloseTo(by, within(0.05 * by));
    }
  }

  private static Shoot lit(Material ball, Caustics caustics) {
    return floor()
        .material(ball)
        .piece("ball", new Shape.Sphere(0.3), ball.id(), new Vec3(0, 0.5, 0))
        .light(lamp(new Vec3(0, 0.5, 0), caustics))
        .seen(new Vec3(0.9, 0.5, 0), new Vec3(0.55, 0, 0), 0.5)
        .shoot();
  }

  @Test
  void glassInGlassThrowsLightByBoth() {
    Sets sets =
        floor()
            .piece("outer", new Shape.Sphere(0.4), "water", new Vec3(0, 0.6, 0))
            .piece("inner", new Shape.Sphere(0.2), "glass", new Vec3(0, 0.6, 0))
            .light(lamp(new Vec3(0, 3, 0), Caustics.CAST));
    CausticSurvey survey = survey(sets.shoot());
    assertThat(survey.casters()).isEqualTo(2);
    assertThat(survey.deposited()).isGreaterThan(0.3);
    render(sets.shoot(), 4);
  }

  private static CausticSurvey survey(Shoot shoot) {
    return CausticSurvey.of(View.of(shoot, shoot.shots().getFirst(), n -> null).scene(), 0);
  }

  @Test
  void waterOverNothingIsSeenAndItsLightGoesAway() {
    Sets sets =
        Sets.white(0.5)
            .material(Material.glass("water", "Water", 1.333, Rgb.WHITE, 1))
            .piece(
                "sea",
                new Shape.Water(2, 2, 0, Waves.round(0.02, 0.3, 0, 1), 0),
                "water",
                Vec3.ZERO)
            .light(lamp(new Vec3(0, 3, 0), Caustics.CAST))
            .seen(new Vec3(0, 1.6, 3), Vec3.ZERO, 1.5);
    render(sets.shoot(), 4);
    CausticSurvey survey = survey(sets.shoot());
    assertThat(survey.deposited()).isZero();
    assertThat(survey.escaped()).isGreaterThan(0.95);
  }

  @Test
  void aCasterOfAMillionTrianglesIsNoHang() {
    Waves fine = new Waves(0.01, 0.05, 20, 0.2, 1, 1);
    Shape.Water water = new Shape.Water(1.05, 1.05, 0, fine, 0);
    Sets sets =
        floor()
            .piece("water", water, "water", new Vec3(0, 0.2, 0))
            .light(lamp(new Vec3(0, 3, 0), Caustics.CAST));
    View view = View.of(sets.shoot(), sets.shoot().shots().getFirst(), n -> null);
    assertThat(view.scene().triangles()).isGreaterThan(1_000_000);
    render(sets.shoot(), 1);
  }

  @Test
  void whereNoLightCastsAnyNothingIsOtherThanWithout() {
    Sets one = floor().piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0, 0.5, 0));
    Sets two = floor().piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0, 0.5, 0));
    Shoot off = one.light(lamp(new Vec3(0, 3, 0), Caustics.NONE)).shoot();
    Shoot levers =
        two.light(lamp(new Vec3(0, 3, 0), new Caustics(Caustics.Cast.OFF, 3, 5, 0.5, 2))).shoot();
    assertThat(render(levers, 3).rgb()).isEqualTo(render(off, 3).rgb());
  }

  @Test
  void photonsOfManySamplesStayWithinTheirMemory() {
    Shoot shoot =
        floor()
            .piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0, 0.5, 0))
            .light(lamp(new Vec3(0, 3, 0), Caustics.CAST))
            .shoot();
    Scene scene = View.of(shoot, shoot.shots().getFirst(), n -> null).scene();
    CausticPhotons photons = CausticPhotons.of(scene);
    PhotonTracer tracer = new PhotonTracer(scene);
    long most = CausticPhotons.MOST_BYTES / 32, sum = 0;
    photons.keep(most);
    for (int pass = 0; pass < 19; pass++) {
      PhotonMap map = photons.pass(0, 1 << 13, 1, pass, tracer, () -> false);
      assertThat(map.count()).isPositive();
      sum += map.bytes();
      assertThat(photons.bytes()).isLessThanOrEqualTo(most);
    }
    assertThat(sum).isGreaterThan(most);
  }
}

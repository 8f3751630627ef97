package levelember.caustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Photons are taken by themselves where paths would find caustics late, and only there. */
class CausticPilotTest {
  private static final int WIDTH = 120, HEIGHT = 80;
  private static final Rgb CLEAR = Rgb.WHITE;

  /** A ball of glass over a floor. */
  private static Sets set() {
    return Sets.white(0.5)
        .material(Material.glass("glass", "Glass", 1.5, CLEAR, 1))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0, 0.5, 0))
        .seen(new Vec3(0, 1.6, 2.4), new Vec3(0, 0.2, 0), 0.9);
  }

  private static Light light(Emitter emitter, Vec3 position, Unit unit, Caustics caustics) {
    return Sets.light("light", emitter, position, Vec3.ZERO, 1000, unit)
        .withControls(LightControls.WHOLE.withCaustics(caustics));
  }

  private static Light above(Emitter emitter, Caustics caustics) {
    return light(emitter, new Vec3(0.5, 2.5, 0.3), Unit.LUMEN, caustics);
  }

  private static boolean hasPhotons(Shoot shoot) {
    return CausticPhotons.carry(View.of(shoot, shoot.shots().getFirst(), name -> null).scene(), 0);
  }

  private static Picture render(Shoot shoot, int samples, int seed) {
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 16, seed)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  @ParameterizedTest
  @CsvSource({"0.01, true", "0.05, true", "1.5, false"})
  void smallLampsHavePhotonsAndLargeOnesHaveNone(double radius, boolean expected) {
    Emitter sphere = new Emitter.Sphere(radius);
    assertThat(hasPhotons(set().light(above(sphere, Caustics.AUTOMATIC)).shoot()))
        .isEqualTo(expected);
  }

  @Test
  void surroundingsHaveNoneAndOnAndOffAreObeyed() {
    Emitter dome = new Emitter.Dome(Rgb.WHITE, Rgb.WHITE), sphere = new Emitter.Sphere(0.02);
    Light around = light(dome, Vec3.UP, Unit.NIT, Caustics.AUTOMATIC);
    assertThat(hasPhotons(set().light(around).shoot())).isFalse();
    Light always = light(dome, Vec3.UP, Unit.NIT, Caustics.CAST);
    assertThat(hasPhotons(set().light(always).shoot())).isTrue();
    assertThat(hasPhotons(set().light(above(sphere, Caustics.NONE)).shoot())).isFalse();
    assertThat(hasPhotons(set().light(above(sphere, Caustics.CAST)).shoot())).isTrue();
  }

  @Test
  void nothingIsThrownInASetWithoutGlassOrWithoutLightOverGloss() {
    Light lamp = above(new Emitter.Sphere(0.02), Caustics.AUTOMATIC);
    Sets matte =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .light(lamp)
            .seen(new Vec3(0, 1.6, 2.4), Vec3.ZERO, 0.9);
    assertThat(hasPhotons(matte.shoot())).isFalse();
    Shoot none = set().light(lamp).shoot();
    none = none.with(none.bounce().with(LightOverGloss.NONE));
    assertThat(hasPhotons(none)).isFalse();
  }

  /** A lamp that no path can meet would give the floor nothing through glass. */
  @Test
  void aPointBehindASlabLightsTheFloorByItself() {
    double[] means = new double[2];
    Caustics[] ways = {Caustics.AUTOMATIC, Caustics.CAST};
    for (int i = 0; i < 2; i++) {
      Shoot shoot =
          Sets.white(0.5)
              .material(Material.glass("glass", "Glass", 1.5, CLEAR, 1))
              .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
              .piece("slab", new Shape.Box(4, 0.05, 4, 0), "glass", new Vec3(0, 0.5, 0))
              .light(above(new Emitter.Point(), ways[i]))
              .seen(new Vec3(0, 0.3, 1.5), Vec3.ZERO, 0.3)
              .shoot();
      means[i] = Sets.mean(render(shoot, 32, 1));
    }
    assertThat(means[0]).isCloseTo(means[1], within(0.1 * means[1]));
    assertThat(means[0]).isGreaterThan(1);
  }

  /** A lamp inside of glass: the same light as by paths, at a fraction of the noise. */
  @Test
  void aLampInGlassGivesTheSameLightAtLessNoise() {
    Shoot[] shoots = new Shoot[2];
    Caustics[] ways = {Caustics.AUTOMATIC, Caustics.NONE};
    double[] means = new double[2], errors = new double[2];
    for (int i = 0; i < 2; i++) {
      Shoot shoot =
          set()
              .light(light(new Emitter.Sphere(0.06), new Vec3(0, 0.5, 0), Unit.LUMEN, ways[i]))
              .shoot();
      shoots[i] = shoot.with(new Bounce(16, 1, 0, LightOverGloss.EVERYTHING));
    }
    Picture reference = render(shoots[0], 96, 9);
    means[0] = floor(reference);
    means[1] = floor(render(shoots[1], 96, 8));
    assertThat(means[0]).isCloseTo(means[1], within(0.03 * means[1]));
    for (int i = 0; i < 2; i++) {
      Picture few = render(shoots[i], 8, 1);
      for (int p = 3 * WIDTH * HEIGHT * 3 / 4; p < few.rgb().length; p++) {
        errors[i] += Math.abs(few.rgb()[p] - reference.rgb()[p]);
      }
    }
    assertThat(errors[0]).isLessThan(0.6 * errors[1]);
  }

  /** Mean of the lowest quarter of the picture, which shows the floor alone. */
  private static double floor(Picture picture) {
    double sum = 0;
    int from = 3 * WIDTH * HEIGHT * 3 / 4;
    for (int p = from; p < picture.rgb().length; p++) {
      sum += picture.rgb()[p];
    }
    return sum / (picture.rgb().length - from);
  }

  /** What is traced of a light does not depend on where another one stands in the list. */
  @Test
  void photonsOfALightAreTheSameWithAnyOtherLight() {
    Light lamp = above(new Emitter.Sphere(0.02), Caustics.CAST);
    Light other =
        Sets.light("a", new Emitter.Sphere(0.3), new Vec3(2, 2, 0), Vec3.ZERO, 1, Unit.LUMEN);
    Shoot alone = set().light(lamp).shoot(), both = set().light(other).light(lamp).shoot();
    View one = View.of(alone, alone.shots().getFirst(), name -> null);
    View two = View.of(both, both.shots().getFirst(), name -> null);
    try (Renderer renderer = new Renderer(2, 16, 1)) {
      Film a = new Film(24, 16, 1), b = new Film(24, 16, 2);
      renderer.trace(one, a, 2, () -> false);
      renderer.trace(two, b, 2, () -> false);
      assertThat(a.sums(0)).isEqualTo(b.sums(1));
    }
  }
}

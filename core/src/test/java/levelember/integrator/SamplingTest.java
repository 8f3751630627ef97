package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.look.DisplayCurve;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.noise.Noise;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every way to sample goes to the same picture, and what the renderer does costs least. */
class SamplingTest {
  private static Light light(String id, Emitter emitter, double value) {
    return Sets.light(id, emitter, new Vec3(0.3, 1, -1.2), new Vec3(0, 0, 0), value, Unit.NIT);
  }

  static Stream<Light> lights() {
    return Stream.of(
        light("rectangle", new Emitter.Rectangle(1.2, 0.8, false), 5),
        light("sphere", new Emitter.Sphere(0.4), 5),
        light("dome", new Emitter.Dome(), 1),
        light("environment", new Emitter.Environment("sky", 30), 1),
        light("emissive", new Emitter.Emissive("lamp"), 5));
  }

  private static Picture sky() {
    Picture sky = Picture.black(32, 16);
    for (int y = 0; y < 16; y++) {
      for (int x = 0; x < 32; x++) {
        double v = x > 8 && x < 14 && y > 4 && y < 8 ? 12 : 0.4;
        sky.set(x, y, v, 0.8 * v, 0.6 * v);
      }
    }
    return sky;
  }

  /** A matte floor, a plate of rough metal on it, a ball, and one light. */
  private static Shoot shoot(Light light) {
    return sets(light).shoot();
  }

  private static Sets sets(Light light) {
    return Sets.white(0.7)
        .material(Material.metal("metal", "Metal", new Rgb(0.9, 0.7, 0.5), 0.45))
        .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
        .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
        .piece("plate", new Shape.Floor(1, 1.4), "metal", new Vec3(0.5, 0.01, 0.2))
        .piece("other", new Shape.Sphere(0.3), "white", new Vec3(-0.35, 0.3, 0))
        .piece("lamp", new Shape.Box(0.4, 0.4, 0.4, 0), "lamp", new Vec3(0, 0.9, -0.6))
        .light(light)
        .seen(new Vec3(0, 1, 3), new Vec3(0, 0.2, 0), 1.6);
  }

  private static Film film(Shoot shoot, Sampling sampling, int samples, int seed) {
    return film(shoot, sampling, samples, seed, 2);
  }

  private static Film film(Shoot shoot, Sampling sampling, int samples, int seed, int bounces) {
    Pictures pictures =
        name -> {
          if (!name.equals("sky")) {
            throw new Pictures.MissingPicture(name);
          }
          return sky();
        };
    View view = View.of(shoot, shoot.shots().getFirst(), pictures);
    Film film = new Film(16, 11, view.layers());
    try (Renderer renderer = new Renderer(2, bounces, seed, sampling)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static double mean(Shoot shoot, Sampling sampling, int samples) {
    return Sets.mean(LayerMix.picture(film(shoot, sampling, samples, 1), LayerWeights.of(shoot)));
  }

  @ParameterizedTest
  @MethodSource("lights")
  void everyTechniqueAloneGivesWhatTheyGiveTogether(Light light) {
    Shoot shoot = shoot(light);
    double both = mean(shoot, Sampling.USUAL, 256);
    double drawn = mean(shoot, new Sampling(Technique.LIGHT, true, true, false), 1024);
    double met = mean(shoot, new Sampling(Technique.BSDF, true, true, false), 1024);
    assertThat(drawn).as("drawn from lights").isCloseTo(both, within(0.01 * both));
    assertThat(met).as("met by turns").isCloseTo(both, within(0.015 * both));
  }

  /** A pane between the lights and all else is no bounce, so it takes none away. */
  @ParameterizedTest
  @MethodSource("lights")
  void behindAPaneTheyAgreeToo(Light light) {
    Material.Glass thin = new Material.Glass(1, new Rgb(0.9, 0.8, 0.7), 1, true, 0);
    Shoot shoot =
        sets(light)
            .material(Material.glass("pane", "Pane", 0, 1.5, thin))
            .piece("pane", new Shape.Floor(40, 40), "pane", new Vec3(0, 0.63, 0))
            .shoot();
    for (int bounces : new int[] {1, 64}) {
      double both = mean(shoot, Sampling.USUAL, 128, bounces);
      double lightAlone =
          mean(shoot, new Sampling(Technique.LIGHT, true, true, false), 256, bounces);
      double bsdfAlone = mean(shoot, new Sampling(Technique.BSDF, true, true, false), 512, bounces);
      assertThat(lightAlone).as("light, %d", bounces).isCloseTo(both, within(0.02 * both));
      assertThat(bsdfAlone).as("BSDF, %d", bounces).isCloseTo(both, within(0.03 * both));
    }
  }

  private static double mean(Shoot shoot, Sampling sampling, int samples, int bounces) {
    return Sets.mean(
        LayerMix.picture(film(shoot, sampling, samples, 1, bounces), LayerWeights.of(shoot)));
  }

  @Test
  void independentPointsNoRouletteAndAllLightsAlwaysGiveTheSamePicture() {
    Shoot shoot = shoot(light("rectangle", new Emitter.Rectangle(1.2, 0.8, false), 5));
    double usual = mean(shoot, Sampling.USUAL, 256);
    for (Sampling s :
        new Sampling[] {
          new Sampling(Technique.BOTH, false, true, false),
          new Sampling(Technique.BOTH, true, false, false),
          new Sampling(Technique.BOTH, true, true, true)
        }) {
      assertThat(mean(shoot, s, 512)).as(s.toString()).isCloseTo(usual, within(0.01 * usual));
    }
  }

  @ParameterizedTest
  @MethodSource("lights")
  void togetherTheyAreNeverMuchNoisierThanTheBetterOne(Light light) {
    Shoot shoot = shoot(light);
    double both = noise(shoot, Sampling.USUAL);
    double drawn = noise(shoot, new Sampling(Technique.LIGHT, true, true, false));
    double met = noise(shoot, new Sampling(Technique.BSDF, true, true, false));
    assertThat(both).isLessThan(1.15 * Math.min(drawn, met));
  }

  @Test
  void stratifiedPointsAreLessNoisyThanIndependentOnes() {
    Shoot shoot = shoot(light("rectangle", new Emitter.Rectangle(1.2, 0.8, false), 5));
    assertThat(noise(shoot, Sampling.USUAL))
        .isLessThan(0.8 * noise(shoot, new Sampling(Technique.BOTH, false, true, false)));
  }

  private static double noise(Shoot shoot, Sampling sampling) {
    double sum = 0;
    for (int seed = 1; seed <= 4; seed++) {
      Film film = film(shoot, sampling, 64, seed);
      double n = Noise.of(film, LayerWeights.of(shoot), DisplayCurve.fullScale(1)).whole();
      sum += n * n;
    }
    return Math.sqrt(sum / 4);
  }

  /** Three sets: matte pieces in a corner, rough metal, and glass. */
  static Stream<Shoot> sets() {
    Light key =
        Sets.light(
            "key",
            new Emitter.Rectangle(0.6, 0.6, false),
            new Vec3(0.8, 2, 1),
            Vec3.ZERO,
            20,
            Unit.NIT);
    return Stream.of("white", "metal", "glass")
        .map(kind ->
            Sets.white(0.7)
                .material(Material.metal("metal", "Metal", new Rgb(0.9, 0.7, 0.5), 0.4))
                .material(Material.glass("glass", "Glass", 1.5, Rgb.grey(1), 1))
                .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
                .piece("wall", new Shape.Box(3, 2, 0.1, 0), "white", new Vec3(0, 1, -1))
                .piece("block", new Shape.Box(0.6, 0.5, 0.3, 0), kind, new Vec3(0, 0.25, 0))
                .light(key)
                .light(Sets.dome(0.5))
                .seen(new Vec3(0.4, 1.2, 3), new Vec3(0, 0.3, 0), 2)
                .shoot());
  }

  @ParameterizedTest
  @MethodSource("sets")
  void theErrorFallsWithTheRootOfTheSamplesAndChosenSamplesGoToTheSameLimit(Shoot shoot) {
    float[] weights = LayerWeights.of(shoot);
    Picture limit = LayerMix.picture(film(shoot, Sampling.USUAL, 2048, 99), weights);
    double few = error(shoot, 8, 24, limit), many = error(shoot, 128, 6, limit);
    double slope = Math.log(many / few) / Math.log(16);
    // Stratified points do better than −0.5 where what they are spread over is smooth.
    assertThat(slope).as("few " + few + ", many " + many).isBetween(-0.95, -0.42);

    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    Film chosen = new Film(16, 11, view.layers());
    double fullScale = DisplayCurve.fullScale(1);
    try (Renderer renderer = new Renderer(2, 2, 1)) {
      renderer.trace(view, chosen, 8, () -> false);
      while (chosen.meanSamples() < 128) {
        Noise noise = Noise.of(chosen, weights, fullScale);
        renderer.refine(view, chosen, noise, 1e-6, 4096, () -> false);
      }
    }
    assertThat(error(LayerMix.picture(chosen, weights), limit)).isLessThan(1.5 * many);
  }

  /** Root mean square error over several renderings. */
  private static double error(Shoot shoot, int samples, int seeds, Picture limit) {
    double sum = 0;
    for (int seed = 1; seed <= seeds; seed++) {
      Film film = film(shoot, Sampling.USUAL, samples, seed);
      sum += Math.pow(error(LayerMix.picture(film, LayerWeights.of(shoot)), limit), 2);
    }
    return Math.sqrt(sum / seeds);
  }

  private static double error(Picture a, Picture b) {
    double sum = 0;
    for (int i = 0; i < a.rgb().length; i++) {
      sum += Math.pow(a.rgb()[i] - b.rgb()[i], 2);
    }
    return Math.sqrt(sum / a.rgb().length);
  }
}

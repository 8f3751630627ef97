package levelember.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.denoise.Denoiser;
import levelember.integrator.Renderer;
import levelember.math.Colour;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.upsampling.DenoisedLadder;
import levelember.upsampling.Ladder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Denoising neither takes nor gives light: by layer, with glass about every kind of light. */
class DenoisedMeanTest {
  private static final int WIDTH = 96, HEIGHT = 64;

  private static Sets table() {
    return Sets.white(0.5)
        .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 0.1))
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
        .material(Material.matte("core", "Core", Rgb.grey(0.7)))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("cup", new Shape.Sphere(0.15), "white", new Vec3(-0.5, 0.15, 0.2))
        .seen(new Vec3(0, 0.9, 3), new Vec3(0, 0.3, 0), 1.8);
  }

  private static Light light(Emitter emitter, Vec3 at, double value, Unit unit) {
    Light l = Sets.light("l", emitter, at, new Vec3(0, 0.2, 0), value, unit);
    return l.with(to -> to.seenDirectly(true));
  }

  private static Sets ball(Light light, Vec3 at) {
    return table().piece("ball", new Shape.Sphere(0.3), "glass", at).light(light);
  }

  static List<Arguments> sets() {
    Vec3 middle = new Vec3(0, 0.35, 0);
    Light bulb = light(new Emitter.Sphere(0.02), new Vec3(0.1, 0.5, -0.7), 30_000, Unit.NIT);
    Light inside = light(new Emitter.Sphere(0.03), middle, 30_000, Unit.NIT);
    Light before = light(new Emitter.Sphere(0.02), new Vec3(0.4, 0.6, 0.9), 30_000, Unit.NIT);
    Light face =
        light(new Emitter.Rectangle(0.3, 0.2, false), new Vec3(-1, 1.4, 0.6), 3000, Unit.NIT);
    Light tube = light(new Emitter.Tube(0.8, 0.01), new Vec3(0, 1, -0.5), 20_000, Unit.NIT);
    Light sun = light(new Emitter.Sun(0.5), new Vec3(-1, 2, -1), 20_000, Unit.LUX);
    Light glow = light(new Emitter.Emissive("core"), Vec3.ZERO, 20_000, Unit.NIT);
    Light dome = Sets.dome(50);
    Shape core = new Shape.Cylinder(0.02, 0.12, 0);
    return List.of(
        Arguments.of("a bulb behind glass", ball(bulb, middle)),
        Arguments.of("a bulb in glass", ball(inside, middle)),
        Arguments.of("a bulb before glass", ball(before, middle)),
        Arguments.of("a face mirrored in glass", ball(face, middle)),
        Arguments.of("a tube over glass", ball(tube, middle)),
        Arguments.of("the sun through glass", ball(sun, middle)),
        Arguments.of(
            "a glowing piece in glass", ball(glow, middle).piece("k", core, "core", middle)),
        Arguments.of(
            "a glowing piece before a mirror",
            table()
                .piece("back", new Shape.Box(1.6, 1, 0.02, 0), "mirror", new Vec3(0, 0, -0.6))
                .piece("k", core, "core", middle)
                .light(glow)),
        Arguments.of("glass under a dome", ball(dome, middle)),
        Arguments.of("a small bulb and no glass", table().light(before)));
  }

  private static Film traced(Shoot shoot, Shot shot, int samples) {
    View view = View.of(shoot, shot, name -> null);
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static double mean(Film film, int samples) {
    float[] sums = film.sums(0);
    double sum = 0;
    for (int i = 0; i < sums.length; i += 3) {
      sum += Colour.luminance(sums[i], sums[i + 1], sums[i + 2]);
    }
    return 3 * sum / sums.length / samples;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("sets")
  void theLightOfALayerStaysTheSame(String name, Sets sets) {
    Shoot shoot = sets.shoot();
    for (int samples : new int[] {4, 16}) {
      Film film = traced(shoot, shoot.shots().getFirst(), samples);
      double before = mean(film, samples);
      assertThat(before).isPositive();
      assertThat(mean(Denoiser.denoised(film), 1))
          .as("%d samples", samples)
          .isCloseTo(before, within(0.01 * before));
    }
  }

  /**
   * What is mirrored in glass is a few pixels of much light: the page's picture has it there, and
   * not spread over the set, from its first whole sample on.
   */
  @ParameterizedTest
  @ValueSource(doubles = {0, 4})
  void aLampMirroredInGlassIsNotSpreadOverThePagesPicture(double fStop) {
    Light before = light(new Emitter.Sphere(0.02), new Vec3(0.4, 0.6, 0.9), 3_000_000, Unit.NIT);
    Shoot shoot = ball(before, new Vec3(0, 0.35, 0)).shoot();
    Shot shot = shoot.shots().getFirst().with(to -> to.fStop(fStop));
    View view = View.of(shoot, shot, name -> null);
    float[] weights = LayerWeights.of(shoot);
    double limit = exposed(LayerMix.picture(traced(shoot, shot, 128), weights));
    Ladder ladder = new Ladder(WIDTH, HEIGHT, 1);
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      for (int samples : new int[] {1, 2, 4, 16}) {
        for (Ladder.Step s = ladder.next(samples, true);
            s != null;
            s = ladder.next(samples, true)) {
          renderer.trace(view, s.film(), s.samples(), () -> false);
          denoised.renew(ladder, () -> false);
        }
        assertThat(exposed(denoised.ladder().mix(weights)))
            .as("%d samples", samples)
            .isCloseTo(limit, within(0.1 * limit));
      }
    }
  }

  /** Mean of light that is exposed for the table and cut at full scale. */
  private static double exposed(Picture picture) {
    double sum = 0;
    for (float v : picture.rgb()) {
      sum += Math.min(1, v / 2000);
    }
    return sum / picture.rgb().length;
  }

  /**
   * The lamp seen by itself, through glass and mirrored in it is as bright and as sharp as traced.
   */
  @Test
  void aLampSeenOverGlassIsLeftAsItIsTraced() {
    Vec3 middle = new Vec3(0, 0.35, 0);
    Light bulb = light(new Emitter.Sphere(0.02), new Vec3(0.1, 0.5, -0.7), 30_000, Unit.NIT);
    Shoot shoot = ball(bulb, middle).shoot();
    for (double fStop : new double[] {0, 4}) {
      Shot shot = shoot.shots().getFirst().with(to -> to.fStop(fStop));
      Film film = traced(shoot, shot, 16), clean = Denoiser.denoised(film);
      float[] sums = film.sums(0), to = clean.sums(0);
      int bright = 0;
      for (int i = 1; i < sums.length; i += 3) {
        if (sums[i] / 16 > 0.3) {
          bright++;
          assertThat(to[i]).isCloseTo(sums[i] / 16, within(0.1f * sums[i] / 16));
        }
      }
      assertThat(bright).as("f/%s", fStop).isPositive();
    }
  }

  /** Layers of next to no light, as of what hardly reaches the set, stay numbers. */
  @Test
  void nextToNoLightStaysFinite() {
    for (float light : new float[] {0, 1e-38f, 1e-30f, 1e-20f}) {
      Film film = new Film(WIDTH, HEIGHT, 1);
      for (int sample = 0; sample < 2; sample++) {
        film.add(0, 700 + sample, sample == 0, light, light, light);
        for (int p = 0; p < WIDTH * HEIGHT; p++) {
          film.guides().add(p, 0.5f, 0.5f, 0.5f, 0, 0, 1, 0.5f);
        }
        for (int t = 0; t < film.tiles(); t++) {
          film.sampled(0, t);
          film.guides().sampled(t);
        }
      }
      for (float v : Denoiser.denoised(film).sums(0)) {
        assertThat(v).isFinite().isNotNegative();
      }
    }
  }
}

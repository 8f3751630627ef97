package levelember.noise;

import static org.assertj.core.api.Assertions.assertThat;

import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.path.RayCount;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

class NoiseTest {
  private static final int WIDTH = 96, HEIGHT = 64;

  /** A matte floor, evenly lit, and a rough metal ball that is far noisier. */
  private static Shoot shoot() {
    return Sets.white(0.6)
        .material(Material.metal("brass", "Brass", new Rgb(0.9, 0.7, 0.4), 0.3))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.4), "brass", new Vec3(0, 0.4, 0))
        .light(
            Sets.light(
                "key",
                new Emitter.Rectangle(0.5, 0.5, false),
                new Vec3(1, 2, 1),
                Vec3.ZERO,
                200,
                Unit.NIT))
        .light(Sets.dome(2))
        .seen(new Vec3(0, 1.2, 3), new Vec3(0, 0.3, 0), 2)
        .shoot();
  }

  private final Shoot shoot = shoot();
  private final View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
  private final float[] weights = LayerWeights.of(shoot);
  private final double fullScale = DisplayCurve.fullScale(4);

  private Film traced(int samples, int seed) {
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 8, seed)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private Noise noise(Film film) {
    return Noise.of(film, weights, fullScale);
  }

  /** Noise by its own definition, against a picture that is all but noiseless. */
  private double truth(Film film, Picture limit) {
    Picture p = LayerMix.picture(film, weights);
    double sum = 0;
    for (int t = 0; t < film.tiles(); t++) {
      double error = 0, mean = 0;
      int n = 0;
      for (int y = film.top(t); y < film.bottom(t); y++) {
        for (int x = film.left(t); x < film.right(t); x++, n++) {
          double a = shown(p, x, y), b = shown(limit, x, y);
          error += (a - b) * (a - b);
          mean += b;
        }
      }
      double tile = Math.sqrt(error / n) / (mean / n + 0.05);
      sum += tile * tile;
    }
    return Math.sqrt(sum / film.tiles());
  }

  private double shown(Picture p, int x, int y) {
    int at = 3 * (y * p.width() + x);
    double luminance = 0.2126 * p.rgb()[at] + 0.7152 * p.rgb()[at + 1] + 0.0722 * p.rgb()[at + 2];
    return Math.min(luminance / fullScale, 1.5);
  }

  @Test
  void theNoiseSaidIsTheNoiseThatThereIs() {
    Picture limit = LayerMix.picture(traced(512, 77), weights);
    for (int samples : new int[] {4, 16, 64}) {
      Film film = traced(samples, 1);
      double wanted = truth(film, limit);
      assertThat(noise(film).whole())
          .as(samples + " samples")
          .isBetween(wanted / 1.3, wanted * 1.3);
    }
  }

  @Test
  void aFilmWithoutTwoSamplesSaysNothing() {
    assertThat(noise(traced(1, 1)).whole()).isInfinite();
    assertThat(noise(traced(2, 1)).whole()).isFinite();
  }

  @Test
  void mutedLightsDoNotCount() {
    Film film = traced(8, 1);
    float[] domeOnly = weights.clone();
    java.util.Arrays.fill(domeOnly, 0, 3, 0);
    assertThat(Noise.of(film, domeOnly, fullScale).whole()).isLessThan(noise(film).whole());
  }

  @Test
  void samplesGoWhereTheNoiseIsAndTheSameNoiseTakesFewerRays() {
    Film even = new Film(WIDTH, HEIGHT, view.layers());
    Film chosen = new Film(WIDTH, HEIGHT, view.layers());
    double wanted = 0.03;
    RayCount evenRays = RayCount.NONE, chosenRays;
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      for (int n = 8; n == 8 || noise(even).whole() > wanted; n += 8) {
        evenRays = evenRays.plus(renderer.trace(view, even, n, () -> false));
      }
      chosenRays = renderer.trace(view, chosen, 8, () -> false);
      RayCount pass = chosenRays;
      while (pass.all() > 0) {
        pass = renderer.refine(view, chosen, noise(chosen), wanted, 4096, () -> false);
        chosenRays = chosenRays.plus(pass);
      }
    }
    assertThat(noise(chosen).whole()).isLessThanOrEqualTo(wanted);
    assertThat(chosenRays.all()).isLessThan((long) (0.85 * evenRays.all()));
    int onBall = chosen.least(chosen.tile(WIDTH / 2, HEIGHT / 2)), onFloor = chosen.least(0);
    assertThat(onBall).isGreaterThan(2 * onFloor);
  }

  @Test
  void refiningGivesTheSameBitsOnAnyNumberOfThreads() {
    Film[] films = new Film[2];
    for (int i = 0; i < 2; i++) {
      films[i] = new Film(WIDTH, HEIGHT, view.layers());
      try (Renderer renderer = new Renderer(1 + 2 * i, 8, 1)) {
        renderer.trace(view, films[i], 4, () -> false);
        for (int pass = 0; pass < 4; pass++) {
          renderer.refine(view, films[i], noise(films[i]), 0.001, 4096, () -> false);
        }
      }
    }
    assertThat(films[1].sums(0)).containsExactly(films[0].sums(0));
    assertThat(films[1].meanSamples()).isGreaterThan(4).isEqualTo(films[0].meanSamples());
  }

  @Test
  void aLayerThatLagsIsBroughtUpTileByTile() {
    Film film = traced(4, 1);
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      for (int pass = 0; pass < 3; pass++) {
        renderer.refine(view, film, noise(film), 0.001, 4096, () -> false);
      }
      Film moved = film.withLayers(new int[] {-1, 1});
      renderer.refine(view, moved, new Noise(1, new float[moved.tiles()]), 0, 4096, () -> false);
      for (int t = 0; t < moved.tiles(); t++) {
        assertThat(moved.samples(0, t)).isEqualTo(film.samples(0, t));
      }
      assertThat(moved.sums(0)).containsExactly(film.sums(0));
    }
  }

  @Test
  void timeToANoiseIsToldFromHowItFell() {
    Convergence convergence = new Convergence();
    assertThat(convergence.secondsTo(0.02)).isNaN();
    for (double power : new double[] {0.5, 0.75}) {
      convergence.restart();
      for (double t = 2; t < 12; t += 0.5) {
        convergence.note(t, 0.2 * Math.pow(t, -power));
      }
      double at = 11.5, wanted = 0.02;
      double due = Math.pow(0.2 / wanted, 1 / power) - at;
      assertThat(convergence.secondsTo(wanted))
          .isBetween(due / 1.02, power == 0.5 ? due * 1.02 : due * 2.5);
    }
    convergence.note(13, 0.01);
    assertThat(convergence.secondsTo(0.02)).isZero();
  }
}

package levelember.denoise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import levelember.Sets;
import levelember.film.FeatureBuffer;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.integrator.Renderer;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import levelember.upsampling.DenoisedLadder;
import levelember.upsampling.Ladder;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class DenoiserTest {
  private static final int WIDTH = 128, HEIGHT = 80;

  /** A red and a white block on a floor, a soft shadow, a dome, and a brass ball. */
  private static Shoot shoot() {
    return Sets.white(0.6)
        .material(Material.matte("red", "Red", new Rgb(0.6, 0.1, 0.05)))
        .material(Material.metal("brass", "Brass", new Rgb(0.9, 0.7, 0.4), 0.3))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.4), "brass", new Vec3(0.6, 0.4, 0))
        .piece("block", new Shape.Sphere(0.3), "red", new Vec3(-0.4, 0.3, 0.3))
        .light(
            Sets.light(
                "key",
                new Emitter.Rectangle(0.5, 0.5, false),
                new Vec3(1, 2, 1),
                Vec3.ZERO,
                200,
                Unit.NIT))
        .light(Sets.dome(2))
        .seen(new Vec3(0, 1.2, 3), new Vec3(0, 0.3, 0), 2.4)
        .shoot();
  }

  private static final Shoot SHOOT = shoot();
  private static final float[] WEIGHTS = LayerWeights.of(SHOOT);
  private static Picture limit;

  @BeforeAll
  static void limit() {
    limit = LayerMix.picture(traced(400, 77), WEIGHTS);
  }

  private static Film traced(int samples, int seed) {
    return traced(new Film(WIDTH, HEIGHT, SHOOT.lights().size()), samples, seed);
  }

  private static Film traced(Film film, int samples, int seed) {
    View view = View.of(SHOOT, SHOOT.shots().getFirst(), Pictures.NONE);
    try (Renderer renderer = new Renderer(2, 8, seed)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static double error(Film film) {
    Picture p = LayerMix.picture(film, WEIGHTS);
    double sum = 0;
    for (int i = 0; i < p.rgb().length; i++) {
      double a = Math.min(p.rgb()[i], 30), b = Math.min(limit.rgb()[i], 30);
      sum += (a - b) * (a - b);
    }
    return Math.sqrt(sum / p.rgb().length);
  }

  private static int[] none(Film film) {
    int[] none = new int[film.layers()];
    Arrays.fill(none, -1);
    return none;
  }

  @Test
  void fewSamplesComeFarCloserToTheLimit() {
    for (int samples : new int[] {1, 2, 4, 8}) {
      double before = 0, after = 0;
      for (int seed = 1; seed <= 4; seed++) {
        Film film = traced(samples, seed);
        before += error(film) / 4;
        after += error(Denoiser.denoised(film)) / 4;
      }
      assertThat(after)
          .as(samples + " samples, before " + before)
          .isLessThan((samples == 1 ? 0.8 : 0.7) * before);
    }
  }

  @Test
  void withSamplesTheDenoisedPictureGoesToTheSameLimit() {
    double last = Double.POSITIVE_INFINITY;
    for (int samples : new int[] {4, 16, 64}) {
      Film film = traced(samples, 1);
      double now = error(Denoiser.denoised(film));
      assertThat(now).as(samples + " samples").isLessThan(0.8 * last).isLessThan(error(film));
      last = now;
    }
  }

  /** Mean of the key's layer once denoised, with one sample that found so much more light. */
  private static double mean(Film film, float more) {
    float[] sums = traced(film, 1, 3).sums(0);
    int middle = 3 * (film.height() / 2 * film.width() + film.width() / 2);
    Arrays.fill(sums, middle, middle + 3, sums[middle] + more);
    float[] light = Denoiser.denoised(film).sums(0);
    double sum = 0;
    for (float value : light) {
      sum += value;
    }
    return sum / light.length;
  }

  /** The first picture of a page is not brightened by what its finer ones do not find again. */
  @Test
  void oneSampleOfMuchLightIsKeptInAPictureAndNotInACoarseOne() {
    float more = 1e5f;
    double coarse = mean(Film.coarse(8 * WIDTH, 8 * HEIGHT, 8, 2, false), more);
    assertThat(coarse)
        .isCloseTo(mean(Film.coarse(8 * WIDTH, 8 * HEIGHT, 8, 2, false), 0), within(0.1 * coarse));
    double kept = mean(new Film(WIDTH, HEIGHT, 2), more) - mean(new Film(WIDTH, HEIGHT, 2), 0);
    assertThat(kept).isCloseTo(more / (WIDTH * HEIGHT), within(0.05 * kept));
  }

  /** Both as a display shows luminance, and the estimate without knowing the limit. */
  @Test
  void theErrorOfADenoisedPictureIsToldWithoutItsLimit() {
    double scale = 12, last = Double.POSITIVE_INFINITY;
    for (int samples : new int[] {4, 16, 64}) {
      Film film = traced(samples, 1), clean = Denoiser.denoised(film);
      Picture shown = LayerMix.picture(clean, WEIGHTS);
      double sum = 0;
      for (int i = 0; i < shown.rgb().length; i += 3) {
        double a = Math.sqrt(Math.min(1, luminance(shown, i) / scale));
        double b = Math.sqrt(Math.min(1, luminance(limit, i) / scale));
        sum += (a - b) * (a - b);
      }
      double error = Math.sqrt(3 * sum / shown.rgb().length);
      double told = DenoisedError.of(film, clean, WEIGHTS, scale);
      assertThat(told).as("%d samples, true %f", samples, error).isBetween(error / 2, 2 * error);
      assertThat(told).isLessThan(last);
      last = told;
    }
    Film single = traced(1, 1);
    assertThat(DenoisedError.of(single, Denoiser.denoised(single), WEIGHTS, scale)).isNaN();
  }

  private static double luminance(Picture p, int i) {
    return levelember.math.Colour.luminance(p.rgb()[i], p.rgb()[i + 1], p.rgb()[i + 2]);
  }

  @Test
  void vectorsAndPlainLoopsAgree() {
    Film film = traced(4, 1);
    Film wide =
        Denoiser.denoised(film, null, none(film), new WideCrossBilateralFilter(), () -> false);
    Film plain = Denoiser.denoised(film, null, none(film), new CrossBilateralFilter(), () -> false);
    for (int layer = 0; layer < film.layers(); layer++) {
      for (int i = 0; i < wide.sums(layer).length; i++) {
        float v = plain.sums(layer)[i];
        assertThat(wide.sums(layer)[i]).isCloseTo(v, within(1e-4f * Math.max(1e-3f, v)));
      }
    }
  }

  @Test
  void aLayerIsDenoisedByItselfSoThatWeightsMixIt() {
    Film film = traced(4, 1);
    Film all = Denoiser.denoised(film);
    for (int layer = 0; layer < film.layers(); layer++) {
      Film one = film.withLayers(new int[] {layer});
      assertThat(Denoiser.denoised(one).sums(0)).containsExactly(all.sums(layer));
    }
  }

  @Test
  void layersThatStayAreTakenOver() {
    Film film = traced(4, 1);
    Film first = Denoiser.denoised(film);
    Film next = Denoiser.denoised(film, first, new int[] {1, -1}, () -> false);
    assertThat(next.sums(0)).isSameAs(first.sums(1));
    assertThat(next.sums(1)).isNotSameAs(first.sums(1)).containsExactly(first.sums(1));
  }

  @Test
  void stoppedItGivesNothing() {
    Film film = traced(1, 1);
    assertThat(Denoiser.denoised(film, null, none(film), () -> true)).isNull();
  }

  @Test
  void evenNoiseKeepsItsMeanAndAnEdgeOfColourStays() {
    Film film = new Film(64, 64, 1);
    Random random = new Random(5);
    for (int sample = 0; sample < 8; sample++) {
      for (int p = 0; p < 64 * 64; p++) {
        boolean left = p % 64 < 32;
        float light = 0.5f + random.nextFloat();
        film.add(0, p, sample % 2 == 0, light * (left ? 0.8f : 0.1f), light * 0.4f, light * 0.2f);
        film.guides().add(p, left ? 0.8f : 0.1f, 0.4f, 0.2f, 0, 0, 1, 0.5f);
      }
      for (int t = 0; t < film.tiles(); t++) {
        film.sampled(0, t);
        film.guides().sampled(t);
      }
    }
    float[] rgb = Denoiser.denoised(film).sums(0);
    double left = 0, right = 0, error = 0;
    for (int p = 0; p < 64 * 64; p++) {
      double wanted = p % 64 < 32 ? 0.8 : 0.1;
      error += Math.pow(rgb[3 * p] / wanted - 1, 2);
      if (p % 64 < 32) {
        left += rgb[3 * p];
      } else {
        right += rgb[3 * p];
      }
    }
    assertThat(left / (32 * 64)).isCloseTo(0.8, within(0.008));
    assertThat(right / (32 * 64)).isCloseTo(0.1, within(0.001));
    assertThat(Math.sqrt(error / (64 * 64))).as("was 0.10").isLessThan(0.03);
  }

  @Test
  void guidesDoNotDependOnThreadsOrOnWhichLayersAreTraced() {
    View view = View.of(SHOOT, SHOOT.shots().getFirst(), Pictures.NONE);
    Film one = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(1, 8, 1)) {
      renderer.trace(view, one, 3, () -> false);
    }
    Film moved = traced(2, 1).withLayers(new int[] {-1, 1});
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, moved, 3, () -> false);
    }
    assertThat(moved.guides().sums()).containsExactly(one.guides().sums());
    assertThat(moved.guides().samples(0)).isEqualTo(3);
  }

  @Test
  void theGuidesOfAMirrorShowWhatIsSeenInIt() {
    Shoot shoot =
        Sets.white(0.5)
            .material(Material.matte("red", "Red", new Rgb(0.6, 0.1, 0.05)))
            .material(Material.metal("mirror", "Mirror", Rgb.grey(1), 0))
            .piece("mirror", new Shape.Floor(4, 4), "mirror", Vec3.ZERO)
            .piece("ceiling", new Shape.Box(4, 0.1, 4, 0), "red", new Vec3(0, 2, 0))
            .light(Sets.dome(1))
            .seen(new Vec3(0, 1, 0.2), Vec3.ZERO, 0.1)
            .shoot();
    Film film = Sets.film(shoot, 8, 8, 4, 4, 1);
    float[] sums = film.guides().sums();
    assertThat(sums[0] / 4).isCloseTo(0.6f, within(0.05f));
    assertThat(sums[1] / 4).isCloseTo(0.1f, within(0.05f));
    assertThat(sums[6] / 4).isBetween(1 / 3.3f, 1 / 2.8f);
  }

  /** Else each pixel seen in a prism would get a tint by chance. */
  @Test
  void theGuidesOfGlassThatDispersesHaveNoTint() {
    Material prism =
        Material.glass("prism", "Prism", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 1, false, 20));
    Shoot shoot =
        Sets.white(0.5)
            .material(prism)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .piece("body", new Shape.Box(2, 0.5, 2, 0), "prism", new Vec3(0, 0.5, 0))
            .light(Sets.dome(1))
            .seen(new Vec3(0.4, 3, 0.6), new Vec3(0, 0.5, 0), 0.5)
            .shoot();
    float[] sums = Sets.film(shoot, 16, 16, 8, 8, 1).guides().sums();
    for (int at = 0; at < sums.length; at += FeatureBuffer.VALUES) {
      assertThat(sums[at + 1]).isCloseTo(sums[at], within(1e-4f));
      assertThat(sums[at + 2]).isCloseTo(sums[at], within(1e-4f));
    }
  }

  @Test
  void aDenoisedLadderHoldsWholeLayersAndRenewsThemAsSamplesGrow() {
    View view = View.of(SHOOT, SHOOT.shots().getFirst(), Pictures.NONE);
    Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    assertThat(denoised.renew(ladder, () -> false)).isTrue();
    assertThat(denoised.shows()).isFalse();
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(view, ladder.film(0), 1, () -> false);
      denoised.renew(ladder, () -> false);
      assertThat(denoised.ladder().step()).isEqualTo(8);
      renderer.trace(view, ladder.full(), 4, () -> false);
      denoised.renew(ladder, () -> false);
      assertThat(denoised.ladder().step()).isEqualTo(1);
      float[] first = denoised.ladder().full().sums(0);
      renderer.trace(view, ladder.full(), 5, () -> false);
      denoised.renew(ladder, () -> false);
      assertThat(denoised.ladder().full().sums(0)).as("5 samples are few more").isSameAs(first);
      renderer.trace(view, ladder.full(), 8, () -> false);
      assertThat(denoised.renew(ladder, () -> true)).isFalse();
      assertThat(denoised.ladder().full().sums(0)).as("stopped").isSameAs(first);
      denoised.renew(ladder, () -> false);
      assertThat(denoised.ladder().full().sums(0)).isNotSameAs(first);
    }
    // The weights by which light is brought up are let go with the full film.
    long bytes = ladder.bytes() + denoised.bytes() + 28L * WIDTH * HEIGHT;
    assertThat(Ladder.bytes(WIDTH * HEIGHT, view.layers())).isBetween(bytes, bytes * 11 / 10);
    float[] kept = denoised.ladder().full().sums(1);
    denoised.withLayers(new int[] {-1, 1});
    assertThat(denoised.ladder().full().sums(1)).isSameAs(kept);
    assertThat(denoised.shows()).as("the light that moved is not there yet").isFalse();
  }
}

package levelember.upsampling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import levelember.Sets;
import levelember.denoise.Denoiser;
import levelember.denoise.PixelGuides;
import levelember.film.Component;
import levelember.film.Film;
import levelember.film.GBuffer;
import levelember.film.LayerMix;
import levelember.film.SeenEmission;
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
import org.junit.jupiter.api.Test;

class JointUpsamplingTest {
  private static final int WIDTH = 96, HEIGHT = 64;

  /** Thin coloured bars before a floor, a mirror, and a lamp that the camera sees. */
  private static Sets bars() {
    Sets sets =
        Sets.white(0.6)
            .material(Material.matte("red", "Red", new Rgb(0.6, 0.05, 0.05)))
            .material(Material.matte("blue", "Blue", new Rgb(0.05, 0.1, 0.5)))
            .material(Material.metal("mirror", "Mirror", new Rgb(0.9, 0.9, 0.9), 0))
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .piece("ball", new Shape.Sphere(0.35), "mirror", new Vec3(0.7, 0.35, 0.2));
    for (int i = 0; i < 6; i++) {
      sets.piece(
          "bar" + i,
          new Shape.Box(0.06, 0.9, 0.06, 0),
          i % 2 == 0 ? "red" : "blue",
          new Vec3(-0.9 + 0.22 * i, 0.45, 0.1 * i));
    }
    return sets.light(
            Sets.light(
                "key",
                new Emitter.Rectangle(0.8, 0.8, false),
                new Vec3(1, 2, 1),
                Vec3.ZERO,
                100,
                Unit.NIT))
        .light(
            Sets.light(
                "lamp",
                new Emitter.Sphere(0.12),
                new Vec3(-0.4, 1.05, -0.5),
                Vec3.ZERO,
                60,
                Unit.NIT))
        .light(Sets.dome(2))
        .seen(new Vec3(0, 1.0, 3), new Vec3(0, 0.45, 0), 2.4);
  }

  private static final Shoot SHOOT = bars().shoot();
  private static final float[] WEIGHTS = LayerWeights.of(SHOOT);

  private static View view(Shoot shoot) {
    return View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
  }

  private static double error(Picture p, Picture limit) {
    double sum = 0;
    for (int i = 0; i < p.rgb().length; i++) {
      double a = Math.sqrt(Math.min(p.rgb()[i], 30)), b = Math.sqrt(Math.min(limit.rgb()[i], 30));
      sum += (a - b) * (a - b);
    }
    return Math.sqrt(sum / p.rgb().length);
  }

  @Test
  void everyStepOfTheLadderIsCloserToTheLimitAndFarCloserThanCoarsePixelsEnlarged() {
    View view = view(SHOOT);
    Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    List<Double> shown = new ArrayList<>(), enlarged = new ArrayList<>();
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      Film many = new Film(WIDTH, HEIGHT, view.layers());
      renderer.trace(view, many, 200, () -> false);
      Picture limit = LayerMix.picture(many, WEIGHTS);
      for (Ladder.Step s = ladder.next(1, true); s != null; s = ladder.next(1, true)) {
        renderer.trace(view, s.film(), s.samples(), () -> false);
        assertThat(denoised.renew(ladder, () -> false)).isTrue();
        if (!s.film().surfacesOnly()) {
          shown.add(error(denoised.ladder().mix(WEIGHTS), limit));
          enlarged.add(error(ladder.mix(WEIGHTS), limit));
        }
      }
    }
    assertThat(shown).hasSize(4);
    for (int i = 1; i < shown.size(); i++) {
      assertThat(shown.get(i)).as("step " + i + " of " + shown).isLessThan(shown.get(i - 1));
      assertThat(shown.get(i)).as(shown + " " + enlarged).isLessThan(0.85 * enlarged.get(i));
    }
    assertThat(shown.get(3)).as("a whole sample").isLessThan(0.5 * enlarged.get(3));
  }

  @Test
  void aLayerIsBroughtUpByItself() {
    View view = view(SHOOT);
    Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, ladder.film(1), 1, () -> false);
      renderer.trace(view, ladder.surfaces(), 2, () -> false);
    }
    DenoisedLadder all = new DenoisedLadder(ladder);
    all.renew(ladder, () -> false);
    for (int layer = 0; layer < view.layers(); layer++) {
      Ladder one = ladder.withLayers(new int[] {layer});
      DenoisedLadder alone = new DenoisedLadder(one);
      alone.renew(one, () -> false);
      assertThat(alone.ladder().full().sums(0)).containsExactly(all.ladder().full().sums(layer));
    }
  }

  @Test
  void vectorsAndPlainLoopsAgree() {
    View view = view(SHOOT);
    Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
    int[] layers = {0, 1, 2};
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, ladder.surfaces(), 2, () -> false);
      for (int size = 0; size < Ladder.SIZES; size++) {
        Film film = ladder.film(size);
        renderer.trace(view, film, 1, () -> false);
        float[][] light = new float[3][];
        PixelGuides guides = Denoiser.reflectedLight(film, layers, light, () -> false);
        float[][] wide = broughtUp(ladder, film, guides, light, new WideUpsamplingKernel());
        float[][] plain = broughtUp(ladder, film, guides, light, new UpsamplingKernel());
        for (int layer : layers) {
          for (int i = 0; i < wide[layer].length; i++) {
            float v = plain[layer][i];
            assertThat(wide[layer][i]).isCloseTo(v, within(1e-3f * Math.max(1e-3f, Math.abs(v))));
          }
        }
      }
    }
  }

  private static float[][] broughtUp(
      Ladder ladder, Film film, PixelGuides guides, float[][] light, UpsamplingKernel kernel) {
    UpsamplingWeights weights =
        UpsamplingWeights.of(film, guides, ladder.surfaces(), kernel, () -> false);
    assertThat(weights.areOf(film, ladder.surfaces())).isTrue();
    return new JointUpsampling(film, ladder.surfaces(), weights, kernel, () -> false)
        .layers(new int[] {0, 1, 2}, light);
  }

  @Test
  void stoppedItGivesNothing() {
    Ladder ladder = new Ladder(64, 32, 1);
    whole(ladder.film(0));
    whole(ladder.surfaces());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    assertThat(denoised.renew(ladder, () -> true)).isFalse();
    assertThat(denoised.shows()).isFalse();
  }

  /** A coarse film of even light on an albedo, and surfaces of its own albedo in full size. */
  @Test
  void evenLightTakesTheAlbedoOfEveryFinePixel() {
    Ladder ladder = new Ladder(64, 32, 1);
    Film coarse = ladder.film(1), fine = ladder.surfaces();
    for (int p = 0; p < coarse.width() * coarse.height(); p++) {
      float albedo = p % coarse.width() < coarse.width() / 2 ? 0.8f : 0.1f;
      coarse.add(0, p, true, 3 * albedo, 2 * albedo, albedo);
      coarse.guides().add(p, albedo, albedo, albedo, 0, 0, 1, 0.5f);
      coarse.surfaces().surface(p, 0, wall(albedo));
    }
    whole(coarse);
    coarse.guides().sampled(0);
    for (int p = 0; p < 64 * 32; p++) {
      float albedo = p % 64 < 31 ? 0.8f : 0.1f;
      fine.surfaces().surface(p, 0, wall(albedo));
    }
    whole(fine);
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    denoised.renew(ladder, () -> false);
    float[] rgb = denoised.ladder().full().sums(0);
    for (int p = 0; p < 64 * 32; p++) {
      float albedo = p % 64 < 31 ? 0.8f : 0.1f;
      assertThat(rgb[3 * p]).isCloseTo(3 * albedo, within(0.01f * albedo));
      assertThat(rgb[3 * p + 2]).isCloseTo(albedo, within(0.01f * albedo));
    }
  }

  /** A sample of a wall two metres off that faces the camera. */
  private static float[] wall(float albedo) {
    return new float[] {albedo, albedo, albedo, 0, 0, 1, 0.5f, 0, 0, 0};
  }

  private static void whole(Film film) {
    for (int t = 0; t < film.tiles(); t++) {
      film.sampled(0, t);
    }
  }

  @Test
  void whatComesStraightFromLightsIsSharpAsSoonAsItIsKnownAndBlurredBefore() {
    View view = view(SHOOT);
    Ladder ladder = new Ladder(WIDTH, HEIGHT, view.layers());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, ladder.film(1), 1, () -> false);
      renderer.trace(view, ladder.surfaces(), 1, () -> false);
      denoised.renew(ladder, () -> false);
      int sharp = edges(denoised.ladder().full().sums(1));
      // The lamp moves: its place is traced anew, what the camera sees of the set is not.
      Ladder moved = ladder.withLayers(new int[] {0, -1, 2});
      denoised.withLayers(new int[] {0, -1, 2});
      assertThat(moved.surfacesKnown()).isEqualTo(1);
      long held = denoised.bytes() - denoised.ladder().bytes();
      assertThat(held).as("weights").isPositive();
      assertThat(moved.next(1, true)).isEqualTo(new Ladder.Step(moved.film(0), 1));
      renderer.trace(view, moved.film(0), 1, () -> false);
      assertThat(moved.next(1, true)).isEqualTo(new Ladder.Step(moved.film(1), 1));
      renderer.trace(view, moved.film(1), 1, () -> false);
      denoised.renew(moved, () -> false);
      assertThat(edges(denoised.ladder().full().sums(1))).isPositive();
      renderer.trace(view, moved.surfaces(), 1, () -> false);
      denoised.renew(moved, () -> false);
      assertThat(edges(denoised.ladder().full().sums(1))).isEqualTo(sharp);
    }
  }

  /** Pixels of more than two thirds of the brightest: those in which the lamp is seen. */
  private static int edges(float[] rgb) {
    float most = 0;
    for (float v : rgb) {
      most = Math.max(most, v);
    }
    int n = 0;
    for (int i = 0; i < rgb.length; i += 3) {
      n += rgb[i] > most * 2 / 3 ? 1 : 0;
    }
    return n;
  }

  @Test
  void emissionOfFirstSurfacesIsWhatTheFilmCallsEmission() {
    Shoot shoot =
        Sets.white(0.6)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .light(
                Sets.light(
                    "lamp", new Emitter.Sphere(0.2), new Vec3(0, 0.5, 0), Vec3.ZERO, 60, Unit.NIT))
            .light(Sets.dome(2))
            .seen(new Vec3(0, 1, 3), new Vec3(0, 0.6, 0), 2.4)
            .shoot();
    View view = view(shoot);
    Film film =
        new Film(WIDTH, HEIGHT, view.layers()).keeping(java.util.Set.of(Component.EMISSION));
    Film surfaces = Film.ofSurfaces(WIDTH, HEIGHT, view.layers(), 2);
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, film, 3, () -> false);
      renderer.trace(view, surfaces, 3, () -> false);
    }
    for (int layer = 0; layer < view.layers(); layer++) {
      float[] emission = film.sums(layer, Component.EMISSION);
      for (int p = 0; p < WIDTH * HEIGHT; p++) {
        float[] direct = surfaces.surfaces().emission().at(layer, p % WIDTH, p / WIDTH);
        int at = SeenEmission.inTile(p % WIDTH, p / WIDTH);
        for (int k = 0; k < 3; k++) {
          assertThat(direct == null ? 0 : direct[at + k]).isEqualTo(emission[3 * p + k]);
        }
      }
    }
  }

  @Test
  void whatIsSeenThroughPanesIsWithoutNoise() {
    Shoot shoot =
        Sets.white(0.6)
            .material(
                Material.glass(
                    "pane", "Pane", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 0.1, true, 0)))
            .piece("pane", new Shape.Rectangle(2, 2), "pane", new Vec3(0, 0, 1))
            .light(Sets.dome(2))
            .shoot();
    View view = view(shoot);
    int n = 4096;
    Film film = new Film(1, 1, 1).keepingSurfaces(1);
    Film surfaces = Film.ofSurfaces(8, 8, 1, 1);
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, film, n, () -> false);
      renderer.trace(view, surfaces, 1, () -> false);
    }
    float mean = film.surfaces().emission().at(0, 0, 0)[0] / n;
    assertThat(mean).as("what passes and what is mirrored").isCloseTo(1, within(0.01f));
    for (int p = 0; p < 64; p++) {
      float[] direct = surfaces.surfaces().emission().at(0, p % 8, p / 8);
      assertThat(direct[SeenEmission.inTile(p % 8, p / 8)]).isCloseTo(mean, within(0.02f * mean));
      assertThat(surfaces.surfaces().kind(p, 0)).isEqualTo(GBuffer.OPEN);
    }
  }

  @Test
  void surfacesAreSeenInMirrorsAndGoWithTheSet() {
    View view = view(SHOOT);
    Film film = Film.ofSurfaces(WIDTH, HEIGHT, view.layers(), 2);
    try (Renderer renderer = new Renderer(2, 6, 1)) {
      renderer.trace(view, film, 1, () -> false);
    }
    GBuffer surfaces = film.surfaces();
    float[] value = new float[10];
    // The middle of the mirrored ball, which mirrors the floor before it or the open.
    int ball = 40 * WIDTH + (int) ((0.5 + 0.66 / 2.4) * WIDTH);
    surfaces.read(ball, 0, value);
    assertThat(surfaces.kind(ball, 0)).isNotEqualTo(GBuffer.UNKNOWN);
    if (surfaces.kind(ball, 0) == GBuffer.SURFACE) {
      assertThat(value[4]).as("normal of the floor").isCloseTo(1, within(0.01f));
    }
    assertThat(surfaces.kind(ball, 1)).as("one sample").isEqualTo(GBuffer.UNKNOWN);
    Film same = film.withLayers(new int[] {-1, 1, 2});
    assertThat(same.surfaces().kind(ball, 0)).isEqualTo(surfaces.kind(ball, 0));
    int x = WIDTH / 2, y = 2;
    assertThat(surfaces.emission().at(2, x, y)).as("the dome is seen").isNotNull();
    assertThat(same.surfaces().emission().at(2, x, y)).isSameAs(surfaces.emission().at(2, x, y));
    Film moved = film.withLayers(new int[] {0, 1, -1});
    assertThat(moved.surfaces().emission().at(2, x, y)).isNull();
    Film other = film.withLayers(new int[] {-1, -1, -1});
    assertThat(other.surfaces().kind(ball, 0)).isEqualTo(GBuffer.UNKNOWN);
  }
}

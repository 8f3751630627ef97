package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.look.CutOut;
import levelember.math.Colour;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import levelember.upsampling.Alpha;
import levelember.upsampling.Ladder;
import org.junit.jupiter.api.Test;

/** What is cut out: its alpha, and colours without what lies behind. */
class CutOutTest {
  private static final Vec3 PLACE = new Vec3(2, 1.5, 0.3);

  private static Piece catcher() {
    Visibility catches = new Visibility(true, true, true, true, true, true);
    return new Piece(
        "floor",
        "Floor",
        null,
        Vec3.ZERO,
        Vec3.ZERO,
        Vec3.ONE,
        new Shape.Floor(20, 20),
        "white",
        null,
        catches,
        true);
  }

  /** A catching floor, and over the place that is seen a card that keeps the key off it. */
  private static Sets shaded() {
    return Sets.white(0.8)
        .piece(catcher())
        .piece(
            "card", new Shape.Rectangle(0.4, 0.4), "white", new Vec3(0, 1, 0), new Vec3(90, 0, 0))
        .seen(PLACE, Vec3.ZERO, 0.004)
        .cutOut();
  }

  private static Light key() {
    return Sets.light("key", new Emitter.Point(), new Vec3(0, 2, 0), Vec3.ZERO, 400, Unit.CANDELA);
  }

  /** From the side, so that the card does not keep it off; a quarter of the key's light there. */
  private static Light fill() {
    // The key gives 400 cd/4 m² straight down; this one I·cos 45°/8 m².
    double candela = 25 * 8 * Math.sqrt(2);
    return Sets.light(
        "fill", new Emitter.Point(), new Vec3(2, 2, 0), Vec3.ZERO, candela, Unit.CANDELA);
  }

  private static double alpha(Shoot shoot, int samples) {
    Film film = Sets.film(shoot, 4, 4, samples, 2, 2);
    return mean(Alpha.of(film, LayerWeights.of(shoot)));
  }

  private static double mean(float[] values) {
    double sum = 0;
    for (float v : values) {
      sum += v;
    }
    return sum / values.length;
  }

  @Test
  void aCatchersAlphaIsTheShareOfItsLightThatIsShaded() {
    Sets sets = shaded().light(key()).light(fill());
    assertThat(alpha(sets.shoot(), 4)).isCloseTo(0.8, within(1e-5));
    // A stop more of what is shaded: two parts of the key to one half of the other.
    Shoot shoot = sets.shoot();
    Film film = Sets.film(shoot, 4, 4, 4, 2, 2);
    float[] weights = LayerWeights.of(shoot);
    for (int k = 0; k < 3; k++) {
      weights[k] *= 2;
      weights[3 + k] *= 0.5f;
    }
    assertThat(mean(Alpha.of(film, weights))).isCloseTo(200.0 / 212.5, within(1e-5));
    assertThat(Sets.mean(LayerMix.picture(film, weights))).isZero();
    assertThat(alpha(shaded().light(fill()).shoot(), 4)).isZero();
  }

  @Test
  void theOpenSkyOverACatcherIsShadedByWhatStandsInIt() {
    // From the place, the card hides the view factor of a square of 0.4 m at 1 m.
    double a = 0.2, h = Math.sqrt(1 + a * a);
    double hidden = 4 * 2 / (2 * Math.PI) * (a / h * Math.atan(a / h));
    assertThat(alpha(shaded().light(Sets.dome(100)).shoot(), 4096))
        .isCloseTo(hidden, within(0.02 * hidden));
  }

  @Test
  void whatLiesBehindIsLeftOutAndStillLights() {
    Sets ball =
        Sets.white(0.8)
            .piece("ball", new Shape.Sphere(0.5), "white", Vec3.ZERO)
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 2)
            .light(Sets.dome(100));
    Film open = Sets.film(ball.shoot(), 32, 32, 64, 4, 2);
    Film cut = Sets.film(ball.cutOut().shoot(), 32, 32, 64, 4, 2);
    float[] weights = LayerWeights.of(ball.shoot());
    float[] alpha = Alpha.of(cut, weights);
    Picture shown = LayerMix.picture(cut, weights), whole = LayerMix.picture(open, weights);
    assertThat(alpha[0]).isZero();
    assertThat(alpha[16 * 32 + 16]).isEqualTo(1);
    int edges = 0;
    for (int i = 0; i < alpha.length; i++) {
      // Laid over the dome again it is the same picture, edges too.
      float over = shown.rgb()[3 * i] + (1 - alpha[i]) * weights[0];
      assertThat(over).isCloseTo(whole.rgb()[3 * i], within(0.01f));
      edges += alpha[i] > 0 && alpha[i] < 1 ? 1 : 0;
    }
    assertThat(edges).isGreaterThan(20);
    // The ball's disc, a bit wider as it is seen from near.
    double seen = Math.PI * 0.25 / (1 - 0.01) / 4;
    assertThat(mean(alpha)).isCloseTo(seen, within(0.01 * seen));
  }

  @Test
  void aPaneCoversAsMuchAsItMirrorsAndTakes() {
    Material pane =
        Material.glass("pane", "Pane", 0, 1.5, new Material.Glass(1, Rgb.WHITE, 1, true, 0));
    Sets glazed =
        Sets.white(0.8)
            .material(pane)
            .piece("pane", new Shape.Rectangle(3, 3), "pane", Vec3.ZERO, Vec3.ZERO)
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.01)
            .light(Sets.dome(100))
            .cutOut();
    // Straight on a pane of index n passes 2n/(n² + 1).
    double passes = 2 * 1.5 / (1.5 * 1.5 + 1);
    assertThat(alpha(glazed.shoot(), 4096)).isCloseTo(1 - passes, within(0.004));
  }

  @Test
  void aPictureInTheMakingHasTheAlphaOfItsCoarserFilms() {
    Shoot shoot = shaded().light(key()).light(fill()).shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    Ladder ladder = new Ladder(64, 64, view.layers());
    float[] weights = LayerWeights.of(shoot);
    assertThat(mean(ladder.alpha(weights, 1))).isZero();
    try (Renderer renderer = new Renderer(2, 2, 1)) {
      renderer.trace(view, ladder.film(0), 1, () -> false);
    }
    assertThat(mean(ladder.alpha(weights, 1))).isCloseTo(0.8, within(1e-5));
    assertThat(ladder.alpha(weights, 4)).hasSize(16 * 16);
  }

  @Test
  void itsEdgesAreSharpAsSoonAsFirstSurfacesAreKnown() {
    Shoot shoot =
        Sets.white(0.8)
            .piece("ball", new Shape.Sphere(0.5), "white", Vec3.ZERO)
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 1.6)
            .light(Sets.dome(100))
            .cutOut()
            .shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    float[] weights = LayerWeights.of(shoot);
    Ladder ladder = new Ladder(64, 64, view.layers());
    Film full = new Film(64, 64, view.layers());
    float[] blocks, sharp;
    try (Renderer renderer = new Renderer(2, 2, 1)) {
      renderer.trace(view, full, 16, () -> false);
      renderer.trace(view, ladder.film(0), 1, () -> false);
      blocks = ladder.alpha(weights, 1);
      renderer.trace(view, ladder.surfaces(), 4, () -> false);
      sharp = ladder.alpha(weights, 1);
    }
    float[] limit = Alpha.of(full, weights);
    assertThat(apart(blocks, limit)).isGreaterThan(0.1);
    assertThat(apart(sharp, limit)).isLessThan(0.05);
  }

  private static double apart(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += (a[i] - b[i]) * (a[i] - b[i]);
    }
    return Math.sqrt(sum / a.length);
  }

  @Test
  void straightColoursLaidOverBlackAreThePictureAgain() {
    Picture shown = Picture.black(3, 1);
    shown.set(0, 0, 0.5, 0.25, 0.1);
    shown.set(1, 0, 0.2, 0.1, 0);
    shown.set(2, 0, 0.9, 0.3, 0.3);
    float[] alpha = {1, 0.5f, 0};
    float[] to = CutOut.straight(shown, alpha);
    assertThat(to[3]).isEqualTo(1);
    assertThat(to[0]).isEqualTo(0.5f);
    assertThat(to[7]).isEqualTo(0.5f);
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        double light = to[4 * i + 3] * Colour.decodeSrgb(to[4 * i + k]);
        double wanted = Colour.decodeSrgb(shown.get(i, 0, k));
        assertThat(light).isCloseTo(wanted, within(2e-4));
      }
    }
    // A glow over nothing is as opaque as it is bright.
    assertThat(to[11]).isCloseTo((float) Colour.decodeSrgb(0.9), within(1e-6f));
  }
}

package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.FineRipples;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;
import levelember.texture.Picture;
import levelember.texture.RippleNormals;
import levelember.texture.Texels;
import org.junit.jupiter.api.Test;

/** Open water over a floor: what it absorbs, and what its ripples do to light. */
class WaterTest {
  private static final Waves CALM = Waves.round(0, 0.3, 0, 1);

  private static Light sun(boolean caustics) {
    return Sets.light("sun", new Emitter.Sun(0.53), new Vec3(0, 5, 1), Vec3.ZERO, 10_000, Unit.LUX)
        .withControls(LightControls.WHOLE.withCaustics(caustics ? Caustics.CAST : Caustics.NONE));
  }

  /** A floor so dark that what it throws back to the surface from below hardly counts. */
  private static final double ALBEDO = 0.02;

  private static Shoot basin(Shape.Water water) {
    return Sets.white(ALBEDO)
        .material(Material.glass("water", "Water", 1.333, new Rgb(0.3, 0.7, 0.9), 1))
        .piece("floor", new Shape.Floor(8, 8), "white", new Vec3(0, -0.4, 0))
        .piece("water", water, "water", Vec3.ZERO)
        .light(sun(true))
        .seen(new Vec3(0, 2, 0.4), new Vec3(0, -0.4, 0), 0.5)
        .shoot();
  }

  private static Picture render(Shoot of, int samples) {
    Shoot shoot = of.with(of.bounce().with(LightOverGloss.NONE));
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(24, 16, view.layers());
    try (Renderer renderer = new Renderer(2, 10, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  @Test
  void theSurfaceAloneOverAFloorIsWaterToItsDepth() {
    Picture sheet = render(basin(new Shape.Water(3, 3, 0, CALM, 0)), 64);
    Picture body = render(basin(new Shape.Water(3, 3, 0.5, CALM, 0)), 64);
    for (int c = 0; c < 3; c++) {
      assertThat(Sets.mean(sheet, c))
          .isCloseTo(Sets.mean(body, c), within(0.02 * Sets.mean(body, c)));
    }
    // Down aslant and up about straight, through 0.4 m each, tinted by the metre.
    double slant = Math.sqrt(1 - Math.pow(1 / Math.sqrt(26) / 1.333, 2));
    double metres = 0.4 / slant + 0.4;
    assertThat(Sets.mean(sheet, 0) / Sets.mean(sheet, 2))
        .isCloseTo(Math.pow(0.3 / 0.9, metres), within(0.03));
  }

  private static double passed(double cosine) {
    double inside = Math.sqrt(1 - (1 - cosine * cosine) / (1.333 * 1.333));
    double s = (cosine - 1.333 * inside) / (cosine + 1.333 * inside);
    double p = (1.333 * cosine - inside) / (1.333 * cosine + inside);
    return 1 - (s * s + p * p) / 2;
  }

  /**
   * Of the sun the surface passes its share, water takes its own twice, and what leaves the floor
   * spreads by the squared index on its way out.
   */
  @Test
  void aFloorInTheWaterIsAsBrightAsTheEquationsSay() {
    Picture seen = render(basin(new Shape.Water(3, 3, 0.5, CALM, 0)), 64);
    double sun = 5 / Math.sqrt(26), eye = 2.4 / Math.hypot(2.4, 0.4);
    double down = 0.4 / Math.sqrt(1 - (1 - sun * sun) / (1.333 * 1.333));
    double up = 0.4 / Math.sqrt(1 - (1 - eye * eye) / (1.333 * 1.333));
    double[] tint = {0.3, 0.7, 0.9};
    for (int c = 0; c < 3; c++) {
      double falls = 10_000 * sun * passed(sun) * Math.pow(tint[c], down);
      double leaves = ALBEDO / Math.PI * falls * Math.pow(tint[c], up);
      double wanted = leaves * passed(eye) / (1.333 * 1.333);
      assertThat(Sets.mean(seen, c)).isCloseTo(wanted, within(0.02 * wanted));
    }
  }

  private static double contrast(Picture p) {
    double mean = Sets.mean(p, 1), square = 0;
    for (int i = 1; i < p.rgb().length; i += 3) {
      square += Math.pow(p.rgb()[i] / mean - 1, 2);
    }
    return Math.sqrt(3 * square / p.rgb().length);
  }

  @Test
  void fineRipplesDrawLightOnTheFloorAndMoveIt() {
    FineRipples fine = new FineRipples(null, 1.2, 1, 0, 0.05);
    Picture calm = render(basin(new Shape.Water(1.4, 1.4, 0, CALM, 0)), 24);
    Picture first = render(basin(new Shape.Water(1.4, 1.4, 0, CALM, List.of(), fine, 0)), 24);
    Picture later = render(basin(new Shape.Water(1.4, 1.4, 0, CALM, List.of(), fine, 2)), 24);
    assertThat(contrast(first)).isGreaterThan(3 * contrast(calm));
    // No light is lost on the mean over many ripples.
    assertThat(Sets.mean(first, 1))
        .isCloseTo(Sets.mean(calm, 1), within(0.12 * Sets.mean(calm, 1)));
    // Drifted by a tenth of a metre along +X, a fifth of the picture's width.
    double same = difference(first, later, 0), moved = difference(first, later, 5);
    assertThat(moved).isLessThan(0.7 * same);
  }

  /** Root mean square difference where the second picture is looked at some pixels to the right. */
  private static double difference(Picture a, Picture b, int right) {
    double square = 0;
    for (int y = 0; y < 16; y++) {
      for (int x = 0; x + right < 24; x++) {
        square += Math.pow(a.get(x, y, 1) - b.get(x + right, y, 1), 2) / (24 - right);
      }
    }
    return Math.sqrt(square / 16);
  }

  @Test
  void theMapOfRipplesIsLevelOnTheMeanAndAsSteepAsItSays() {
    Texels map = RippleNormals.texels();
    float[] rgb = new float[3];
    double x = 0, y = 0, square = 0;
    int n = 64 * 64;
    for (int i = 0; i < n; i++) {
      map.look((i % 64 + 0.31f) / 64, (i / 64 + 0.77f) / 64, Texels.REPEAT, rgb);
      double nx = 2 * rgb[0] - 1, ny = 2 * rgb[1] - 1, nz = 2 * rgb[2] - 1;
      x += nx / nz / n;
      y += ny / nz / n;
      square += (nx * nx + ny * ny) / (nz * nz) / n;
    }
    assertThat(x).isCloseTo(0, within(0.005));
    assertThat(y).isCloseTo(0, within(0.005));
    assertThat(Math.sqrt(square)).isCloseTo(0.1, within(0.01));
  }

  @Test
  void aMapDriftsBySpeedAndHeading() {
    Texture t = new FineRipples("a.png", 0.5, 1, 90, 0.1).texture("/in", 2);
    assertThat(t.picture()).isEqualTo("a.png");
    assertThat(t.repeatsU()).isEqualTo(2);
    // Towards −Z, so that what was at v is now at less.
    assertThat(t.offsetV()).isCloseTo(0.4, within(1e-9));
    assertThat(t.offsetU() % 1).isCloseTo(0, within(1e-9));
    assertThat(new FineRipples(null, 0.5, 1, 0, 0).texture("/in", 2).picture()).isEqualTo("/in");
  }
}

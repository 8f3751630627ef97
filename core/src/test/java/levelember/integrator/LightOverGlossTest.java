package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.measure.GlossReading;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LightOverGlossTest {
  private static final int WIDTH = 24, HEIGHT = 16;

  /** A matte floor and a polished upright plate that mirrors a lamp onto it. */
  private static Sets sets(double roughness) {
    return Sets.white(0.7)
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), roughness))
        .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
        .piece("plate", new Shape.Box(2, 1.4, 0.05, 0), "mirror", new Vec3(0, 0.7, -0.6))
        .light(
            Sets.light(
                    "lamp",
                    new Emitter.Rectangle(0.3, 0.3, false),
                    new Vec3(0, 2, 0.6),
                    new Vec3(0, 0.5, -0.6),
                    300,
                    Unit.NIT)
                // Light over gloss is what paths find.
                .withControls(LightControls.WHOLE.withCaustics(Caustics.NONE)))
        .seen(new Vec3(0, 2.4, 1.2), new Vec3(0, 0, 0.2), 1.2);
  }

  private static Shoot with(Shoot shoot, LightOverGloss way) {
    return shoot.with(shoot.bounce().with(way));
  }

  private static Film film(Shoot shoot, LightOverGloss way, Sampling sampling, int samples) {
    Shoot other = with(shoot, way);
    View view = View.of(other, other.shots().getFirst(), Pictures.NONE);
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, 4, 1, sampling)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static Film film(Shoot shoot, LightOverGloss way, int samples) {
    return film(shoot, way, Sampling.USUAL, samples);
  }

  private static double mean(Shoot shoot, Film film) {
    return Sets.mean(LayerMix.picture(film, LayerWeights.of(shoot)));
  }

  /** Squared standard errors of pixels, the largest tenth of them summed. */
  private static double worstTenth(Film film) {
    double[] errors = new double[WIDTH * HEIGHT];
    for (int i = 0; i < errors.length; i++) {
      float[] s = film.sums(0);
      double all = 0.2126 * s[3 * i] + 0.7152 * s[3 * i + 1] + 0.0722 * s[3 * i + 2];
      double even = film.even(0)[i];
      errors[i] = (2 * even - all) * (2 * even - all);
    }
    Arrays.sort(errors);
    return Arrays.stream(errors, errors.length * 9 / 10, errors.length).sum();
  }

  @Test
  void softLightIsFarLessNoisyWhereItIsWorst() {
    Shoot shoot = sets(0.06).shoot();
    double all = worstTenth(film(shoot, LightOverGloss.EVERYTHING, 64));
    double soft = worstTenth(film(shoot, LightOverGloss.SOFT, 64));
    assertThat(soft).isLessThan(0.2 * all);
  }

  @Test
  void softLightLosesLittleOfTheWhole() {
    Shoot shoot = sets(0.06).shoot();
    double all = mean(shoot, film(shoot, LightOverGloss.EVERYTHING, 1024));
    double soft = mean(shoot, film(shoot, LightOverGloss.SOFT, 1024));
    assertThat(soft).isCloseTo(all, within(0.06 * all));
  }

  @ParameterizedTest
  @EnumSource
  void everyTechniqueGoesToTheSamePicture(LightOverGloss way) {
    Shoot shoot = sets(0.3).shoot();
    double both = mean(shoot, film(shoot, way, 512));
    Sampling bsdf = new Sampling(Technique.BSDF, true, true, false);
    Sampling light = new Sampling(Technique.LIGHT, true, true, false);
    assertThat(mean(shoot, film(shoot, way, bsdf, 1024))).isCloseTo(both, within(0.02 * both));
    assertThat(mean(shoot, film(shoot, way, light, 1024))).isCloseTo(both, within(0.02 * both));
  }

  @Test
  void whatIsLeftOutIsWhatIsMissing() {
    Shoot shoot = sets(0.2).shoot();
    Film all = film(shoot, LightOverGloss.EVERYTHING, 1024);
    Film none = film(shoot, LightOverGloss.NONE, 1024);
    double missing = 1 - mean(shoot, none) / mean(shoot, all);
    assertThat(missing).isGreaterThan(0.03);
    assertThat(GlossReading.of(none).share(0)).isCloseTo(missing, within(0.1 * missing));
    assertThat(GlossReading.of(all).share(0)).isZero();
  }

  @Test
  void theShareThatIsSoftenedIsAboutThatWhichWouldBeLeftOut() {
    Shoot shoot = sets(0.2).shoot();
    double soft = GlossReading.of(film(shoot, LightOverGloss.SOFT, 256)).share(0);
    double out = GlossReading.of(film(shoot, LightOverGloss.NONE, 256)).share(0);
    assertThat(soft).isBetween(out, 2 * out);
  }

  @Test
  void whatIsSeenInAMirrorStaysAsItIs() {
    Shoot shoot =
        Sets.white(0.7)
            .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
            .piece("plate", new Shape.Floor(6, 6), "mirror", Vec3.ZERO)
            .light(Sets.dome(3))
            .seen(new Vec3(0, 2.4, 1.2), new Vec3(0, 0, 0.2), 1.2)
            .shoot();
    float[] all = film(shoot, LightOverGloss.EVERYTHING, 4).sums(0);
    assertThat(film(shoot, LightOverGloss.SOFT, 4).sums(0)).containsExactly(all);
    assertThat(film(shoot, LightOverGloss.NONE, 4).sums(0)).containsExactly(all);
  }

  @Test
  void whatIsSoftenedFadesWithTheSamples() {
    Film few = film(sets(0.2).shoot(), LightOverGloss.SOFT, 8);
    Film many = film(sets(0.2).shoot(), LightOverGloss.SOFT, 2048);
    // From the sample on at which the least roughness is below that of the plate, none is.
    assertThat(GlossReading.of(many).share(0)).isLessThan(GlossReading.of(few).share(0));
  }
}

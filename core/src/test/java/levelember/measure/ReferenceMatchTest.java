package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.document.ImpossibleValue;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.look.DisplayCurve;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** References that are the picture itself with other levels. */
class ReferenceMatchTest {
  private static final int WIDTH = 64, HEIGHT = 36;
  private static final Look LOOK = new Look("l", "L", 5, 0.5, 3);

  private static Shoot shoot() {
    List<Light> lights = List.of(light("left"), light("right"), light("all"));
    Shot shot = new Shot("s", "S", new Vec3(0, 0, 1), Vec3.ZERO, 50, 36, 0, 0, "l");
    return new Shoot("Match", List.of(), List.of(), lights, 0, List.of(shot), List.of(LOOK));
  }

  private static Light light(String id) {
    return new Light(
        id,
        id,
        new Emitter.Dome(),
        Vec3.ZERO,
        Vec3.UP,
        0,
        new Brightness(1, Brightness.Unit.NIT),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        false);
  }

  /** A layer that falls from left to right, one from right to left, and an even one. */
  private static Film film() {
    double grey = DisplayCurve.midGrey(LOOK.ev());
    float[][] layers = new float[3][3 * WIDTH * HEIGHT];
    for (int i = 0; i < WIDTH * HEIGHT; i++) {
      double across = (i % WIDTH + 0.5) / WIDTH, down = (double) (i / WIDTH) / HEIGHT;
      for (int c = 0; c < 3; c++) {
        layers[0][3 * i + c] = (float) (grey * Math.pow(1 - across, 3) * (1 + down));
        layers[1][3 * i + c] = (float) (grey * 0.5 * across);
        layers[2][3 * i + c] = (float) (grey * 0.1);
      }
    }
    return new Film(WIDTH, HEIGHT, 3).finished(layers);
  }

  private static Picture shown(Shoot shoot) {
    DisplayCurve curve = new DisplayCurve(LOOK);
    Picture light = LayerMix.picture(film(), LayerWeights.of(shoot));
    Picture to = Picture.black(WIDTH, HEIGHT);
    for (int i = 0; i < to.rgb().length; i++) {
      to.rgb()[i] = (float) curve.display(light.rgb()[i]);
    }
    return to;
  }

  private static Shoot changed(double left, double right, double kelvin) {
    List<Light> lights =
        shoot().lights().stream()
            .map(l -> l.id().equals("left") ? l.withLevelStops(left) : l)
            .map(l -> l.id().equals("right") ? l.withLevelStops(right) : l)
            .map(l -> l.withColour(new LightColour(kelvin, 0, Rgb.WHITE)))
            .toList();
    return shoot().withRig(lights, List.of(), 0);
  }

  @Test
  void thePictureItselfIsMatchedAlready() {
    ReferenceMatch match = ReferenceMatch.of(shoot(), LOOK, film(), shown(shoot()), List.of());
    assertThat(match.before()).isLessThan(0.02);
    assertThat(match.moves()).allMatch(m -> Math.abs(m.after()) < 0.05);
  }

  @Test
  void otherLevelsOfTheSameLightsAreFound() {
    ReferenceMatch match =
        ReferenceMatch.of(shoot(), LOOK, film(), shown(changed(1.5, -1, 6504)), List.of());
    assertThat(match.before()).isGreaterThan(0.5);
    assertThat(match.after()).isLessThan(0.15);
    assertThat(match.moves().get(0).after()).isCloseTo(1.5, within(0.2));
    assertThat(match.moves().get(1).after()).isCloseTo(-1, within(0.4));
  }

  @Test
  void aWarmReferenceWarmsTheLightsThatMayChangeColour() {
    List<FaderRange> ranges =
        shoot().lights().stream()
            .map(l -> new FaderRange("lights/" + l.id() + "/levelStops", -3, 3, true, 2000, 9000))
            .toList();
    Shoot free = shoot().with(Meter.NONE.withFaders(ranges, false));
    ReferenceMatch match =
        ReferenceMatch.of(free, LOOK, film(), shown(changed(0, 0, 3400)), List.of());
    assertThat(match.after()).isLessThan(0.3 * match.before());
    // The even one gives too little to be told.
    assertThat(match.moves().subList(0, 2))
        .allSatisfy(m -> assertThat(m.colour().kelvin()).isCloseTo(3400, within(700.0)));
  }

  /** Left of the picture where only the left light is strong, right where only the right one is. */
  @Test
  void pairedRegionsAreMatchedWhateverTheRestIs() {
    Picture reference = shown(changed(1, -2, 6504));
    // A bright upper half that no pair means.
    for (int i = 0; i < 3 * WIDTH * HEIGHT / 2; i++) {
      reference.rgb()[i] = 0.98f;
    }
    List<RegionPair> pairs =
        List.of(
            new RegionPair(0.1, 0.8, 0.1, 0.8, 0.08), new RegionPair(0.95, 0.8, 0.95, 0.8, 0.08));
    ReferenceMatch whole = ReferenceMatch.of(shoot(), LOOK, film(), reference, List.of());
    ReferenceMatch match = ReferenceMatch.of(shoot(), LOOK, film(), reference, pairs);
    assertThat(match.after()).isLessThan(0.03).isLessThan(0.2 * whole.after());
    assertThat(match.moves().get(0).after()).isCloseTo(1, within(0.15));
    assertThat(match.moves().get(1).after()).isNegative();
  }

  @Test
  void aRegionOfTheReferenceMayLieElsewhere() {
    Picture reference = Picture.black(30, 30);
    float seen = (float) new DisplayCurve(LOOK).display(2 * DisplayCurve.midGrey(LOOK.ev()));
    for (int i = 0; i < 3 * 30 * 10; i++) {
      reference.rgb()[i] = seen;
    }
    List<RegionPair> pairs = List.of(new RegionPair(0.3, 0.9, 0.5, 0.15, 0.1));
    ReferenceMatch match = ReferenceMatch.of(shoot(), LOOK, film(), reference, pairs);
    assertThat(match.before()).isGreaterThan(0.3);
    assertThat(match.after()).isLessThan(0.05);
  }

  @ParameterizedTest
  @CsvSource({
    "-0.1, 0.5, 0.05",
    "0.5, 1.01, 0.05",
    "0.5, 0.5, 0",
    "0.5, 0.5, 0.6",
    "NaN, 0.5, 0.1"
  })
  void aRegionBeyondThePictureIsRefused(double x, double y, double size) {
    assertThatThrownBy(() -> new RegionPair(x, 0.5, 0.5, y, size))
        .isInstanceOf(ImpossibleValue.class);
  }
}

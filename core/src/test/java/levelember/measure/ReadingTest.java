package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

class ReadingTest {
  private static Shoot twoPoints() {
    return Sets.white(0.5)
        .piece("floor", new Shape.Floor(9, 9), "white", Vec3.ZERO)
        .light(Sets.light("a", new Emitter.Point(), new Vec3(0, 1, 0), Vec3.ZERO, 3, Unit.CANDELA))
        .light(Sets.light("b", new Emitter.Point(), new Vec3(0, 1, 0), Vec3.ZERO, 1, Unit.CANDELA))
        .seen(new Vec3(0, 1, 1), Vec3.ZERO, 0.001)
        .shoot();
  }

  @Test
  void aSpotReadsLuminanceStopsAndTheLightThatGaveMost() {
    Shoot shoot = twoPoints();
    Film film = Sets.film(shoot, 6, 4, 4, 1, 1);
    double wanted = 4 * 0.5 / Math.PI;
    double ev = Math.log(wanted / 0.18 / 1.2) / Math.log(2) - 1;
    Reading r = Reading.at(film, LayerWeights.of(shoot), ev, 3, 2, 1);
    assertThat(r.luminance()).isCloseTo(wanted, within(1e-3));
    assertThat(r.stops()).isCloseTo(1, within(1e-2));
    assertThat(r.layer()).isZero();
    assertThat(r.share()).isCloseTo(0.75, within(1e-3));
    assertThat(DisplayCurve.midGrey(ev) * 2).isCloseTo(wanted, within(1e-9));
  }

  @Test
  void meansSayHowMuchEachLightGives() {
    Shoot shoot = twoPoints();
    double[] means = Reading.means(Sets.film(shoot, 6, 4, 4, 1, 1), LayerWeights.of(shoot));
    assertThat(means[0] / means[1]).isCloseTo(3, within(1e-4));
  }

  @Test
  void theDarkHasNoLightAndNoStops() {
    Shoot shoot = twoPoints();
    Film film = Sets.film(shoot, 6, 4, 1, 1, 1);
    Reading r = Reading.at(film, new float[6], 0, 0, 0, 2);
    assertThat(r.layer()).isEqualTo(-1);
    assertThat(r.stops()).isEqualTo(Double.NEGATIVE_INFINITY);
  }
}

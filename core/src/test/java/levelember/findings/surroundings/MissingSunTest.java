package levelember.findings.surroundings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.light.EnvironmentLight;
import levelember.light.LightSample;
import levelember.light.ReferencePoint;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MissingSunTest {
  private static final int WIDTH = 512, HEIGHT = 256;

  /** Grey all over, with a spot of some pixels. */
  private static Picture sunny(int column, int row, int pixels, float value) {
    Picture p = Picture.black(WIDTH, HEIGHT);
    java.util.Arrays.fill(p.rgb(), 1);
    for (int i = 0; i < pixels * pixels; i++) {
      p.set(column + i % pixels, row + i / pixels, value, value, value);
    }
    return p;
  }

  private static Light around(Emitter.Environment e) {
    return Sets.light("around", e, Vec3.ZERO, Vec3.UP, 30, Unit.NIT);
  }

  @ParameterizedTest
  @CsvSource({"100, 40, 0, 0", "300, 90, 75, 0", "12, 60, -120, 25", "500, 20, 200, -40"})
  void itShinesFromWhereThePictureHasItsSun(int column, int row, double turn, double tilt) {
    Picture picture = sunny(column, row, 3, 64);
    Emitter.Environment e = new Emitter.Environment("p", turn, tilt, 0, 0);
    Vec3 to = MissingSun.direction(e, picture, PicturedSun.of(picture));
    assertThat(to.length()).isCloseTo(1, within(1e-12));
    LightSample met = new LightSample();
    new EnvironmentLight(around(e), e, picture)
        .hit(
            new ReferencePoint(),
            (float) to.x(),
            (float) to.y(),
            (float) to.z(),
            Float.POSITIVE_INFINITY,
            met);
    assertThat(met.r).isEqualTo(64);
  }

  @Test
  void itGivesWhatTheClippedOneLacks() {
    Picture picture = sunny(300, 60, 2, 64);
    Emitter.Environment e = new Emitter.Environment("p", 0);
    Light light = around(e).withLevelStops(1.5);
    Shoot shoot = Sets.white(0.6).light(light).seen(Vec3.UP, Vec3.ZERO, 0).shoot();
    PicturedSun sun = PicturedSun.of(picture);
    Light made = MissingSun.added(shoot, light, e, picture, sun).lights().getLast();
    assertThat(made.name()).isEqualTo("Sun of " + light.name());
    assertThat(made.levelStops()).isEqualTo(1.5);
    // Both suns together: four times π times the mean luminance, of 30 cd/m² at 1.
    double half = Math.toRadians(sun.degrees() / 2);
    double pictured = 30 * 64 * Math.PI * half * half;
    assertThat(made.brightness().unit()).isEqualTo(Unit.LUX);
    assertThat(made.brightness().value() + pictured)
        .isCloseTo(4 * Math.PI * 30 * sun.mean(), Percentage.withPercentage(0.5));
    assertThat(sun.mean()).isCloseTo(1, within(0.01));
  }
}

package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import levelember.integrator.IlluminanceMeter.Receiver;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

/** Illuminance at places whose answer is known by formula. */
class IlluminanceMeterTest {
  private static final MeterPoint ON_FLOOR = new MeterPoint(Vec3.ZERO, Vec3.UP, 0);

  @Test
  void aDomeOfOneLuminanceGivesPiTimesItsLuminanceToAFloor() {
    Shoot shoot =
        lit(black(), light("dome", new Emitter.Dome(), Vec3.ZERO, 100, Brightness.Unit.NIT));
    assertThat(lux(shoot, ON_FLOOR, Receiver.FLAT)).isCloseTo(100 * Math.PI, within(1.0));
  }

  @Test
  void aSmallDiscAheadGivesItsCandelaOverTheSquaredDistance() {
    Shoot shoot = lit(black(), disc(new Vec3(0, 2, 0)));
    double candela = 1000 * Math.PI * 0.05 * 0.05;
    assertThat(lux(shoot, ON_FLOOR, Receiver.FLAT))
        .isCloseTo(candela / 4, within(0.01 * candela / 4));
  }

  /** Of light from aside a half-sphere shows what a Lambert sphere does at that phase. */
  @Test
  void aHalfSphereReadsLightFromTheSideByTheShareOfItThatIsSeenLit() {
    double ahead = lux(lit(black(), disc(new Vec3(0, 2, 0))), ON_FLOOR, Receiver.HALF_SPHERE);
    double candela = 1000 * Math.PI * 0.05 * 0.05;
    assertThat(ahead).isCloseTo(candela / 4, within(0.02 * candela / 4));
    for (double degrees : new double[] {30, 60}) {
      double a = Math.toRadians(degrees);
      Vec3 at = new Vec3(2 * Math.sin(a), 2 * Math.cos(a), 0);
      double expected = ((Math.PI - a) * Math.cos(a) + Math.sin(a)) / Math.PI;
      assertThat(lux(lit(black(), disc(at)), ON_FLOOR, Receiver.HALF_SPHERE) / ahead)
          .isCloseTo(expected, within(0.02));
    }
  }

  @Test
  void whatTheSetReflectsArrivesToo() {
    Light lamp =
        light(
            "lamp",
            new Emitter.Disc(0.05, false, 180, null),
            new Vec3(0, 1, 0),
            1000,
            Brightness.Unit.NIT);
    MeterPoint ceiling = new MeterPoint(new Vec3(0, 1.5, 0), new Vec3(0, -1, 0), 0);
    double dark = lux(lit(floor(0), lamp), ceiling, Receiver.FLAT);
    double bright = lux(lit(floor(0.8), lamp), ceiling, Receiver.FLAT);
    assertThat(dark).isZero();
    // A Lambert floor of albedo 0.8 under a lamp of I0 cos θ, seen from 1.5 m above.
    double expected = 0;
    double i0 = 1000 * Math.PI * 0.05 * 0.05;
    for (double r = 0.0005; r < 20; r += 0.001) {
      double fromLamp = 1 + r * r, toMeter = 1.5 * 1.5 + r * r;
      double onFloor = i0 / fromLamp / fromLamp;
      expected += 0.8 / Math.PI * onFloor * 1.5 * 1.5 / toMeter / toMeter * 2 * Math.PI * r * 0.001;
    }
    assertThat(bright).isCloseTo(expected, within(0.03 * expected));
  }

  @Test
  void everyLightsPartIsItsOwn() {
    Light dome = light("dome", new Emitter.Dome(), Vec3.ZERO, 100, Brightness.Unit.NIT);
    Shoot both = lit(black(), dome, disc(new Vec3(0, 2, 0)));
    View view = View.of(both, both.shots().getFirst(), Pictures.NONE);
    float[] weights = LayerWeights.of(both);
    double[] lux = new IlluminanceMeter(view).at(ON_FLOOR, Receiver.FLAT, weights).lux(weights);
    assertThat(lux[0]).isCloseTo(100 * Math.PI, within(2.0));
    assertThat(lux[1]).isCloseTo(1000 * Math.PI * 0.05 * 0.05 / 4, within(0.05));
  }

  private static double lux(Shoot shoot, MeterPoint at, Receiver receiver) {
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    float[] weights = LayerWeights.of(shoot);
    return Arrays.stream(new IlluminanceMeter(view).at(at, receiver, weights).lux(weights)).sum();
  }

  private static Light disc(Vec3 at) {
    return light("disc", new Emitter.Disc(0.05, false, 180, null), at, 1000, Brightness.Unit.NIT);
  }

  private static Light light(
      String id, Emitter emitter, Vec3 at, double value, Brightness.Unit unit) {
    return new Light(
        id,
        id,
        emitter,
        at,
        Vec3.ZERO,
        0,
        new Brightness(value, unit),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        false);
  }

  private static Material black() {
    return floor(0);
  }

  private static Material floor(double albedo) {
    return Material.matte("floor", "Floor", Rgb.grey(albedo));
  }

  private static Shoot lit(Material floor, Light... lights) {
    Piece ground =
        new Piece(
            "ground",
            "Ground",
            null,
            Vec3.ZERO,
            Vec3.ZERO,
            Vec3.ONE,
            new Shape.Floor(100, 100),
            "floor",
            null,
            true);
    Shot shot = new Shot("s", "S", new Vec3(0, 1, 5), Vec3.ZERO, 50, 36, 0, 0, "l");
    return new Shoot(
        "Meter",
        List.of(ground),
        List.of(floor),
        List.of(lights),
        0,
        List.of(shot),
        List.of(new Look("l", "L", 6, 0.5, 3)));
  }
}

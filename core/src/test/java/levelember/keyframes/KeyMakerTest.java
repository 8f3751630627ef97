package levelember.keyframes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import levelember.Sets;
import levelember.daylight.SunPosition;
import levelember.document.ImpossibleValue;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Daylight;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightBuilder;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class KeyMakerTest {
  private static final TimeRange OVER = new TimeRange(0, 4, 24);
  private static final Shoot STILL = still(Daylight.of(10, 40, 3));

  private static Light lamp(String id, Emitter emitter) {
    Unit unit =
        switch (emitter) {
          case Emitter.Sun _ -> Unit.LUX;
          case Emitter.Sky _ -> Unit.TIMES;
          default -> Unit.NIT;
        };
    return Sets.light(id, emitter, new Vec3(0, 2, 0), Vec3.ZERO, 10, unit);
  }

  private static Shoot still(Daylight day) {
    Shape water = new Shape.Water(1, 1, 0, Waves.round(0.01, 0.2, 0, 1), List.of(), null, 0.5);
    Shoot plain =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
            .piece("pool", water, "white", Vec3.UP)
            .light(lamp("a", new Emitter.Sphere(0.1)))
            .light(lamp("b", new Emitter.Sphere(0.1)))
            .light(lamp("c", new Emitter.Sphere(0.1)))
            .light(lamp("sun", new Emitter.Sun(0.5)))
            .light(lamp("sky", new Emitter.Sky(day)))
            .shoot();
    Bank row = new Bank("row", "Row", 0, new Rgb(1, 1, 1), false, false);
    List<Light> lights =
        plain.lights().stream()
            .map(l -> l.id().length() == 1 ? LightBuilder.from(l).withBank("row") : l)
            .toList();
    return new Shoot(
        plain.name(),
        plain.pieces(),
        plain.materials(),
        lights,
        List.of(row),
        plain.bounce(),
        0,
        plain.shots(),
        plain.looks());
  }

  private static Shoot at(KeyMaker maker, double seconds) {
    return ShootAtTime.of(STILL.with(KeyMaker.with(STILL, maker, OVER)), seconds);
  }

  private static Light light(KeyMaker maker, String id, double seconds) {
    return at(maker, seconds).light(id).orElseThrow();
  }

  @Test
  void aTurntableTurnsEvenlyAndGoesOn() {
    KeyMaker maker = new Turntable("floor", 2);
    assertThat(at(maker, 1).pieces().getFirst().rotationDegrees().y()).isEqualTo(180);
    assertThat(at(maker, 4.5).pieces().getFirst().rotationDegrees().y()).isEqualTo(90);
  }

  @Test
  void anOrbitKeepsItsDistanceAndItsHeight() {
    Shot still = STILL.shots().getFirst();
    KeyMaker maker = new Orbit(still.id(), 360);
    Vec3 arm = still.position().minus(still.aim());
    double radius = Math.hypot(arm.x(), arm.z());
    for (int i = 0; i <= 97; i++) {
      Vec3 p = at(maker, i / 24.0).shots().getFirst().position().minus(still.aim());
      assertThat(Math.hypot(p.x(), p.z())).isCloseTo(radius, within(2e-4 * radius));
      assertThat(p.y()).isCloseTo(arm.y(), within(1e-12));
    }
    Vec3 opposite = at(maker, 2).shots().getFirst().position().minus(still.aim());
    assertThat(opposite.x()).isCloseTo(-arm.x(), within(1e-9));
    assertThat(opposite.z()).isCloseTo(-arm.z(), within(1e-9));
    Vec3 quarter = at(maker, 1).shots().getFirst().position().minus(still.aim());
    Vec3 right = arm.times(-1).cross(Vec3.UP);
    assertThat(quarter.dot(right)).as("to the camera's right").isPositive();
  }

  @Test
  void aDollyStaysShortOfWhatTheCameraLooksAt() {
    Shot still = STILL.shots().getFirst();
    double distance = still.position().minus(still.aim()).length();
    KeyMaker maker = new Dolly(still.id(), distance / 2);
    Shot end = at(maker, 9).shots().getFirst();
    assertThat(end.position().minus(end.aim()).length()).isCloseTo(distance / 2, within(1e-9));
    assertThatThrownBy(() -> at(new Dolly(still.id(), distance), 1))
        .isInstanceOf(ImpossibleValue.class)
        .hasMessageContaining("metres");
  }

  private static SunPath day(String of) {
    return new SunPath(of, 6, 18, 52, 4, 6, 21, 2, 0);
  }

  @Test
  void aSunStandsWhereItStandsAtThatPlaceAndHour() {
    for (int i = 0; i <= 8; i++) {
      double hour = 6 + 1.5 * i;
      SunPosition wanted = SunPosition.of(new Daylight.When(52, 4, 2026, 6, 21, hour, 2, 0));
      Light sun = light(day("sun"), "sun", i / 2.0);
      Vec3 way = sun.position().minus(sun.aim()).unit();
      assertThat(way.dot(wanted.direction())).isGreaterThan(Math.cos(Math.toRadians(0.1)));
      Daylight sky = ((Emitter.Sky) light(day("sky"), "sky", i / 2.0).emitter()).daylight();
      assertThat(SunPosition.of(sky).direction().dot(wanted.direction()))
          .isGreaterThan(Math.cos(Math.toRadians(0.1)));
    }
  }

  @Test
  void aSkyWithAPlaceOfItsOwnKeysTheHour() {
    Daylight.When when = new Daylight.When(60, 20, 2026, 3, 1, 9, 2, 15);
    Daylight d = Daylight.of(0, 45, 3);
    Daylight there =
        new Daylight(0, 45, when, 3, d.ground(), 0, 0.1, d.night(), d.nightLuminance(), 0, 1);
    Shoot shoot = still(there);
    List<Track> tracks = day("sky").tracks(shoot, OVER);
    assertThat(tracks).singleElement().extracting(Track::place).asString().endsWith("/hour");
    Shoot noon = ShootAtTime.of(shoot.with(Motion.NONE.with(tracks)), 2);
    Emitter.Sky sky = (Emitter.Sky) noon.light("sky").orElseThrow().emitter();
    assertThat(sky.daylight().when().hour()).isEqualTo(12);
  }

  @Test
  void onlyASunOrASkyGoesThroughTheDay() {
    assertThatThrownBy(() -> at(day("a"), 1)).hasMessageContaining("a sky or a sun");
  }

  @ParameterizedTest
  @EnumSource(Flicker.Kind.class)
  void aFlickerIsRestlessWithinItsDepthAndTheSameEachTime(Flicker.Kind kind) {
    KeyMaker maker = new Flicker("a", kind, 2, 7);
    Track track = maker.tracks(STILL, OVER).getFirst();
    assertThat(track.keys()).hasSizeBetween(5, 97);
    double[] levels =
        IntStream.range(0, 97).mapToDouble(i -> light(maker, "a", i / 24.0).levelStops()).toArray();
    assertThat(IntStream.range(0, 97).mapToDouble(i -> levels[i]).min().orElseThrow())
        .isBetween(-2.0, -0.3);
    assertThat(DoubleStream.of(levels).max().orElseThrow()).isLessThanOrEqualTo(1e-9);
    assertThat(levels[96]).isCloseTo(levels[0], within(1e-9));
    assertThat(maker.tracks(STILL, OVER)).isEqualTo(List.of(track));
    assertThat(new Flicker("a", kind, 2, 8).tracks(STILL, OVER)).isNotEqualTo(List.of(track));
  }

  @Test
  void aPulseFallsAndSwells() {
    KeyMaker maker = new Pulse("a", 2, 3);
    assertThat(light(maker, "a", 1).levelStops()).isEqualTo(-3);
    assertThat(light(maker, "a", 2).levelStops()).isEqualTo(0);
    assertThat(light(maker, "a", 7).levelStops()).isEqualTo(-3);
  }

  @Test
  void aFadeBeginsOrEndsInTheDark() {
    KeyMaker in = new Fade("a", false), out = new Fade("a", true);
    assertThat(light(in, "a", -1).muted()).isTrue();
    assertThat(light(in, "a", 0.5).muted()).isFalse();
    assertThat(light(in, "a", 4).levelStops()).isEqualTo(0);
    assertThat(light(out, "a", 0).levelStops()).isEqualTo(0);
    assertThat(light(out, "a", 3.9).muted()).isFalse();
    assertThat(light(out, "a", 4).muted()).isTrue();
  }

  @Test
  void onAndOffTakeTurns() {
    KeyMaker maker = new OnOff("a", 1, 0.5);
    assertThat(light(maker, "a", 0.9).muted()).isFalse();
    assertThat(light(maker, "a", 1.2).muted()).isTrue();
    assertThat(light(maker, "a", 1.6).muted()).isFalse();
    assertThat(light(maker, "a", 2.7).muted()).isTrue();
  }

  @Test
  void aChaseHasOneLightOnAfterTheOther() {
    KeyMaker running = new Chase("row", 1, false), staying = new Chase("row", 1, true);
    String[] ids = {"a", "b", "c"};
    for (int step = 0; step < 7; step++) {
      for (int i = 0; i < 3; i++) {
        assertThat(light(running, ids[i], step + 0.5).muted())
            .as(ids[i] + " at " + step)
            .isEqualTo(step % 3 != i);
        assertThat(light(staying, ids[i], step + 0.5).muted()).isEqualTo(step < i);
      }
    }
    assertThatThrownBy(() -> new Chase("nothing", 1, true).tracks(STILL, OVER))
        .hasMessageContaining("a bank");
  }

  @Test
  void waterRunsAtItsSpeed() {
    Shape.Water water = (Shape.Water) at(new WaterTime("pool", 2), 1).pieces().get(1).shape();
    assertThat(water.seconds()).isEqualTo(2.5);
    assertThatThrownBy(() -> at(new WaterTime("floor", 1), 1)).hasMessageContaining("water");
  }

  @Test
  void aLevelFollowsASoundInDecibels() {
    List<Double> loud =
        IntStream.range(0, 97).mapToObj(i -> i < 48 ? 0.5 : i < 72 ? 0.05 : 0).toList();
    KeyMaker maker = new Loudness("a", 4, loud);
    assertThat(light(maker, "a", 1).levelStops()).isEqualTo(0);
    assertThat(light(maker, "a", 2.5).levelStops()).isCloseTo(-2, within(1e-9));
    assertThat(light(maker, "a", 3.5).levelStops()).isEqualTo(-4);
    assertThat(maker.tracks(STILL, OVER).getFirst().keys()).hasSizeLessThan(10);
  }

  @Test
  void whatIsMadeTakesThePlaceOfWhatWasThere() {
    Track old = Track.of("lights/a/levelStops", Key.of(0, Key.Span.HOLD, -5.0));
    Track other = Track.of("lights/b/levelStops", Key.of(0, Key.Span.HOLD, -5.0));
    Shoot keyed = STILL.with(Motion.NONE.with(List.of(old, other)));
    Motion motion = KeyMaker.with(keyed, new Pulse("a", 1, 1), OVER);
    assertThat(motion.tracks()).hasSize(2).contains(other).doesNotContain(old);
    assertThatThrownBy(() -> new TimeRange(1, 1, 24)).hasMessageContaining("lastFrame");
  }
}

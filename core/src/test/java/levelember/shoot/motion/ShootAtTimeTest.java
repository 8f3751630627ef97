package levelember.shoot.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import levelember.Sets;
import levelember.document.ImpossibleValue;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.motion.Key.Span;
import levelember.shoot.piece.RippleRing;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Waves;
import org.junit.jupiter.api.Test;

class ShootAtTimeTest {
  private static final Shoot STILL =
      Sets.white(0.5)
          .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
          .piece(
              "pool",
              new Shape.Water(
                  1,
                  1,
                  0,
                  Waves.round(0.01, 0.2, 0, 1),
                  List.of(new RippleRing(0, 0, 0.01, 0.1, 1)),
                  null,
                  0),
              "white",
              Vec3.UP)
          .light(Sets.light("key", new Emitter.Sphere(0.1), Vec3.UP, Vec3.ZERO, 10, Unit.NIT))
          .shoot();

  private static Shoot moved(Track... tracks) {
    return STILL.with(Motion.NONE.with(List.of(tracks)));
  }

  private static Light key(Shoot shoot, double seconds) {
    return ShootAtTime.of(shoot, seconds).light("key").orElseThrow();
  }

  private static double level(Track track, double seconds) {
    return key(moved(track), seconds).levelStops();
  }

  private static Track levels(Track.After after, Key... keys) {
    return new Track("lights/key/levelStops", after, List.of(keys));
  }

  @Test
  void spansGoFromKeyToKey() {
    Key end = Key.of(3, Span.HOLD, 4.0);
    Track hold = levels(Track.After.HOLD, Key.of(1, Span.HOLD, 2.0), end);
    assertThat(level(hold, 2.99)).isEqualTo(2);
    assertThat(level(hold, 3)).isEqualTo(4);
    Track straight = levels(Track.After.HOLD, Key.of(1, Span.STRAIGHT, 2.0), end);
    assertThat(level(straight, 0)).isEqualTo(2);
    assertThat(level(straight, 1.5)).isCloseTo(2.5, within(1e-12));
    assertThat(level(straight, 9)).isEqualTo(4);
    Track eased = levels(Track.After.HOLD, Key.of(1, Span.EASED, 2.0), end);
    assertThat(level(eased, 2)).isCloseTo(3, within(1e-12));
    assertThat(level(eased, 1.5)).isCloseTo(2 + 2 * 0.15625, within(1e-12));
    // With the slope of a straight line at both ends a free span is that line.
    Key from = new Key(1, List.of(2.0), null, Span.FREE, List.of(), List.of(1.0));
    Key to = new Key(3, List.of(4.0), null, Span.HOLD, List.of(1.0), List.of());
    assertThat(level(levels(Track.After.HOLD, from, to), 1.7)).isCloseTo(2.7, within(1e-12));
    Key level = new Key(1, List.of(2.0), null, Span.FREE, List.of(), List.of());
    assertThat(level(levels(Track.After.HOLD, level, end), 1.5))
        .isCloseTo(level(eased, 1.5), within(1e-12));
  }

  @Test
  void afterTheLastKeyTracksHoldLoopOrGoBack() {
    Key[] keys = {Key.of(1, Span.STRAIGHT, 0.0), Key.of(3, Span.STRAIGHT, 4.0)};
    assertThat(level(levels(Track.After.LOOP, keys), 3.5)).isCloseTo(1, within(1e-12));
    assertThat(level(levels(Track.After.LOOP, keys), 7.5)).isCloseTo(1, within(1e-12));
    assertThat(level(levels(Track.After.PING_PONG, keys), 3.5)).isCloseTo(3, within(1e-12));
    assertThat(level(levels(Track.After.PING_PONG, keys), 5.5)).isCloseTo(1, within(1e-12));
    assertThat(level(levels(Track.After.PING_PONG, Key.of(1, Span.HOLD, 2.0)), 8)).isEqualTo(2);
  }

  @Test
  void anyNumberVectorColourSwitchAndChoiceIsKeyed() {
    Shoot shoot =
        moved(
            Track.of(
                "lights/key/position",
                Key.of(0, Span.STRAIGHT, 0.0, 1.0, 0.0),
                Key.of(2, Span.STRAIGHT, 2.0, 3.0, 4.0)),
            Track.of("lights/key/colour/kelvin", Key.of(0, Span.HOLD, 3200.0)),
            Track.of("lights/key/muted", Key.of(0, Span.HOLD, 0.0), Key.of(1, Span.HOLD, 1.0)),
            Track.of("lights/key/emitter/radius", Key.of(0, Span.HOLD, 0.4)),
            Track.of("lights/key/causticLevel", Key.of(0, Span.HOLD, 0.5)),
            Track.of(
                "materials/white/colour",
                Key.of(0, Span.STRAIGHT, 0.0, 0.0, 0.0),
                Key.of(2, Span.STRAIGHT, 1.0, 0.5, 0.0)),
            Track.of("materials/white/tint", Key.of(0, Span.HOLD, 0.1, 0.2, 0.3)),
            Track.of(
                "pieces/pool/shape/seconds",
                Key.of(0, Span.STRAIGHT, 0.0),
                Key.of(2, Span.STRAIGHT, 2.0)),
            Track.of("pieces/pool/shape/waveHeight", Key.of(0, Span.HOLD, 0.05)),
            Track.of("pieces/pool/shape/ripples/0/height", Key.of(0, Span.HOLD, 0.02)),
            Track.of(
                "pieces/floor/rotationDegrees",
                Key.of(0, Span.STRAIGHT, 0.0, 0.0, 0.0),
                Key.of(2, Span.STRAIGHT, 0.0, 720.0, 0.0)),
            Track.of("shots/shot/focalLengthMm", Key.of(0, Span.HOLD, 85.0)),
            Track.of("looks/look/ev", Key.of(0, Span.HOLD, 3.0)),
            Track.of("bounce/overGloss", Key.of(0, "none")),
            Track.of("bounce/mirrorBounces", Key.of(0, Span.HOLD, 2.4)),
            Track.of("masterStops", Key.of(0, Span.STRAIGHT, 0.0), Key.of(2, Span.HOLD, -3.0)));
    Shoot at = ShootAtTime.of(shoot, 1);
    Light key = at.light("key").orElseThrow();
    assertThat(key.position()).isEqualTo(new Vec3(1, 2, 2));
    assertThat(key.colour().kelvin()).isEqualTo(3200);
    assertThat(key.muted()).isTrue();
    assertThat(key(shoot, 0.9).muted()).isFalse();
    assertThat(key.emitter()).isEqualTo(new Emitter.Sphere(0.4));
    assertThat(key.controls().caustics().level()).isEqualTo(0.5);
    assertThat(at.materials().getFirst().colour()).isEqualTo(new Rgb(0.5, 0.25, 0));
    assertThat(at.materials().getFirst().glass().tint()).isEqualTo(new Rgb(0.1, 0.2, 0.3));
    Shape.Water water = (Shape.Water) at.pieces().get(1).shape();
    assertThat(water.seconds()).isEqualTo(1);
    assertThat(water.waves().height()).isEqualTo(0.05);
    assertThat(water.rings().getFirst().height()).isEqualTo(0.02);
    // Whole turns are kept.
    assertThat(at.pieces().getFirst().rotationDegrees().y()).isEqualTo(360);
    assertThat(at.shots().getFirst().focalLengthMm()).isEqualTo(85);
    assertThat(at.looks().getFirst().ev()).isEqualTo(3);
    assertThat(at.bounce().overGloss()).isEqualTo(LightOverGloss.NONE);
    assertThat(at.bounce().mirrors().most()).isEqualTo(2);
    assertThat(at.masterStops()).isEqualTo(-1.5);
    // Nothing else is touched, and what is made does not move any more.
    assertThat(at.motion()).isEqualTo(Motion.NONE);
    assertThat(ShootAtTime.of(at, 5)).isSameAs(at);
    assertThat(at.pieces().get(1).position()).isEqualTo(STILL.pieces().get(1).position());
  }

  @Test
  void whatOvershootsItsRangeStaysWithinItsKeys() {
    Key up = new Key(0, List.of(0.9), null, Span.FREE, List.of(), List.of(9.0));
    Key end = new Key(1, List.of(1.0), null, Span.HOLD, List.of(-9.0), List.of());
    Shoot shoot = moved(Track.of("materials/white/roughness", up, end));
    assertThat(ShootAtTime.of(shoot, 0.5).materials().getFirst().roughness()).isEqualTo(1);
  }

  @Test
  void whatCannotBeIsRefusedByItsPlace() {
    refused(
        "motion.tracks[0].place", Track.of("lights/gone/levelStops", Key.of(0, Span.HOLD, 1.0)));
    refused("motion.tracks[0].place", Track.of("lights/key/nothing", Key.of(0, Span.HOLD, 1.0)));
    refused("motion.tracks[0].place", Track.of("lights/key/name", Key.of(0, "x")));
    refused("motion.tracks[0].place", Track.of("lights/key", Key.of(0, Span.HOLD, 1.0)));
    refused("motion.tracks[0].place", Track.of("bounce", Key.of(0, Span.HOLD, 1.0)));
    refused(
        "motion.tracks[0].keys.levelStops",
        Track.of("lights/key/levelStops", Key.of(0, Span.HOLD, 1.0), Key.of(1, Span.HOLD, 11.0)));
    refused(
        "motion.tracks[0].keys[0].value",
        Track.of("lights/key/position", Key.of(0, Span.HOLD, 1.0)));
    refused("motion.tracks[0].keys", Track.of("lights/key/muted", Key.of(0, Span.EASED, 1.0)));
    refused("motion.tracks[0].keys.choice", Track.of("bounce/overGloss", Key.of(0, "much")));
    Track same = Track.of("masterStops", Key.of(0, Span.HOLD, 1.0));
    assertThatThrownBy(() -> moved(same, same)).hasMessageContaining("tracks[1].place");
    assertThatThrownBy(
            () -> Track.of("masterStops", Key.of(1, Span.HOLD, 1.0), Key.of(1, Span.HOLD, 1.0)))
        .hasMessageContaining("keys[1].seconds");
    assertThatThrownBy(() -> Motion.NONE.with(List.of()).with(manyKeys()))
        .hasMessageContaining("keys in all");
    assertThatThrownBy(() -> new Motion(24, 1, 100_001, List.of()))
        .hasMessageContaining("lastFrame");
  }

  private static List<Track> manyKeys() {
    List<Key> keys = IntStream.range(0, 100_000).mapToObj(i -> Key.of(i, Span.HOLD, 1.0)).toList();
    List<Track> to = new ArrayList<>();
    for (int i = 0; i < 11; i++) {
      to.add(new Track("lights/" + i + "/levelStops", Track.After.HOLD, keys));
    }
    return to;
  }

  private static void refused(String field, Track track) {
    assertThatThrownBy(() -> moved(track))
        .isInstanceOfSatisfying(ImpossibleValue.class, e -> assertThat(e.field()).isEqualTo(field));
  }

  @Test
  void framesHaveTheirTimes() {
    assertThat(new Motion(25, 1, 50, List.of()).seconds(50)).isEqualTo(2);
  }

  @Test
  void theShutterIsOpenEvenlyAboutAFrame() {
    Motion motion = new Motion(10, 1, 20, List.of()).withShutter(180);
    double[] times = motion.shutterTimes(2, 4);
    // Half of a tenth of a second, in quarters.
    assertThat(times[0]).isCloseTo(2 - 0.025 + 0.00625, within(1e-12));
    assertThat(times[3]).isCloseTo(2 + 0.025 - 0.00625, within(1e-12));
    assertThat(motion.withShutter(0).shutterTimes(2, 4)).isEmpty();
    assertThatThrownBy(() -> motion.withShutter(361)).isInstanceOf(ImpossibleValue.class);
  }

  @Test
  void aCameraGoesRoundItsAimAndThroughItWithoutComingToHarm() {
    Shoot still = Sets.white(0.5).seen(new Vec3(0, 0, 2), Vec3.ZERO, 1).shoot();
    String place = "shots/" + still.shots().getFirst().id() + "/position";
    Track quarter =
        Track.of(
            place,
            Key.of(0, Key.Span.STRAIGHT, 0.0, 0.0, 2.0),
            Key.of(1, Key.Span.STRAIGHT, 2.0, 0.0, 0.0));
    Shoot round = still.with(Motion.NONE.with(List.of(quarter)));
    assertThat(ShootAtTime.of(round, 1).shots().getFirst().position()).isEqualTo(new Vec3(2, 0, 0));
    Track through =
        Track.of(
            place,
            Key.of(0, Key.Span.STRAIGHT, 0.0, 0.0, 2.0),
            Key.of(1, Key.Span.STRAIGHT, 0.0, 0.0, -2.0));
    Shoot in = still.with(Motion.NONE.with(List.of(through)));
    assertThat(ShootAtTime.of(in, 0.5).shots().getFirst().position()).isEqualTo(new Vec3(0, 0, 2));
    assertThatThrownBy(() ->
            still.with(
                Motion.NONE.with(
                    List.of(Track.of(place, Key.of(0, Key.Span.HOLD, 0.0, 0.0, 0.0))))))
        .isInstanceOf(ImpossibleValue.class);
  }
}

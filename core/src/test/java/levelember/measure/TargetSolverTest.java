package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import levelember.look.DisplayCurve;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.shoot.FaderRange;
import levelember.shoot.Meter;
import levelember.shoot.Pin;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.Target;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.Look;
import org.junit.jupiter.api.Test;

/** Targets whose answers are known. */
class TargetSolverTest {
  private static final float[] PLAIN = {1, 0, 0, 0, 1, 0, 0, 0, 1};
  private static final double EV = 5;

  @Test
  void oneLightAloneGoesWhereTheReadingIsWanted() {
    Shoot shoot = rig(1, target("t", Target.Kind.STOPS, "a", null, -1));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {2})));
    // Two times mid grey is one stop above it: two stops have to go.
    assertThat(s.moves().getFirst().after()).isCloseTo(-2, within(0.01));
    assertThat(s.outcomes().getFirst().before()).isCloseTo(1, within(1e-6));
    assertThat(s.outcomes().getFirst().after()).isCloseTo(-1, within(0.005));
    assertThat(s.outcomes().getFirst().met()).isTrue();
  }

  @Test
  void twoLightsMeetALevelAndARatio() {
    Shoot shoot =
        rig(
            2,
            target("level", Target.Kind.STOPS, "a", null, 0.5),
            target("ratio", Target.Kind.RATIO, "a", "b", 2));
    Map<String, double[]> pins = Map.of("a", new double[] {1, 0.2}, "b", new double[] {0.1, 0.5});
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, pins));
    // a·k + 0.2·f = 2^0.5 and 0.1·k + 0.5·f = 2^-1.5 of mid grey, solved by hand.
    double a = Math.pow(2, 0.5), b = Math.pow(2, -1.5), det = 1 * 0.5 - 0.2 * 0.1;
    double key = (0.5 * a - 0.2 * b) / det, fill = (b - 0.1 * a) / det;
    assertThat(s.moves().get(0).after()).isCloseTo(log2(key), within(0.02));
    assertThat(s.moves().get(1).after()).isCloseTo(log2(fill), within(0.02));
    assertThat(s.outcomes()).allMatch(TargetSolution.Outcome::met);
  }

  @Test
  void nothingGoesAboveACeilingAndWhatIsBelowStays() {
    Shoot shoot = rig(2, target("c", Target.Kind.CEILING, null, null, 2));
    TargetReadings r = readings(shoot, Map.of(), new double[] {8, 0}, new double[] {0, 2});
    TargetSolution s = TargetSolver.solve(shoot, r);
    assertThat(s.outcomes().getFirst().before()).isCloseTo(3, within(1e-6));
    assertThat(s.outcomes().getFirst().after()).isCloseTo(2, within(0.05));
    assertThat(s.moves().get(1).moved()).isFalse();
  }

  @Test
  void theMeanOfThePictureIsMovedByTheMaster() {
    Shoot shoot = rig(3, target("m", Target.Kind.MEAN, null, null, 0));
    shoot = shoot.with(shoot.meter().withFaders(List.of(FaderRange.usual("masterStops")), false));
    TargetReadings r = readings(shoot, Map.of(), new double[] {1, 1, 2});
    TargetSolution s = TargetSolver.solve(shoot, r);
    assertThat(s.moves())
        .singleElement()
        .satisfies(m -> {
          assertThat(m.place()).isEqualTo("masterStops");
          assertThat(m.after()).isCloseTo(-2, within(0.01));
        });
  }

  @Test
  void aBankMovesItsLightsTogether() {
    Shoot plain = rig(2, target("t", Target.Kind.STOPS, "a", null, 2));
    List<Light> banked = plain.lights().stream().map(l -> l.withBank("both")).toList();
    Shoot shoot =
        plain
            .withRig(banked, List.of(new Bank("both", "Both", 0, Rgb.WHITE, false, false)), 0)
            .with(
                plain
                    .meter()
                    .withFaders(List.of(FaderRange.usual("banks/both/levelStops")), false));
    TargetSolution s =
        TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {0.5, 0.5})));
    assertThat(s.moves())
        .singleElement()
        .satisfies(m -> assertThat(m.after()).isCloseTo(2, within(0.01)));
  }

  @Test
  void aFaderAtItsLimitIsNamed() {
    Shoot shoot = rig(1, target("t", Target.Kind.STOPS, "a", null, 5));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {1})));
    assertThat(s.moves().getFirst().after()).isEqualTo(3);
    assertThat(s.outcomes().getFirst().met()).isFalse();
    assertThat(s.outcomes().getFirst().obstacles())
        .extracting(TargetSolution.Obstacle::kind, TargetSolution.Obstacle::what)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(
                TargetSolution.Obstacle.Kind.LIMIT, "lights/light0/levelStops"));
  }

  @Test
  void targetsThatContradictEachOtherMeetInTheMiddleAndNameEachOther() {
    Shoot shoot =
        rig(
            1,
            target("up", Target.Kind.STOPS, "a", null, 1),
            target("down", Target.Kind.STOPS, "a", null, -1));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {1})));
    assertThat(s.moves().getFirst().after()).isCloseTo(0, within(0.01));
    assertThat(s.outcomes().get(0).obstacles().getFirst().what()).isEqualTo("down");
    assertThat(s.outcomes().get(1).obstacles().getFirst().what()).isEqualTo("up");
  }

  @Test
  void aLightThatMayNotMoveIsNamedWithItsShare() {
    Shoot shoot = rig(2, target("t", Target.Kind.STOPS, "a", null, -2));
    shoot =
        shoot.with(
            shoot.meter().withFaders(List.of(FaderRange.usual("lights/light0/levelStops")), false));
    TargetSolution s =
        TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {0.2, 0.8})));
    assertThat(s.outcomes().getFirst().obstacles())
        .anySatisfy(o -> {
          assertThat(o.kind()).isEqualTo(TargetSolution.Obstacle.Kind.FIXED);
          assertThat(o.what()).isEqualTo("light1");
          assertThat(o.share()).isGreaterThan(0.9);
        });
  }

  @Test
  void fewFadersMoveFarWhereFewAreWanted() {
    Shoot many = rig(6, target("t", Target.Kind.STOPS, "a", null, 1));
    Map<String, double[]> pins = Map.of("a", new double[] {0.3, 0.2, 0.15, 0.15, 0.1, 0.1});
    TargetSolution all = TargetSolver.solve(many, readings(many, pins));
    Shoot few = many.with(many.meter().withFaders(List.of(), true));
    TargetSolution some = TargetSolver.solve(few, readings(few, pins));
    assertThat(all.moves()).allMatch(TargetSolution.FaderMove::moved);
    assertThat(some.moves().stream().filter(TargetSolution.FaderMove::moved).count())
        .isLessThanOrEqualTo(2);
    assertThat(some.outcomes().getFirst().met()).isTrue();
  }

  @Test
  void aPinIsMadeNeutralByTheColourTemperature() {
    Shoot plain = rig(1, target("n", Target.Kind.NEUTRAL, "a", null, 0));
    List<Light> warm =
        plain.lights().stream()
            .map(l -> l.withColour(new LightColour(3200, 0, Rgb.WHITE)))
            .toList();
    FaderRange colour = new FaderRange("lights/light0/levelStops", -3, 3, true, 2000, 12_000);
    Shoot shoot =
        plain.withRig(warm, List.of(), 0).with(plain.meter().withFaders(List.of(colour), false));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, Map.of("a", new double[] {1})));
    assertThat(s.outcomes().getFirst().before()).isGreaterThan(1);
    assertThat(s.outcomes().getFirst().met()).isTrue();
    assertThat(s.moves().getFirst().colour().kelvin()).isCloseTo(6504, within(150.0));
  }

  @Test
  void whatIsNotSeenIsSaid() {
    Shoot shoot = rig(1, target("t", Target.Kind.STOPS, "gone", null, 0));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, Map.of()));
    assertThat(s.unread()).containsExactly("t");
    assertThat(s.outcomes()).isEmpty();
    assertThat(s.moves()).noneMatch(TargetSolution.FaderMove::moved);
  }

  /** Twenty targets of which it is known that twenty lights meet them. */
  @Test
  void twentyLightsMeetTwentyTargetsThatCanBeMet() {
    Random random = new Random(7);
    int n = 20;
    double[] wanted = random.doubles(n, -2, 2).toArray();
    Map<String, double[]> pins = new HashMap<>();
    List<Target> targets = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double[] parts = random.doubles(n, 0, 0.05).toArray();
      parts[i] = 1;
      pins.put("pin" + i, parts);
      double sum = 0;
      for (int k = 0; k < n; k++) {
        sum += parts[k] * Math.pow(2, wanted[k]);
      }
      targets.add(target("t" + i, Target.Kind.STOPS, "pin" + i, null, log2(sum)));
    }
    Shoot shoot = rig(n, targets.toArray(Target[]::new));
    TargetSolution s = TargetSolver.solve(shoot, readings(shoot, pins));
    assertThat(s.outcomes()).allMatch(TargetSolution.Outcome::met);
    for (int k = 0; k < n; k++) {
      assertThat(s.moves().get(k).after()).isCloseTo(wanted[k], within(0.03));
    }
  }

  private static double log2(double x) {
    return Math.log(x) / Math.log(2);
  }

  private static Target target(
      String id, Target.Kind kind, String pin, String other, double stops) {
    return new Target(id, kind, pin, other, stops, 1);
  }

  private static Shoot rig(int lights, Target... targets) {
    List<Light> all = new ArrayList<>();
    for (int i = 0; i < lights; i++) {
      all.add(
          new Light(
              "light" + i,
              "Light " + i,
              new Emitter.Dome(),
              Vec3.ZERO,
              Vec3.UP,
              0,
              new Brightness(1, Brightness.Unit.NIT),
              0,
              LightColour.NEUTRAL,
              false,
              false,
              false));
    }
    List<Pin> pins = List.of(new Pin("a", "A", null, Vec3.ZERO, Vec3.UP, 0));
    return new Shoot(
            "Rig",
            List.of(),
            List.of(),
            all,
            0,
            List.of(new Shot("s", "S", new Vec3(0, 0, 1), Vec3.ZERO, 50, 36, 0, 0, "l")),
            List.of(new Look("l", "L", EV, 0.5, 3)))
        .with(Meter.NONE.withPins(pins).withTargets(List.of(targets)));
  }

  /** Pins whose lights give so many times mid grey each; regions, whose mean is the whole. */
  private static TargetReadings readings(
      Shoot shoot, Map<String, double[]> pins, double[]... regions) {
    float[] weights = LayerWeights.of(shoot);
    Map<String, LayerReading> read = new HashMap<>();
    pins.forEach((id, parts) -> read.put(id, reading(parts, weights)));
    List<LayerReading> all = Arrays.stream(regions).map(r -> reading(r, weights)).toList();
    double[] mean = regions.length == 0 ? new double[weights.length / 3] : regions[0];
    return new TargetReadings(read, reading(mean, weights), all, EV, PLAIN);
  }

  /** Layers that are grey where their light is neutral. */
  private static LayerReading reading(double[] parts, float[] weights) {
    double[] unit = new double[3 * parts.length];
    for (int k = 0; k < parts.length; k++) {
      for (int c = 0; c < 3; c++) {
        unit[3 * k + c] = parts[k] * DisplayCurve.midGrey(EV) / luminance(weights, k);
      }
    }
    return new LayerReading(unit);
  }

  private static double luminance(float[] weights, int k) {
    return levelember.math.Colour.luminance(weights[3 * k], weights[3 * k + 1], weights[3 * k + 2]);
  }
}

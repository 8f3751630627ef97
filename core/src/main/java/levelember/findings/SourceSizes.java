package levelember.findings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.LampSize;
import levelember.findings.inspection.Words;
import levelember.math.Vec3;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * Shadows that are far harder than those of the other lamps, keys so large that they throw none,
 * and patterns of gobos that are far sharper or softer than the shadows about them.
 */
final class SourceSizes implements Check {
  private static final double GOOD_PART = 0.08, HARDER = 8, NO_SHADOW_DEGREES = 110;

  /** Distance of what casts a shadow from where it falls, for comparing with patterns, metres. */
  private static final double CASTER = 0.33;

  private static final double OTHERWISE = 10;

  private record Lamp(Light light, double degrees, double share, Vec3 position) {}

  @Override
  public void look(Inspection in, List<Finding> to) {
    Optional<Vec3> centre = in.subjectCentre();
    if (centre.isEmpty()) {
      return;
    }
    List<Lamp> lamps = lamps(in, centre.get());
    for (Lamp lamp : lamps) {
      double[] others =
          lamps.stream()
              .filter(l -> l != lamp && !gobo(l.light()) && l.share() >= GOOD_PART)
              .mapToDouble(Lamp::degrees)
              .sorted()
              .toArray();
      if (gobo(lamp.light())) {
        pattern(in, lamp, others, centre.get(), to);
      } else if (lamp.share() >= GOOD_PART) {
        shadow(in, lamp, others, to);
      }
    }
  }

  private static List<Lamp> lamps(Inspection in, Vec3 centre) {
    double all = 0;
    for (int k = 0; k < in.byLight.length; k++) {
      all += in.mean(k, in.subject);
    }
    List<Lamp> to = new ArrayList<>();
    for (int k = 0; k < in.byLight.length; k++) {
      Light lamp = TracedLight.inWorld(in.shoot, in.light(k));
      if (in.lit(k)
          && lamp.emitter().scaled(1).isPresent()
          && lamp.controls().shadowDensity() > 0) {
        double degrees = LampSize.degrees(lamp.emitter(), lamp.position(), centre);
        to.add(new Lamp(lamp, degrees, in.mean(k, in.subject) / all, lamp.position()));
      }
    }
    return to;
  }

  private static boolean gobo(Light light) {
    return light.emitter() instanceof Emitter.Spot s && s.gobo() != null;
  }

  private static void shadow(Inspection in, Lamp lamp, double[] others, List<Finding> to) {
    double median = others.length < 2 ? 0 : others[others.length / 2];
    boolean hard = median > 0 && lamp.degrees() * HARDER < median;
    boolean large = lamp.degrees() > NO_SHADOW_DEGREES && lamp.share() > 0.4;
    if (!hard && !large) {
      return;
    }
    double wanted = hard ? median / 2 : NO_SHADOW_DEGREES / 2;
    double by = lamp.degrees() > 0.01 ? wanted / lamp.degrees() : 0;
    to.add(
        new Finding(
            Finding.Kind.SOURCE_SIZE,
            lamp.light().id(),
            null,
            0.35,
            lamp.light().name()
                + " is "
                + Words.degrees(lamp.degrees())
                + " wide as the subject sees it"
                + (hard ? "; the other lamps are " + Words.degrees(median) + "." : "."),
            hard
                ? "One hard shadow among soft ones reads as a mistake."
                : "A source so large throws no shadow that shapes the subject.",
            in.region(in.subject),
            by == 0 ? List.of() : List.of(sized(in, lamp.light(), by))));
  }

  /** Another size of a lamp, with the same light from it. */
  private static Finding.Mend sized(Inspection in, Light lamp, double by) {
    Emitter sized = lamp.emitter().scaled(by).orElseThrow();
    boolean byArea = lamp.brightness().unit() == Brightness.Unit.NIT;
    double stops = byArea ? -2 * StrictMath.log(by) / StrictMath.log(2) : 0;
    return new Finding.Mend(
        (by > 1 ? "Enlarge " : "Reduce ") + lamp.name() + " with the same light",
        Edits.raised(
            Edits.light(in.shoot, lamp.id(), l -> l.withEmitter(sized)), lamp.id(), stops));
  }

  private static void pattern(
      Inspection in, Lamp lamp, double[] others, Vec3 centre, List<Finding> to) {
    Emitter.Spot spot = (Emitter.Spot) lamp.light().emitter();
    double away = lamp.position().minus(centre).length();
    double magnified = Math.max(1, away / spot.gateDistance() - 1);
    double width = 2 * away * StrictMath.tan(Math.toRadians(spot.coneDegrees() / 2));
    double soft = 2 * spot.sourceRadius() * magnified + spot.gobo().blur() * width / 2;
    if (others.length == 0 || lamp.share() * 4 < GOOD_PART) {
      return;
    }
    double shadows =
        CASTER * 2 * StrictMath.tan(Math.toRadians(Arrays.stream(others).average().orElse(0) / 2));
    boolean hard = soft * OTHERWISE < shadows, blurred = soft > OTHERWISE * shadows;
    if (!hard && !blurred) {
      return;
    }
    double radius = Math.min(100, shadows / 2 / magnified);
    Emitter other =
        new Emitter.Spot(
            spot.coneDegrees(),
            spot.feather(),
            radius,
            spot.gateDistance(),
            spot.profile(),
            spot.gobo(),
            spot.doors());
    to.add(
        new Finding(
            Finding.Kind.GOBO_SHARPNESS,
            lamp.light().id(),
            null,
            0.25,
            "The pattern of "
                + lamp.light().name()
                + " has edges of "
                + Words.metres(soft)
                + " on the subject; shadows there have "
                + Words.metres(shadows)
                + ".",
            hard
                ? "A pattern sharper than every shadow looks printed on."
                : "A pattern softer than every shadow is hardly read as one.",
            null,
            List.of(
                new Finding.Mend(
                    "Soften the pattern of " + lamp.light().name() + " like the shadows",
                    Edits.light(in.shoot, lamp.light().id(), l -> l.withEmitter(other))))));
  }
}

package levelember.findings.surroundings;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.look.Balance;
import levelember.math.Vec3;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.look.WhiteBalance;

/** Pictures behind the set whose light is of another colour, or from another side, than the key. */
public final class Backdrops implements Check {
  private static final double LEAST_SHARE = 0.1, MIRED = 60, SIDE_STOPS = 0.5, KEY_STOPS = 0.3;

  @Override
  public void look(Inspection in, List<Finding> to) {
    boolean[] open = new boolean[in.cells()];
    int n = 0;
    for (int i = 0; i < open.length; i++) {
      open[i] = in.piece[i] < 0;
      n += open[i] ? 1 : 0;
    }
    int backdrop = in.strongest(open), key = key(in);
    if (n < LEAST_SHARE * open.length || backdrop < 0 || key < 0 || !pictured(in, backdrop)) {
      return;
    }
    colour(in, open, backdrop, key, to);
    side(in, open, backdrop, key, to);
  }

  private static boolean pictured(Inspection in, int light) {
    return in.light(light).emitter() instanceof Emitter.Plate
        || in.light(light).emitter() instanceof Emitter.Environment;
  }

  /** The strongest lamp with a place, or sun, on the subject; −1 without. */
  private static int key(Inspection in) {
    int best = -1;
    for (int k = 0; k < in.byLight.length; k++) {
      Emitter emitter = in.light(k).emitter();
      boolean lamp =
          emitter.scaled(1).isPresent()
              || emitter instanceof Emitter.Point
              || emitter instanceof Emitter.Sun;
      if (lamp
          && in.lit(k)
          && in.mean(k, in.subject) > 0
          && (best < 0 || in.mean(k, in.subject) > in.mean(best, in.subject))) {
        best = k;
      }
    }
    return best;
  }

  private static void colour(
      Inspection in, boolean[] open, int backdrop, int key, List<Finding> to) {
    double[] rgb = new double[3];
    for (int i = 0; i < open.length; i++) {
      for (int c = 0; c < 3 && open[i]; c++) {
        rgb[c] += in.light[3 * i + c];
      }
    }
    if (!(rgb[0] > 0 && rgb[1] > 0 && rgb[2] > 0)) {
      return;
    }
    WhiteBalance of = Balance.of(rgb[0], rgb[1], rgb[2]);
    Light light = in.light(key);
    LightColour now = light.colour();
    double apart = 1e6 / of.kelvin() - 1e6 / now.kelvin();
    if (Math.abs(apart) < MIRED) {
      return;
    }
    double kelvin = Math.clamp(Math.rint(of.kelvin() / 50) * 50, 1000, 40_000);
    to.add(
        new Finding(
            Finding.Kind.BACKDROP_COLOUR,
            light.id(),
            null,
            0.45,
            String.format(
                Locale.ROOT,
                "%s has %.0f K, what is seen of %s about %.0f K.",
                light.name(),
                now.kelvin(),
                in.light(backdrop).name(),
                of.kelvin()),
            "A subject lit in another white than the place it seems to stand in looks cut out.",
            in.region(open),
            List.of(
                new Finding.Mend(
                    String.format(Locale.ROOT, "Set %s to %.0f K", light.name(), kelvin),
                    Edits.light(
                        in.shoot,
                        light.id(),
                        l -> l.withColour(new LightColour(kelvin, now.tint(), now.filter())))))));
  }

  /** Stops by which the left part of some cells is brighter than the right, in one light. */
  private static double leftOver(Inspection in, boolean[] cells, int light) {
    List<Integer> all = new ArrayList<>();
    double middle = 0;
    for (int i = 0; i < cells.length; i++) {
      if (cells[i]) {
        all.add(i);
        middle += i % in.columns;
      }
    }
    double centre = middle / Math.max(1, all.size()), left = 0, right = 0;
    int lefts = 0, rights = 0;
    for (int i : all) {
      if (i % in.columns < centre) {
        left += in.byLight[light][i];
        lefts++;
      } else {
        right += in.byLight[light][i];
        rights++;
      }
    }
    if (!(left > 0 && right > 0)) {
      return 0;
    }
    return StrictMath.log(left / lefts / (right / rights)) / StrictMath.log(2);
  }

  private static void side(Inspection in, boolean[] open, int backdrop, int key, List<Finding> to) {
    double behind = leftOver(in, open, backdrop), before = leftOver(in, in.subject, key);
    Optional<Vec3> centre = in.subjectCentre();
    if (Math.abs(behind) < SIDE_STOPS
        || Math.abs(before) < KEY_STOPS
        || behind > 0 == before > 0
        || centre.isEmpty()) {
      return;
    }
    Light light = in.light(key);
    Vec3 view = in.shot.aim().minus(in.shot.position());
    Vec3 side = new Vec3(view.z(), 0, -view.x());
    boolean free = light.parent() == null && side.length() > 1e-6;
    Vec3 from = light.position().minus(centre.get());
    Vec3 across = free ? side.unit() : side;
    Vec3 mirrored = light.position().minus(across.times(2 * from.dot(across)));
    to.add(
        new Finding(
            Finding.Kind.BACKDROP_DIRECTION,
            light.id(),
            null,
            0.4,
            in.light(backdrop).name()
                + " is "
                + Words.stops(Math.abs(behind))
                + " brighter on the "
                + (behind > 0 ? "left" : "right")
                + "; "
                + light.name()
                + " comes from the "
                + (before > 0 ? "left" : "right")
                + ".",
            "The eye expects the light to come from where the background is bright.",
            in.region(in.subject),
            free
                ? List.of(
                    new Finding.Mend(
                        "Move " + light.name() + " to the other side",
                        Edits.light(in.shoot, light.id(), l -> l.withPosition(mirrored))))
                : List.of()));
  }
}

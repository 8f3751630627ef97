package levelember.findings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/** Surfaces shown as white without drawing, where light alone and no lamp is seen. */
final class BurntAreas implements Check {
  private static final double BURNT = 0.985, LEAST_SHARE = 0.01, JUST_HELD = 0.93;
  private static final double WHOLE = 0.3, MOST_STOPS = 6;

  @Override
  public void look(Inspection in, List<Finding> to) {
    boolean[] burnt = new boolean[in.cells()];
    int n = 0;
    for (int i = 0; i < burnt.length; i++) {
      burnt[i] = in.piece[i] >= 0 && in.displayOfCell(i) >= BURNT && !shines(in, i);
      n += burnt[i] ? 1 : 0;
    }
    double share = (double) n / burnt.length;
    int whose = in.strongest(burnt);
    if (share < LEAST_SHARE || whose < 0) {
      return;
    }
    Light light = in.light(whose);
    double own = in.mean(whose, burnt), all = 0;
    for (int k = 0; k < in.byLight.length; k++) {
      all += in.mean(k, burnt);
    }
    double over = over(in, burnt);
    List<Finding.Mend> mends = new ArrayList<>();
    // What is left of the whole when the light is lowered must come down by the stops over.
    double left = all * StrictMath.pow(2, -over) - (all - own);
    if (left > 0.02 * own) {
      double stops = Math.max(-MOST_STOPS, StrictMath.log(left / own) / StrictMath.log(2));
      mends.add(
          new Finding.Mend(
              "Lower " + light.name() + " by " + Words.stops(-stops),
              Edits.raised(in.shoot, light.id(), stops)));
    }
    if (over < MOST_STOPS) {
      mends.add(
          new Finding.Mend(
              "Expose " + Words.stops(over) + " less",
              Edits.look(in.shoot, in.shot, l -> l.exposed(-over))));
    }
    to.add(
        new Finding(
            Finding.Kind.BURNT,
            light.id(),
            null,
            Math.min(1, 0.4 + share / WHOLE),
            Words.percent(share)
                + " of the picture is burnt out; "
                + Words.percent(own / all)
                + " of the light there is of "
                + light.name()
                + ".",
            "Where all is white, surface and shape are gone, and no grade brings them back.",
            in.region(burnt),
            mends));
  }

  /** Whether a cell shows a piece that gives light itself, or glass that may show one. */
  private static boolean shines(Inspection in, int cell) {
    String material = in.shoot.pieces().get(in.piece[cell]).material();
    if (in.shoot.materials().stream()
        .anyMatch(m -> m.id().equals(material) && m.glass().transmission() > 0.5)) {
      return true;
    }
    return in.shoot.lights().stream()
        .anyMatch(l -> l.emitter() instanceof Emitter.Emissive e && e.material().equals(material));
  }

  /** By how many stops the brighter part of the cells is too bright to be held. */
  private static double over(Inspection in, boolean[] burnt) {
    double[] sorted = new double[in.cells()];
    int n = 0;
    for (int i = 0; i < burnt.length; i++) {
      if (burnt[i]) {
        sorted[n++] = Math.max(in.light[3 * i], Math.max(in.light[3 * i + 1], in.light[3 * i + 2]));
      }
    }
    Arrays.sort(sorted, 0, n);
    double bright = sorted[(int) (0.9 * (n - 1))];
    double stops = 0.1;
    while (stops < MOST_STOPS && in.displayOf(bright * StrictMath.pow(2, -stops)) > JUST_HELD) {
      stops += 0.1;
    }
    return stops;
  }
}

package levelember.findings;

import java.util.ArrayList;
import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.lighting.Light;

/** Surfaces shown as black without drawing. */
final class CrushedBlacks implements Check {
  private static final double BLACK = 0.0015, LEAST_SHARE = 0.05, HEALED = 0.04, MOST_STOPS = 6;

  @Override
  public void look(Inspection in, List<Finding> to) {
    boolean[] black = new boolean[in.cells()];
    int n = 0, surfaces = 0;
    for (int i = 0; i < black.length; i++) {
      surfaces += in.piece[i] >= 0 ? 1 : 0;
      black[i] = in.piece[i] >= 0 && in.displayOfCell(i) < BLACK;
      n += black[i] ? 1 : 0;
    }
    double share = (double) n / Math.max(1, surfaces);
    if (share < LEAST_SHARE) {
      return;
    }
    int whose = in.strongest(black);
    to.add(
        new Finding(
            Finding.Kind.CRUSHED,
            whose < 0 ? null : in.light(whose).id(),
            null,
            Math.min(0.9, 0.3 + share),
            Words.percent(share) + " of the set is shown as plain black.",
            "Black without drawing hides the shape of what stands there; a little fill opens it.",
            in.region(black),
            mends(in, black, surfaces)));
  }

  /** The light that has to be raised least, and the exposure. */
  private static List<Finding.Mend> mends(Inspection in, boolean[] black, int surfaces) {
    List<Finding.Mend> to = new ArrayList<>();
    double least = MOST_STOPS;
    int best = -1;
    for (int k = 0; k < in.byLight.length; k++) {
      for (double stops = 0.5; stops < least; stops += 0.5) {
        if (left(in, black, k, stops) < HEALED * surfaces) {
          least = stops;
          best = k;
        }
      }
    }
    if (best >= 0) {
      Light light = in.light(best);
      to.add(
          new Finding.Mend(
              "Raise " + light.name() + " by " + Words.stops(least),
              Edits.raised(in.shoot, light.id(), least)));
    }
    for (double stops = 0.5; stops <= MOST_STOPS; stops += 0.5) {
      if (left(in, black, -1, stops) < HEALED * surfaces) {
        double more = stops;
        to.add(
            new Finding.Mend(
                "Expose " + Words.stops(more) + " more",
                Edits.look(in.shoot, in.shot, l -> l.exposed(more))));
        break;
      }
    }
    return to;
  }

  /** Cells that stay black when a light is raised, or all of them for −1. */
  private static int left(Inspection in, boolean[] black, int light, double stops) {
    double more = StrictMath.pow(2, stops) - 1;
    int n = 0;
    for (int i = 0; i < black.length; i++) {
      double all = in.luminance(i);
      n +=
          black[i] && in.displayOf(all + more * (light < 0 ? all : in.byLight[light][i])) < BLACK
              ? 1
              : 0;
    }
    return n;
  }
}

package levelember.findings;

import java.util.ArrayList;
import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.lighting.Light;

/** Outlines of the subject that do not part from what is behind them. */
final class LostEdges implements Check {
  private static final double PARTED = 0.045, MOST_LOST = 0.6, BETTER = 0.6;
  private static final int LEAST_PAIRS = 40;

  private record Pair(int subject, int behind) {}

  @Override
  public void look(Inspection in, List<Finding> to) {
    List<Pair> outline = outline(in);
    if (outline.size() < LEAST_PAIRS) {
      return;
    }
    double lost = lost(in, outline, -1, 0);
    if (lost < MOST_LOST) {
      return;
    }
    boolean[] cells = new boolean[in.cells()];
    outline.forEach(p -> cells[p.subject()] = true);
    to.add(
        new Finding(
            Finding.Kind.EDGE_LOST,
            null,
            null,
            0.5,
            Words.percent(lost)
                + " of the outline of the subject does not part from what is behind it.",
            "Without an edge of light or shade the shape sinks into the background.",
            in.region(cells),
            mends(in, outline, lost)));
  }

  private static List<Pair> outline(Inspection in) {
    List<Pair> to = new ArrayList<>();
    for (int i = 0; i < in.cells(); i++) {
      int x = i % in.columns, y = i / in.columns;
      if (!in.subject[i]) {
        continue;
      }
      for (int[] step : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
        // Two cells off, so that neither is a mix of both sides.
        int u = x + 2 * step[0], v = y + 2 * step[1];
        int beside = (y + step[1]) * in.columns + x + step[0];
        if (u >= 0 && u < in.columns && v >= 0 && v < in.rows && !in.subject[beside]) {
          int j = v * in.columns + u;
          if (!in.subject[j] && in.depth[j] > 1.05 * in.depth[i]) {
            to.add(new Pair(i, j));
          }
        }
      }
    }
    return to;
  }

  /** Share of the outline that is lost, with one light moved by so many stops. */
  private static double lost(Inspection in, List<Pair> outline, int light, double stops) {
    int n = 0;
    for (Pair p : outline) {
      double a = lightness(in, p.subject(), light, stops);
      double b = lightness(in, p.behind(), light, stops);
      n += Math.abs(a - b) < PARTED ? 1 : 0;
    }
    return (double) n / outline.size();
  }

  private static double lightness(Inspection in, int cell, int light, double stops) {
    double luminance = in.luminance(cell);
    if (light >= 0) {
      luminance += in.byLight[light][cell] * (StrictMath.pow(2, stops) - 1);
    }
    return StrictMath.cbrt(in.displayOf(luminance));
  }

  private static List<Finding.Mend> mends(Inspection in, List<Pair> outline, double lost) {
    int best = -1;
    double by = 0, least = BETTER * lost;
    for (int k = 0; k < in.byLight.length; k++) {
      for (double stops : new double[] {1, 2, -1, -2}) {
        double then = in.lit(k) ? lost(in, outline, k, stops) : 1;
        if (then < least) {
          least = then;
          best = k;
          by = stops;
        }
      }
    }
    if (best < 0) {
      return List.of();
    }
    Light light = in.light(best);
    return List.of(
        new Finding.Mend(
            (by > 0 ? "Raise " : "Lower ") + light.name() + " by " + Words.stops(Math.abs(by)),
            Edits.raised(in.shoot, light.id(), by)));
  }
}

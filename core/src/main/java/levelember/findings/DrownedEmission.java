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
import levelember.shoot.look.Glow;

/** Glowing pieces that other light drowns, and glow on pieces that light nothing about them. */
final class DrownedEmission implements Check {
  private static final double OWN = 0.5, AROUND = 0.01, MOST_RAISED = 6;
  private static final int LEAST_CELLS = 3, REACH = 12, EDGE = 2;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (!in.lit(k) || !(light.emitter() instanceof Emitter.Emissive e)) {
        continue;
      }
      boolean[] shining = new boolean[in.cells()];
      int n = 0;
      for (int i = 0; i < shining.length; i++) {
        shining[i] =
            in.piece[i] >= 0 && e.material().equals(in.shoot.pieces().get(in.piece[i]).material());
        n += shining[i] ? 1 : 0;
      }
      if (n >= LEAST_CELLS) {
        drowned(in, k, shining, to);
        lightless(in, k, shining, to);
      }
    }
  }

  private static double all(Inspection in, boolean[] cells) {
    double sum = 0;
    for (int k = 0; k < in.byLight.length; k++) {
      sum += in.mean(k, cells);
    }
    return sum;
  }

  private static void drowned(Inspection in, int k, boolean[] shining, List<Finding> to) {
    Light light = in.light(k);
    double own = in.mean(k, shining), all = all(in, shining);
    if (own <= 0 || own >= OWN * all) {
      return;
    }
    double stops = StrictMath.log(2 * (all - own) / own) / StrictMath.log(2);
    to.add(
        new Finding(
            Finding.Kind.EMISSION_DROWNED,
            light.id(),
            null,
            0.55,
            "Only "
                + Words.percent(own / all)
                + " of what is seen of "
                + light.name()
                + " is its own light.",
            "A thing that glows must be brighter than the light that falls on it, or it looks"
                + " painted.",
            in.region(shining),
            List.of(
                new Finding.Mend(
                    "Raise " + light.name() + " by " + Words.stops(stops),
                    Edits.raised(in.shoot, light.id(), stops)))));
  }

  private static void lightless(Inspection in, int k, boolean[] shining, List<Finding> to) {
    Light light = in.light(k);
    List<Glow> glows = in.look.glows().stream().filter(g -> g.on() && of(g, light.id())).toList();
    if (glows.isEmpty() || in.displayOf(in.mean(k, shining)) < 0.9) {
      return;
    }
    boolean[] about = about(in, shining);
    double own = in.mean(k, about), all = all(in, about);
    if (all <= 0 || own >= AROUND * all) {
      return;
    }
    double stops = own > 0 ? StrictMath.log(3 * AROUND * all / own) / StrictMath.log(2) : 0;
    to.add(
        new Finding(
            Finding.Kind.GLOW_WITHOUT_LIGHT,
            light.id(),
            null,
            0.35,
            light.name()
                + " glows, but gives "
                + Words.percent(own / all)
                + " of the light about it.",
            "A glow without light on what stands near looks pasted on.",
            in.region(about),
            mendsOfLightless(in, light, stops, glows)));
  }

  private static List<Finding.Mend> mendsOfLightless(
      Inspection in, Light light, double stops, List<Glow> glows) {
    List<Finding.Mend> to = new ArrayList<>();
    if (stops > 0 && stops <= MOST_RAISED) {
      to.add(
          new Finding.Mend(
              "Raise " + light.name() + " by " + Words.stops(stops),
              Edits.raised(in.shoot, light.id(), stops)));
    }
    Glow[] without =
        in.look.glows().stream()
            .map(g -> glows.contains(g) ? g.withOn(false) : g)
            .toArray(Glow[]::new);
    to.add(
        new Finding.Mend(
            "Turn off " + String.join(" and ", glows.stream().map(Glow::name).toList()),
            Edits.look(in.shoot, in.shot, l -> l.with(without))));
    return to;
  }

  private static boolean of(Glow glow, String light) {
    return switch (glow.source().kind()) {
      case PICTURE, EMISSION -> true;
      default -> glow.source().of().contains(light);
    };
  }

  /** Cells of the set near those given, without them and those that show their edges. */
  private static boolean[] about(Inspection in, boolean[] cells) {
    boolean[] near = widened(in, cells, REACH), edge = widened(in, cells, EDGE);
    for (int i = 0; i < near.length; i++) {
      near[i] &= !edge[i] && in.piece[i] >= 0;
    }
    return near;
  }

  private static boolean[] widened(Inspection in, boolean[] cells, int by) {
    boolean[] to = new boolean[cells.length];
    for (int i = 0; i < cells.length; i++) {
      int x = i % in.columns, y = i / in.columns;
      for (int v = Math.max(0, y - by); cells[i] && v <= Math.min(in.rows - 1, y + by); v++) {
        int from = v * in.columns + Math.max(0, x - by);
        Arrays.fill(to, from, v * in.columns + Math.min(in.columns, x + by + 1), true);
      }
    }
    return to;
  }
}

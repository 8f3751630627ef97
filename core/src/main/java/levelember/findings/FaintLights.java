package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/** Lights that are on and give next to nothing. */
final class FaintLights implements Check {
  private static final double LEAST = 0.003, SEEN = 0.03, MOST_STOPS = 8;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      double share = in.share(k);
      if (!in.lit(k) || share >= LEAST || light.emitter() instanceof Emitter.Plate) {
        continue;
      }
      double stops =
          share > 0
              ? Math.min(MOST_STOPS, StrictMath.log(SEEN / share) / StrictMath.log(2))
              : MOST_STOPS;
      Finding.Mend mute =
          new Finding.Mend(
              "Mute " + light.name(), Edits.light(in.shoot, light.id(), l -> l.withMuted(true)));
      Finding.Mend raise =
          new Finding.Mend(
              "Raise " + light.name() + " by " + Words.stops(stops),
              Edits.raised(in.shoot, light.id(), stops));
      to.add(
          new Finding(
              Finding.Kind.FAINT_LIGHT,
              light.id(),
              null,
              0.25,
              light.name() + " gives " + Words.percent(share) + " of the picture.",
              "A light that nobody sees costs time and makes the rig harder to read.",
              null,
              share > 0 ? List.of(mute, raise) : List.of(mute)));
    }
  }
}

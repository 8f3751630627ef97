package levelember.findings;

import java.util.ArrayList;
import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.measure.CausticReading;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;

/** Caustics that are traced and that other light drowns. */
final class DrownedCaustics implements Check {
  private static final double DROWNED_STOPS = 3, MOST_LEVEL = 4;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (!in.lit(k) || !light.controls().caustics().on()) {
        continue;
      }
      CausticReading reading = CausticReading.of(in.traced, in.weights, k);
      if (reading.drownedBy() < 0 || reading.drownedStops() < DROWNED_STOPS) {
        continue;
      }
      Light by = in.light(reading.drownedBy());
      double stops = reading.drownedStops() - DROWNED_STOPS + 1;
      LightControls controls = light.controls();
      List<Finding.Mend> mends = new ArrayList<>();
      mends.add(
          new Finding.Mend(
              "Lower " + by.name() + " by " + Words.stops(stops),
              Edits.raised(in.shoot, by.id(), -stops)));
      double level = controls.caustics().level() * StrictMath.pow(2, stops);
      if (level <= MOST_LEVEL) {
        mends.add(
            new Finding.Mend(
                "Raise the caustics of " + light.name(),
                Edits.light(
                    in.shoot,
                    light.id(),
                    l ->
                        l.withControls(
                            controls.withCaustics(controls.caustics().withLevel(level))))));
      }
      to.add(
          new Finding(
              Finding.Kind.CAUSTICS_DROWNED,
              light.id(),
              null,
              0.35,
              "Where the caustics of "
                  + light.name()
                  + " fall, "
                  + by.name()
                  + " is "
                  + Words.stops(reading.drownedStops())
                  + " brighter.",
              "They cost time and are not seen. Caustics show where little else falls.",
              null,
              mends));
    }
  }
}

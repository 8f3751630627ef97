package levelember.findings;

import java.util.List;
import java.util.Locale;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/** A surrounding that is tilted and seen. */
final class TiltedHorizon implements Check {
  private static final double LEAST_DEGREES = 0.5, LEAST_SHARE = 0.03;

  @Override
  public void look(Inspection in, List<Finding> to) {
    int open = 0;
    for (int piece : in.piece) {
      open += piece < 0 ? 1 : 0;
    }
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (!in.lit(k)
          || !light.seenDirectly()
          || open < LEAST_SHARE * in.cells()
          || !(light.emitter() instanceof Emitter.Environment e)
          || Math.abs(e.tiltDegrees()) < LEAST_DEGREES) {
        continue;
      }
      Emitter level =
          new Emitter.Environment(
              e.picture(), e.rotationDegrees(), 0, e.blurDegrees(), e.seamBlend());
      to.add(
          new Finding(
              Finding.Kind.HORIZON_TILTED,
              light.id(),
              null,
              0.4,
              String.format(
                  Locale.ROOT,
                  "The horizon of %s is tilted by %.1f°.",
                  light.name(),
                  Math.abs(e.tiltDegrees())),
              "Behind a set that stands upright a slanting horizon looks like a slip.",
              null,
              List.of(
                  new Finding.Mend(
                      "Level " + light.name(),
                      Edits.light(in.shoot, light.id(), l -> l.withEmitter(level))))));
    }
  }
}

package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.lighting.Light;

/** A subject whose two strongest lights are about the same, so that neither shapes it. */
final class FlatKey implements Check {
  private static final double FLAT = 1.3, BOTH = 0.6, SHAPING = 2;

  @Override
  public void look(Inspection in, List<Finding> to) {
    int key = in.strongest(in.subject);
    int fill = -1;
    double all = 0;
    for (int k = 0; k < in.byLight.length; k++) {
      double mean = in.mean(k, in.subject);
      all += mean;
      if (k != key && mean > 0 && (fill < 0 || mean > in.mean(fill, in.subject))) {
        fill = k;
      }
    }
    if (key < 0 || fill < 0) {
      return;
    }
    double strong = in.mean(key, in.subject), weak = in.mean(fill, in.subject);
    double ratio = strong / weak;
    if (ratio >= FLAT || strong + weak < BOTH * all) {
      return;
    }
    Light lower = in.light(fill);
    double stops = StrictMath.log(SHAPING / ratio) / StrictMath.log(2);
    to.add(
        new Finding(
            Finding.Kind.FLAT_KEY,
            lower.id(),
            null,
            0.4,
            in.light(key).name()
                + " to "
                + lower.name()
                + " is "
                + Words.ratio(ratio)
                + " on the subject.",
            "Key and fill of one strength cancel each other's shadows, and the form goes flat.",
            in.region(in.subject),
            List.of(
                new Finding.Mend(
                    "Lower " + lower.name() + " by " + Words.stops(stops),
                    Edits.raised(in.shoot, lower.id(), -stops)))));
  }
}

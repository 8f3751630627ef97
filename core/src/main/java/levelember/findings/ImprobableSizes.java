package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Extent;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.ScaledSet;
import levelember.findings.inspection.Subject;
import levelember.findings.inspection.Words;
import levelember.shoot.piece.Piece;

/** A subject that is larger or smaller than anything one lights: it came in another unit. */
final class ImprobableSizes implements Check {
  private static final double LARGEST = 150, SMALLEST = 0.003, LIKELY = 8, LEAST_LIKELY = 0.03;

  @Override
  public void look(Inspection in, List<Finding> to) {
    Piece root = Subject.root(in);
    if (root == null) {
      return;
    }
    double most = Extent.of(in, in.subject).largest();
    if (most >= SMALLEST && most <= LARGEST) {
      return;
    }
    double by = 1;
    while (most * by > LIKELY) {
      by /= 10;
    }
    while (most * by < LEAST_LIKELY) {
      by *= 10;
    }
    String times =
        by < 1 ? Math.round(1 / by) + " times smaller" : Math.round(by) + " times larger";
    to.add(
        new Finding(
            Finding.Kind.IMPROBABLE_SIZE,
            null,
            root.id(),
            0.9,
            root.name() + " is " + Words.metres(most) + " large.",
            "Lamps in lumens, falloff, depth of field and glass go by metres: at a wrong size all"
                + " of them are wrong.",
            in.region(in.subject),
            List.of(new Finding.Mend("Make the set " + times, ScaledSet.of(in.shoot, by)))));
  }
}

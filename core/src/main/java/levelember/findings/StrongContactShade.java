package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.shoot.look.ContactShade;

/** Contact shade so strong or wide that it is seen as dirt. */
final class StrongContactShade implements Check {
  private static final double MOST = 0.7, USUAL = 0.35;

  @Override
  public void look(Inspection in, List<Finding> to) {
    ContactShade shade = in.look.contact();
    if (shade.amount() <= MOST) {
      return;
    }
    to.add(
        new Finding(
            Finding.Kind.CONTACT_SHADE,
            null,
            null,
            0.4,
            "Contact shade takes "
                + Words.percent(shade.amount())
                + " of the light within "
                + Words.metres(shade.reach())
                + ".",
            "Real light reaches into most corners; so much shade reads as dirt.",
            null,
            List.of(
                new Finding.Mend(
                    "Contact shade at " + Words.percent(USUAL),
                    Edits.look(
                        in.shoot, in.shot, l -> l.with(new ContactShade(USUAL, shade.reach())))))));
  }
}

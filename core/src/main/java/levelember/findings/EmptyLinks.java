package levelember.findings;

import java.util.List;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.lighting.Light;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;

/** Lights whose links leave no piece that is shown. */
final class EmptyLinks implements Check {
  @Override
  public void look(Inspection in, List<Finding> to) {
    List<Piece> pieces = in.shoot.pieces();
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      boolean[] linked = PieceTransforms.in(light.controls().lightLinking(), pieces);
      if (!in.lit(k) || linked == null) {
        continue;
      }
      boolean any = false;
      for (int i = 0; i < linked.length; i++) {
        any |= linked[i] && pieces.get(i).shown() && pieces.get(i).shape() != null;
      }
      if (any) {
        continue;
      }
      to.add(
          new Finding(
              Finding.Kind.LINKED_TO_NOTHING,
              light.id(),
              null,
              0.7,
              light.name() + " is linked to no piece that is shown.",
              "It is on, and lights nothing.",
              null,
              List.of(
                  new Finding.Mend(
                      "Link " + light.name() + " to all pieces",
                      Edits.light(
                          in.shoot,
                          light.id(),
                          l ->
                              l.withControls(
                                  l.controls()
                                      .linked(Scope.ALL, l.controls().shadowLinking())))))));
    }
  }
}

package levelember.findings;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import levelember.edit.SetDown;
import levelember.edit.TrueSize;
import levelember.math.Vec3;
import levelember.shoot.Piece;

/**
 * Things that hang a little over what they should stand on, so that their shadow does not touch.
 */
final class FloatingPieces implements Check {
  private static final double LEAST = 0.002, MOST = 0.3, OF_SIZE = 0.35, LEAST_SHARE = 0.01;
  private static final int LARGEST = 4;

  @Override
  public void look(Inspection in, List<Finding> to) {
    Map<String, String> roots = in.roots();
    Map<String, Integer> cells = new HashMap<>();
    for (int number : in.piece) {
      if (number >= 0 && !Inspection.isStage(in.shoot.pieces().get(number))) {
        cells.merge(roots.get(in.shoot.pieces().get(number).id()), 1, Integer::sum);
      }
    }
    cells.entrySet().stream()
        .filter(e -> e.getValue() > LEAST_SHARE * in.cells())
        .sorted(
            Map.Entry.<String, Integer>comparingByValue()
                .reversed()
                .thenComparing(Map.Entry.comparingByKey()))
        .limit(LARGEST)
        .forEach(e -> at(in, e.getKey(), to));
  }

  private static void at(Inspection in, String id, List<Finding> to) {
    List<Piece> pieces = in.shoot.pieces();
    OptionalDouble rise = SetDown.rise(pieces, id, in.files.meshes());
    double[] size = TrueSize.of(pieces, id, in.files.meshes()).metres();
    if (rise.isEmpty() || size == null) {
      return;
    }
    double gap = -rise.getAsDouble(), large = Math.max(size[0], Math.max(size[1], size[2]));
    if (gap < LEAST || gap > MOST || gap > OF_SIZE * large) {
      return;
    }
    Piece piece = pieces.stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    Vec3 down = SetDown.place(pieces, id, rise.getAsDouble());
    Map<String, String> roots = in.roots();
    boolean[] own = new boolean[in.cells()];
    for (int i = 0; i < own.length; i++) {
      own[i] = in.piece[i] >= 0 && id.equals(roots.get(pieces.get(in.piece[i]).id()));
    }
    to.add(
        new Finding(
            Finding.Kind.FLOATING,
            null,
            id,
            0.65,
            piece.name() + " hangs " + Words.metres(gap) + " over what is under it.",
            "Its shadow does not touch it, so it seems to float.",
            in.region(own),
            List.of(
                new Finding.Mend(
                    "Set " + piece.name() + " down",
                    Edits.piece(in.shoot, id, p -> p.withPosition(down))))));
  }
}

package levelember.findings;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import levelember.edit.SetDown;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Extent;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Rays;
import levelember.findings.inspection.Words;
import levelember.firsthit.CameraHit;
import levelember.math.Vec3;
import levelember.shoot.piece.Piece;

/**
 * Things that hang a little over what they should stand on, so that their shadow does not touch.
 */
final class FloatingPieces implements Check {
  private static final double LEAST = 0.002, MOST = 0.3, OF_SIZE = 0.35, LEAST_SHARE = 0.01;
  private static final int LARGEST = 4, COARSE = 48, FINE = 240, MOST_SURFACES = 24;
  private static final double SKIP = 1e-4;
  private static final Vec3 DOWN = new Vec3(0, -1, 0);

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
    Map<String, String> roots = in.roots();
    boolean[] own = new boolean[in.cells()];
    for (int i = 0; i < own.length; i++) {
      own[i] = in.piece[i] >= 0 && id.equals(roots.get(pieces.get(in.piece[i]).id()));
    }
    Extent extent = Extent.of(in, own);
    double most = Math.min(MOST, OF_SIZE * extent.largest());
    if (!within(gap(in, id, roots, extent, COARSE), most)
        || !within(gap(in, id, roots, extent, FINE), most)) {
      return;
    }
    // Rays miss the thinnest feet; corners do not, but take longer.
    OptionalDouble rise = SetDown.rise(pieces, id, in.files.meshes());
    double gap = -rise.orElse(0);
    if (!within(gap, most)) {
      return;
    }
    Piece piece = pieces.stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
    Vec3 down = SetDown.place(pieces, id, -gap);
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

  private static boolean within(double gap, double most) {
    return gap >= LEAST && gap <= most;
  }

  /**
   * The least way down from a thing to what is under it, by rays through it from above; not a
   * number where nothing is.
   */
  private static double gap(
      Inspection in, String id, Map<String, String> roots, Extent extent, int rays) {
    CameraHit hit = new CameraHit(in.view.scene());
    double least = Double.NaN;
    Vec3 size = extent.max().minus(extent.min());
    // What is turned away from the camera is as deep as what it sees is wide.
    double wide = Math.max(size.x(), size.z());
    Vec3 middle = extent.min().plus(extent.max()).times(0.5);
    for (int i = 0; i < rays * rays; i++) {
      double x = middle.x() + ((i % rays + 0.5) / rays - 0.5) * 2 * wide;
      double z = middle.z() + ((i / rays + 0.5) / rays - 0.5) * 2 * wide;
      double top = extent.max().y() + 0.1 * extent.largest() + 0.01;
      double under = under(in, hit, new Vec3(x, top, z), id, roots);
      least = under >= 0 && !(under > least) ? under : least;
    }
    return least;
  }

  /** The way from a thing's underside to what is next below; negative where it is not met. */
  private static double under(
      Inspection in, CameraHit hit, Vec3 from, String id, Map<String, String> roots) {
    Vec3 at = from;
    double underside = Double.NaN;
    for (int step = 0; step < MOST_SURFACES; step++) {
      if (!hit.trace(Rays.of(at.minus(in.view.origin()), DOWN))) {
        return -1;
      }
      Vec3 met = hit.position().plus(in.view.origin());
      if (id.equals(roots.get(in.shoot.pieces().get(hit.piece()).id()))) {
        underside = met.y();
      } else if (!Double.isNaN(underside)) {
        return underside - met.y();
      }
      at = met.plus(DOWN.times(SKIP));
    }
    return -1;
  }
}

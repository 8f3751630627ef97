package levelember.printing.order;

import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.math.Vec3;
import levelember.scene.ShutterViews;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.piece.Piece;

/**
 * The times at which a print of a shoot that moves is sampled while its shutter is open: as many as
 * a pixel has samples, up to {@value #MOST} where nothing but the places of pieces, lights and
 * camera changes, so that a bright edge that crosses so many pixels leaves no steps; up to {@value
 * #MOST_OF_SHAPES} where shapes or materials change, of which each time is built anew.
 */
public final class ShutterMoments {
  private static final int MOST = 64;
  private static final int MOST_OF_SHAPES = 16;

  private ShutterMoments() {}

  /**
   * The times about one, none where the shoot has no shutter.
   *
   * @param moving the shoot with its motion
   * @param seconds the middle
   * @param made what of a shoot at a time is printed
   */
  public static List<ShutterViews.Moment> of(
      Shoot moving, double seconds, PrintOrder order, UnaryOperator<Shoot> made) {
    double[] ends = moving.motion().shutterTimes(seconds, 2);
    if (ends.length == 0) {
      return List.of();
    }
    boolean rigid = samePieces(ShootAtTime.of(moving, ends[0]), ShootAtTime.of(moving, ends[1]));
    int samples = Math.clamp(order.target().samples(), 1, rigid ? MOST : MOST_OF_SHAPES);
    int count = Integer.highestOneBit(2 * samples - 1);
    return Arrays.stream(moving.motion().shutterTimes(seconds, count))
        .mapToObj(t -> {
          Shoot then = made.apply(ShootAtTime.of(moving, t));
          return new ShutterViews.Moment(
              then, then.shot(order.shot()).orElseThrow().withCutOut(order.cutOut()));
        })
        .toList();
  }

  /** Whether pieces are the same but for where they are. */
  private static boolean samePieces(Shoot a, Shoot b) {
    return a.materials().equals(b.materials()) && unplaced(a).equals(unplaced(b));
  }

  private static List<Piece> unplaced(Shoot shoot) {
    return shoot.pieces().stream()
        .map(p ->
            p.withPosition(Vec3.ZERO).withRotationDegrees(Vec3.ZERO).withScale(new Vec3(1, 1, 1)))
        .toList();
  }
}

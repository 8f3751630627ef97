package levelember.formats.print;

import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.transport.ShutterViews;

/** The times at which a print of a shoot that moves is sampled while its shutter is open. */
public final class ShutterMoments {
  private static final int MOST = 16;

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
    int samples = Math.clamp(order.target().samples(), 1, MOST);
    int count = Integer.highestOneBit(2 * samples - 1);
    return Arrays.stream(moving.motion().shutterTimes(seconds, count))
        .mapToObj(t -> {
          Shoot then = made.apply(ShootAtTime.of(moving, t));
          return new ShutterViews.Moment(
              then, then.shot(order.shot()).orElseThrow().withCutOut(order.cutOut()));
        })
        .toList();
  }
}

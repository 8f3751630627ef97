package levelember.scene;

import java.util.ArrayList;
import java.util.List;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;

/**
 * A shot at several times while its shutter is open. Samples of a pixel are spread evenly over the
 * times, any first few of them too (distributed ray tracing, Cook, Porter and Carpenter 1984, with
 * times in the order of van der Corput).
 */
public final class ShutterViews {
  private final List<View> views;

  private ShutterViews(List<View> views) {
    this.views = views;
  }

  /**
   * A time within the shutter.
   *
   * @param shoot as it is then
   * @param shot the camera then
   */
  public record Moment(Shoot shoot, Shot shot) {}

  /** One time alone. */
  public static ShutterViews of(View view) {
    return new ShutterViews(List.of(view));
  }

  /**
   * Compiles the times within a shutter; one alone where nothing moves that is traced.
   *
   * @param middle of the shutter, compiled
   * @param shot of it
   * @param moments in order of time, a power of two of them, or none
   */
  public static ShutterViews during(
      View middle, Shot shot, List<Moment> moments, SceneAssets files) {
    if (Integer.bitCount(moments.size()) > 1) {
      throw new IllegalArgumentException("a power of two of times, not " + moments.size());
    }
    List<View> views = new ArrayList<>();
    View view = middle;
    Shot shotOfView = shot;
    boolean moves = false;
    for (Moment moment : moments) {
      EditCost cost = EditCost.between(view.shoot(), shotOfView, moment.shoot, moment.shot);
      moves |= !cost.nothing();
      view = view.next(moment.shoot, moment.shot, files, cost);
      shotOfView = moment.shot;
      views.add(view);
    }
    return moves ? new ShutterViews(views) : of(middle);
  }

  /** How many times there are. */
  public int count() {
    return views.size();
  }

  /** The number of the time of a sample. */
  public int index(int sample) {
    int n = views.size();
    return n == 1 ? 0 : Integer.reverse(sample % n) >>> 32 - Integer.numberOfTrailingZeros(n);
  }

  /** The shot at a time, by its number. */
  public View view(int index) {
    return views.get(index);
  }

  /** Lights, the same at all times. */
  public int layers() {
    return views.getFirst().layers();
  }
}

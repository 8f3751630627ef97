package levelember.edit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.firsthit.CameraHit;
import levelember.lens.Camera;
import levelember.lens.ThinLens;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Pin;
import levelember.shoot.Shot;
import levelember.shoot.compile.PieceTransforms;

/**
 * Where a pin lies in a picture, and which pixels it reads.
 *
 * @param state whether it can be read
 * @param x from the left, 0…1 of the picture; of no meaning where it is gone or behind the camera
 * @param y from the top, 0…1 of the picture
 * @param pixels numbers of the pixels that it reads, by rows; none unless it is seen
 */
public record PinInView(State state, double x, double y, int[] pixels) {

  /** Whether a pin can be read. */
  public enum State {
    SEEN,
    /** Something stands before it, or its surface is turned away. */
    HIDDEN,
    OUTSIDE,
    /** Its piece is gone. */
    GONE
  }

  /** Pixels about a spot that are read with it, either way. */
  private static final int SPOT_REACH = 2;

  private static final int[] NONE = {};

  /** Share of its distance by which a surface may lie before the pin and still be the pin's. */
  private static final double NEAR = 0.01;

  private static final double FULL_FACING = 1e-3;

  /** A pin in the world. */
  public record InWorld(Vec3 position, Vec3 normal) {}

  /** Where a pin is in the world; null when its piece is gone. */
  public static InWorld inWorld(PieceTransforms frames, Pin pin) {
    if (pin.piece() == null) {
      return new InWorld(pin.position(), pin.normal().unit());
    }
    if (!frames.has(pin.piece())) {
      return null;
    }
    Affine frame = frames.of(pin.piece());
    return new InWorld(frame.point(pin.position()), frame.normal(pin.normal()).unit());
  }

  /** A spot pin at a place that was picked, in the frame of its piece. */
  public static Pin at(PieceTransforms frames, Pick pick, String id, String name) {
    Affine into = frames.of(pick.piece()).inverse();
    return new Pin(
        id, name, pick.piece(), into.point(pick.position()), into.normal(pick.normal()).unit(), 0);
  }

  /** Finds a pin in a picture of a view. */
  public static PinInView of(View view, Pin pin, int width, int height) {
    InWorld place = inWorld(new PieceTransforms(view.shoot().pieces()), pin);
    if (place == null) {
      return new PinInView(State.GONE, 0, 0, NONE);
    }
    Shot shot = view.shot();
    ThinLens lens = new ThinLens(shot, width, height, 1);
    Vec3 at = place.position().minus(view.origin());
    double[] to = new double[2];
    boolean before = lens.project(at, to);
    double x = to[0] / width, y = to[1] / height;
    if (!before || !(x >= 0 && x < 1 && y >= 0 && y < 1)) {
      return new PinInView(State.OUTSIDE, x, y, NONE);
    }
    if (!seen(view, shot, at, place.normal(), pin)) {
      return new PinInView(State.HIDDEN, x, y, NONE);
    }
    int[] pixels =
        pin.radius() > 0
            ? area(lens, at, place.normal(), pin.radius(), to, width, height)
            : spot((int) to[0], (int) to[1], SPOT_REACH, width, height);
    return new PinInView(State.SEEN, x, y, pixels);
  }

  /** The pixels that pins read, by id; those that are not seen are missing. */
  public static Map<String, int[]> pixels(View view, List<Pin> pins, int width, int height) {
    Map<String, int[]> to = new HashMap<>();
    for (Pin pin : pins) {
      PinInView there = of(view, pin, width, height);
      if (there.state() == State.SEEN) {
        to.put(pin.id(), there.pixels());
      }
    }
    return to;
  }

  private static boolean seen(View view, Shot shot, Vec3 at, Vec3 normal, Pin pin) {
    Vec3 way = at.minus(shot.position());
    double distance = way.length();
    way = way.times(1 / distance);
    if (way.dot(normal) > -FULL_FACING) {
      return false;
    }
    Camera.Ray ray = new Camera.Ray();
    ray.ox = (float) shot.position().x();
    ray.oy = (float) shot.position().y();
    ray.oz = (float) shot.position().z();
    ray.dx = (float) way.x();
    ray.dy = (float) way.y();
    ray.dz = (float) way.z();
    CameraHit hit = new CameraHit(view.scene());
    return hit.trace(ray) && hit.distance() > distance - Math.max(pin.radius(), NEAR * distance);
  }

  private static int[] spot(int px, int py, int reach, int width, int height) {
    int[] to = new int[(2 * reach + 1) * (2 * reach + 1)];
    int n = 0;
    for (int j = Math.max(0, py - reach); j <= Math.min(height - 1, py + reach); j++) {
      for (int i = Math.max(0, px - reach); i <= Math.min(width - 1, px + reach); i++) {
        to[n++] = j * width + i;
      }
    }
    return Arrays.copyOf(to, n);
  }

  /** Pixels through whose middle a disc on the surface is seen; a spot where there is none. */
  private static int[] area(
      ThinLens lens, Vec3 at, Vec3 normal, double radius, double[] middle, int width, int height) {
    double[] box = box(lens, at, normal, radius, width, height);
    int[] to = new int[64];
    int n = 0;
    for (int j = (int) box[1]; j <= (int) box[3]; j++) {
      for (int i = (int) box[0]; i <= (int) box[2]; i++) {
        if (onDisc(lens, i, j, at, normal, radius)) {
          to = n == to.length ? Arrays.copyOf(to, 2 * n) : to;
          to[n++] = j * width + i;
        }
      }
    }
    return n == 0 ? spot((int) middle[0], (int) middle[1], 0, width, height) : Arrays.copyOf(to, n);
  }

  private static boolean onDisc(ThinLens lens, int i, int j, Vec3 at, Vec3 normal, double radius) {
    Camera.Ray ray = new Camera.Ray();
    lens.ray(i, j, 0.5f, 0.5f, 0, 0, ray);
    Vec3 from = new Vec3(ray.ox, ray.oy, ray.oz), way = new Vec3(ray.dx, ray.dy, ray.dz);
    double t = at.minus(from).dot(normal) / way.dot(normal);
    return t > 0 && from.plus(way.times(t)).minus(at).length() <= radius;
  }

  /** Columns and rows about the disc, within the picture: left, top, right, bottom. */
  private static double[] box(
      ThinLens lens, Vec3 at, Vec3 normal, double radius, int width, int height) {
    Vec3 side = normal.cross(Math.abs(normal.y()) < 0.9 ? Vec3.UP : new Vec3(1, 0, 0)).unit();
    Vec3 other = normal.cross(side);
    double[] box = {width, height, 0, 0};
    double[] to = new double[2];
    for (int k = 0; k < 16; k++) {
      double turn = 2 * Math.PI * k / 16;
      Vec3 edge =
          at.plus(side.times(1.1 * radius * StrictMath.cos(turn)))
              .plus(other.times(1.1 * radius * StrictMath.sin(turn)));
      if (lens.project(edge, to)) {
        box[0] = Math.min(box[0], to[0]);
        box[1] = Math.min(box[1], to[1]);
        box[2] = Math.max(box[2], to[0]);
        box[3] = Math.max(box[3], to[1]);
      }
    }
    return new double[] {
      Math.clamp(box[0], 0, width - 1),
      Math.clamp(box[1], 0, height - 1),
      Math.clamp(box[2], 0, width - 1),
      Math.clamp(box[3], 0, height - 1)
    };
  }
}

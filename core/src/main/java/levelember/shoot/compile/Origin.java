package levelember.shoot.compile;

import java.util.Arrays;
import java.util.function.ToDoubleFunction;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import levelember.shoot.piece.Piece;

/**
 * Where the frame begins that a shoot is traced in: near its cameras, so that single precision is
 * fine there however far from the world's origin the set stands.
 */
public final class Origin {
  /** Metres between possible origins; the world's own for any set of usual size. */
  private static final double STEP = 256;

  private Origin() {}

  /** The origin of a shoot: its cameras' median place in whole steps. */
  public static Vec3 of(Shoot shoot) {
    return new Vec3(median(shoot, Vec3::x), median(shoot, Vec3::y), median(shoot, Vec3::z));
  }

  private static double median(Shoot shoot, ToDoubleFunction<Vec3> axis) {
    double[] all =
        shoot.shots().stream().mapToDouble(s -> axis.applyAsDouble(s.position())).toArray();
    Arrays.sort(all);
    return Math.rint(all[all.length / 2] / STEP) * STEP;
  }

  /** The same shoot in a frame that begins at an origin. */
  public static Shoot from(Vec3 origin, Shoot shoot) {
    if (origin.equals(Vec3.ZERO)) {
      return shoot;
    }
    return new Shoot(
        shoot.name(),
        shoot.pieces().stream().map(p -> from(origin, p)).toList(),
        shoot.materials(),
        shoot.lights().stream().map(l -> from(origin, l)).toList(),
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        shoot.shots().stream().map(s -> from(origin, s)).toList(),
        shoot.looks());
  }

  /** The same camera in that frame. */
  public static Shot from(Vec3 origin, Shot shot) {
    return shot.withPosition(shot.position().minus(origin)).withAim(shot.aim().minus(origin));
  }

  private static Piece from(Vec3 origin, Piece piece) {
    return piece.parent() == null ? piece.withPosition(piece.position().minus(origin)) : piece;
  }

  private static Light from(Vec3 origin, Light light) {
    Light to = light;
    if (light.parent() == null) {
      to = to.withPosition(light.position().minus(origin));
      to = light.aimedAt() == null ? to.withAim(light.aim().minus(origin)) : to;
    }
    Light.Mirror mirror = light.mirror();
    return mirror == null
        ? to
        : to.withMirror(
            new Light.Mirror(mirror.of(), mirror.point().minus(origin), mirror.normal()));
  }
}

package levelember.findings.surroundings;

import levelember.math.Vec3;
import levelember.shoot.lighting.Emitter;

/**
 * Directions of a surrounding picture as it stands in the set: turned about the vertical, then
 * tilted.
 */
final class EnvironmentFrame {
  private EnvironmentFrame() {}

  /** A unit vector of the picture's own frame, whose middle column looks along −z, in the set. */
  static Vec3 toWorld(Emitter.Environment e, Vec3 own) {
    double turn = Math.toRadians(e.rotationDegrees()), tilt = Math.toRadians(e.tiltDegrees());
    double cosTurn = StrictMath.cos(turn), sinTurn = StrictMath.sin(turn);
    double x = cosTurn * own.x() + sinTurn * own.z(), z = cosTurn * own.z() - sinTurn * own.x();
    double cos = StrictMath.cos(tilt), sin = StrictMath.sin(tilt);
    return new Vec3(x, cos * own.y() - sin * z, sin * own.y() + cos * z);
  }
}

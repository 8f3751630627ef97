package levelember.findings.inspection;

import levelember.math.Vec3;
import levelember.shoot.lighting.Emitter;

/** Sizes of lamps that have a shape. */
public final class LampSize {
  private LampSize() {}

  public static boolean twoSided(Emitter emitter) {
    return emitter instanceof Emitter.Rectangle r && r.twoSided()
        || emitter instanceof Emitter.Disc d && d.twoSided();
  }

  /** Angle across a lamp as seen from a place, degrees; 0 for a point. */
  public static double degrees(Emitter emitter, Vec3 lamp, Vec3 from) {
    double radius = emitter instanceof Emitter.Spot s ? s.sourceRadius() : emitter.faceRadius();
    return Math.toDegrees(2 * StrictMath.atan(radius / Math.max(1e-6, lamp.minus(from).length())));
  }
}

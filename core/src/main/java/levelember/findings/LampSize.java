package levelember.findings;

import levelember.math.Vec3;
import levelember.shoot.Emitter;

/** Sizes of lamps that have a shape. */
final class LampSize {
  private LampSize() {}

  /** Half of a lamp's mean width, metres; 0 for what has none. */
  static double radius(Emitter emitter) {
    return switch (emitter) {
      case Emitter.Rectangle r -> Math.sqrt(r.width() * r.height() / Math.PI);
      case Emitter.Disc d -> d.radius();
      case Emitter.Sphere s -> s.radius();
      case Emitter.Tube t -> Math.sqrt(t.length() * 2 * t.radius() / Math.PI);
      default -> 0;
    };
  }

  static boolean twoSided(Emitter emitter) {
    return emitter instanceof Emitter.Rectangle r && r.twoSided()
        || emitter instanceof Emitter.Disc d && d.twoSided();
  }

  /** The same lamp so many times as wide and as high; null for a kind without a size. */
  static Emitter scaled(Emitter emitter, double by) {
    return switch (emitter) {
      case Emitter.Rectangle r ->
          new Emitter.Rectangle(
              r.width() * by, r.height() * by, r.twoSided(), r.spreadDegrees(), r.picture());
      case Emitter.Disc d ->
          new Emitter.Disc(d.radius() * by, d.twoSided(), d.spreadDegrees(), d.picture());
      case Emitter.Sphere s -> new Emitter.Sphere(s.radius() * by);
      case Emitter.Tube t -> new Emitter.Tube(t.length() * by, t.radius() * by);
      case Emitter.Spot s ->
          new Emitter.Spot(
              s.coneDegrees(),
              s.feather(),
              s.sourceRadius() * by,
              s.gateDistance(),
              s.profile(),
              s.gobo(),
              s.doors());
      default -> null;
    };
  }

  /** Angle across a lamp as seen from a place, degrees; 0 for a point. */
  static double degrees(Emitter emitter, Vec3 lamp, Vec3 from) {
    double radius = emitter instanceof Emitter.Spot s ? s.sourceRadius() : radius(emitter);
    return Math.toDegrees(2 * StrictMath.atan(radius / Math.max(1e-6, lamp.minus(from).length())));
  }
}

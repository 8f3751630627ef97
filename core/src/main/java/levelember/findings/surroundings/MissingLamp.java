package levelember.findings.surroundings;

import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Inspection;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * A light of the rig for what the brightest patch of a surrounding picture lacks: of its direction
 * and size, and of {@value #STOPS} stops more light in all than it gives as it was clipped.
 */
final class MissingLamp {
  private static final double STOPS = 2, SAME_COSINE = StrictMath.cos(Math.toRadians(12));
  private static final double WIDEST_DEGREES = 70;

  private MissingLamp() {}

  /** Whether the highlight is narrow enough to be a lamp or a window. */
  static boolean canBeAdded(PicturedHighlight highlight) {
    return highlight != null && highlight.degrees() <= WIDEST_DEGREES;
  }

  /** Whether a lamp of the rig that is on shines from where the picture's highlight stands. */
  static boolean isAimed(Inspection in, Emitter.Environment e, PicturedHighlight highlight) {
    Vec3 wanted = EnvironmentFrame.toWorld(e, highlight.direction());
    for (int k : in.litLights()) {
      Light light = in.light(k);
      Vec3 from = light.position().minus(light.aim());
      if (light.emitter().aimed() && from.dot(wanted) > SAME_COSINE * from.length()) {
        return true;
      }
    }
    return false;
  }

  /** The shoot with that light, on the bank of the surrounding. */
  static Shoot added(Shoot shoot, Light light, Emitter.Environment e, PicturedHighlight highlight) {
    double more = StrictMath.pow(2, STOPS) - 1;
    double lux = highlight.illuminance() * more * light.brightness().value();
    Vec3 towards = EnvironmentFrame.toWorld(e, highlight.direction());
    String name = "Highlight of " + light.name();
    return Edits.withSun(shoot, light, name, highlight.degrees(), towards, lux);
  }
}

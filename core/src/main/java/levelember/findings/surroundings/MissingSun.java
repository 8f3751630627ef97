package levelember.findings.surroundings;

import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Inspection;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;

/**
 * A sun of the rig for the light that a surrounding picture's clipped sun has lost. A high sun
 * gives a surface that faces it {@value #SUN_TO_SKY} times what an even sky of the picture's mean
 * luminance gives.
 */
final class MissingSun {
  private static final double SUN_TO_SKY = 4, SAME_COSINE = StrictMath.cos(Math.toRadians(8));

  private MissingSun() {}

  /** Stops over the mean at which a sun of that size gives what the sun gives. */
  static double neededStops(PicturedSun sun) {
    double half = Math.toRadians(sun.degrees() / 2);
    return StrictMath.log(SUN_TO_SKY / (half * half)) / StrictMath.log(2);
  }

  /** The unit direction towards the sun of a surrounding as it stands in the set. */
  static Vec3 direction(Emitter.Environment e, Picture picture, PicturedSun sun) {
    double polar = Math.PI * sun.row() / picture.height();
    double azimuth = 2 * Math.PI * (sun.column() / picture.width() - 0.5);
    double sin = StrictMath.sin(polar);
    Vec3 own =
        new Vec3(
            sin * StrictMath.sin(azimuth), StrictMath.cos(polar), -sin * StrictMath.cos(azimuth));
    return EnvironmentFrame.toWorld(e, own);
  }

  /** Whether a sun of the rig that is on shines from where the picture's stands. */
  static boolean aimed(Inspection in, Emitter.Environment e, Picture picture, PicturedSun sun) {
    Vec3 wanted = direction(e, picture, sun);
    for (int k : in.litLights()) {
      Light light = in.light(k);
      if (light.emitter() instanceof Emitter.Sun) {
        Vec3 from = light.position().minus(light.aim());
        if (from.dot(wanted) > SAME_COSINE * from.length()) {
          return true;
        }
      }
    }
    return false;
  }

  /**
   * The shoot with what the picture's sun has lost as a sun of the rig, on the same fader's bank.
   */
  static Shoot added(
      Shoot shoot, Light light, Emitter.Environment e, Picture picture, PicturedSun sun) {
    double half = Math.toRadians(sun.degrees() / 2);
    double there = StrictMath.pow(2, sun.stops()) * half * half;
    double lux = Math.PI * sun.mean() * (SUN_TO_SKY - there) * light.brightness().value();
    Vec3 towards = direction(e, picture, sun);
    return Edits.withSun(shoot, light, "Sun of " + light.name(), sun.degrees(), towards, lux);
  }
}

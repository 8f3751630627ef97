package levelember.shoot;

import levelember.math.Vec3;

/**
 * One light of the rig. Brightness, level, colour, mute and alone only weigh the light's layer;
 * everything else is traced.
 *
 * @param id unique among lights
 * @param name as the artist reads it
 * @param emitter kind and dimensions
 * @param place metres; without meaning for environment, dome and emissive pieces
 * @param aim the point that a rectangle faces
 * @param rollDegrees about the line of aim
 * @param brightness the lamp's own value; for an environment the luminance of a pixel of 1.0
 * @param levelStops fader, −10…+10 stops over the brightness
 * @param colour temperature, tint and filter
 * @param muted gives nothing
 * @param alone when any light is alone, only those that are give light
 * @param showsToCamera shows its own shape, or the surrounding, to the camera
 */
public record Light(
    String id,
    String name,
    Emitter emitter,
    Vec3 place,
    Vec3 aim,
    double rollDegrees,
    Brightness brightness,
    double levelStops,
    LightColour colour,
    boolean muted,
    boolean alone,
    boolean showsToCamera) {

  public Light {
    Checks.id(id);
    Checks.name("name", name);
    if (emitter == null) {
      throw new ImpossibleValue("emitter", null, "a kind of light");
    }
    Checks.place("place", place);
    Checks.place("aim", aim);
    if (emitter instanceof Emitter.Rectangle && place.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the light's place");
    }
    Checks.range("rollDegrees", rollDegrees, -36_000, 36_000);
    Checks.range("levelStops", levelStops, -10, 10);
    boolean surface = emitter instanceof Emitter.Rectangle || emitter instanceof Emitter.Sphere;
    if (!surface) {
      Brightness.Unit unit = brightness.unit();
      boolean point = emitter instanceof Emitter.Point;
      if (point && unit == Brightness.Unit.NIT) {
        throw new ImpossibleValue("brightness.unit", unit.symbol(), "lm, cd, lx or W for a point");
      }
      if (!point && unit != Brightness.Unit.NIT) {
        throw new ImpossibleValue("brightness.unit", unit.symbol(), "cd/m2 for this kind of light");
      }
    }
  }

  /** The same light with only what its traced layer depends on; the rest is neutral. */
  public Light withoutWeights() {
    return new Light(
        id,
        "traced",
        emitter,
        place,
        aim,
        rollDegrees,
        new Brightness(
            0, emitter instanceof Emitter.Point ? Brightness.Unit.CANDELA : Brightness.Unit.NIT),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        showsToCamera);
  }
}

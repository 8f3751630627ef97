package levelember.shoot;

import levelember.math.Vec3;

/**
 * A camera and the look it wears.
 *
 * @param id unique among shots
 * @param name as the artist reads it
 * @param place of the lens, metres
 * @param aim the point in the middle of the picture
 * @param focalLengthMm of the lens
 * @param sensorWidthMm width of the picture on the sensor
 * @param fStop aperture number; 0 is a pinhole with everything sharp
 * @param focusDistance metres from the lens; 0 focuses on the aim
 * @param look id of the look it wears
 */
public record Shot(
    String id,
    String name,
    Vec3 place,
    Vec3 aim,
    double focalLengthMm,
    double sensorWidthMm,
    double fStop,
    double focusDistance,
    String look) {

  public Shot {
    Checks.id(id);
    Checks.name("name", name);
    Checks.place("place", place);
    Checks.place("aim", aim);
    if (place.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the camera's place");
    }
    Checks.range("focalLengthMm", focalLengthMm, 4, 2000);
    Checks.range("sensorWidthMm", sensorWidthMm, 1, 200);
    Checks.range("fStop", fStop, 0, 128);
    Checks.range("focusDistance", focusDistance, 0, 100_000);
    Checks.name("look", look);
  }
}

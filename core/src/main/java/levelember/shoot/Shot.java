package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.math.Vec3;

/**
 * A camera and the look it wears.
 *
 * @param id unique among shots
 * @param name as the artist reads it
 * @param position of the lens, metres
 * @param aim the point in the middle of the picture
 * @param focalLengthMm of the lens
 * @param sensorWidthMm width of the picture on the sensor
 * @param fStop aperture number; 0 is a pinhole with everything sharp
 * @param focusDistance metres from the lens; 0 focuses on the aim
 * @param look id of the look it wears
 * @param upright keeps upright lines upright: the camera looks level and the lens is shifted so
 *     that the aim stays in the middle (two-point perspective)
 * @param blades of the aperture, which shape what is out of focus; 0 is round
 * @param bladeRotationDegrees turn of the aperture
 * @param exposureStops over the look's exposure, −10…10
 * @param cropAspect width over height of the guides for a crop; 0 shows none
 * @param cutOut leaves out what lies behind the set, and pictures get an alpha: 1 where a piece is
 *     seen, on a shadow catcher how much of its light is shaded
 */
@RecordBuilder
public record Shot(
    String id,
    String name,
    Vec3 position,
    Vec3 aim,
    double focalLengthMm,
    double sensorWidthMm,
    double fStop,
    double focusDistance,
    String look,
    boolean upright,
    int blades,
    double bladeRotationDegrees,
    double exposureStops,
    double cropAspect,
    boolean cutOut)
    implements ShotBuilder.With {

  /** A shot that is not cut out. */
  public Shot(
      String id,
      String name,
      Vec3 position,
      Vec3 aim,
      double focalLengthMm,
      double sensorWidthMm,
      double fStop,
      double focusDistance,
      String look,
      boolean upright,
      int blades,
      double bladeRotationDegrees,
      double exposureStops,
      double cropAspect) {
    this(
        id,
        name,
        position,
        aim,
        focalLengthMm,
        sensorWidthMm,
        fStop,
        focusDistance,
        look,
        upright,
        blades,
        bladeRotationDegrees,
        exposureStops,
        cropAspect,
        false);
  }

  /** A shot with a round aperture that is neither upright, nor exposed apart, nor cropped. */
  public Shot(
      String id,
      String name,
      Vec3 position,
      Vec3 aim,
      double focalLengthMm,
      double sensorWidthMm,
      double fStop,
      double focusDistance,
      String look) {
    this(
        id,
        name,
        position,
        aim,
        focalLengthMm,
        sensorWidthMm,
        fStop,
        focusDistance,
        look,
        false,
        0,
        0,
        0,
        0);
  }

  public Shot {
    Checks.id(id);
    Checks.name("name", name);
    Checks.place("position", position);
    Checks.place("aim", aim);
    if (position.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the camera's position");
    }
    Checks.range("focalLengthMm", focalLengthMm, 4, 2000);
    Checks.range("sensorWidthMm", sensorWidthMm, 1, 200);
    Checks.range("fStop", fStop, 0, 128);
    Checks.range("focusDistance", focusDistance, 0, 100_000);
    Checks.name("look", look);
    if (blades != 0) {
      Checks.range("blades", blades, 3, 20);
    }
    Checks.range("bladeRotationDegrees", bladeRotationDegrees, -360, 360);
    Checks.range("exposureStops", exposureStops, -10, 10);
    if (cropAspect != 0) {
      Checks.range("cropAspect", cropAspect, 0.1, 10);
    }
  }
}

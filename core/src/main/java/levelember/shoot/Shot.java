package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Vec3;

/** A camera and the look it wears. */
@RecordBuilder
public record Shot(
    @Field(says = "unique among shots", text = Field.Text.ID) String id,
    @Field(says = "as the artist reads it", usual = "@id") String name,
    @Field(says = "place of the lens", least = -1e5, most = 1e5, unit = "m") Vec3 position,
    @Field(
            says = "the point in the middle of the picture",
            usual = "[0, 0, 0]",
            least = -1e5,
            most = 1e5,
            unit = "m")
        Vec3 aim,
    @Field(says = "focal length of the lens", usual = "50", least = 4, most = 2000, unit = "mm")
        double focalLengthMm,
    @Field(
            says = "width of the picture on the sensor",
            usual = "36",
            least = 1,
            most = 200,
            unit = "mm")
        double sensorWidthMm,
    @Field(
            says = "aperture number; 0 is a pinhole with everything sharp",
            usual = "0",
            least = 0,
            most = 128)
        double fStop,
    @Field(
            says = "distance in focus, from the lens; 0 focuses on the aim",
            usual = "0",
            least = 0,
            most = 100_000,
            unit = "m")
        double focusDistance,
    @Field(says = "id of the look it wears") String look,
    @Field(
            says =
                "keeps upright lines upright: the camera looks level and the lens is "
                    + "shifted so that the aim stays in the middle",
            usual = "false")
        boolean upright,
    @Field(
            says = "blades of the aperture, which shape what is out of focus; 0 is round",
            usual = "0",
            least = 3,
            most = 20,
            orZero = true)
        int blades,
    @Field(says = "turn of the aperture", usual = "0", least = -360, most = 360, unit = "°")
        double bladeRotationDegrees,
    @Field(says = "exposure over the look's", usual = "0", least = -10, most = 10, unit = "stops")
        double exposureStops,
    @Field(
            says = "width over height of the guides for a crop; 0 shows none",
            usual = "0",
            least = 0.1,
            most = 10,
            orZero = true)
        double cropAspect,
    @Field(says = "leaves out what lies behind the set, and pictures get an alpha", usual = "false")
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
    RecordFields.check(
        Shot.class,
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
        cutOut);
    if (position.minus(aim).length() < 1e-6) {
      throw new ImpossibleValue("aim", aim, "a point apart from the camera's position");
    }
  }
}

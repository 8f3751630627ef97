package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Vec3;

/** A camera and the look it wears. */
@RecordBuilder
public record Shot(
    @Field(meaning = "unique among shots", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(meaning = "place of the lens", min = -1e5, max = 1e5, unit = "m") Vec3 position,
    @Field(
            meaning = "the point in the middle of the picture",
            defaultValue = "[0, 0, 0]",
            min = -1e5,
            max = 1e5,
            unit = "m")
        Vec3 aim,
    @Field(
            meaning = "focal length of the lens",
            defaultValue = "50",
            min = 4,
            max = 2000,
            unit = "mm")
        double focalLengthMm,
    @Field(
            meaning = "width of the picture on the sensor",
            defaultValue = "36",
            min = 1,
            max = 200,
            unit = "mm")
        double sensorWidthMm,
    @Field(
            meaning = "aperture number; 0 is a pinhole with everything sharp",
            defaultValue = "0",
            min = 0,
            max = 128)
        double fStop,
    @Field(
            meaning = "distance in focus, from the lens; 0 focuses on the aim",
            defaultValue = "0",
            min = 0,
            max = 100_000,
            unit = "m")
        double focusDistance,
    @Field(meaning = "id of the look it wears") String look,
    @Field(
            meaning =
                "keeps upright lines upright: the camera looks level and the lens is "
                    + "shifted so that the aim stays in the middle",
            defaultValue = "false")
        boolean upright,
    @Field(
            meaning = "blades of the aperture, which shape what is out of focus; 0 is round",
            defaultValue = "0",
            min = 3,
            max = 20,
            orZero = true)
        int blades,
    @Field(meaning = "turn of the aperture", defaultValue = "0", min = -360, max = 360, unit = "°")
        double bladeRotationDegrees,
    @Field(
            meaning = "exposure over the look's",
            defaultValue = "0",
            min = -10,
            max = 10,
            unit = "stops")
        double exposureStops,
    @Field(
            meaning = "width over height of the guides for a crop; 0 shows none",
            defaultValue = "0",
            min = 0.1,
            max = 10,
            orZero = true)
        double cropAspect,
    @Field(
            meaning = "leaves out what lies behind the set, and pictures get an alpha",
            defaultValue = "false")
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

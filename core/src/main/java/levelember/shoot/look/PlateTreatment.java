package levelember.shoot.look;

import levelember.document.Field;
import levelember.document.RecordFields;

/** What a look does with the plates behind the set. */
public record PlateTreatment(
    @Field(
            meaning = "exposure of the plate over its own",
            defaultValue = "0",
            min = -10,
            max = 10,
            unit = "stops")
        double stops,
    @Field(
            meaning = "radius of its blur, of the picture's height",
            defaultValue = "0",
            min = 0,
            max = 20,
            unit = "%")
        double blur) {
  public static final PlateTreatment NONE = new PlateTreatment(0, 0);

  public PlateTreatment {
    RecordFields.check(PlateTreatment.class, stops, blur);
  }
}

package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** What a look does with the plates behind the set. */
public record PlateTreatment(
    @Field(
            says = "exposure of the plate over its own",
            usual = "0",
            least = -10,
            most = 10,
            unit = "stops")
        double stops,
    @Field(
            says = "radius of its blur, of the picture's height",
            usual = "0",
            least = 0,
            most = 20,
            unit = "%")
        double blur) {
  public static final PlateTreatment NONE = new PlateTreatment(0, 0);

  public PlateTreatment {
    RecordFields.check(PlateTreatment.class, stops, blur);
  }
}

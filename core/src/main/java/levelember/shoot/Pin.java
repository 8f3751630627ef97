package levelember.shoot;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;
import levelember.math.Vec3;

/**
 * A place whose light is measured. It stays on its piece while camera and piece move; one whose
 * piece is gone reads nothing.
 */
public record Pin(
    @Field(says = "unique among pins", text = Field.Text.ID) String id,
    @Field(says = "as the artist reads it", usual = "@id") String name,
    @Field(says = "the piece in whose frame it is; the world's if none", usual = "null")
        String piece,
    @Field(says = "where it is", least = -1e5, most = 1e5, unit = "m") Vec3 position,
    @Field(
            says = "normal of the surface there, of any length above 0",
            usual = "[0, 1, 0]",
            least = -1e6,
            most = 1e6)
        Vec3 normal,
    @Field(
            says = "radius of the area that is read; 0 is a spot",
            usual = "0",
            least = 0,
            most = 100,
            unit = "m")
        double radius) {
  public Pin {
    RecordFields.check(Pin.class, id, name, piece, position, normal, radius);
    if (!(normal.length() > 1e-9)) {
      throw new ImpossibleValue("normal", normal, "a direction");
    }
  }
}

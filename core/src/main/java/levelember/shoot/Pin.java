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
    @Field(meaning = "unique among pins", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(meaning = "the piece in whose frame it is; the world's if none", defaultValue = "null")
        String piece,
    @Field(meaning = "where it is", min = -1e5, max = 1e5, unit = "m") Vec3 position,
    @Field(
            meaning = "normal of the surface there, of any length above 0",
            defaultValue = "[0, 1, 0]",
            min = -1e6,
            max = 1e6)
        Vec3 normal,
    @Field(
            meaning = "radius of the area that is read; 0 is a spot",
            defaultValue = "0",
            min = 0,
            max = 100,
            unit = "m")
        double radius) {
  public Pin {
    RecordFields.check(Pin.class, id, name, piece, position, normal, radius);
    if (!(normal.length() > 1e-9)) {
      throw new ImpossibleValue("normal", normal, "a direction");
    }
  }
}

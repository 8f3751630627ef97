package levelember.shoot.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/** Rings of ripples that spread from a point of open water without end, as from a drip. */
@RecordBuilder
public record RippleRing(
    @Field(
            meaning = "the point, in the water's frame",
            defaultValue = "0",
            min = -Shape.MOST,
            max = Shape.MOST,
            unit = "m")
        double x,
    @Field(
            meaning = "the point, in the water's frame",
            defaultValue = "0",
            min = -Shape.MOST,
            max = Shape.MOST,
            unit = "m")
        double z,
    @Field(meaning = "height from crest to trough at the point", min = 0, max = 10, unit = "m")
        double height,
    @Field(meaning = "distance from ring to ring", min = 0.001, max = 100, unit = "m")
        double length,
    @Field(
            meaning = "how far from the point they have died down to a third or so",
            min = 0.001,
            max = Shape.MOST,
            unit = "m")
        double reach)
    implements RippleRingBuilder.With {
  public RippleRing {
    RecordFields.check(RippleRing.class, x, z, height, length, reach);
  }
}

package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.RecordFields;

/** Rings of ripples that spread from a point of open water without end, as from a drip. */
@RecordBuilder
public record RippleRing(
    @Field(
            says = "the point, in the water's frame",
            usual = "0",
            least = -Shape.MOST,
            most = Shape.MOST,
            unit = "m")
        double x,
    @Field(
            says = "the point, in the water's frame",
            usual = "0",
            least = -Shape.MOST,
            most = Shape.MOST,
            unit = "m")
        double z,
    @Field(says = "height from crest to trough at the point", least = 0, most = 10, unit = "m")
        double height,
    @Field(says = "distance from ring to ring", least = 0.001, most = 100, unit = "m")
        double length,
    @Field(
            says = "how far from the point they have died down to a third or so",
            least = 0.001,
            most = Shape.MOST,
            unit = "m")
        double reach)
    implements RippleRingBuilder.With {
  public RippleRing {
    RecordFields.check(RippleRing.class, x, z, height, length, reach);
  }
}

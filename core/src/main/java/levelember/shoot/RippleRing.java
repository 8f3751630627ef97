package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Rings of ripples that spread from a point of open water without end, as from a drip.
 *
 * @param x place in the water's frame, metres
 * @param z place in the water's frame, metres
 * @param height from crest to trough at the point, metres
 * @param length from ring to ring, metres
 * @param reach how far from the point they have died down to a third or so, metres
 */
@RecordBuilder
public record RippleRing(double x, double z, double height, double length, double reach)
    implements RippleRingBuilder.With {
  public RippleRing {
    Checks.range("x", x, -Shape.MOST, Shape.MOST);
    Checks.range("z", z, -Shape.MOST, Shape.MOST);
    Checks.range("height", height, 0, 10);
    Checks.range("length", length, 0.001, 100);
    Checks.range("reach", reach, 0.001, Shape.MOST);
  }
}

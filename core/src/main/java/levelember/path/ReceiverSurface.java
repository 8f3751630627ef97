package levelember.path;

import levelember.math.Affine;
import levelember.math.Rgb;
import levelember.math.Trig;
import levelember.math.Vec3;
import levelember.shoot.material.Material;
import levelember.surface.LayeredSurface;

/**
 * A white matte receiver of light, which is not in the set.
 *
 * @param centre in the frame that is traced in, metres
 * @param axis unit vector that it faces along
 * @param radius of a half-sphere about the centre, metres; 0 for a flat receiver
 * @param piece that light linking goes by
 */
public record ReceiverSurface(Vec3 centre, Vec3 axis, double radius, int piece) {
  public static final LayeredSurface WHITE =
      new LayeredSurface(Material.matte("receiver", "Receiver", Rgb.WHITE));

  /** The normal of a point of the receiver as seen along its axis, evenly over its outline. */
  public Vec3 normal(float u, float v) {
    if (radius == 0) {
      return axis;
    }
    Affine frame = Affine.lookingAt(centre, centre.minus(axis), 0);
    double r = Math.sqrt(u);
    return frame.direction(
        new Vec3(r * Trig.cosine(v), r * Trig.sine(v), Math.sqrt(Math.max(0, 1 - u))));
  }
}

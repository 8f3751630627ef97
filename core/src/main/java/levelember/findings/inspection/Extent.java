package levelember.findings.inspection;

import levelember.math.Vec3;

/**
 * The box about what some cells show, in the world.
 *
 * @param min its lowest corner, metres
 * @param max its highest corner
 */
public record Extent(Vec3 min, Vec3 max) {

  /** About cells of the set; a point at the origin without any. */
  public static Extent of(Inspection in, boolean[] cells) {
    double[] box = {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
    for (int i = 0; i < cells.length; i++) {
      if (cells[i] && in.position[i] != null) {
        Vec3 p = in.position[i];
        double[] at = {p.x(), p.y(), p.z()};
        for (int k = 0; k < 3; k++) {
          box[k] = Math.min(box[k], at[k]);
          box[3 + k] = Math.max(box[3 + k], at[k]);
        }
      }
    }
    return box[0] > box[3]
        ? new Extent(Vec3.ZERO, Vec3.ZERO)
        : new Extent(new Vec3(box[0], box[1], box[2]), new Vec3(box[3], box[4], box[5]));
  }

  public double largest() {
    Vec3 size = max.minus(min);
    return Math.max(size.x(), Math.max(size.y(), size.z()));
  }
}

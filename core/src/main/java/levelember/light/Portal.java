package levelember.light;

import levelember.math.Vec3;

/**
 * A rectangular opening through which light of the surroundings comes into a room.
 *
 * @param corner one corner, metres
 * @param right unit vector along one side
 * @param up unit vector along the other, square to it
 * @param out unit vector out of the room, square to both
 * @param width of the side along {@code right}, metres
 * @param height of the side along {@code up}, metres
 */
public record Portal(Vec3 corner, Vec3 right, Vec3 up, Vec3 out, double width, double height) {

  /** About the solid angle under which it is seen from inside; 0 from outside or out of sight. */
  double importance(ReferencePoint from) {
    double cx = corner.x() - from.x, cy = corner.y() - from.y, cz = corner.z() - from.z;
    double z = cx * out.x() + cy * out.y() + cz * out.z();
    if (z < 1e-6 || below(from, cx, cy, cz)) {
      return 0;
    }
    double x = cx + width / 2 * right.x() + height / 2 * up.x();
    double y = cy + width / 2 * right.y() + height / 2 * up.y();
    double w = cz + width / 2 * right.z() + height / 2 * up.z();
    double d2 = x * x + y * y + w * w, area = width * height;
    return area * z / (Math.sqrt(d2) * (d2 + area));
  }

  /** Whether all of it lies under the only lit side of a point. */
  private boolean below(ReferencePoint from, double cx, double cy, double cz) {
    double c = cx * from.nx + cy * from.ny + cz * from.nz;
    double r = width * (right.x() * from.nx + right.y() * from.ny + right.z() * from.nz);
    double u = height * (up.x() * from.nx + up.y() * from.ny + up.z() * from.nz);
    boolean oneSided = from.nx != 0 || from.ny != 0 || from.nz != 0;
    return oneSided && c + Math.max(0, r) + Math.max(0, u) <= 0;
  }

  /** Draws a direction through it, and its density. */
  void sample(ReferencePoint from, float u, float v, LightSample to) {
    double cx = corner.x() - from.x, cy = corner.y() - from.y, cz = corner.z() - from.z;
    double x0 = cx * right.x() + cy * right.y() + cz * right.z();
    double y0 = cx * up.x() + cy * up.y() + cz * up.z();
    double z = cx * out.x() + cy * out.y() + cz * out.z();
    SphericalRectangle.sample(x0, y0, x0 + width, y0 + height, z, u, v, to);
    double x = to.faceX, y = to.faceY;
    double s = 1 / Math.sqrt(x * x + y * y + z * z);
    to.x = (float) (s * (x * right.x() + y * up.x() + z * out.x()));
    to.y = (float) (s * (x * right.y() + y * up.y() + z * out.y()));
    to.z = (float) (s * (x * right.z() + y * up.z() + z * out.z()));
  }

  /** Density with which {@link #sample} draws a direction, 0 where it misses. */
  double density(ReferencePoint from, float dx, float dy, float dz) {
    double towards = dx * out.x() + dy * out.y() + dz * out.z();
    if (!(towards > 0)) {
      return 0;
    }
    double cx = corner.x() - from.x, cy = corner.y() - from.y, cz = corner.z() - from.z;
    double z = cx * out.x() + cy * out.y() + cz * out.z();
    double t = z / towards;
    double x0 = cx * right.x() + cy * right.y() + cz * right.z();
    double y0 = cx * up.x() + cy * up.y() + cz * up.z();
    double x = t * (dx * right.x() + dy * right.y() + dz * right.z()) - x0;
    double y = t * (dx * up.x() + dy * up.y() + dz * up.z()) - y0;
    if (x < 0 || y < 0 || x > width || y > height) {
      return 0;
    }
    return SphericalRectangle.density(x0, y0, x0 + width, y0 + height, z, t, towards);
  }
}

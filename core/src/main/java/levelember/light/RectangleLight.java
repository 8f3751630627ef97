package levelember.light;

import levelember.math.Vec3;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Texels;

/**
 * Rectangle of luminance 1 cd/m² that shines along its aim, sampled by solid angle ({@link
 * SphericalRectangle}).
 */
public final class RectangleLight extends FaceLight {
  private final Vec3 corner;
  private final double width, height;

  /**
   * The light of a face.
   *
   * @param picture on it, or null
   */
  public RectangleLight(Light light, Emitter.Rectangle r, Texels picture) {
    super(light, r.twoSided(), r.spreadDegrees(), picture);
    width = r.width();
    height = r.height();
    corner = light.position().minus(right.times(width / 2)).minus(up.times(height / 2));
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double cx = corner.x() - from.x, cy = corner.y() - from.y, cz = corner.z() - from.z;
    double x0 = cx * right.x() + cy * right.y() + cz * right.z();
    double y0 = cx * up.x() + cy * up.y() + cz * up.z();
    double z0 = cx * out.x() + cy * out.y() + cz * out.z();
    if (z0 >= 0 && !twoSided || Math.abs(z0) < 1e-9) {
      return false;
    }
    double x1 = x0 + width, y1 = y0 + height;
    SphericalRectangle.sample(x0, y0, x1, y1, Math.abs(z0), u, v, to);
    double x = to.faceX, y = to.faceY;
    radiance(to, x, y, z0, across(x - x0, z0), 1 - (y - y0) / height);
    double l = Math.sqrt(x * x + y * y + z0 * z0);
    double inverse = 1 / l;
    x *= inverse;
    y *= inverse;
    double z = z0 * inverse;
    to.x = (float) (x * right.x() + y * up.x() + z * out.x());
    to.y = (float) (x * right.y() + y * up.y() + z * out.y());
    to.z = (float) (x * right.z() + y * up.z() + z * out.z());
    to.distance = (float) l;
    to.delta = false;
    return true;
  }

  /** Across the picture as seen from in front of the side that shines. */
  private double across(double x, double z) {
    return z < 0 ? 1 - x / width : x / width;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    double towards = dx * out.x() + dy * out.y() + dz * out.z();
    if (towards >= 0 && !twoSided || towards == 0) {
      return false;
    }
    double cx = corner.x() - from.x, cy = corner.y() - from.y, cz = corner.z() - from.z;
    double z0 = cx * out.x() + cy * out.y() + cz * out.z();
    double t = z0 / towards;
    if (!(t > 0 && t < far)) {
      return false;
    }
    double x0 = cx * right.x() + cy * right.y() + cz * right.z();
    double y0 = cx * up.x() + cy * up.y() + cz * up.z();
    double x = t * (dx * right.x() + dy * right.y() + dz * right.z()) - x0;
    double y = t * (dx * up.x() + dy * up.y() + dz * up.z()) - y0;
    if (x < 0 || y < 0 || x > width || y > height) {
      return false;
    }
    to.pdf =
        SphericalRectangle.density(
            x0, y0, x0 + width, y0 + height, Math.abs(z0), t, Math.abs(towards));
    to.distance = (float) t;
    to.delta = false;
    radiance(to, x + x0, y + y0, z0, across(x, z0), 1 - y / height);
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    double a = u * width, b = v * height;
    to.place(
        corner.x() + a * right.x() + b * up.x(),
        corner.y() + a * right.y() + b * up.y(),
        corner.z() + a * right.z() + b * up.z(),
        1 / (width * height));
    // The picture is turned as it is seen from in front, where right is to the left.
    return leave(1 - u, 1 - v, s, t, to);
  }

  @Override
  public float importance(float px, float py, float pz) {
    double x = corner.x() + width / 2 * right.x() + height / 2 * up.x() - px;
    double y = corner.y() + width / 2 * right.y() + height / 2 * up.y() - py;
    double z = corner.z() + width / 2 * right.z() + height / 2 * up.z() - pz;
    return facing(x, y, z) * around(x, y, z, width * height);
  }

  @Override
  public boolean box(float[] to) {
    Vec3 w = right.times(width / 2), h = up.times(height / 2), m = corner.plus(w).plus(h);
    return box(
        to,
        m.x(),
        m.y(),
        m.z(),
        Math.abs(w.x()) + Math.abs(h.x()),
        Math.abs(w.y()) + Math.abs(h.y()),
        Math.abs(w.z()) + Math.abs(h.z()));
  }
}

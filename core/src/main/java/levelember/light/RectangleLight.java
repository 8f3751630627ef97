package levelember.light;

import levelember.math.Trig;
import levelember.math.Vec3;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
import levelember.texture.Texels;

/**
 * Rectangle of luminance 1 cd/m² that shines along its aim, sampled uniformly by solid angle.
 *
 * <p>Method: Ureña, Fajardo and King 2013, "An Area-Preserving Parametrization for Spherical
 * Rectangles"; letters as there. Seen under less than {@value #SMALL} sr it is sampled by area.
 */
public final class RectangleLight extends FaceLight {
  private static final double SMALL = 1e-3;
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
    double zz = Math.abs(z0);
    double solid = solidAngle(x0, y0, x1, y1, zz);
    double x, y;
    if (solid < SMALL) {
      x = x0 + u * width;
      y = y0 + v * height;
      double d2 = x * x + y * y + zz * zz;
      to.pdf = (float) (d2 * Math.sqrt(d2) / (zz * width * height));
    } else {
      double zsq = zz * zz;
      double n0 = -y0 / Math.sqrt(zsq + y0 * y0);
      double n2 = y1 / Math.sqrt(zsq + y1 * y1);
      double n3 = -x0 / Math.sqrt(zsq + x0 * x0);
      // The inner angles g2 and g3, whose cosines these are, are only needed as a turn back.
      double c2 = -n2 * n3, c3 = -n3 * n0;
      double s2 = Math.sqrt(positive(1 - c2 * c2)), s3 = Math.sqrt(positive(1 - c3 * c3));
      double back = c2 * c3 - s2 * s3, side = -(s2 * c3 + c2 * s3);
      double turns = u * solid / (2 * Math.PI);
      double c = Trig.cosine(turns), s = Trig.sine(turns);
      double fu = ((c * back - s * side) * n0 - n2) / (s * back + c * side);
      double cu2 = 1 / (fu * fu + n0 * n0);
      cu2 = cu2 < 1 ? cu2 : 1;
      double cu = fu < 0 ? -Math.sqrt(cu2) : Math.sqrt(cu2);
      double xu = cu * zz / Math.sqrt(1 - cu2 > 1e-24 ? 1 - cu2 : 1e-24);
      x = xu < x0 ? x0 : xu > x1 ? x1 : xu;
      double d2 = x * x + zsq;
      double h0 = y0 / Math.sqrt(d2 + y0 * y0), h1 = y1 / Math.sqrt(d2 + y1 * y1);
      double hv = h0 + v * (h1 - h0), hv2 = hv * hv;
      y = hv2 < 1 - 1e-9 ? hv * Math.sqrt(d2 / (1 - hv2)) : y1;
      to.pdf = (float) (1 / solid);
    }
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

  private static double positive(double x) {
    return x > 0 ? x : 0;
  }

  /**
   * Solid angle of the rectangle [x0, x1]×[y0, y1] at distance z from the origin, sr: the sum of
   * four inverse tangents of xy/zr, taken as the angle of a product of complex numbers.
   */
  private static double solidAngle(double x0, double y0, double x1, double y1, double z) {
    double z2 = z * z;
    double xx0 = x0 * x0, xx1 = x1 * x1, yy0 = y0 * y0 + z2, yy1 = y1 * y1 + z2;
    double r11 = z * Math.sqrt(xx1 + yy1), i11 = x1 * y1;
    double r01 = z * Math.sqrt(xx0 + yy1), i01 = -x0 * y1;
    double r10 = z * Math.sqrt(xx1 + yy0), i10 = -x1 * y0;
    double r00 = z * Math.sqrt(xx0 + yy0), i00 = x0 * y0;
    double ra = r11 * r01 - i11 * i01, ia = r11 * i01 + i11 * r01;
    double rb = r10 * r00 - i10 * i00, ib = r10 * i00 + i10 * r00;
    double angle = Trig.angle(ra * ib + ia * rb, ra * rb - ia * ib);
    return angle < 0 ? angle + 2 * Math.PI : angle;
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
    double zz = Math.abs(z0);
    double solid = solidAngle(x0, y0, x0 + width, y0 + height, zz);
    to.pdf = (float) (solid < SMALL ? t * t / (Math.abs(towards) * width * height) : 1 / solid);
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

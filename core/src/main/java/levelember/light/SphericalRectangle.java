package levelember.light;

import levelember.math.Trig;

/**
 * Rectangles as seen from a point, sampled uniformly by solid angle: Ureña, Fajardo and King 2013,
 * "An Area-Preserving Parametrization for Spherical Rectangles"; letters as there. Those seen under
 * less than {@value #SMALL} sr are sampled by area. The rectangle is [x0, x1]×[y0, y1] on the plane
 * at distance z from the point, whose foot is the origin.
 */
final class SphericalRectangle {
  private static final double SMALL = 1e-3;

  private SphericalRectangle() {}

  /** Draws a place of the rectangle, into {@code faceX} and {@code faceY}, and its density. */
  static void sample(
      double x0, double y0, double x1, double y1, double zz, float u, float v, LightSample to) {
    double solid = solidAngle(x0, y0, x1, y1, zz);
    double x, y;
    if (solid < SMALL) {
      double width = x1 - x0, height = y1 - y0;
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
    to.faceX = x;
    to.faceY = y;
  }

  /**
   * The density of a place, per steradian.
   *
   * @param t distance of the place
   * @param cosine between the way there and the plane's normal
   */
  static float density(
      double x0, double y0, double x1, double y1, double zz, double t, double cosine) {
    double solid = solidAngle(x0, y0, x1, y1, zz);
    return (float) (solid < SMALL ? t * t / (cosine * (x1 - x0) * (y1 - y0)) : 1 / solid);
  }

  private static double positive(double x) {
    return x > 0 ? x : 0;
  }

  /**
   * Solid angle, sr: the sum of four inverse tangents of xy/zr, taken as the angle of a product of
   * complex numbers.
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
}

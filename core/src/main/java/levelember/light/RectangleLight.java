package levelember.light;

import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Emitter;
import levelember.shoot.Light;

/**
 * Rectangle of luminance 1 cd/m² that shines along its aim, sampled uniformly by solid angle.
 *
 * <p>Method: Ureña, Fajardo and King 2013, "An Area-Preserving Parametrization for Spherical
 * Rectangles"; letters as there. Seen under less than {@value #SMALL} sr it is sampled by area.
 */
public final class RectangleLight extends LightSource {
  private static final double SMALL = 1e-4;
  private final Vec3 right, up, out, corner;
  private final double width, height;
  private final boolean twoSided;

  public RectangleLight(Light light, Emitter.Rectangle r) {
    super(light.id(), light.seenByCamera());
    Affine frame = Affine.lookingAt(light.place(), light.aim(), light.rollDegrees());
    right = frame.x();
    up = frame.y();
    out = frame.z().times(-1);
    width = r.width();
    height = r.height();
    twoSided = r.twoSided();
    corner = light.place().minus(right.times(width / 2)).minus(up.times(height / 2));
  }

  @Override
  public boolean draw(float px, float py, float pz, float u, float v, LightRay to) {
    double cx = corner.x() - px, cy = corner.y() - py, cz = corner.z() - pz;
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
      double z = -zz, zsq = z * z;
      double n0z = -y0 / Math.sqrt(zsq + y0 * y0);
      double n2z = y1 / Math.sqrt(zsq + y1 * y1);
      double n3z = -x0 / Math.sqrt(zsq + x0 * x0);
      double g2 = Math.acos(Math.clamp(-n2z * n3z, -1.0, 1.0));
      double g3 = Math.acos(Math.clamp(-n3z * n0z, -1.0, 1.0));
      double k = 2 * Math.PI - g2 - g3;
      double au = u * solid + k;
      double fu = (Math.cos(au) * n0z - n2z) / Math.sin(au);
      double cu = Math.copySign(1, fu) / Math.sqrt(fu * fu + n0z * n0z);
      cu = Math.clamp(cu, -1.0, 1.0);
      double xu = -(cu * z) / Math.sqrt(Math.max(1e-24, 1 - cu * cu));
      x = Math.clamp(xu, x0, x1);
      double d = Math.sqrt(x * x + zsq);
      double h0 = y0 / Math.sqrt(d * d + y0 * y0), h1 = y1 / Math.sqrt(d * d + y1 * y1);
      double hv = h0 + v * (h1 - h0), hv2 = hv * hv;
      y = hv2 < 1 - 1e-9 ? hv * d / Math.sqrt(1 - hv2) : y1;
      to.pdf = (float) (1 / solid);
    }
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
    to.white(1);
    return true;
  }

  /** Solid angle of the rectangle [x0, x1]×[y0, y1] at distance z from the origin, sr. */
  private static double solidAngle(double x0, double y0, double x1, double y1, double z) {
    return part(x1, y1, z) - part(x0, y1, z) - part(x1, y0, z) + part(x0, y0, z);
  }

  private static double part(double x, double y, double z) {
    return Math.atan(x * y / (z * Math.sqrt(x * x + y * y + z * z)));
  }

  @Override
  public boolean meets(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightRay to) {
    double towards = dx * out.x() + dy * out.y() + dz * out.z();
    if (towards >= 0 && !twoSided || towards == 0) {
      return false;
    }
    double cx = corner.x() - ox, cy = corner.y() - oy, cz = corner.z() - oz;
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
    to.white(1);
    return true;
  }
}

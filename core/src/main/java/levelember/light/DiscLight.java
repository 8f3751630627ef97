package levelember.light;

import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Texels;

/** Disc of luminance 1 cd/m² that shines along its aim, sampled uniformly by area. */
public final class DiscLight extends FaceLight {
  private final double cx, cy, cz, radius, area;

  /**
   * The light of a face.
   *
   * @param picture on it, or null
   */
  public DiscLight(Light light, Emitter.Disc d, Texels picture) {
    super(light, d.twoSided(), d.spreadDegrees(), picture);
    cx = light.position().x();
    cy = light.position().y();
    cz = light.position().z();
    radius = d.radius();
    area = Math.PI * radius * radius;
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double x = cx - from.x, y = cy - from.y, z = cz - from.z;
    double z0 = x * out.x() + y * out.y() + z * out.z();
    if (z0 >= 0 && !twoSided || Math.abs(z0) < 1e-9) {
      return false;
    }
    double r = radius * Math.sqrt(u), a = r * Trig.cosine(v), b = r * Trig.sine(v);
    x += a * right.x() + b * up.x();
    y += a * right.y() + b * up.y();
    z += a * right.z() + b * up.z();
    double d2 = x * x + y * y + z * z, d = Math.sqrt(d2);
    to.x = (float) (x / d);
    to.y = (float) (y / d);
    to.z = (float) (z / d);
    to.distance = (float) d;
    to.pdf = (float) (d2 * d / (Math.abs(z0) * area));
    to.delta = false;
    answer(x, y, z, z0, a, b, to);
    return true;
  }

  private void answer(double x, double y, double z, double z0, double a, double b, LightSample to) {
    double along = x * right.x() + y * right.y() + z * right.z();
    double above = x * up.x() + y * up.y() + z * up.z();
    double across = 0.5 + 0.5 * a / radius;
    radiance(to, along, above, z0, z0 < 0 ? 1 - across : across, 0.5 - 0.5 * b / radius);
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    double towards = dx * out.x() + dy * out.y() + dz * out.z();
    if (towards >= 0 && !twoSided || towards == 0) {
      return false;
    }
    double x = cx - from.x, y = cy - from.y, z = cz - from.z;
    double z0 = x * out.x() + y * out.y() + z * out.z();
    double t = z0 / towards;
    if (!(t > 0 && t < far)) {
      return false;
    }
    double hx = t * dx - x, hy = t * dy - y, hz = t * dz - z;
    double a = hx * right.x() + hy * right.y() + hz * right.z();
    double b = hx * up.x() + hy * up.y() + hz * up.z();
    if (a * a + b * b > radius * radius) {
      return false;
    }
    to.pdf = (float) (t * t / (Math.abs(towards) * area));
    to.distance = (float) t;
    to.delta = false;
    answer(t * dx, t * dy, t * dz, z0, a, b, to);
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    double r = radius * Math.sqrt(u), a = r * Trig.cosine(v), b = r * Trig.sine(v);
    to.place(
        cx + a * right.x() + b * up.x(),
        cy + a * right.y() + b * up.y(),
        cz + a * right.z() + b * up.z(),
        1 / area);
    return leave(0.5 - 0.5 * a / radius, 0.5 - 0.5 * b / radius, s, t, to);
  }

  @Override
  public float importance(float px, float py, float pz) {
    double x = cx - px, y = cy - py, z = cz - pz;
    return facing(x, y, z) * around(x, y, z, area);
  }

  @Override
  public boolean box(float[] to) {
    return box(to, cx, cy, cz, radius, radius, radius);
  }
}

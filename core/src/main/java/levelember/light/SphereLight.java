package levelember.light;

import levelember.math.OrthonormalFrame;
import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * Sphere of luminance 1 cd/m², sampled uniformly over the cone that it fills. From inside it is met
 * by chance alone.
 */
public final class SphereLight extends LightSource {
  private final double cx, cy, cz, radius;

  public SphereLight(Light light, Emitter.Sphere s) {
    super(light.id(), light.seenDirectly());
    cx = light.position().x();
    cy = light.position().y();
    cz = light.position().z();
    radius = s.radius();
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double x = cx - from.x, y = cy - from.y, z = cz - from.z;
    double d2 = x * x + y * y + z * z;
    if (d2 <= radius * radius) {
      return false;
    }
    double d = Math.sqrt(d2);
    double share = capShare(d2);
    double sin2Max = radius * radius / d2;
    double rise = u * share;
    double cos = 1 - rise;
    double sin2 = Math.min(sin2Max, rise * (2 - rise));
    double sin = Math.sqrt(sin2);
    x /= d;
    y /= d;
    z /= d;
    double lx = sin * Trig.cosine(v), ly = sin * Trig.sine(v);
    to.towards(OrthonormalFrame.aboutAxis(x, y, z, lx, ly, cos));
    to.distance = (float) (d * cos - Math.sqrt(Math.max(0, radius * radius - d2 * sin2)));
    to.pdf = (float) (1 / (2 * Math.PI * share));
    to.delta = false;
    to.white(1);
    return true;
  }

  /** 1 − cos of the cone's half angle, without cancellation. */
  private double capShare(double d2) {
    double sin2 = radius * radius / d2;
    return sin2 / (1 + Math.sqrt(1 - sin2));
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    double x = cx - from.x, y = cy - from.y, z = cz - from.z;
    double along = x * dx + y * dy + z * dz;
    double d2 = x * x + y * y + z * z;
    double qx = x - along * dx, qy = y - along * dy, qz = z - along * dz;
    double under = radius * radius - (qx * qx + qy * qy + qz * qz);
    if (under < 0) {
      return false;
    }
    boolean inside = d2 <= radius * radius;
    double t = inside ? along + Math.sqrt(under) : along - Math.sqrt(under);
    if (!(t > 0 && t < far)) {
      return false;
    }
    to.pdf = inside ? 0 : (float) (1 / (2 * Math.PI * capShare(d2)));
    to.distance = (float) t;
    to.delta = false;
    to.white(1);
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    double nz = 1 - 2 * u, ring = Math.sqrt(Math.max(0, 1 - nz * nz));
    double nx = ring * Trig.cosine(v), ny = ring * Trig.sine(v);
    double area = 4 * Math.PI * radius * radius;
    to.place(cx + radius * nx, cy + radius * ny, cz + radius * nz, 1 / area);
    to.about(nx, ny, nz, 1, s, t);
    to.colour(1, 1, 1);
    return true;
  }

  @Override
  public float importance(float px, float py, float pz) {
    return around(cx - px, cy - py, cz - pz, Math.PI * radius * radius);
  }

  @Override
  public boolean box(float[] to) {
    return box(to, cx, cy, cz, radius, radius, radius);
  }
}

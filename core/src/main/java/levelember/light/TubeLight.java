package levelember.light;

import levelember.math.Affine;
import levelember.math.Trig;
import levelember.math.Vec3;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * Straight tube of luminance 1 cd/m² that shines from its side, not from its ends. Sampled
 * uniformly over the part of its side that the point sees were the tube without end: in its
 * cross-section this is the arc of half angle acos(r/ρ) turned towards the point, ρ its distance
 * from the axis.
 */
public final class TubeLight extends LightSource {
  private final Vec3 axis, middle;
  private final double length, radius;

  public TubeLight(Light light, Emitter.Tube t) {
    super(light.id(), light.seenDirectly());
    axis = Affine.lookingAt(light.position(), light.aim(), light.rollDegrees()).x();
    middle = light.position();
    length = t.length();
    radius = t.radius();
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double x = from.x - middle.x(), y = from.y - middle.y(), z = from.z - middle.z();
    double along = x * axis.x() + y * axis.y() + z * axis.z();
    double qx = x - along * axis.x(), qy = y - along * axis.y(), qz = z - along * axis.z();
    double rho = Math.sqrt(qx * qx + qy * qy + qz * qz);
    if (rho <= radius * (1 + 1e-6)) {
      return false;
    }
    qx /= rho;
    qy /= rho;
    qz /= rho;
    double sx = axis.y() * qz - axis.z() * qy, sy = axis.z() * qx - axis.x() * qz;
    double sz = axis.x() * qy - axis.y() * qx;
    double half = StrictMath.acos(radius / rho);
    double turns = (2 * u - 1) * half / (2 * Math.PI);
    double c = Trig.cosine(turns), s = Trig.sine(turns);
    double nx = c * qx + s * sx, ny = c * qy + s * sy, nz = c * qz + s * sz;
    double at = (v - 0.5) * length;
    double dx = at * axis.x() + radius * nx - x;
    double dy = at * axis.y() + radius * ny - y;
    double dz = at * axis.z() + radius * nz - z;
    double d2 = dx * dx + dy * dy + dz * dz, d = Math.sqrt(d2);
    double facing = -(dx * nx + dy * ny + dz * nz) / d;
    if (!(facing > 1e-7)) {
      return false;
    }
    to.x = (float) (dx / d);
    to.y = (float) (dy / d);
    to.z = (float) (dz / d);
    to.distance = (float) d;
    to.pdf = (float) (d2 / (facing * area(half)));
    to.delta = false;
    to.white(1);
    return true;
  }

  private double area(double half) {
    return 2 * half * radius * length;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    double x = from.x - middle.x(), y = from.y - middle.y(), z = from.z - middle.z();
    double along = x * axis.x() + y * axis.y() + z * axis.z();
    double way = dx * axis.x() + dy * axis.y() + dz * axis.z();
    double qx = x - along * axis.x(), qy = y - along * axis.y(), qz = z - along * axis.z();
    double ex = dx - way * axis.x(), ey = dy - way * axis.y(), ez = dz - way * axis.z();
    double a = ex * ex + ey * ey + ez * ez;
    double b = qx * ex + qy * ey + qz * ez;
    double rho2 = qx * qx + qy * qy + qz * qz;
    double under = b * b - a * (rho2 - radius * radius);
    if (rho2 <= radius * radius || !(under >= 0) || b >= 0 || !(a > 1e-12)) {
      return false;
    }
    double t = (-b - Math.sqrt(under)) / a;
    double at = along + t * way;
    if (!(t > 0 && t < far) || Math.abs(at) > length / 2) {
      return false;
    }
    double facing = -(b + t * a) / radius;
    if (!(facing > 1e-7)) {
      return false;
    }
    to.pdf = (float) (t * t / (facing * area(StrictMath.acos(radius / Math.sqrt(rho2)))));
    to.distance = (float) t;
    to.delta = false;
    to.white(1);
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    Vec3 any = Math.abs(axis.y()) > 0.9 ? new Vec3(1, 0, 0) : Vec3.UP;
    Vec3 side = axis.cross(any).unit(), other = axis.cross(side);
    Vec3 n = side.times(Trig.cosine(u)).plus(other.times(Trig.sine(u)));
    Vec3 at = middle.plus(axis.times((v - 0.5) * length)).plus(n.times(radius));
    to.place(at.x(), at.y(), at.z(), 1 / (2 * Math.PI * radius * length));
    to.about(n.x(), n.y(), n.z(), 1, s, t);
    to.colour(1, 1, 1);
    return true;
  }

  @Override
  public float importance(float px, float py, float pz) {
    return around(middle.x() - px, middle.y() - py, middle.z() - pz, 2 * radius * length);
  }

  @Override
  public boolean box(float[] to) {
    return box(
        to,
        middle.x(),
        middle.y(),
        middle.z(),
        radius + Math.abs(axis.x()) * length / 2,
        radius + Math.abs(axis.y()) * length / 2,
        radius + Math.abs(axis.z()) * length / 2);
  }
}

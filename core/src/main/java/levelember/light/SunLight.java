package levelember.light;

import levelember.math.Trig;
import levelember.math.Vec3;

/**
 * A sun: an even disc of directions that gives a colour's illuminance (1 lx where it is white)
 * square to it, sampled uniformly by solid angle. Without size it is a single direction.
 */
public final class SunLight extends LightSource {
  private final Vec3 to, side, other;
  private final double share;
  private final double cosine;
  private final float pdf;
  private final float[] radiance = new float[3];

  /**
   * A sun.
   *
   * @param towards direction from the set to the sun
   * @param sizeDegrees angle across
   * @param lux illuminance square to it, by channel
   */
  public SunLight(String id, boolean seenDirectly, Vec3 towards, double sizeDegrees, double[] lux) {
    super(id, seenDirectly);
    to = towards.unit();
    side = to.cross(Math.abs(to.y()) > 0.9 ? new Vec3(1, 0, 0) : Vec3.UP).unit();
    other = to.cross(side);
    double half = Math.toRadians(sizeDegrees / 2), sin = StrictMath.sin(half);
    cosine = StrictMath.cos(half);
    share = sin * sin / (1 + cosine);
    pdf = share == 0 ? 1 : (float) (1 / (2 * Math.PI * share));
    for (int c = 0; c < 3; c++) {
      radiance[c] = (float) (share == 0 ? lux[c] : lux[c] / (Math.PI * sin * sin));
    }
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample ray) {
    double rise = u * share, cos = 1 - rise, sin = Math.sqrt(rise * (2 - rise));
    double a = sin * Trig.cosine(v), b = sin * Trig.sine(v);
    ray.x = (float) (cos * to.x() + a * side.x() + b * other.x());
    ray.y = (float) (cos * to.y() + a * side.y() + b * other.y());
    ray.z = (float) (cos * to.z() + a * side.z() + b * other.z());
    answer(ray);
    return radiance[0] + radiance[1] + radiance[2] > 0;
  }

  private void answer(LightSample ray) {
    ray.distance = Float.POSITIVE_INFINITY;
    ray.delta = share == 0;
    ray.pdf = pdf;
    ray.r = radiance[0];
    ray.g = radiance[1];
    ray.b = radiance[2];
  }

  @Override
  public boolean hit(
      ReferencePoint from, float dx, float dy, float dz, float far, LightSample ray) {
    if (share == 0
        || far < Float.POSITIVE_INFINITY
        || dx * to.x() + dy * to.y() + dz * to.z() < cosine) {
      return false;
    }
    answer(ray);
    return true;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample out) {
    double rise = s * share, cos = 1 - rise, sin = Math.sqrt(rise * (2 - rise));
    double a = sin * Trig.cosine(t), b = sin * Trig.sine(t);
    out.dx = -(cos * to.x() + a * side.x() + b * other.x());
    out.dy = -(cos * to.y() + a * side.y() + b * other.y());
    out.dz = -(cos * to.z() + a * side.z() + b * other.z());
    out.directionPdf = share == 0 ? 1 : 1 / (2 * Math.PI * share);
    out.before(aim, u, v);
    out.colour(radiance[0], radiance[1], radiance[2]);
    return radiance[0] + radiance[1] + radiance[2] > 0;
  }

  @Override
  public float importance(float px, float py, float pz) {
    return 1;
  }

  @Override
  public boolean hittable() {
    return share > 0;
  }
}

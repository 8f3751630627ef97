package levelember.light;

import levelember.math.Affine;
import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Texels;

/**
 * A lamp of 1 cd along its aim, as much all over its cone or by its profile. Its round source faces
 * the aim and is as bright from every side as its area is seen small; cone, doors and pattern stand
 * in a gate in front of it.
 */
public final class SpotLight extends LightSource {
  private final Affine frame;
  private final double cx, cy, cz, radius, gateDistance;
  private final double half;
  private final Gate gate;
  private final Intensity intensity;

  /**
   * The light of a lamp.
   *
   * @param pattern in its gate, or null
   */
  public SpotLight(Light light, Emitter.Spot s, Texels pattern) {
    super(light.id(), light.seenDirectly());
    frame = Affine.lookingAt(light.position(), light.aim(), light.rollDegrees());
    cx = light.position().x();
    cy = light.position().y();
    cz = light.position().z();
    radius = s.sourceRadius();
    gateDistance = s.gateDistance();
    half = Math.toRadians(s.coneDegrees() / 2);
    gate = new Gate(s, pattern);
    intensity = s.profile() == null ? null : new Intensity(s.profile(), frame);
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double r = radius * Math.sqrt(u);
    double a = r == 0 ? 0 : r * Trig.cosine(v), b = r == 0 ? 0 : r * Trig.sine(v);
    double x = cx + a * frame.x().x() + b * frame.y().x() - from.x;
    double y = cy + a * frame.x().y() + b * frame.y().y() - from.y;
    double z = cz + a * frame.x().z() + b * frame.y().z() - from.z;
    double d2 = x * x + y * y + z * z;
    if (d2 < 1e-18) {
      return false;
    }
    double d = Math.sqrt(d2);
    to.x = (float) (x / d);
    to.y = (float) (y / d);
    to.z = (float) (z / d);
    to.distance = (float) d;
    to.delta = radius == 0;
    return answer(a, b, d2, to);
  }

  /**
   * Radiance towards the direction against {@code to}'s, from a place of the source.
   *
   * @param d2 square of the distance, m²
   */
  private boolean answer(double a, double b, double d2, LightSample to) {
    double x = -to.x, y = -to.y, z = -to.z;
    double out = -(x * frame.z().x() + y * frame.z().y() + z * frame.z().z());
    if (!(out > 1e-6)) {
      return false;
    }
    double right = x * frame.x().x() + y * frame.x().y() + z * frame.x().z();
    double above = x * frame.y().x() + y * frame.y().y() + z * frame.y().z();
    if (radius == 0) {
      to.pdf = 1;
      to.white((float) (1 / d2));
    } else {
      double area = Math.PI * radius * radius;
      to.pdf = (float) (d2 / (out * area));
      to.white((float) (1 / (area * out)));
    }
    if (intensity != null) {
      float part = intensity.along(x, y, z);
      to.r *= part;
      to.g *= part;
      to.b *= part;
    }
    return gate.pass(a / gateDistance + right / out, b / gateDistance + above / out, to)
        && to.r + to.g + to.b > 0;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (radius == 0) {
      return false;
    }
    double x = cx - from.x, y = cy - from.y, z = cz - from.z;
    double towards = dx * frame.z().x() + dy * frame.z().y() + dz * frame.z().z();
    double t = (x * frame.z().x() + y * frame.z().y() + z * frame.z().z()) / towards;
    if (!(towards > 0) || !(t > 0 && t < far)) {
      return false;
    }
    double hx = t * dx - x, hy = t * dy - y, hz = t * dz - z;
    double a = hx * frame.x().x() + hy * frame.x().y() + hz * frame.x().z();
    double b = hx * frame.y().x() + hy * frame.y().y() + hz * frame.y().z();
    if (a * a + b * b > radius * radius) {
      return false;
    }
    to.x = dx;
    to.y = dy;
    to.z = dz;
    to.distance = (float) t;
    to.delta = false;
    return answer(a, b, t * t, to);
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    double r = radius * Math.sqrt(u);
    double a = r == 0 ? 0 : r * Trig.cosine(v), b = r == 0 ? 0 : r * Trig.sine(v);
    to.place(
        cx + a * frame.x().x() + b * frame.y().x(),
        cy + a * frame.x().y() + b * frame.y().y(),
        cz + a * frame.x().z() + b * frame.y().z(),
        radius == 0 ? 1 : 1 / (Math.PI * radius * radius));
    // Uniform over the cone of directions from the middle to places of the gate.
    double share = 1 - StrictMath.cos(half), gateCos = 1 - s * share;
    double tan = Math.sqrt(Math.max(0, 1 - gateCos * gateCos)) / gateCos;
    double across = tan * Trig.cosine(t) - a / gateDistance;
    double above = tan * Trig.sine(t) - b / gateDistance;
    double out = 1 / Math.sqrt(1 + across * across + above * above);
    to.dx = out * (across * frame.x().x() + above * frame.y().x() - frame.z().x());
    to.dy = out * (across * frame.x().y() + above * frame.y().y() - frame.z().y());
    to.dz = out * (across * frame.x().z() + above * frame.y().z() - frame.z().z());
    to.cosine = radius == 0 ? 1 : out;
    double turned = gateCos / out;
    to.directionPdf = turned * turned * turned / (2 * Math.PI * share);
    LightSample seen = to.radiance;
    seen.x = (float) -to.dx;
    seen.y = (float) -to.dy;
    seen.z = (float) -to.dz;
    if (!answer(a, b, 1, seen)) {
      return false;
    }
    to.colour(seen.r, seen.g, seen.b);
    return true;
  }

  @Override
  public float importance(float px, float py, float pz) {
    double x = px - cx, y = py - cy, z = pz - cz, d2 = x * x + y * y + z * z + 1e-6;
    double out = -(x * frame.z().x() + y * frame.z().y() + z * frame.z().z()) / Math.sqrt(d2);
    // Beyond the cone only the softened edge of a large source gives anything.
    double part =
        StrictMath.acos(Math.clamp(out, -1.0, 1.0)) <= half ? 1 : radius > 0 ? 0.05 : 1e-3;
    return (float) (part / d2);
  }

  @Override
  public boolean hittable() {
    return radius > 0;
  }

  @Override
  public boolean box(float[] to) {
    return box(to, cx, cy, cz, radius, radius, radius);
  }
}

package levelember.light;

import levelember.math.Affine;
import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * A point of intensity 1 cd, in all directions or at the peak of its profile; nothing meets it by
 * chance.
 */
public final class PointLight extends LightSource {
  private final double x, y, z;
  private final Intensity intensity;

  public PointLight(Light light, Emitter.Point point) {
    super(light.id(), false);
    x = light.position().x();
    y = light.position().y();
    z = light.position().z();
    intensity =
        point.profile() == null
            ? null
            : new Intensity(
                point.profile(),
                Affine.lookingAt(light.position(), light.aim(), light.rollDegrees()));
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double dx = x - from.x, dy = y - from.y, dz = z - from.z;
    double d2 = dx * dx + dy * dy + dz * dz;
    if (d2 < 1e-18) {
      return false;
    }
    double d = Math.sqrt(d2);
    to.x = (float) (dx / d);
    to.y = (float) (dy / d);
    to.z = (float) (dz / d);
    to.distance = (float) d;
    to.pdf = 1;
    to.delta = true;
    float part = intensity == null ? 1 : intensity.along(-to.x, -to.y, -to.z);
    to.white((float) (part / d2));
    return part > 0;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    return false;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    double up = 1 - 2 * s, ring = Math.sqrt(Math.max(0, 1 - up * up));
    to.place(x, y, z, 1);
    to.dx = ring * Trig.cosine(t);
    to.dy = up;
    to.dz = ring * Trig.sine(t);
    to.cosine = 1;
    to.directionPdf = 1 / (4 * Math.PI);
    float part = intensity == null ? 1 : intensity.along(to.dx, to.dy, to.dz);
    to.colour(part, part, part);
    return part > 0;
  }

  @Override
  public float importance(float px, float py, float pz) {
    double dx = x - px, dy = y - py, dz = z - pz;
    return (float) (1 / (dx * dx + dy * dy + dz * dz + 1e-6));
  }

  @Override
  public boolean hittable() {
    return false;
  }

  @Override
  public boolean box(float[] to) {
    return box(to, x, y, z, 0, 0, 0);
  }
}

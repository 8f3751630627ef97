package levelember.light;

import levelember.math.Affine;
import levelember.shoot.Emitter;
import levelember.shoot.Light;

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
  public boolean sample(float px, float py, float pz, float u, float v, LightSample to) {
    double dx = x - px, dy = y - py, dz = z - pz;
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
  public boolean hit(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightSample to) {
    return false;
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

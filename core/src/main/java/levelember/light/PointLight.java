package levelember.light;

import levelember.shoot.Light;

/** A point of intensity 1 cd in all directions; nothing meets it by chance. */
public final class PointLight extends LightSource {
  private final double x, y, z;

  public PointLight(Light light) {
    super(light.id(), false);
    x = light.place().x();
    y = light.place().y();
    z = light.place().z();
  }

  @Override
  public boolean draw(float px, float py, float pz, float u, float v, float w, LightRay to) {
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
    to.white((float) (1 / d2));
    return true;
  }

  @Override
  public boolean meets(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightRay to) {
    return false;
  }
}

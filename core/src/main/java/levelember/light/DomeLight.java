package levelember.light;

import levelember.math.Trig;
import levelember.shoot.Light;

/** A surrounding of 1 cd/m² everywhere, sampled uniformly over the sphere of directions. */
public final class DomeLight extends LightSource {
  private static final float DENSITY = (float) (1 / (4 * Math.PI));

  public DomeLight(Light light) {
    super(light.id(), light.showsToCamera());
  }

  @Override
  public boolean draw(float px, float py, float pz, float u, float v, float w, LightRay to) {
    double y = 1 - 2 * u, r = Math.sqrt(Math.max(0, 1 - y * y));
    to.x = (float) (r * Trig.cosine(v));
    to.y = (float) y;
    to.z = (float) (r * Trig.sine(v));
    answer(to);
    return true;
  }

  @Override
  public boolean meets(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightRay to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    answer(to);
    return true;
  }

  private static void answer(LightRay to) {
    to.distance = Float.POSITIVE_INFINITY;
    to.pdf = DENSITY;
    to.delta = false;
    to.white(1);
  }
}

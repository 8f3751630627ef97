package levelember.light;

import levelember.math.Trig;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
import levelember.shoot.Rgb;

/**
 * A surrounding of 1 cd/m² times a colour overhead and one beneath, even between them by height;
 * sampled uniformly over the sphere of directions.
 */
public final class DomeLight extends LightSource {
  private static final float DENSITY = (float) (1 / (4 * Math.PI));

  private final float[] above, below;

  public DomeLight(Light light, Emitter.Dome dome) {
    super(light.id(), light.seenDirectly());
    above = channels(dome.above());
    below = channels(dome.below());
  }

  private static float[] channels(Rgb c) {
    return new float[] {(float) c.r(), (float) c.g(), (float) c.b()};
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    double y = 1 - 2 * u, r = Math.sqrt(Math.max(0, 1 - y * y));
    to.x = (float) (r * Trig.cosine(v));
    to.y = (float) y;
    to.z = (float) (r * Trig.sine(v));
    answer(to.y, to);
    return true;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    answer(dy, to);
    return true;
  }

  private void answer(float height, LightSample to) {
    to.distance = Float.POSITIVE_INFINITY;
    to.pdf = DENSITY;
    to.delta = false;
    float part = 0.5f + 0.5f * height;
    to.r = below[0] + part * (above[0] - below[0]);
    to.g = below[1] + part * (above[1] - below[1]);
    to.b = below[2] + part * (above[2] - below[2]);
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    return to.surrounding(this, aim, u, v, s, t);
  }

  @Override
  public float importance(float px, float py, float pz) {
    return (float) Math.PI;
  }
}

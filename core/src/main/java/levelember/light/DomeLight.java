package levelember.light;

import levelember.math.OrthonormalFrame;
import levelember.math.Rgb;
import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * A surrounding of 1 cd/m² times a colour overhead and one beneath, even between them by height;
 * sampled by the cosine about the normal of a point that is lit from one side, else uniformly over
 * the sphere of directions.
 */
public final class DomeLight extends LightSource {
  private static final float UNIFORM = (float) (1 / (4 * Math.PI));
  private static final float INVERSE_PI = (float) (1 / Math.PI);

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
    if (!from.oneSided()) {
      double y = 1 - 2 * u, r = Math.sqrt(Math.max(0, 1 - y * y));
      to.x = (float) (r * Trig.cosine(v));
      to.y = (float) y;
      to.z = (float) (r * Trig.sine(v));
    } else {
      double sin = Math.sqrt(u), cos = Math.sqrt(1 - u);
      double lx = sin * Trig.cosine(v), ly = sin * Trig.sine(v);
      to.towards(OrthonormalFrame.aboutAxis(from.nx, from.ny, from.nz, lx, ly, cos));
    }
    answer(from, to.x, to.y, to.z, to);
    return to.pdf > 0;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    answer(from, dx, dy, dz, to);
    return true;
  }

  private void answer(ReferencePoint from, float dx, float dy, float dz, LightSample to) {
    to.distance = Float.POSITIVE_INFINITY;
    to.pdf = from.oneSided() ? Math.max(0, from.cosine(dx, dy, dz)) * INVERSE_PI : UNIFORM;
    to.delta = false;
    float part = 0.5f + 0.5f * dy;
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

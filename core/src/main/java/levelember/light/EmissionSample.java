package levelember.light;

import levelember.math.OrthonormalFrame;
import levelember.math.Trig;
import levelember.math.Vec3;

/**
 * Where and in which direction light leaves a light; one object a thread, filled anew at each call.
 * What leaves carries radiance times {@link #cosine} over the product of both densities: its mean
 * over samples is the light's flux at unit value, lm.
 */
public final class EmissionSample {
  /** Surroundings look alike from everywhere. */
  private static final ReferencePoint ANYWHERE = new ReferencePoint();

  /** Where it leaves; of surroundings a place on a disc outside of what they are aimed at. */
  public double x, y, z;

  /** Unit direction in which it leaves. */
  public double dx, dy, dz;

  /** Cosine between the direction and the normal of the place; 1 where there is no surface. */
  public double cosine;

  /** Radiance at unit value, cd/m²; of a point its intensity, cd. */
  public float r, g, b;

  /** Density of the place, 1/m²; of a point, which is the only place, 1. */
  public double placePdf;

  /** Density of the direction, 1/sr; of a sun without size, which has one direction, 1. */
  public double directionPdf;

  final LightSample radiance = new LightSample();

  /** What a sample carries, lm over the number of samples, of a channel's radiance. */
  public double flux(float channel) {
    return channel * cosine / (placePdf * directionPdf);
  }

  void place(double px, double py, double pz, double density) {
    x = px;
    y = py;
    z = pz;
    placePdf = density;
  }

  void colour(float red, float green, float blue) {
    r = red;
    g = green;
    b = blue;
  }

  /**
   * Draws a direction about a normal by cosine within a cone.
   *
   * @param sine2 squared sine of the cone's half angle, 1 for the whole hemisphere
   */
  void about(double nx, double ny, double nz, double sine2, double u, double v) {
    double sin2 = u * sine2, sin = Math.sqrt(sin2), cos = Math.sqrt(Math.max(0, 1 - sin2));
    turned(nx, ny, nz, sin * Trig.cosine(v), sin * Trig.sine(v), cos);
    cosine = cos;
    directionPdf = cos / (Math.PI * sine2);
  }

  /** A direction given in a frame about a unit axis. */
  void turned(double nx, double ny, double nz, double lx, double ly, double lz) {
    Vec3 world = OrthonormalFrame.aboutAxis(nx, ny, nz, lx, ly, lz);
    dx = world.x();
    dy = world.y();
    dz = world.z();
  }

  /** Light of surroundings, in a direction that {@link LightSource#sample} draws for any point. */
  boolean surrounding(
      LightSource light, BoundingSphere aim, double u, double v, double s, double t) {
    if (!light.sample(ANYWHERE, (float) s, (float) t, radiance)) {
      return false;
    }
    dx = -radiance.x;
    dy = -radiance.y;
    dz = -radiance.z;
    directionPdf = radiance.pdf;
    before(aim, u, v);
    colour(radiance.r, radiance.g, radiance.b);
    return true;
  }

  /** A place on a disc that faces along the direction, before what surroundings are aimed at. */
  void before(BoundingSphere aim, double u, double v) {
    double r = aim.radius() * Math.sqrt(u);
    double ex = dx, ey = dy, ez = dz;
    turned(ex, ey, ez, r * Trig.cosine(v), r * Trig.sine(v), -aim.radius());
    place(aim.x() + dx, aim.y() + dy, aim.z() + dz, 1 / aim.outline());
    dx = ex;
    dy = ey;
    dz = ez;
    cosine = 1;
  }
}

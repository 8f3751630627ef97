package levelember.light;

import levelember.math.Trig;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import levelember.texture.Surroundings;

/**
 * A surrounding picture, equirectangular: the middle column lies towards −Z, the right edge a half
 * turn clockwise seen from above, the top row overhead. Pixels are constant patches of sky, so that
 * drawing by luminance × solid angle is exact.
 *
 * <p>Method: the two-step inversion of Pharr, Jakob and Humphreys 2016, section 13.6.7.
 */
public final class EnvironmentLight extends LightSource {
  private final int width, height;
  private final float[] rgb;
  private final PanoramaDistribution distribution;

  /** Cosine of the upper edge of each row, and of the lower edge of the last. */
  private final double[] bands;

  private final double turn;
  private final double turnCos, turnSin;
  private final double tiltCos, tiltSin;

  @Override
  public long bytes() {
    return 4L * rgb.length + distribution.bytes();
  }

  public EnvironmentLight(Light light, Emitter.Environment e, Picture picture) {
    this(
        light,
        Surroundings.prepared(picture, e.blurDegrees(), e.seamBlend()),
        e.rotationDegrees(),
        e.tiltDegrees());
  }

  /**
   * A surrounding.
   *
   * @param picture as it is, nothing prepared
   */
  public EnvironmentLight(
      Light light, Picture picture, double rotationDegrees, double tiltDegrees) {
    super(light.id(), light.seenDirectly());
    width = picture.width();
    height = picture.height();
    rgb = picture.rgb();
    turn = rotationDegrees / 360;
    turnCos = StrictMath.cos(Math.toRadians(rotationDegrees));
    turnSin = StrictMath.sin(Math.toRadians(rotationDegrees));
    tiltCos = StrictMath.cos(Math.toRadians(tiltDegrees));
    tiltSin = StrictMath.sin(Math.toRadians(tiltDegrees));
    distribution = new PanoramaDistribution(picture);
    bands = new double[height + 1];
    for (int y = 0; y <= height; y++) {
      bands[y] = StrictMath.cos(Math.PI * y / height);
    }
  }

  /** The patch of normals of the picture's frame that a point's normal lies in. */
  private int patch(ReferencePoint from) {
    if (!from.oneSided()) {
      return PanoramaDistribution.ALL_SIDES;
    }
    double y = tiltCos * from.ny + tiltSin * from.nz, z = tiltCos * from.nz - tiltSin * from.ny;
    return PanoramaDistribution.patch(
        (float) (turnCos * from.nx - turnSin * z),
        (float) y,
        (float) (turnCos * z + turnSin * from.nx));
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    int patch = patch(from);
    if (!distribution.sample(patch, u, v, to)) {
      return false;
    }
    int x = (int) to.pictureX, y = (int) to.pictureY;
    double cos = bands[y] + (to.pictureY - y) * (bands[y + 1] - bands[y]);
    double sin = Math.sqrt(cos * cos < 1 ? 1 - cos * cos : 0);
    double turns = to.pictureX / width - 0.5 - turn;
    to.x = (float) (sin * Trig.sine(turns));
    to.y = (float) cos;
    to.z = (float) (-sin * Trig.cosine(turns));
    if (tiltSin != 0) {
      float up = to.y;
      to.y = (float) (tiltCos * up - tiltSin * to.z);
      to.z = (float) (tiltSin * up + tiltCos * to.z);
    }
    answer(patch, x, y, to);
    return to.pdf > 0;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    float up = dy, along = dz;
    if (tiltSin != 0) {
      up = (float) Math.clamp(tiltCos * dy + tiltSin * dz, -1.0, 1.0);
      along = (float) (tiltCos * dz - tiltSin * dy);
    }
    double turns = Trig.angle(dx, -along) / (2 * Math.PI) + 0.5 + turn;
    turns -= Math.floor(turns);
    int x = Math.min((int) (turns * width), width - 1);
    int y = Math.min((int) (Trig.arcCosine(up) / Math.PI * height), height - 1);
    answer(patch(from), x, y, to);
    return true;
  }

  private void answer(int patch, int x, int y, LightSample to) {
    int pixel = y * width + x;
    to.distance = Float.POSITIVE_INFINITY;
    to.delta = false;
    to.r = rgb[3 * pixel];
    to.g = rgb[3 * pixel + 1];
    to.b = rgb[3 * pixel + 2];
    to.pdf = distribution.density(patch, x, y);
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    return to.surrounding(this, aim, u, v, s, t);
  }

  @Override
  public float importance(float px, float py, float pz) {
    return (float) (distribution.total() / 4);
  }
}

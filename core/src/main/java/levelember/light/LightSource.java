package levelember.light;

import levelember.math.Sampler;

/**
 * A light at unit value (1 cd/m², or 1 cd for a point) and neutral colour. Its shape gives light
 * and blocks none, so that no light's layer depends on another light.
 */
public abstract sealed class LightSource
    permits FaceLight,
        SphereLight,
        TubeLight,
        PointLight,
        SpotLight,
        SunLight,
        EnvironmentLight,
        DomeLight,
        PortalLight,
        PlateLight,
        EmissiveLight {
  /** Points over which {@link #flux} is summed. */
  private static final int QUADRATURE = 1 << 14;

  private final int key;
  private final boolean seenDirectly;

  LightSource(String id, boolean seenDirectly) {
    this.key = Sampler.hash(id.hashCode());
    this.seenDirectly = seenDirectly;
  }

  /** Seeds this light's own dimensions, so that its points do not depend on other lights. */
  public final int key() {
    return key;
  }

  public final boolean seenDirectly() {
    return seenDirectly;
  }

  /** Bytes of the pictures and tables that it holds; 0 for what is told by a few numbers. */
  public long bytes() {
    return 0;
  }

  /**
   * Draws a direction from a point towards the light; false when none can reach it.
   *
   * @param from whose unlit side may be left out
   * @param u in [0, 1)
   * @param v in [0, 1)
   */
  public abstract boolean sample(ReferencePoint from, float u, float v, LightSample to);

  /**
   * About the illuminance that it gives at a place at unit value, lx, whatever stands between; more
   * than 0 wherever it gives any.
   */
  public abstract float importance(float px, float py, float pz);

  /**
   * Writes the box that it fills, least and greatest x, y and z, into six floats; false for what
   * surrounds the set.
   */
  public boolean box(float[] to) {
    return false;
  }

  static boolean box(float[] to, double x, double y, double z, double rx, double ry, double rz) {
    to[0] = (float) (x - rx);
    to[1] = (float) (y - ry);
    to[2] = (float) (z - rz);
    to[3] = (float) (x + rx);
    to[4] = (float) (y + ry);
    to[5] = (float) (z + rz);
    return true;
  }

  /** False where no ray that is traced on can meet it, so that it need not be tried. */
  public boolean hittable() {
    return true;
  }

  /** What a face or body of an area gives about a place, fading by the squared distance. */
  static float around(double x, double y, double z, double area) {
    return (float) (area / (x * x + y * y + z * z + area));
  }

  /** True when parts are to be chosen by {@link #choose} before each is drawn. */
  public boolean choosing() {
    return false;
  }

  /** How many of its parts are worth drawing at a place. */
  public int parts(float px, float py, float pz) {
    return 1;
  }

  /**
   * Chooses parts to be drawn, where the light is {@link #choosing()}.
   *
   * @param count how many, no more than {@link #parts} says anywhere
   * @param w in [0, 1)
   * @param to keeps them, for {@link #sample} to draw {@code to.part} of them
   */
  public void choose(ReferencePoint from, int count, float w, LightSample to) {}

  /**
   * Draws a place and a direction in which light leaves, as light paths begin; false when none does
   * for these numbers, which counts as a sample of no light.
   *
   * @param aim what lights that surround the set are aimed at
   * @param u for the place, with v, in [0, 1)
   * @param s for the direction, with t, in [0, 1)
   */
  public abstract boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to);

  /**
   * What leaves at unit value and neutral colour by channel, lm; of surroundings what crosses the
   * outline of what they are aimed at. By quadrature over {@link #emit}, to about one percent.
   */
  public final double[] flux(BoundingSphere aim) {
    EmissionSample sample = new EmissionSample();
    double[] sum = new double[3];
    for (int i = 0; i < QUADRATURE; i++) {
      // Points of the R4 sequence (Roberts 2018), of low discrepancy in four dimensions.
      double u = part(i, 0.8566748838545029), v = part(i, 0.733891856627126);
      double s = part(i, 0.6287067210378087), t = part(i, 0.5385972572236101);
      if (emit(aim, u, v, s, t, sample)) {
        sum[0] += sample.flux(sample.r);
        sum[1] += sample.flux(sample.g);
        sum[2] += sample.flux(sample.b);
      }
    }
    for (int c = 0; c < 3; c++) {
      sum[c] /= QUADRATURE;
    }
    return sum;
  }

  private static double part(int i, double step) {
    double at = 0.5 + i * step;
    return at - Math.floor(at);
  }

  /**
   * Whether a ray that is free up to {@code far} meets the light; if so gives its radiance and the
   * density with which {@link #sample} would have drawn that direction for that point.
   */
  public abstract boolean hit(
      ReferencePoint from, float dx, float dy, float dz, float far, LightSample to);
}

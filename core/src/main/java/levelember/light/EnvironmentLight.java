package levelember.light;

import levelember.math.Colour;
import levelember.math.Trig;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
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
  private final float[] rows;
  private final float[] columns;
  private final int[] rowGuide;
  private final int[] columnGuide;
  private final double[] bands;
  private final double total;
  private final double turn;
  private final double tiltCos, tiltSin;

  @Override
  public long bytes() {
    return 4L * rgb.length + 4L * columns.length + 4L * columnGuide.length;
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
    tiltCos = StrictMath.cos(Math.toRadians(tiltDegrees));
    tiltSin = StrictMath.sin(Math.toRadians(tiltDegrees));
    rows = new float[height + 1];
    columns = new float[height * (width + 1)];
    double sum = 0;
    double[] rowSums = new double[height];
    for (int y = 0; y < height; y++) {
      double run = 0;
      for (int x = 0; x < width; x++) {
        run += luminance(y * width + x);
        columns[y * (width + 1) + x + 1] = (float) run;
      }
      for (int x = 1; x <= width && run > 0; x++) {
        columns[y * (width + 1) + x] = (float) (columns[y * (width + 1) + x] / run);
      }
      columns[y * (width + 1) + width] = 1;
      rowSums[y] = run * bandSolidAngle(y) / width;
      sum += rowSums[y];
    }
    double run = 0;
    for (int y = 0; y < height; y++) {
      run += rowSums[y];
      rows[y + 1] = (float) (sum > 0 ? run / sum : 0);
    }
    rows[height] = 1;
    total = sum;
    rowGuide = new int[height];
    guide(rows, 0, height, rowGuide, 0);
    columnGuide = new int[height * width];
    for (int y = 0; y < height; y++) {
      guide(columns, y * (width + 1), width, columnGuide, y * width);
    }
    bands = new double[height + 1];
    for (int y = 0; y <= height; y++) {
      bands[y] = StrictMath.cos(Math.PI * y / height);
    }
  }

  private float luminance(int pixel) {
    return Math.max(0, Colour.luminance(rgb[3 * pixel], rgb[3 * pixel + 1], rgb[3 * pixel + 2]));
  }

  private double bandSolidAngle(int y) {
    return 2
        * Math.PI
        * (StrictMath.cos(Math.PI * y / height) - StrictMath.cos(Math.PI * (y + 1) / height));
  }

  @Override
  public boolean sample(ReferencePoint from, float u, float v, LightSample to) {
    if (!(total > 0)) {
      return false;
    }
    int y = find(rows, 0, rowGuide, 0, height, v);
    int row = y * (width + 1);
    int x = find(columns, row, columnGuide, y * width, width, u);
    double cos = bands[y] + rest(rows, y, v) * (bands[y + 1] - bands[y]);
    double sin = Math.sqrt(cos * cos < 1 ? 1 - cos * cos : 0);
    double turns = (x + rest(columns, row + x, u)) / width - 0.5 - turn;
    to.x = (float) (sin * Trig.sine(turns));
    to.y = (float) cos;
    to.z = (float) (-sin * Trig.cosine(turns));
    if (tiltSin != 0) {
      float up = to.y;
      to.y = (float) (tiltCos * up - tiltSin * to.z);
      to.z = (float) (tiltSin * up + tiltCos * to.z);
    }
    answer(y * width + x, to);
    return to.pdf > 0;
  }

  /** Where to begin looking for each of {@code count} equal parts of [0, 1). */
  private static void guide(float[] table, int from, int count, int[] to, int at) {
    int k = 0;
    for (int i = 0; i < count; i++) {
      while (k < count - 1 && table[from + k + 1] <= (float) i / count) {
        k++;
      }
      to[at + i] = k;
    }
  }

  private static int find(float[] table, int from, int[] guide, int at, int count, float u) {
    int k = guide[at + (int) (u * count)];
    while (k < count - 1 && table[from + k + 1] <= u) {
      k++;
    }
    return k;
  }

  private static float rest(float[] table, int at, float u) {
    float span = table[at + 1] - table[at];
    if (!(span > 0)) {
      return 0.5f;
    }
    float part = (u - table[at]) / span;
    return part < 0 ? 0 : part > 0.9999999f ? 0.9999999f : part;
  }

  @Override
  public boolean hit(ReferencePoint from, float dx, float dy, float dz, float far, LightSample to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    answer(
        tiltSin == 0
            ? pixel(dx, dy, dz)
            : pixel(
                dx,
                (float) Math.clamp(tiltCos * dy + tiltSin * dz, -1.0, 1.0),
                (float) (tiltCos * dz - tiltSin * dy)),
        to);
    return true;
  }

  private int pixel(float dx, float dy, float dz) {
    double along = Trig.angle(dx, -dz) / (2 * Math.PI) + 0.5 + turn;
    along -= Math.floor(along);
    int x = Math.min((int) (along * width), width - 1);
    int y = Math.min((int) (Trig.arcCosine(dy) / Math.PI * height), height - 1);
    return y * width + x;
  }

  private void answer(int pixel, LightSample to) {
    to.distance = Float.POSITIVE_INFINITY;
    to.delta = false;
    to.r = rgb[3 * pixel];
    to.g = rgb[3 * pixel + 1];
    to.b = rgb[3 * pixel + 2];
    to.pdf = total > 0 ? (float) (luminance(pixel) / total) : 0;
  }

  @Override
  public boolean emit(
      BoundingSphere aim, double u, double v, double s, double t, EmissionSample to) {
    return to.surrounding(this, aim, u, v, s, t);
  }

  @Override
  public float importance(float px, float py, float pz) {
    return (float) (total / 4);
  }
}

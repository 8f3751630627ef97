package levelember.light;

import levelember.math.Colour;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
import levelember.texture.Picture;

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
  private final double total;
  private final double turn;

  public EnvironmentLight(Light light, Emitter.Environment e, Picture picture) {
    super(light.id(), light.seenByCamera());
    width = picture.width();
    height = picture.height();
    rgb = picture.rgb();
    turn = Math.toRadians(e.turnDegrees()) / (2 * Math.PI);
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
  }

  private float luminance(int pixel) {
    return Math.max(0, Colour.luminance(rgb[3 * pixel], rgb[3 * pixel + 1], rgb[3 * pixel + 2]));
  }

  private double bandSolidAngle(int y) {
    return 2 * Math.PI * (Math.cos(Math.PI * y / height) - Math.cos(Math.PI * (y + 1) / height));
  }

  @Override
  public boolean draw(float px, float py, float pz, float u, float v, LightRay to) {
    if (!(total > 0)) {
      return false;
    }
    int y = find(rows, 0, height, v);
    int from = y * (width + 1);
    int x = find(columns, from, width, u);
    float inRow = rest(rows, y, v);
    float inColumn = rest(columns, from + x, u);
    double top = Math.cos(Math.PI * y / height), bottom = Math.cos(Math.PI * (y + 1) / height);
    double cos = top + inRow * (bottom - top);
    double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
    double angle = 2 * Math.PI * ((x + inColumn) / width - 0.5 - turn);
    to.x = (float) (sin * Math.sin(angle));
    to.y = (float) cos;
    to.z = (float) (-sin * Math.cos(angle));
    answer(y * width + x, to);
    return to.pdf > 0;
  }

  private static int find(float[] table, int from, int count, float u) {
    int low = 0, high = count - 1;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (table[from + middle + 1] > u) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  private static float rest(float[] table, int at, float u) {
    float span = table[at + 1] - table[at];
    return span > 0 ? Math.clamp((u - table[at]) / span, 0f, 0.9999999f) : 0.5f;
  }

  @Override
  public boolean meets(
      float ox, float oy, float oz, float dx, float dy, float dz, float far, LightRay to) {
    if (far < Float.POSITIVE_INFINITY) {
      return false;
    }
    answer(pixel(dx, dy, dz), to);
    return true;
  }

  private int pixel(float dx, float dy, float dz) {
    double along = Math.atan2(dx, -dz) / (2 * Math.PI) + 0.5 + turn;
    along -= Math.floor(along);
    int x = Math.min((int) (along * width), width - 1);
    int y = Math.min((int) (Math.acos(Math.clamp(dy, -1f, 1f)) / Math.PI * height), height - 1);
    return y * width + x;
  }

  private void answer(int pixel, LightRay to) {
    to.distance = Float.POSITIVE_INFINITY;
    to.delta = false;
    to.r = rgb[3 * pixel];
    to.g = rgb[3 * pixel + 1];
    to.b = rgb[3 * pixel + 2];
    to.pdf = total > 0 ? (float) (luminance(pixel) / total) : 0;
  }
}

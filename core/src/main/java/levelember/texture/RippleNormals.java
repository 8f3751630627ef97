package levelember.texture;

import java.util.Random;

/**
 * A tangent-space normal map of fine ripples, green up, that repeats without a seam: waves of whole
 * numbers across its width and height, from a fifth to a thirtieth of it long, in all directions.
 */
public final class RippleNormals {
  /** The name that it goes by among a shoot's pictures, which no asset can have. */
  public static final String NAME = "/ripples";

  private static final int SIDE = 256;
  private static final int WAVES = 48;

  /** Root mean square of its slopes. */
  public static final double SLOPES = 0.1;

  /** Waves across its width, the middle of them by ratio. */
  public static final double MIDDLE = 12;

  private RippleNormals() {}

  /** The map. */
  public static Texels texels() {
    return Held.MAP;
  }

  private static final class Held {
    static final Texels MAP = made();
  }

  private static Texels made() {
    Random random = new Random(90_210);
    double[] hu = new double[SIDE * SIDE], hv = new double[SIDE * SIDE];
    for (int w = 0; w < WAVES; w++) {
      double number = 5 * StrictMath.pow(6, (w + 0.5) / WAVES);
      double heading = 2 * Math.PI * random.nextDouble();
      int ku = (int) Math.round(number * StrictMath.cos(heading));
      int kv = (int) Math.round(number * StrictMath.sin(heading));
      double phase = 2 * Math.PI * random.nextDouble();
      // Slopes fall with the number of waves.
      double slope = 1 / Math.sqrt(number);
      for (int y = 0; y < SIDE; y++) {
        for (int x = 0; x < SIDE; x++) {
          double at = 2 * Math.PI * (ku * (x + 0.5) + kv * (y + 0.5)) / SIDE + phase;
          double s = slope * StrictMath.sin(at) / Math.max(1, StrictMath.hypot(ku, kv));
          hu[y * SIDE + x] -= ku * s;
          hv[y * SIDE + x] -= kv * s;
        }
      }
    }
    double sum = 0;
    for (int i = 0; i < hu.length; i++) {
      sum += hu[i] * hu[i] + hv[i] * hv[i];
    }
    double scale = SLOPES / Math.sqrt(sum / hu.length);
    Picture to = Picture.black(SIDE, SIDE);
    for (int i = 0; i < hu.length; i++) {
      double x = -scale * hu[i], y = scale * hv[i], l = Math.sqrt(1 + x * x + y * y);
      to.set(i % SIDE, i / SIDE, 0.5 + 0.5 * x / l, 0.5 + 0.5 * y / l, 0.5 + 0.5 / l);
    }
    return Texels.of(to);
  }
}

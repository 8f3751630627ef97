package levelember.look;

import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.shoot.Look;
import levelember.texture.Picture;

/**
 * Exposure with a highlight shoulder.
 *
 * <p>A channel L (cd/m²) is exposed to x = L / (1.2·2^EV) (saturation-based speed of ISO 12232). Up
 * to the start s it is shown as it is. Above, with t = (x − s)/(1 − s) and w = (2^stops − s)/(1 −
 * s), it is s + (1 − s)·t·(1 + t/w²)/(1 + t), which leaves s with slope 1 and reaches 1 at 2^stops
 * (the curve of Reinhard et al. 2002). The result is encoded as sRGB.
 */
public final class DisplayCurve {
  private static final int TABLE = 1 << 14;
  private final double scale;
  private final double start;
  private final double white;
  private final byte[] codes = new byte[TABLE + 1];
  private final float toTable;

  public DisplayCurve(Look look) {
    scale = 1 / fullScale(look.ev());
    start = look.shoulderStart();
    white = Math.pow(2, look.shoulderStops());
    // The table runs over the square root of the exposed value, where codes lie evenly.
    toTable = (float) (TABLE / Math.sqrt(white));
    for (int i = 0; i <= TABLE; i++) {
      double root = (i + 0.5) / toTable;
      codes[i] = (byte) Math.round(255 * Colour.encodeSrgb(shoulder(root * root)));
    }
  }

  /** Luminance that is shown as 1.0 before the shoulder, cd/m². */
  public static double fullScale(double ev) {
    return 1.2 * Math.pow(2, ev);
  }

  /** Luminance of mid grey for readings, cd/m². */
  public static double midGrey(double ev) {
    return 0.18 * fullScale(ev);
  }

  /** Display value 0…1, linear, of a channel in cd/m². */
  public double display(double channel) {
    return shoulder(Math.max(0, channel) * scale);
  }

  private double shoulder(double x) {
    if (x <= start) {
      return x;
    }
    if (start >= 1 || x >= white) {
      return Math.min(1, start >= 1 ? x : 1);
    }
    double t = (x - start) / (1 - start);
    double w = (white - start) / (1 - start);
    return Math.min(1, start + (1 - start) * t * (1 + t / (w * w)) / (1 + t));
  }

  /** Code value 0…{@code most} of a channel in cd/m², by the curve itself. */
  public int code(double channel, int most) {
    return (int) Math.round(most * Colour.encodeSrgb(display(channel)));
  }

  /** Eight-bit codes by table, within one code of {@link #code}, three bytes a pixel. */
  public byte[] quick(Picture picture) {
    float[] rgb = picture.rgb();
    byte[] to = new byte[rgb.length];
    int row = 3 * picture.width();
    float s = (float) scale;
    IntStream.range(0, picture.height())
        .parallel()
        .forEach(y -> {
          for (int i = y * row; i < (y + 1) * row; i++) {
            float x = rgb[i] * s;
            int at = x > 0 ? (int) ((float) Math.sqrt(x) * toTable) : 0;
            to[i] = codes[Math.min(at, TABLE)];
          }
        });
    return to;
  }
}

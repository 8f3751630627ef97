package levelember.look;

import java.util.Arrays;
import java.util.stream.IntStream;
import levelember.math.Colour;
import levelember.texture.Picture;

/**
 * Pictures of what is cut out, as programs want them that lay them over another one: colours not
 * multiplied by alpha. A glow beyond the edge of what is there has no alpha of its own and gets as
 * much as it is bright.
 */
public final class CutOut {
  /** Squares that stand for nothing in a shown picture: their size in pixels and their codes. */
  private static final int SQUARE = 12;

  private static final float DARK = 0.27f, LIGHT = 0.34f;

  private static final int FINE = 4096;
  private static final float[] ENCODED = new float[FINE + 1];

  static {
    for (int i = 0; i <= FINE; i++) {
      // Finer where the curve is steep.
      double part = (double) i / FINE;
      ENCODED[i] = (float) Colour.encodeSrgb(part * part);
    }
  }

  private CutOut() {}

  /**
   * Four values a pixel, 0…1: red, green, blue as encoded sRGB, and alpha.
   *
   * @param shown encoded sRGB of colours multiplied by alpha, as {@link Development#shown} gives
   * @param alpha 0…1, one a pixel
   */
  public static float[] straight(Picture shown, float[] alpha) {
    float[] from = shown.rgb(), to = new float[4 * alpha.length];
    float[] light = new float[3];
    for (int i = 0; i < alpha.length; i++) {
      float most = alpha[i];
      for (int k = 0; k < 3; k++) {
        light[k] = (float) Colour.decodeSrgb(Math.clamp(from[3 * i + k], 0f, 1f));
        most = Math.max(most, light[k]);
      }
      for (int k = 0; k < 3 && most > 0; k++) {
        to[4 * i + k] = most == 1 ? from[3 * i + k] : encoded(light[k] / most);
      }
      to[4 * i + 3] = most;
    }
    return to;
  }

  /** Lays codes of colours multiplied by alpha over squares that stand for nothing, in place. */
  public static void overSquares(byte[] codes, float[] alpha, int width) {
    IntStream.range(0, alpha.length / width)
        .parallel()
        .forEach(y -> overSquares(codes, alpha, y * width, width, y));
  }

  private static void overSquares(byte[] codes, float[] alpha, int from, int width, int y) {
    for (int x = 0; x < width; x++) {
      int i = from + x;
      if (alpha[i] == 1) {
        continue;
      }
      boolean odd = (x / SQUARE + y / SQUARE) % 2 == 1;
      float ground = odd ? LIGHT : DARK;
      if (alpha[i] == 0 && codes[3 * i] == 0 && codes[3 * i + 1] == 0 && codes[3 * i + 2] == 0) {
        Arrays.fill(codes, 3 * i, 3 * i + 3, (byte) (int) (255 * ground + 0.5f));
        continue;
      }
      float most = alpha[i];
      for (int k = 0; k < 3; k++) {
        most = Math.max(most, decoded(codes[3 * i + k]));
      }
      for (int k = 3 * i; k < 3 * i + 3; k++) {
        float own = most > 0 ? encoded(decoded(codes[k]) / most) : 0;
        codes[k] = (byte) (int) (255 * (most * own + (1 - most) * ground) + 0.5f);
      }
    }
  }

  private static float decoded(byte code) {
    return Codes.LIGHT[code & 0xFF];
  }

  private static float encoded(float light) {
    float at = FINE * (float) Math.sqrt(Math.min(1, light));
    int i = Math.min(FINE - 1, (int) at);
    return ENCODED[i] + (at - i) * (ENCODED[i + 1] - ENCODED[i]);
  }

  private static final class Codes {
    static final float[] LIGHT = new float[256];

    static {
      for (int i = 0; i < 256; i++) {
        LIGHT[i] = (float) Colour.decodeSrgb(i / 255.0);
      }
    }
  }
}

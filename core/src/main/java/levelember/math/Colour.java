package levelember.math;

/** Constants and curves of the one colour space inside: linear BT.709 primaries with D65 white. */
public final class Colour {
  public static final float Y_RED = 0.2126f;
  public static final float Y_GREEN = 0.7152f;
  public static final float Y_BLUE = 0.0722f;

  private Colour() {}

  /** Luminance of a linear colour, in the unit of its channels. */
  public static float luminance(float r, float g, float b) {
    return Y_RED * r + Y_GREEN * g + Y_BLUE * b;
  }

  /** The sRGB transfer curve (IEC 61966-2-1): linear 0…1 to code value 0…1. */
  public static double encodeSrgb(double linear) {
    double x = Math.clamp(linear, 0.0, 1.0);
    return x <= 0.0031308 ? 12.92 * x : 1.055 * StrictMath.pow(x, 1 / 2.4) - 0.055;
  }

  /** The inverse of {@link #encodeSrgb}. */
  public static double decodeSrgb(double code) {
    double x = Math.clamp(code, 0.0, 1.0);
    return x <= 0.04045 ? x / 12.92 : StrictMath.pow((x + 0.055) / 1.055, 2.4);
  }
}

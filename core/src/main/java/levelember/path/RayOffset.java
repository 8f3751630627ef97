package levelember.path;

/**
 * Moves the origin of a ray off the surface that it leaves, so that it does not meet it again
 * (Wächter and Binder 2019, "A Fast and Robust Method for Avoiding Self-Intersection").
 */
public final class RayOffset {
  private RayOffset() {}

  /**
   * A coordinate of the origin.
   *
   * @param p of the point on the surface
   * @param n the same coordinate of the unit normal on the side that the ray leaves to
   */
  public static float off(float p, float n) {
    if (Math.abs(p) < 1 / 32f) {
      return p + n / 65536;
    }
    int shift = (int) (256 * n);
    return Float.intBitsToFloat(Float.floatToRawIntBits(p) + (p < 0 ? -shift : shift));
  }
}

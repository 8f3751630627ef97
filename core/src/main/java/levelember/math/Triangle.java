package levelember.math;

/**
 * Places on a triangle, uniform over its area (Heitz 2019, "A Low-Distortion Map Between Triangle
 * and Square").
 */
public final class Triangle {
  private Triangle() {}

  /**
   * Barycentric weight of the second corner.
   *
   * @param u in [0, 1], as v
   */
  public static float second(float u, float v) {
    float b = u / 2, c = v / 2, shift = c - b;
    return shift > 0 ? b : b - shift;
  }

  /** Barycentric weight of the third corner. */
  public static float third(float u, float v) {
    float b = u / 2, c = v / 2, shift = c - b;
    return shift > 0 ? c + shift : c;
  }
}

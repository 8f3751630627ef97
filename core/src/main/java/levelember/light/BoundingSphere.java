package levelember.light;

/**
 * What lights that surround a set are aimed at when they emit.
 *
 * @param x of its centre, metres
 * @param radius metres, more than 0
 */
public record BoundingSphere(double x, double y, double z, double radius) {
  /** Area of its outline, m². */
  double outline() {
    return Math.PI * radius * radius;
  }
}

package levelember.math;

/**
 * A point, direction or size in descriptions: right-handed, +Y up, metres where it is a place.
 *
 * @param x to the right
 * @param y up
 * @param z towards the viewer
 */
public record Vec3(double x, double y, double z) {
  public static final Vec3 ZERO = new Vec3(0, 0, 0);
  public static final Vec3 ONE = new Vec3(1, 1, 1);
  public static final Vec3 UP = new Vec3(0, 1, 0);

  public Vec3 plus(Vec3 o) {
    return new Vec3(x + o.x, y + o.y, z + o.z);
  }

  public Vec3 minus(Vec3 o) {
    return new Vec3(x - o.x, y - o.y, z - o.z);
  }

  public Vec3 times(double s) {
    return new Vec3(x * s, y * s, z * s);
  }

  public double dot(Vec3 o) {
    return x * o.x + y * o.y + z * o.z;
  }

  public Vec3 cross(Vec3 o) {
    return new Vec3(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
  }

  public double length() {
    return Math.sqrt(dot(this));
  }

  /** The unit vector of the same direction; the zero vector stays zero. */
  public Vec3 unit() {
    double l = length();
    return l == 0 ? this : times(1 / l);
  }

  public boolean finite() {
    return Double.isFinite(x) && Double.isFinite(y) && Double.isFinite(z);
  }
}

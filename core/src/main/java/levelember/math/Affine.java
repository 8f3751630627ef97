package levelember.math;

/**
 * An affine map of space: three columns of a linear part and a shift.
 *
 * @param x image of the X axis
 * @param y image of the Y axis
 * @param z image of the Z axis
 * @param shift image of the origin, metres
 */
public record Affine(Vec3 x, Vec3 y, Vec3 z, Vec3 shift) {
  public static final Affine IDENTITY =
      new Affine(new Vec3(1, 0, 0), new Vec3(0, 1, 0), new Vec3(0, 0, 1), Vec3.ZERO);

  /** Scales, then turns about X, Y and Z (in this order, degrees), then moves. */
  public static Affine of(Vec3 place, Vec3 rotationDegrees, Vec3 size) {
    double a = Math.toRadians(rotationDegrees.x());
    double b = Math.toRadians(rotationDegrees.y());
    double c = Math.toRadians(rotationDegrees.z());
    double ca = StrictMath.cos(a), sa = StrictMath.sin(a);
    double cb = StrictMath.cos(b), sb = StrictMath.sin(b);
    double cc = StrictMath.cos(c), sc = StrictMath.sin(c);
    Vec3 x = new Vec3(cc * cb, sc * cb, -sb);
    Vec3 y = new Vec3(cc * sb * sa - sc * ca, sc * sb * sa + cc * ca, cb * sa);
    Vec3 z = new Vec3(cc * sb * ca + sc * sa, sc * sb * ca - cc * sa, cb * ca);
    return new Affine(x.times(size.x()), y.times(size.y()), z.times(size.z()), place);
  }

  /** A frame at {@code place} whose −Z axis points at {@code aim}, rolled about that axis. */
  public static Affine lookingAt(Vec3 place, Vec3 aim, double rollDegrees) {
    Vec3 back = place.minus(aim).unit();
    if (back.length() == 0) {
      back = new Vec3(0, 0, 1);
    }
    Vec3 helper = Math.abs(back.y()) > 0.9999 ? new Vec3(0, 0, -1) : Vec3.UP;
    Vec3 right = helper.cross(back).unit();
    Vec3 up = back.cross(right);
    double r = Math.toRadians(rollDegrees);
    Vec3 right2 = right.times(StrictMath.cos(r)).plus(up.times(StrictMath.sin(r)));
    Vec3 up2 = up.times(StrictMath.cos(r)).minus(right.times(StrictMath.sin(r)));
    return new Affine(right2, up2, back, place);
  }

  public Vec3 direction(Vec3 v) {
    return x.times(v.x()).plus(y.times(v.y())).plus(z.times(v.z()));
  }

  public Vec3 point(Vec3 p) {
    return direction(p).plus(shift);
  }

  /** A normal's image: by the cofactors of the linear part, not normalised. */
  public Vec3 normal(Vec3 n) {
    double s = determinant() < 0 ? -1 : 1;
    return y.cross(z)
        .times(n.x())
        .plus(z.cross(x).times(n.y()))
        .plus(x.cross(y).times(n.z()))
        .times(s);
  }

  public double determinant() {
    return x.dot(y.cross(z));
  }

  /**
   * The map back.
   *
   * @throws ArithmeticException when this one flattens space
   */
  public Affine inverse() {
    double d = determinant();
    if (d == 0) {
      throw new ArithmeticException("a map that flattens space has no inverse");
    }
    Vec3 r0 = y.cross(z).times(1 / d);
    Vec3 r1 = z.cross(x).times(1 / d);
    Vec3 r2 = x.cross(y).times(1 / d);
    Affine linear =
        new Affine(
            new Vec3(r0.x(), r1.x(), r2.x()),
            new Vec3(r0.y(), r1.y(), r2.y()),
            new Vec3(r0.z(), r1.z(), r2.z()),
            Vec3.ZERO);
    return new Affine(linear.x, linear.y, linear.z, linear.direction(shift).times(-1));
  }

  /** This map after the other one: {@code (this ∘ first)(p) = this(first(p))}. */
  public Affine after(Affine first) {
    return new Affine(
        direction(first.x), direction(first.y), direction(first.z), point(first.shift));
  }
}

package levelember.light;

/** An egg-crate of square black cells in front of a face, which narrows where its light goes. */
public final class EggCrate {
  private EggCrate() {}

  /**
   * How far a ray may lean for each unit that it goes out; infinite without a crate.
   *
   * @param spreadDegrees whole angle of what the crate lets out, 180 for none
   */
  public static double lean(double spreadDegrees) {
    return spreadDegrees >= 180
        ? Double.POSITIVE_INFINITY
        : StrictMath.tan(Math.toRadians(spreadDegrees / 2));
  }

  /**
   * What the crate lets out, 0…1: the part of a cell's floor that is seen.
   *
   * @param lean see {@link #lean}
   * @param x along the face, for any length of the ray
   * @param y along the face
   * @param z out of the face
   */
  public static double open(double lean, double x, double y, double z) {
    if (lean == Double.POSITIVE_INFINITY) {
      return 1;
    }
    double n = Math.abs(z) * lean;
    return Math.max(0, 1 - Math.abs(x) / n) * Math.max(0, 1 - Math.abs(y) / n);
  }
}

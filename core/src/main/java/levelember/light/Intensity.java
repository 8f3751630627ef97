package levelember.light;

import levelember.math.Affine;
import levelember.shoot.Profile;

/** A lamp's profile made ready to look up, 1 at its peak. */
final class Intensity {
  private static final int POLAR = 360, AROUND = 144;
  private final float[] table;
  private final int columns;
  private final Affine frame;

  /**
   * A profile turned with a lamp.
   *
   * @param frame the lamp's, its −Z axis the pole
   */
  Intensity(Profile profile, Affine frame) {
    this.frame = frame;
    columns = profile.around().size() == 1 ? 1 : AROUND;
    table = new float[(POLAR + 1) * columns];
    double peak = profile.peak();
    for (int p = 0; p <= POLAR; p++) {
      for (int a = 0; a < columns; a++) {
        double polar = 180.0 * p / POLAR;
        table[p * columns + a] = (float) (profile.at(polar, 360.0 * a / columns) / peak);
      }
    }
  }

  /** Part of the peak in a direction away from the lamp. */
  float along(double x, double y, double z) {
    double out = -(x * frame.z().x() + y * frame.z().y() + z * frame.z().z());
    double p = StrictMath.acos(Math.clamp(out, -1.0, 1.0)) / Math.PI * POLAR;
    int low = Math.min((int) p, POLAR - 1);
    float part = (float) (p - low);
    if (columns == 1) {
      return table[low] + part * (table[low + 1] - table[low]);
    }
    double right = x * frame.x().x() + y * frame.x().y() + z * frame.x().z();
    double up = x * frame.y().x() + y * frame.y().y() + z * frame.y().z();
    double a = StrictMath.atan2(up, right) / (2 * Math.PI);
    a = (a - Math.floor(a)) * columns;
    int left = Math.min((int) a, columns - 1), next = (left + 1) % columns;
    float side = (float) (a - left);
    float top = mix(table[low * columns + left], table[low * columns + next], side);
    float bottom = mix(table[(low + 1) * columns + left], table[(low + 1) * columns + next], side);
    return mix(top, bottom, part);
  }

  private static float mix(float a, float b, float part) {
    return a + part * (b - a);
  }
}

package levelember.light;

import java.util.List;
import levelember.math.Affine;
import levelember.shoot.lighting.Profile;

/**
 * A lamp's profile made ready to look up, 1 at its peak: linear between the angles that were
 * measured, 0 beyond them. An index over evenly spaced angles says where to begin to look.
 */
final class Intensity {
  private static final int INDEX = 720;

  /** The measured angles in degrees, and around the lamp the first ones once more after 360. */
  private final float[] polar, around;

  /** For evenly spaced angles the last measured one that is not beyond. */
  private final short[] polarIndex, aroundIndex;

  /** Intensities of half plane after half plane. */
  private final float[] values;

  private final Affine frame;

  /**
   * A profile turned with a lamp.
   *
   * @param frame the lamp's, its −Z axis the pole
   */
  Intensity(Profile profile, Affine frame) {
    this.frame = frame;
    polar = angles(profile.polar(), 0);
    int planes = profile.around().size();
    around = planes == 1 ? null : angles(profile.around(), 1);
    polarIndex = index(polar, 180);
    aroundIndex = planes == 1 ? null : index(around, 360);
    double peak = profile.peak();
    values = new float[profile.candela().size()];
    for (int i = 0; i < values.length; i++) {
      values[i] = (float) (profile.candela().get(i) / peak);
    }
  }

  private static float[] angles(List<Double> from, int again) {
    float[] to = new float[from.size() + again];
    for (int i = 0; i < to.length; i++) {
      to[i] = (float) (from.get(i % from.size()) + (i < from.size() ? 0 : 360));
    }
    return to;
  }

  private static short[] index(float[] angles, float most) {
    short[] to = new short[INDEX + 1];
    int at = 0;
    for (int i = 0; i <= INDEX; i++) {
      while (at + 1 < angles.length && angles[at + 1] <= i * most / INDEX) {
        at++;
      }
      to[i] = (short) at;
    }
    return to;
  }

  /** The last measured angle that is not beyond another, the first one where all are. */
  private static int below(float[] angles, short[] index, float angle, float most) {
    int at = index[(int) (angle / most * INDEX)];
    while (at + 1 < angles.length && angles[at + 1] <= angle) {
      at++;
    }
    // Rounding may have gone one step of the index too far.
    return at > 0 && angles[at] > angle ? at - 1 : at;
  }

  /** Part of the peak in a direction away from the lamp. */
  float along(double x, double y, double z) {
    double out = -(x * frame.z().x() + y * frame.z().y() + z * frame.z().z());
    double right = x * frame.x().x() + y * frame.x().y() + z * frame.x().z();
    double up = x * frame.y().x() + y * frame.y().y() + z * frame.y().z();
    // Near the pole the cosine alone tells nothing of the angle.
    float p = (float) Math.toDegrees(StrictMath.atan2(Math.sqrt(right * right + up * up), out));
    int rows = polar.length;
    if (p < polar[0] || p > polar[rows - 1]) {
      return 0;
    }
    int low = Math.min(below(polar, polarIndex, p, 180), rows - 2);
    float part = (p - polar[low]) / (polar[low + 1] - polar[low]);
    if (around == null) {
      return mix(values[low], values[low + 1], part);
    }
    float turn = (float) Math.toDegrees(StrictMath.atan2(up, right));
    turn = turn < around[0] ? turn + 360 : turn;
    turn = turn < around[0] ? turn + 360 : turn;
    int planes = around.length - 1;
    int left =
        turn >= 360 ? planes - 1 : Math.min(below(around, aroundIndex, turn, 360), planes - 1);
    float side = Math.min(1, (turn - around[left]) / (around[left + 1] - around[left]));
    int a = left * rows + low, b = (left + 1) % planes * rows + low;
    return mix(mix(values[a], values[a + 1], part), mix(values[b], values[b + 1], part), side);
  }

  private static float mix(float a, float b, float part) {
    return a + part * (b - a);
  }
}

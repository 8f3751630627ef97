package levelember.lens;

import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shot;

/**
 * A thin lens that is sharp at one distance, or a pinhole; pixels are square and the sensor's width
 * is the picture's. Samples spread over a pixel by a tent of two pixels' width.
 */
public final class ThinLens implements Camera.Rays {
  private final Vec3 place, right, up, back;
  private final double perPixel;
  private final double halfWidth, halfHeight;
  private final double lensRadius, focus;

  /** How far up the picture's middle lies on the sensor, of the focal length. */
  private final double shift;

  private final int blades;
  private final double bladeTurn, bladeReach;

  /**
   * The lens of a shot.
   *
   * @param width of the picture, pixels
   * @param height of the picture, pixels
   * @param step pixels of the picture that one pixel traced spans either way
   */
  public ThinLens(Shot shot, int width, int height, int step) {
    Vec3 way = shot.aim().minus(shot.position());
    double level = StrictMath.hypot(way.x(), way.z());
    boolean upright = shot.upright() && level > 0.05 * way.length();
    Vec3 aim = upright ? new Vec3(shot.aim().x(), shot.position().y(), shot.aim().z()) : shot.aim();
    shift = upright ? way.y() / level : 0;
    Affine frame = Affine.lookingAt(shot.position(), aim, 0);
    place = shot.position();
    right = frame.x();
    up = frame.y();
    back = frame.z();
    perPixel = shot.sensorWidthMm() / shot.focalLengthMm() / width * step;
    halfWidth = width / 2.0 / step;
    halfHeight = height / 2.0 / step;
    lensRadius = shot.fStop() > 0 ? shot.focalLengthMm() / 2000 / shot.fStop() : 0;
    focus = shot.focusDistance() > 0 ? shot.focusDistance() : aim.minus(shot.position()).length();
    blades = shot.blades();
    bladeTurn = Math.toRadians(shot.bladeRotationDegrees());
    // As wide open as a round aperture of the same number.
    bladeReach =
        blades == 0 ? 1 : Math.sqrt(2 * Math.PI / (blades * StrictMath.sin(2 * Math.PI / blades)));
  }

  @Override
  public void ray(int px, int py, float u, float v, float a, float b, Camera.Ray to) {
    double x = (px + 0.5 + tent(u) - halfWidth) * perPixel;
    double y = (halfHeight - py - 0.5 - tent(v)) * perPixel + shift;
    double lx = 0, ly = 0;
    if (lensRadius > 0) {
      double r = lensRadius * Math.sqrt(a);
      if (blades == 0) {
        double phi = 2 * Math.PI * b;
        lx = r * StrictMath.cos(phi);
        ly = r * StrictMath.sin(phi);
      } else {
        int blade = Math.min((int) (b * blades), blades - 1);
        double part = b * blades - blade, angle = 2 * Math.PI / blades;
        double from = bladeTurn + angle * blade, to2 = from + angle;
        lx = r * bladeReach * ((1 - part) * StrictMath.cos(from) + part * StrictMath.cos(to2));
        ly = r * bladeReach * ((1 - part) * StrictMath.sin(from) + part * StrictMath.sin(to2));
      }
      x = x - lx / focus;
      y = y - ly / focus;
    }
    double l = 1 / Math.sqrt(x * x + y * y + 1);
    to.ox = (float) (place.x() + lx * right.x() + ly * up.x());
    to.oy = (float) (place.y() + lx * right.y() + ly * up.y());
    to.oz = (float) (place.z() + lx * right.z() + ly * up.z());
    to.dx = (float) (l * (x * right.x() + y * up.x() - back.x()));
    to.dy = (float) (l * (x * right.y() + y * up.y() - back.y()));
    to.dz = (float) (l * (x * right.z() + y * up.z() - back.z()));
  }

  /**
   * Where a place of the world lies in the picture.
   *
   * @param to takes pixels from the left and from the top edge; a pixel's middle is at a half
   * @return false when it is not before the lens
   */
  public boolean project(Vec3 point, double[] to) {
    Vec3 way = point.minus(place);
    double depth = depth(point);
    if (!(depth > 1e-9)) {
      return false;
    }
    to[0] = way.dot(right) / depth / perPixel + halfWidth;
    to[1] = halfHeight - (way.dot(up) / depth - shift) / perPixel;
    return true;
  }

  /**
   * Metres from the lens to a place along the line in which it looks, which is where it focuses.
   */
  public double depth(Vec3 point) {
    return -point.minus(place).dot(back);
  }

  private static double tent(float u) {
    return u < 0.5f ? Math.sqrt(2 * u) - 1 : 1 - Math.sqrt(2 - 2 * u);
  }
}

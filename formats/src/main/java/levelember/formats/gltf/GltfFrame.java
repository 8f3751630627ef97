package levelember.formats.gltf;

import levelember.formats.RefusedFile;
import levelember.math.Affine;
import levelember.math.Vec3;
import tools.jackson.databind.JsonNode;

/**
 * Place, turn and size of a glTF node.
 *
 * @param position metres
 * @param rotationDegrees degrees about X, then Y, then Z
 * @param scale factor along each axis
 * @param sheared true when the node's matrix slants, which these cannot say
 */
record GltfFrame(Vec3 position, Vec3 rotationDegrees, Vec3 scale, boolean sheared) {
  /** Where its parent is. */
  static final GltfFrame NONE = new GltfFrame(Vec3.ZERO, Vec3.ZERO, Vec3.ONE, false);

  Affine map() {
    return Affine.of(position, rotationDegrees, scale);
  }

  static GltfFrame of(JsonNode node, String name) {
    JsonNode matrix = node.path("matrix");
    if (matrix.isArray()) {
      double[] m = numbers(matrix, 16, name);
      return of(
          new Vec3(m[0], m[1], m[2]),
          new Vec3(m[4], m[5], m[6]),
          new Vec3(m[8], m[9], m[10]),
          new Vec3(m[12], m[13], m[14]));
    }
    double[] t = numbers(node.path("translation"), 3, name, 0, 0, 0);
    double[] q = numbers(node.path("rotation"), 4, name, 0, 0, 0, 1);
    double[] s = numbers(node.path("scale"), 3, name, 1, 1, 1);
    return new GltfFrame(
        new Vec3(t[0], t[1], t[2]),
        turn(q),
        new Vec3(stretch(s[0]), stretch(s[1]), stretch(s[2])),
        false);
  }

  /** Turns about X, then Y, then Z, in degrees, of a quaternion x, y, z, w of any length. */
  static Vec3 turn(double[] q) {
    double l = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
    double x = l > 0 ? q[0] / l : 0, y = l > 0 ? q[1] / l : 0, z = l > 0 ? q[2] / l : 0;
    double w = l > 0 ? q[3] / l : 1;
    Vec3 cx = new Vec3(1 - 2 * (y * y + z * z), 2 * (x * y + w * z), 2 * (x * z - w * y));
    Vec3 cy = new Vec3(2 * (x * y - w * z), 1 - 2 * (x * x + z * z), 2 * (y * z + w * x));
    Vec3 cz = new Vec3(2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y));
    return turn(cx, cy, cz);
  }

  private static GltfFrame of(Vec3 x, Vec3 y, Vec3 z, Vec3 place) {
    double sx = x.length(), sy = y.length(), sz = z.length();
    if (x.dot(y.cross(z)) < 0) {
      sx = -sx;
    }
    Vec3 ux = x.times(1 / stretch(sx)), uy = y.times(1 / stretch(sy));
    Vec3 uz = z.times(1 / stretch(sz));
    boolean sheared =
        Math.abs(ux.dot(uy)) > 1e-3 || Math.abs(uy.dot(uz)) > 1e-3 || Math.abs(uz.dot(ux)) > 1e-3;
    return new GltfFrame(
        place, turn(ux, uy, uz), new Vec3(stretch(sx), stretch(sy), stretch(sz)), sheared);
  }

  /** A size that is 0 is made very flat. */
  private static double stretch(double s) {
    return Math.abs(s) < 1e-6 ? 1e-6 : s;
  }

  /** Turns about X, then Y, then Z, in degrees, that give a frame of unit vectors. */
  private static Vec3 turn(Vec3 x, Vec3 y, Vec3 z) {
    double b = StrictMath.asin(Math.clamp(-x.z(), -1, 1));
    double a, c;
    if (Math.abs(x.z()) < 0.999999) {
      a = StrictMath.atan2(y.z(), z.z());
      c = StrictMath.atan2(x.y(), x.x());
    } else {
      a = 0;
      c = StrictMath.atan2(-y.x(), y.y());
    }
    return new Vec3(Math.toDegrees(a), Math.toDegrees(b), Math.toDegrees(c));
  }

  /**
   * The numbers of a list.
   *
   * @param usual what stands for a list that is not there
   * @throws RefusedFile when one is no number, or too large
   */
  static double[] numbers(JsonNode list, int n, String where, double... usual) {
    if (list.isMissingNode() && usual.length == n) {
      return usual;
    }
    double[] to = new double[n];
    for (int i = 0; i < n; i++) {
      JsonNode v = list.path(i);
      if (!v.isNumber() || !(Math.abs(v.doubleValue()) < 1e9)) {
        throw new RefusedFile("the model's '" + where + "' has a number that is none: " + v);
      }
      to[i] = v.doubleValue();
    }
    return to;
  }
}

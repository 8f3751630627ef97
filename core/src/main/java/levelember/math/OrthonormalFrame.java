package levelember.math;

/**
 * A tangent, a bitangent and a unit normal, and a direction between them and the world. The frame
 * is right-handed, continuous but at the normal (0, 0, −1), and found without a branch (Duff et al.
 * 2017, "Building an Orthonormal Basis, Revisited", JCGT 6 (1)). Mutable, for one thread; {@link
 * #aboutAxis} does the same in double precision without one.
 */
public final class OrthonormalFrame {
  /** The tangent. */
  public float tx, ty, tz;

  /** The bitangent. */
  public float sx, sy, sz;

  /** The normal. */
  public float nx, ny, nz;

  /** The direction found last: unit length where what it was found from has it. */
  public float x, y, z;

  /** Builds the frame about a unit normal. */
  public void about(float ux, float uy, float uz) {
    nx = ux;
    ny = uy;
    nz = uz;
    float sign = Math.copySign(1, nz);
    float a = -1 / (sign + nz);
    float c = nx * ny * a;
    tx = 1 + sign * nx * nx * a;
    ty = sign * c;
    tz = -sign * nx;
    sx = c;
    sy = sign + ny * ny * a;
    sz = -ny;
  }

  /** Finds the direction of the world that has these coordinates along tangent … normal. */
  public void toWorld(float lx, float ly, float lz) {
    x = tx * lx + sx * ly + nx * lz;
    y = ty * lx + sy * ly + ny * lz;
    z = tz * lx + sz * ly + nz * lz;
  }

  /** Finds the coordinates of a direction of the world along tangent, bitangent and normal. */
  public void toLocal(float wx, float wy, float wz) {
    x = tx * wx + ty * wy + tz * wz;
    y = sx * wx + sy * wy + sz * wz;
    z = nx * wx + ny * wy + nz * wz;
  }

  /** The direction of the world that has coordinates in the frame about a unit axis. */
  public static Vec3 aboutAxis(double nx, double ny, double nz, double lx, double ly, double lz) {
    double sign = Math.copySign(1, nz), a = -1 / (sign + nz), c = nx * ny * a;
    return new Vec3(
        lx * (1 + sign * nx * nx * a) + ly * c + lz * nx,
        lx * sign * c + ly * (sign + ny * ny * a) + lz * ny,
        -lx * sign * nx - ly * ny + lz * nz);
  }
}

package levelember.light;

/**
 * The point that a light is sampled for, and the normal of its only lit side. One object a thread,
 * filled anew.
 */
public final class ReferencePoint {
  /** In the frame of the scene, metres. */
  public float x, y, z;

  /** Unit normal of the only side that is lit; all three 0 where both are. */
  public float nx, ny, nz;

  /** A point lit from both sides. */
  public void set(float px, float py, float pz) {
    set(px, py, pz, 0, 0, 0);
  }

  /** A point lit from the side of a normal. */
  public void set(float px, float py, float pz, float sideX, float sideY, float sideZ) {
    x = px;
    y = py;
    z = pz;
    nx = sideX;
    ny = sideY;
    nz = sideZ;
  }

  /** True where one side alone is lit, that of the normal. */
  boolean oneSided() {
    return nx != 0 || ny != 0 || nz != 0;
  }

  /** Cosine between the normal and a unit direction. */
  float cosine(float dx, float dy, float dz) {
    return nx * dx + ny * dy + nz * dz;
  }

  /** Takes over another. */
  public void set(ReferencePoint other) {
    set(other.x, other.y, other.z, other.nx, other.ny, other.nz);
  }
}

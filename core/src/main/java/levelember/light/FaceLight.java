package levelember.light;

import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.lighting.Light;
import levelember.texture.Texels;

/** What flat faces have in common: their frame, their egg-crate and the picture on them. */
abstract sealed class FaceLight extends LightSource permits RectangleLight, DiscLight {
  final Vec3 right, up, out;
  final boolean twoSided;

  /** How far a ray may lean for each unit that it goes out, infinite for an open face. */
  private final double lean;

  private final Texels picture;

  FaceLight(Light light, boolean twoSided, double spreadDegrees, Texels picture) {
    super(light.id(), light.seenDirectly());
    Affine frame = Affine.lookingAt(light.position(), light.aim(), light.rollDegrees());
    right = frame.x();
    up = frame.y();
    out = frame.z().times(-1);
    this.twoSided = twoSided;
    lean = EggCrate.lean(spreadDegrees);
    this.picture = picture;
  }

  /**
   * Fills in the radiance of a place of the face.
   *
   * @param u across the face as seen from in front, 0…1
   * @param v down the face, 0…1
   */
  final void radiance(LightSample to, double x, double y, double z, double u, double v) {
    float open = (float) EggCrate.open(lean, x, y, z);
    if (picture == null) {
      to.white(open);
      return;
    }
    picture.look((float) u, (float) v, Texels.CLAMP, to.colour);
    to.r = open * to.colour[0];
    to.g = open * to.colour[1];
    to.b = open * to.colour[2];
  }

  /** Cosine-weighted directions end here: squared sine of the cone about all that it lets out. */
  private double sine2() {
    double tan2 = 2 * lean * lean;
    return lean == Double.POSITIVE_INFINITY ? 1 : tan2 / (1 + tan2);
  }

  /**
   * Fills in a direction in which light leaves a place of the face, which is known already.
   *
   * @param across from the left as seen from in front, 0…1
   * @param down 0…1
   */
  final boolean leave(double across, double down, double s, double t, EmissionSample to) {
    boolean behind = twoSided && s >= 0.5;
    double first = twoSided ? 2 * s - (behind ? 1 : 0) : s;
    double side = behind ? -1 : 1;
    to.about(side * out.x(), side * out.y(), side * out.z(), sine2(), first, t);
    to.directionPdf *= twoSided ? 0.5 : 1;
    double x = to.dx * right.x() + to.dy * right.y() + to.dz * right.z();
    double y = to.dx * up.x() + to.dy * up.y() + to.dz * up.z();
    LightSample seen = to.radiance;
    radiance(seen, x, y, to.cosine, behind ? 1 - across : across, down);
    to.colour(seen.r, seen.g, seen.b);
    return seen.r + seen.g + seen.b > 0 && to.cosine > 0;
  }

  /** How far a face is turned to a place, never quite nothing. */
  final float facing(double x, double y, double z) {
    double towards = -(x * out.x() + y * out.y() + z * out.z());
    double cos = towards / Math.sqrt(x * x + y * y + z * z + 1e-12);
    return (float) Math.max(0.05, twoSided ? Math.abs(cos) : cos);
  }
}

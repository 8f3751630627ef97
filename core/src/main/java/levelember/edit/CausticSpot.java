package levelember.edit;

import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.shoot.lighting.LightControls;

/** Lamps small enough to draw the edges of caustics: how small one looks, and one to begin with. */
final class CausticSpot {
  private static final String ID = "caustic-spot";

  /** Luminance of a matte grey under it, over mid grey. */
  private static final double OVER_MID = 1.5;

  /** How high it stands over the piece, as seen from there. */
  private static final double ELEVATION_DEGREES = 42;

  private CausticSpot() {}

  /** Angular diameter of a lamp from a place, radians. */
  static double angularDiameter(Shoot shoot, Light light, Vec3 at) {
    Emitter emitter = light.emitter();
    if (!emitter.placed()) {
      return Math.toRadians(emitter.angularDiameterDegrees());
    }
    double across = 0;
    for (double extent : emitter.extents()) {
      across = StrictMath.hypot(across, extent);
    }
    Vec3 from = TracedLight.inWorld(shoot, light).position();
    return across / Math.max(1e-3, from.minus(at).length());
  }

  /** A small spot behind a piece and to the side, as a shot's camera sees it, casting caustics. */
  static Light behind(WorldBox box, Shoot shoot, Shot shot) {
    Vec3 centre = box.centre(), to = shot.position().minus(centre);
    Vec3 flat = new Vec3(to.x(), 0, to.z());
    Vec3 view = flat.length() > 1e-6 ? flat.unit() : new Vec3(0, 0, 1);
    Vec3 level = view.times(-0.8).minus(Vec3.UP.cross(view).times(0.6));
    double far = Math.max(0.6, 6 * box.radius()), up = Math.toRadians(ELEVATION_DEGREES);
    Vec3 from = level.times(StrictMath.cos(up)).plus(Vec3.UP.times(StrictMath.sin(up)));
    // An exposed value of 1 is 1.2 · 2^EV cd/m², and a matte grey gives its share of lux over π.
    double lux = OVER_MID * Math.PI * 1.2 * StrictMath.pow(2, shoot.lookOf(shot).ev());
    double cone = 2 * Math.toDegrees(StrictMath.atan(1.6 * box.radius() / far));
    return new Light(
            free(shoot),
            "Caustic spot",
            new Emitter.Spot(Math.max(4, cone), 0.3, 0.01, 0.1, null, null, null),
            centre.plus(from.times(far)),
            centre,
            0,
            new Brightness(lux * far * far, Brightness.Unit.CANDELA),
            0,
            LightColour.NEUTRAL,
            false,
            false,
            false)
        .withControls(LightControls.WHOLE.withCaustics(Caustics.CAST));
  }

  private static String free(Shoot shoot) {
    String id = ID;
    for (int i = 2; shoot.light(id).isPresent(); i++) {
      id = ID + "-" + i;
    }
    return id;
  }
}

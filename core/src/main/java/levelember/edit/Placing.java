package levelember.edit;

import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.compile.PieceTransforms;
import levelember.shoot.compile.TracedLight;
import levelember.shoot.lighting.Light;

/**
 * Where a light has to stand to do something at a place of the picture; its distance stays.
 *
 * @param position of the light, in the frame of the piece it is tied to if any
 * @param aim of the light, in the same frame
 */
public record Placing(Vec3 position, Vec3 aim) {
  /** How far a rim's light stands off the line from the camera through the edge, degrees. */
  private static final double RIM_DEGREES = 22;

  /** So that the camera sees the light's mirror image at a place. */
  public static Placing highlight(Shoot shoot, Light light, Vec3 camera, Vec3 at, Vec3 normal) {
    Vec3 view = camera.minus(at).unit();
    Vec3 mirrored = normal.times(2 * normal.dot(view)).minus(view).unit();
    return along(shoot, light, at, mirrored);
  }

  /**
   * So that the shadow of one place falls on another.
   *
   * @param caster the place whose shadow it is
   * @param at where it falls
   * @throws levelember.document.ImpossibleValue when the two are one
   */
  public static Placing shadow(Shoot shoot, Light light, Vec3 caster, Vec3 at) {
    Vec3 line = caster.minus(at);
    double apart = line.length();
    if (apart < 1e-5) {
      throw new levelember.document.ImpossibleValue("at", at, "a place apart from what casts");
    }
    Light world = TracedLight.inWorld(shoot, light);
    double distance = Math.max(distance(world), 1.2 * apart + 0.05);
    return framed(shoot, light, at.plus(line.times(distance / apart)), caster);
  }

  /** So that it grazes an edge from behind and draws its line of light. */
  public static Placing rim(Shoot shoot, Light light, Vec3 camera, Vec3 at, Vec3 normal) {
    Vec3 view = camera.minus(at).unit();
    Vec3 side = normal.minus(view.times(normal.dot(view)));
    if (side.length() < 1e-4) {
      side = Vec3.UP.minus(view.times(view.y()));
    }
    double a = Math.toRadians(RIM_DEGREES);
    Vec3 to = view.times(-StrictMath.cos(a)).plus(side.unit().times(StrictMath.sin(a)));
    return along(shoot, light, at, to);
  }

  private static double distance(Light world) {
    return Math.max(0.05, world.position().minus(world.aim()).length());
  }

  private static Placing along(Shoot shoot, Light light, Vec3 at, Vec3 way) {
    double distance = distance(TracedLight.inWorld(shoot, light));
    return framed(shoot, light, at.plus(way.times(distance)), at);
  }

  private static Placing framed(Shoot shoot, Light light, Vec3 place, Vec3 aim) {
    if (light.parent() == null) {
      return new Placing(place, aim);
    }
    Affine back = new PieceTransforms(shoot.pieces()).of(light.parent()).inverse();
    return new Placing(back.point(place), back.point(aim));
  }
}

package levelember.findings;

import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.Emitter;
import levelember.shoot.Light;
import levelember.shoot.Piece;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/** A shoot at another scale: pieces, the places and sizes of lamps, cameras. */
final class ScaledSet {
  private ScaledSet() {}

  static Shoot of(Shoot shoot, double by) {
    List<Piece> pieces =
        shoot.pieces().stream()
            .map(p ->
                p.parent() != null
                    ? p
                    : p.withPosition(p.position().times(by)).withScale(p.scale().times(by)))
            .toList();
    List<Shot> shots = shoot.shots().stream().map(s -> shot(s, by)).toList();
    List<Light> lights = shoot.lights().stream().map(l -> light(l, by)).toList();
    return Edits.with(
        shoot.withRig(lights, shoot.banks(), shoot.masterStops()), pieces, shots, shoot.looks());
  }

  private static Shot shot(Shot shot, double by) {
    return shot.withPosition(shot.position().times(by))
        .withAim(shot.aim().times(by))
        .withFocusDistance(shot.focusDistance() * by);
  }

  /** What stands free is moved and sized; what is tied to a piece is moved by the piece. */
  private static Light light(Light light, double by) {
    if (light.parent() != null) {
      return light;
    }
    Emitter sized = LampSize.scaled(light.emitter(), by);
    Vec3 aim = light.aimedAt() == null ? light.aim().times(by) : light.aim();
    Light moved = light.withPosition(light.position().times(by)).withAim(aim);
    return sized == null ? moved : moved.withEmitter(sized);
  }
}

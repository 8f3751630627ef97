package levelember.findings.inspection;

import java.util.List;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.piece.Piece;

/** A shoot at another scale: pieces, the places and sizes of lamps, cameras. */
public final class ScaledSet {
  private ScaledSet() {}

  public static Shoot of(Shoot shoot, double by) {
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

  /**
   * What stands free is moved and sized; what is tied to a piece is moved by the piece. Lamps whose
   * value is no luminance get it by the square, so that the picture stays as it is.
   */
  private static Light light(Light light, double by) {
    Brightness b = light.brightness();
    boolean ofFace = b.unit() == Brightness.Unit.NIT || b.unit() == Brightness.Unit.TIMES;
    boolean farAway = light.emitter() instanceof Emitter.Sun;
    double value = ofFace || farAway ? b.value() : b.value() * by * by;
    LightControls controls = light.controls();
    Light as =
        light
            .withBrightness(new Brightness(value, b.unit(), b.efficacy()))
            .withControls(controls.withFadesAtMetres(controls.fadesAtMetres() * by))
            .withEmitter(sized(light.emitter(), by));
    if (light.parent() != null) {
      return as;
    }
    Vec3 aim = light.aimedAt() == null ? light.aim().times(by) : light.aim();
    return as.withPosition(light.position().times(by)).withAim(aim);
  }

  private static Emitter sized(Emitter emitter, double by) {
    Emitter sized = emitter.scaled(by).orElse(emitter);
    if (sized instanceof Emitter.Spot s) {
      return new Emitter.Spot(
          s.coneDegrees(),
          s.feather(),
          s.sourceRadius(),
          s.gateDistance() * by,
          s.profile(),
          s.gobo(),
          s.doors());
    }
    return sized;
  }
}

package levelember.findings;

import java.util.List;
import java.util.function.UnaryOperator;
import levelember.shoot.Light;
import levelember.shoot.Look;
import levelember.shoot.Piece;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/** Single changes of a shoot, for mends. */
final class Edits {
  private static final double LOWEST = -10, HIGHEST = 10;

  private Edits() {}

  static Shoot light(Shoot shoot, String id, UnaryOperator<Light> change) {
    List<Light> lights =
        shoot.lights().stream().map(l -> l.id().equals(id) ? change.apply(l) : l).toList();
    return shoot.withRig(lights, shoot.banks(), shoot.masterStops());
  }

  /** A light raised by so many stops, to a hundredth, within its fader. */
  static Shoot raised(Shoot shoot, String id, double stops) {
    return light(
        shoot,
        id,
        l ->
            l.withLevelStops(
                Math.clamp(Math.rint(100 * (l.levelStops() + stops)) / 100, LOWEST, HIGHEST)));
  }

  static Shoot piece(Shoot shoot, String id, UnaryOperator<Piece> change) {
    List<Piece> pieces =
        shoot.pieces().stream().map(p -> p.id().equals(id) ? change.apply(p) : p).toList();
    return with(shoot, pieces, shoot.shots(), shoot.looks());
  }

  static Shoot shot(Shoot shoot, Shot shot, UnaryOperator<Shot> change) {
    List<Shot> shots =
        shoot.shots().stream().map(s -> s.id().equals(shot.id()) ? change.apply(s) : s).toList();
    return with(shoot, shoot.pieces(), shots, shoot.looks());
  }

  static Shoot look(Shoot shoot, Shot shot, UnaryOperator<Look> change) {
    List<Look> looks =
        shoot.looks().stream().map(l -> l.id().equals(shot.look()) ? change.apply(l) : l).toList();
    return with(shoot, shoot.pieces(), shoot.shots(), looks);
  }

  static Shoot with(Shoot shoot, List<Piece> pieces, List<Shot> shots, List<Look> looks) {
    return new Shoot(
        shoot.name(),
        pieces,
        shoot.materials(),
        shoot.lights(),
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        shots,
        looks,
        shoot.motion(),
        shoot.meter());
  }
}

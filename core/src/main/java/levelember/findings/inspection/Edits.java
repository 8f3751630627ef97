package levelember.findings.inspection;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.piece.Piece;

/** Single changes of a shoot, for mends. */
public final class Edits {
  private static final double LOWEST = -10, HIGHEST = 10;

  /** Metres from which a sun is drawn to shine. */
  private static final double FAR = 10;

  private Edits() {}

  public static Shoot light(Shoot shoot, String id, UnaryOperator<Light> change) {
    List<Light> lights =
        shoot.lights().stream().map(l -> l.id().equals(id) ? change.apply(l) : l).toList();
    return shoot.withRig(lights, shoot.banks(), shoot.masterStops());
  }

  /** A light raised by so many stops, to a hundredth, within its fader. */
  public static Shoot raised(Shoot shoot, String id, double stops) {
    return light(
        shoot,
        id,
        l ->
            l.withLevelStops(
                Math.clamp(Math.rint(100 * (l.levelStops() + stops)) / 100, LOWEST, HIGHEST)));
  }

  /**
   * The shoot with a sun more, on the bank and at the level of another light.
   *
   * @param like the other light
   * @param towards unit vector to it
   */
  public static Shoot withSun(
      Shoot shoot, Light like, String name, double degrees, Vec3 towards, double lux) {
    Light made =
        new Light(
                freeId(shoot),
                name,
                new Emitter.Sun(degrees),
                towards.times(FAR),
                Vec3.ZERO,
                0,
                new Brightness(lux, Brightness.Unit.LUX),
                like.levelStops(),
                like.colour(),
                false,
                false,
                false)
            .with(l -> l.bank(like.bank()));
    List<Light> lights = new ArrayList<>(shoot.lights());
    lights.add(made);
    return shoot.withRig(lights, shoot.banks(), shoot.masterStops());
  }

  private static String freeId(Shoot shoot) {
    int number = 1;
    while (shoot.light("sun-" + number).isPresent()) {
      number++;
    }
    return "sun-" + number;
  }

  public static Shoot piece(Shoot shoot, String id, UnaryOperator<Piece> change) {
    List<Piece> pieces =
        shoot.pieces().stream().map(p -> p.id().equals(id) ? change.apply(p) : p).toList();
    return with(shoot, pieces, shoot.shots(), shoot.looks());
  }

  public static Shoot shot(Shoot shoot, Shot shot, UnaryOperator<Shot> change) {
    List<Shot> shots =
        shoot.shots().stream().map(s -> s.id().equals(shot.id()) ? change.apply(s) : s).toList();
    return with(shoot, shoot.pieces(), shots, shoot.looks());
  }

  public static Shoot look(Shoot shoot, Shot shot, UnaryOperator<Look> change) {
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

package levelember.app.live.reading;

import java.util.List;
import java.util.function.UnaryOperator;
import levelember.app.problem.Refusal;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;

/**
 * A shoot without one of its lights, or by one alone; as only mutes differ nothing is traced.
 *
 * @param without id of a light that is left out, or null
 * @param only id of the one light that is left in, or null
 */
record LightVariant(String without, String only) {
  /**
   * The shoot so.
   *
   * @throws Refusal when it has no such light
   */
  Shoot of(Shoot shoot) {
    Shoot lit = shoot;
    if (without != null) {
      known(lit, without);
      lit = muted(lit, l -> l.id().equals(without) ? l.withMuted(true) : l);
    }
    if (only != null) {
      known(lit, only);
      lit = muted(lit, l -> l.withMuted(!l.id().equals(only)));
    }
    return lit;
  }

  private static void known(Shoot shoot, String light) {
    if (shoot.light(light).isEmpty()) {
      throw Refusal.missing("There is no light '" + light + "'.");
    }
  }

  private static Shoot muted(Shoot shoot, UnaryOperator<Light> change) {
    List<Light> lights = shoot.lights().stream().map(change).toList();
    return shoot.withRig(lights, shoot.banks(), shoot.masterStops());
  }
}

package levelember.measure;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import levelember.shoot.FaderRange;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Bank;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;

/**
 * Levels and colours that come nearest to the targets.
 *
 * @param moves of all faders that may move, also those that stay
 * @param outcomes of all targets that can be read, in their order
 * @param unread ids of targets whose pins are not seen now
 */
public record TargetSolution(List<FaderMove> moves, List<Outcome> outcomes, List<String> unread) {

  /**
   * Where a fader goes.
   *
   * @param place of the fader as tracks name it
   * @param before stops
   * @param after stops
   * @param colour that its light gets, or null where it stays
   */
  public record FaderMove(String place, double before, double after, LightColour colour) {
    /** Whether it moves by a hundredth of a stop or more, or changes its colour. */
    public boolean moved() {
      return Math.abs(after - before) >= 0.005 || colour != null;
    }
  }

  /**
   * What becomes of a target.
   *
   * @param target its id
   * @param before its reading, stops
   * @param after its reading with the moves
   * @param met whether it comes within a twentieth of a stop
   * @param obstacles what stands in the way where it is not met
   */
  public record Outcome(
      String target, double before, double after, boolean met, List<Obstacle> obstacles) {}

  /**
   * What stands in the way of a target.
   *
   * @param kind of obstacle
   * @param what place of the fader at its limit, id of the target in conflict, or id of a light
   *     that may not move
   * @param share of what is read that the fixed light gives, 0…1; 0 for the other kinds
   */
  public record Obstacle(Kind kind, String what, double share) {
    /** What it is. */
    public enum Kind {
      /** A fader is at the end of its range. */
      LIMIT,
      /** Another target wants the opposite. */
      CONFLICT,
      /** A light that may not move gives a good part of it. */
      FIXED
    }
  }

  /** The shoot with all moves made. */
  public Shoot applied(Shoot shoot) {
    Map<String, FaderMove> byPlace = new HashMap<>();
    moves.stream().filter(FaderMove::moved).forEach(m -> byPlace.put(m.place(), m));
    List<Light> lights =
        shoot.lights().stream()
            .map(l -> moved(l, byPlace.get("lights/" + l.id() + "/levelStops")))
            .toList();
    List<Bank> banks =
        shoot.banks().stream()
            .map(b -> moved(b, byPlace.get("banks/" + b.id() + "/levelStops")))
            .toList();
    FaderMove master = byPlace.get(FaderRange.MASTER);
    return shoot.withRig(lights, banks, master == null ? shoot.masterStops() : master.after());
  }

  private static Light moved(Light light, FaderMove move) {
    if (move == null) {
      return light;
    }
    Light at = light.withLevelStops(move.after());
    return move.colour() == null ? at : at.withColour(move.colour());
  }

  private static Bank moved(Bank bank, FaderMove move) {
    return move == null
        ? bank
        : new Bank(bank.id(), bank.name(), move.after(), bank.filter(), bank.muted(), bank.solo());
  }
}

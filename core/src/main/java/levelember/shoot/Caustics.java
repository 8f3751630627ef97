package levelember.shoot;

/**
 * The caustics of a light: what it throws onto rough surfaces through glass and off mirrors.
 *
 * @param cast whether photons carry them; else paths find them as well as they can
 * @param level of that light, 0…4
 * @param softnessMillimetres least radius over which they are blurred where they fall, 0…1000
 */
public record Caustics(boolean cast, double level, double softnessMillimetres) {
  /** None by photons. */
  public static final Caustics NONE = new Caustics(false, 1, 0);

  /** By photons, as physics has them. */
  public static final Caustics CAST = new Caustics(true, 1, 0);

  public Caustics {
    Checks.range("causticLevel", level, 0, 4);
    Checks.range("causticSoftnessMillimetres", softnessMillimetres, 0, 1000);
  }
}

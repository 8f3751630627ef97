package levelember.shoot;

/**
 * How the linear picture is shown.
 *
 * @param id unique among looks
 * @param name as the artist reads it
 * @param ev exposure value at ISO 100; display 1.0 before the shoulder is 1.2·2^ev cd/m²
 * @param shoulderStart display value from which highlights are held, 0…1; 1 clips hard
 * @param shoulderStops stops above 1.0 that still keep some drawing, 0…8
 */
public record Look(String id, String name, double ev, double shoulderStart, double shoulderStops) {
  public Look {
    Checks.id(id);
    Checks.name("name", name);
    Checks.range("ev", ev, -20, 30);
    Checks.range("shoulderStart", shoulderStart, 0, 1);
    Checks.range("shoulderStops", shoulderStops, 0, 8);
  }

  /** The same, exposed by so many stops more. */
  public Look exposed(double stops) {
    return new Look(id, name, Math.clamp(ev - stops, -20, 30), shoulderStart, shoulderStops);
  }
}

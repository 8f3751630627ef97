package levelember.shoot;

/**
 * Several lights that share a fader, mute and colour trim.
 *
 * @param id unique among banks
 * @param name as the artist reads it
 * @param levelStops fader over its lights, −10…+10 stops
 * @param filter linear colour that multiplies its lights' own, 0…1
 * @param muted its lights give nothing
 * @param alone only what stands alone gives light
 */
public record Bank(
    String id, String name, double levelStops, Rgb filter, boolean muted, boolean alone) {
  public Bank {
    Checks.id(id);
    Checks.name("name", name);
    Checks.range("levelStops", levelStops, -10, 10);
    filter.checked("filter", 1);
  }
}

package levelember.shoot;

/**
 * Several lights that share a fader, mute and colour trim.
 *
 * @param id unique among banks
 * @param name as the artist reads it
 * @param levelStops fader over its lights, −10…+10 stops
 * @param filter linear colour that multiplies its lights' own, 0…1
 * @param muted its lights give nothing
 * @param solo when any light or bank is soloed, only those that are give light
 */
public record Bank(
    String id, String name, double levelStops, Rgb filter, boolean muted, boolean solo) {
  public Bank {
    Checks.id(id);
    Checks.name("name", name);
    Checks.range("levelStops", levelStops, -10, 10);
    filter.checked("filter", 1);
  }
}

package levelember.shoot;

import java.util.List;

/**
 * A shoot in clay: every material one matte grey, so that the light alone is judged. Lights stay as
 * they are, those of shining pieces too.
 */
public final class Clay {
  private Clay() {}

  /**
   * The shoot in clay; ids and names of materials stay.
   *
   * @param reflectance of the grey, 0…1
   * @param keepGlass leaves materials that let light through as they are
   * @throws ImpossibleValue when the reflectance is out of range
   */
  public static Shoot of(Shoot shoot, double reflectance, boolean keepGlass) {
    Checks.range("reflectance", reflectance, 0, 1);
    List<Material> grey =
        shoot.materials().stream()
            .map(m ->
                keepGlass && m.glass().transmission() > 0
                    ? m
                    : Material.matte(m.id(), m.name(), Rgb.grey(reflectance)))
            .toList();
    return new Shoot(
        shoot.name(),
        shoot.pieces(),
        grey,
        shoot.lights(),
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        shoot.shots(),
        shoot.looks());
  }
}

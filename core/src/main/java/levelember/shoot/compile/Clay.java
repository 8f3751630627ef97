package levelember.shoot.compile;

import java.util.List;
import levelember.document.Checks;
import levelember.document.ImpossibleValue;
import levelember.math.Rgb;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;

/** A shoot in clay: every material one matte grey, so that the light alone is judged. */
public final class Clay {
  private Clay() {}

  /**
   * The shoot in clay; ids and names of materials stay.
   *
   * @param reflectance of the grey, 0…1
   * @param keepGlass leaves materials that transmit light as they are: an interior is lit through
   *     its panes
   * @param keepEmission leaves emissive pieces as they are; else they are muted
   * @throws ImpossibleValue when the reflectance is out of range
   */
  public static Shoot of(Shoot shoot, double reflectance, boolean keepGlass, boolean keepEmission) {
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
        keepEmission ? shoot.lights() : withoutEmission(shoot),
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        shoot.shots(),
        shoot.looks());
  }

  private static List<Light> withoutEmission(Shoot shoot) {
    return shoot.lights().stream()
        .map(l -> l.emitter() instanceof Emitter.Emissive ? l.withMuted(true) : l)
        .toList();
  }
}

package levelember.shoot.shelf;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Rgb;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;

/**
 * Materials to begin with. Metals that have a complex index take it at about 650, 550 and 450 nm
 * from published measurements: gold, silver, copper and chromium of Johnson and Christy (1972,
 * 1974), aluminium of Rakić (1995), brass and iron of Querry (1985). All else is set by eye.
 */
public final class MaterialShelf {
  private static final Rgb WHITE = Rgb.WHITE;

  /**
   * A material of the shelf.
   *
   * @param group what it is among
   * @param material the material, whose id is that of the preset
   */
  public record Preset(String group, Material material) {}

  private static final List<Preset> ALL = new ArrayList<>();

  static {
    metal("brass", "Brass", 0.444, 0.527, 1.094, 3.695, 2.765, 1.829, 0.18);
    metal("brass-satin", "Satin brass", 0.444, 0.527, 1.094, 3.695, 2.765, 1.829, 0.38);
    metal("copper", "Copper", 0.200, 0.924, 1.102, 3.912, 2.452, 2.142, 0.2);
    metal("gold", "Gold leaf", 0.143, 0.375, 1.442, 3.983, 2.386, 1.603, 0.25);
    metal("silver", "Silver", 0.155, 0.117, 0.138, 4.828, 3.122, 2.147, 0.12);
    metal("chrome", "Chrome", 3.18, 3.18, 2.33, 3.30, 3.33, 3.14, 0.03);
    metal("aluminium", "Blasted aluminium", 1.658, 0.880, 0.521, 9.224, 6.269, 4.837, 0.45);
    metal("iron", "Cast iron", 2.91, 2.95, 2.58, 3.09, 2.93, 2.77, 0.55);
    tinted("bronze", "Old bronze", new Rgb(0.38, 0.25, 0.13), 0.42);
    tinted("anodised-blue", "Anodised, blue", new Rgb(0.04, 0.13, 0.42), 0.32);
    tinted("anodised-red", "Anodised, red", new Rgb(0.45, 0.03, 0.05), 0.32);

    coated("lacquer-red", "Lacquer, red", new Rgb(0.42, 0.012, 0.015), 0.45, 0.02);
    coated("lacquer-black", "Lacquer, black", Rgb.grey(0.008), 0.4, 0.02);
    coated("lacquer-green", "Lacquer, green", new Rgb(0.012, 0.09, 0.05), 0.5, 0.04);
    coated("porcelain", "Porcelain", new Rgb(0.78, 0.77, 0.74), 0.6, 0.04);
    coated("glaze", "Celadon glaze", new Rgb(0.32, 0.48, 0.38), 0.6, 0.06);
    coated("walnut", "Oiled walnut", new Rgb(0.13, 0.06, 0.03), 0.55, 0.35);
    coated("beech", "Waxed beech", new Rgb(0.52, 0.33, 0.17), 0.6, 0.4);

    solid("plaster", "Plaster", new Rgb(0.78, 0.76, 0.72), 0.9, 0.2);
    solid("paper", "White paper", new Rgb(0.8, 0.79, 0.76), 0.85, 0.3);
    solid("card", "Grey card", Rgb.MID_GREY, 1, 0);
    solid("concrete", "Concrete", new Rgb(0.33, 0.32, 0.3), 0.85, 0.4);
    solid("terracotta", "Terracotta", new Rgb(0.44, 0.16, 0.08), 0.8, 0.35);
    solid("slate", "Slate", new Rgb(0.06, 0.065, 0.07), 0.6, 0.8);
    solid("candle", "Candle wax", new Rgb(0.72, 0.62, 0.44), 0.4, 0.7);
    solid("rubber", "Black rubber", Rgb.grey(0.025), 0.65, 0.6);
    solid("enamel", "Ivory enamel", new Rgb(0.7, 0.62, 0.45), 0.18, 1);
    solid("screen", "Dark screen", Rgb.grey(0.006), 0.05, 1);

    cloth("felt", "Felt, crimson", new Rgb(0.28, 0.02, 0.03), new Rgb(0.3, 0.06, 0.07), 0.6);
    cloth("velvet", "Velvet, midnight", new Rgb(0.01, 0.015, 0.05), new Rgb(0.2, 0.25, 0.5), 0.3);
    cloth("linen", "Linen", new Rgb(0.55, 0.48, 0.38), new Rgb(0.2, 0.19, 0.17), 0.7);

    glass("glass", "Clear glass", 0, 1.5, WHITE, 0.01, false, 0);
    glass("glass-frosted", "Frosted glass", 0.35, 1.5, WHITE, 0.01, false, 0);
    glass("glass-bottle", "Bottle glass", 0, 1.52, new Rgb(0.25, 0.62, 0.3), 0.02, false, 0);
    glass("glass-amber", "Amber glass", 0, 1.52, new Rgb(0.9, 0.42, 0.06), 0.02, false, 0);
    glass("glass-flint", "Flint glass, splits light", 0, 1.62, WHITE, 0.01, false, 36);
    glass("glass-window", "Window pane", 0, 1.52, new Rgb(0.97, 0.99, 0.98), 0.004, true, 0);
    glass("water", "Water", 0, 1.333, new Rgb(0.82, 0.95, 0.98), 1, false, 0);
    glass("lantern", "Lantern paper", 0.8, 1.3, new Rgb(0.9, 0.78, 0.58), 0.001, true, 0);
  }

  private MaterialShelf() {}

  /** All presets, group after group. */
  public static List<Preset> all() {
    return List.copyOf(ALL);
  }

  private static void add(
      String group,
      String id,
      String name,
      Rgb colour,
      double metalness,
      Material.Index index,
      double roughness,
      double gloss,
      double ior,
      Material.Glass glass,
      Material.Coat coat,
      Material.Sheen sheen) {
    ALL.add(
        new Preset(
            group,
            new Material(
                id, name, colour, metalness, WHITE, index, roughness, gloss, ior, glass, coat,
                sheen, Maps.NONE, true)));
  }

  private static void metal(
      String id,
      String name,
      double nr,
      double ng,
      double nb,
      double kr,
      double kg,
      double kb,
      double roughness) {
    Rgb n = new Rgb(nr, ng, nb), k = new Rgb(kr, kg, kb);
    Rgb seen = new Rgb(normal(nr, kr), normal(ng, kg), normal(nb, kb));
    add(
        "Metal",
        id,
        name,
        seen,
        1,
        new Material.Index(n, k),
        roughness,
        1,
        1.5,
        Material.Glass.NONE,
        Material.Coat.NONE,
        Material.Sheen.NONE);
  }

  /** Reflectance at normal incidence, which fields and cards show. */
  private static double normal(double n, double k) {
    return ((n - 1) * (n - 1) + k * k) / ((n + 1) * (n + 1) + k * k);
  }

  private static void tinted(String id, String name, Rgb colour, double roughness) {
    add(
        "Metal",
        id,
        name,
        colour,
        1,
        null,
        roughness,
        1,
        1.5,
        Material.Glass.NONE,
        Material.Coat.NONE,
        Material.Sheen.NONE);
  }

  private static void coated(String id, String name, Rgb colour, double roughness, double coat) {
    add(
        "Coated",
        id,
        name,
        colour,
        0,
        null,
        roughness,
        0.5,
        1.5,
        Material.Glass.NONE,
        new Material.Coat(1, coat, 1.5),
        Material.Sheen.NONE);
  }

  private static void solid(String id, String name, Rgb colour, double roughness, double gloss) {
    add(
        "Solid",
        id,
        name,
        colour,
        0,
        null,
        roughness,
        gloss,
        1.5,
        Material.Glass.NONE,
        Material.Coat.NONE,
        Material.Sheen.NONE);
  }

  private static void cloth(String id, String name, Rgb colour, Rgb sheen, double roughness) {
    add(
        "Cloth",
        id,
        name,
        colour,
        0,
        null,
        0.9,
        0.2,
        1.5,
        Material.Glass.NONE,
        Material.Coat.NONE,
        new Material.Sheen(sheen, roughness));
  }

  private static void glass(
      String id,
      String name,
      double roughness,
      double ior,
      Rgb tint,
      double depth,
      boolean thin,
      double abbe) {
    add(
        "Clear",
        id,
        name,
        WHITE,
        0,
        null,
        roughness,
        1,
        ior,
        new Material.Glass(1, tint, depth, thin, abbe),
        Material.Coat.NONE,
        Material.Sheen.NONE);
  }
}

package levelember.shoot;

/**
 * A layered surface: a metal, or a glossy coat over a matte base, or clear smooth glass, mixed by
 * {@code metalness} and {@code transmission}.
 *
 * @param id unique among materials
 * @param name as the artist reads it
 * @param colour albedo of the matte base, or reflectance of the metal at normal incidence, 0…1
 * @param metalness 0 dielectric … 1 metal
 * @param roughness perceptual, squared for the GGX width; 0 mirror … 1 matte
 * @param gloss weight of the dielectric coat's reflection: 0 leaves a pure matte surface
 * @param ior index of refraction of the dielectric, 1…3
 * @param transmission 0 opaque … 1 clear glass; above 0 the surface is smooth (roughness 0)
 * @param tint what is left of white light after {@code tintDepth} metres inside glass, 0…1
 * @param tintDepth metres
 */
public record Material(
    String id,
    String name,
    Rgb colour,
    double metalness,
    double roughness,
    double gloss,
    double ior,
    double transmission,
    Rgb tint,
    double tintDepth) {

  public Material {
    Checks.id(id);
    Checks.name("name", name);
    colour.checked("colour", 1);
    Checks.range("metalness", metalness, 0, 1);
    Checks.range("roughness", roughness, 0, 1);
    Checks.range("gloss", gloss, 0, 1);
    Checks.range("ior", ior, 1, 3);
    Checks.range("transmission", transmission, 0, 1);
    if (transmission > 0 && roughness > 0) {
      throw new ImpossibleValue("roughness", roughness, "0 when transmission is above 0");
    }
    tint.checked("tint", 1);
    Checks.range("tintDepth", tintDepth, 1e-5, 1000);
  }

  /** A purely matte (Lambert) surface. */
  public static Material matte(String id, String name, Rgb colour) {
    return new Material(id, name, colour, 0, 1, 0, 1.5, 0, Rgb.WHITE, 0.01);
  }

  /** A bare metal of the given reflectance. */
  public static Material metal(String id, String name, Rgb colour, double roughness) {
    return new Material(id, name, colour, 1, roughness, 1, 1.5, 0, Rgb.WHITE, 0.01);
  }

  /** A matte base under a clear coat of the given roughness. */
  public static Material glossy(String id, String name, Rgb colour, double roughness, double ior) {
    return new Material(id, name, colour, 0, roughness, 1, ior, 0, Rgb.WHITE, 0.01);
  }

  /** Clear smooth glass. */
  public static Material glass(String id, String name, double ior, Rgb tint, double tintDepth) {
    return new Material(id, name, Rgb.WHITE, 0, 0, 1, ior, 1, tint, tintDepth);
  }
}

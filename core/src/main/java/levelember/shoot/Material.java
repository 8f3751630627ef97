package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A layered surface, from the outside in: sheen, a clear coat, then a mix of metal, glass and a
 * glossy dielectric over a matte base.
 *
 * @param id unique among materials
 * @param name as the artist reads it
 * @param colour albedo of the matte base, or reflectance of the metal at normal incidence, 0…1
 * @param metalness 0 dielectric … 1 metal
 * @param edgeTint tint of the metal towards its edge, 0…1; white leaves Schlick's curve
 * @param complexIndex complex index of the metal, which then stands for colour and edge; or null
 * @param roughness perceptual, squared for the GGX width; 0 mirror … 1 matte
 * @param specular weight of the dielectric's reflection: 0 leaves a pure matte surface
 * @param ior index of refraction of the dielectric at 587.6 nm, 1…3
 * @param glass what passes through
 * @param coat clear coat
 * @param sheen soft rim of fibres or dust
 * @param maps what varies over the surface
 * @param castsCaustics whether lights that cast caustics throw them over it, where it is smooth
 * @param reflections levers on what it reflects specularly
 */
@RecordBuilder
public record Material(
    String id,
    String name,
    Rgb colour,
    double metalness,
    Rgb edgeTint,
    Index complexIndex,
    double roughness,
    double specular,
    double ior,
    Glass glass,
    Coat coat,
    Sheen sheen,
    Maps maps,
    boolean castsCaustics,
    Reflections reflections)
    implements MaterialBuilder.With {

  /** A material that reflects as physics has it. */
  public Material(
      String id,
      String name,
      Rgb colour,
      double metalness,
      Rgb edgeTint,
      Index complexIndex,
      double roughness,
      double specular,
      double ior,
      Glass glass,
      Coat coat,
      Sheen sheen,
      Maps maps,
      boolean castsCaustics) {
    this(
        id,
        name,
        colour,
        metalness,
        edgeTint,
        complexIndex,
        roughness,
        specular,
        ior,
        glass,
        coat,
        sheen,
        maps,
        castsCaustics,
        Reflections.NATURAL);
  }

  public Material {
    Checks.id(id);
    Checks.name("name", name);
    colour.checked("colour", 1);
    Checks.range("metalness", metalness, 0, 1);
    edgeTint.checked("edgeTint", 1);
    Checks.range("roughness", roughness, 0, 1);
    Checks.range("specular", specular, 0, 1);
    Checks.range("ior", ior, 1, 3);
  }

  /**
   * Complex index of refraction n + ik of a metal, by channel.
   *
   * @param n 0…20
   * @param k 0…20
   */
  public record Index(Rgb n, Rgb k) {
    public Index {
      n.checked("n", 20);
      k.checked("k", 20);
    }
  }

  /**
   * Glass.
   *
   * @param transmission 0 opaque … 1 glass
   * @param tint what is left of white light after {@code tintDepth} metres, or after once through a
   *     thin wall, 0…1
   * @param tintDepth metres
   * @param thin a wall without inside: light passes without being bent
   * @param abbe Abbe number, 10…100; 0 disperses nothing
   * @param priority where bodies overlap, that of the highest priority fills the overlap, of equal
   *     ones that which light enters last; 0…100
   */
  public record Glass(
      double transmission, Rgb tint, double tintDepth, boolean thin, double abbe, int priority) {
    public static final Glass NONE = new Glass(0, Rgb.WHITE, 0.01, false, 0);

    /** Glass of priority 0. */
    public Glass(double transmission, Rgb tint, double tintDepth, boolean thin, double abbe) {
      this(transmission, tint, tintDepth, thin, abbe, 0);
    }

    public Glass {
      Checks.range("transmission", transmission, 0, 1);
      tint.checked("tint", 1);
      Checks.range("tintDepth", tintDepth, 1e-5, 1000);
      if (abbe != 0) {
        Checks.range("abbe", abbe, 10, 100);
      }
      Checks.range("priority", priority, 0, 100);
    }
  }

  /**
   * A clear coat over everything.
   *
   * @param amount 0…1
   * @param roughness perceptual, 0…1
   * @param ior 1…3
   */
  public record Coat(double amount, double roughness, double ior) {
    public static final Coat NONE = new Coat(0, 0.1, 1.5);

    public Coat {
      Checks.range("amount", amount, 0, 1);
      Checks.range("roughness", roughness, 0, 1);
      Checks.range("ior", ior, 1, 3);
    }
  }

  /**
   * Sheen over everything.
   *
   * @param colour 0…1; black is none
   * @param roughness 0.05 a narrow rim … 1 all over
   */
  public record Sheen(Rgb colour, double roughness) {
    public static final Sheen NONE = new Sheen(Rgb.grey(0), 0.5);

    public Sheen {
      colour.checked("colour", 1);
      Checks.range("roughness", roughness, 0.05, 1);
    }
  }

  /** The same surface under another id and name. */
  public Material named(String newId, String newName) {
    return with(m -> m.id(newId).name(newName));
  }

  /** The same surface with other glass. */
  public Material with(Glass other) {
    return withGlass(other);
  }

  /** The same surface with another coat. */
  public Material with(Coat other) {
    return withCoat(other);
  }

  /** The same surface with another sheen. */
  public Material with(Sheen other) {
    return withSheen(other);
  }

  /** The same surface as a metal of a complex index. */
  public Material with(Index other) {
    return withComplexIndex(other);
  }

  /** The same surface with other maps. */
  public Material with(Maps other) {
    return withMaps(other);
  }

  /** The same surface of another roughness. */
  public Material rough(double other) {
    return withRoughness(other);
  }

  private static Material plain(
      String id, String name, Rgb colour, double metalness, double roughness, double gloss) {
    return new Material(
        id,
        name,
        colour,
        metalness,
        Rgb.WHITE,
        null,
        roughness,
        gloss,
        1.5,
        Glass.NONE,
        Coat.NONE,
        Sheen.NONE,
        Maps.NONE,
        true);
  }

  /** A purely matte (Lambert) surface. */
  public static Material matte(String id, String name, Rgb colour) {
    return plain(id, name, colour, 0, 1, 0);
  }

  /** A bare metal of the given reflectance. */
  public static Material metal(String id, String name, Rgb colour, double roughness) {
    return plain(id, name, colour, 1, roughness, 1);
  }

  /** A matte base under a dielectric of the given roughness. */
  public static Material glossy(String id, String name, Rgb colour, double roughness, double ior) {
    return plain(id, name, colour, 0, roughness, 1).withIor(ior);
  }

  /** Glass of a roughness. */
  public static Material glass(String id, String name, double roughness, double ior, Glass glass) {
    return glossy(id, name, Rgb.WHITE, roughness, ior).with(glass);
  }

  /** Clear smooth glass. */
  public static Material glass(String id, String name, double ior, Rgb tint, double tintDepth) {
    return glass(id, name, 0, ior, new Glass(1, tint, tintDepth, false, 0));
  }
}

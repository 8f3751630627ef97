package levelember.shoot.material;

import io.soabase.recordbuilder.core.RecordBuilder;
import levelember.document.Field;
import levelember.document.Inline;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/**
 * A layered surface, from the outside in: sheen, a clear coat, then a mix of metal, glass and a
 * glossy dielectric over a matte base.
 */
@RecordBuilder
public record Material(
    @Field(meaning = "unique among materials", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(
            meaning = "albedo of the matte base, or reflectance of the metal at normal incidence",
            defaultValue = "[0.5, 0.5, 0.5]",
            min = 0,
            max = 1)
        Rgb colour,
    @Field(meaning = "0 dielectric … 1 metal", defaultValue = "0", min = 0, max = 1)
        double metalness,
    @Field(
            meaning = "tint of the metal towards its edge; white leaves Schlick's curve",
            defaultValue = "[1, 1, 1]",
            min = 0,
            max = 1)
        Rgb edgeTint,
    @Field(
            meaning = "complex index of the metal by channel, instead of colour and edge tint",
            defaultValue = "null")
        Index complexIndex,
    @Field(
            meaning =
                "perceptual, its square is the GGX width; 0 mirror … 1 matte. Of glass "
                    + "0 when left out",
            defaultValue = "0.5",
            min = 0,
            max = 1)
        double roughness,
    @Field(
            meaning = "weight of the dielectric's reflection: 0 leaves a pure matte surface",
            defaultValue = "1",
            min = 0,
            max = 1)
        double specular,
    @Field(
            meaning = "index of refraction of the dielectric at 587.6 nm",
            defaultValue = "1.5",
            min = 1,
            max = 3)
        double ior,
    @Inline Glass glass,
    @Field(meaning = "clear coat over everything", defaultValue = "{\"amount\": 0}") Coat coat,
    @Field(
            meaning = "soft rim of fibres or dust over everything",
            defaultValue = "{\"colour\": [0, 0, 0]}")
        Sheen sheen,
    @Field(meaning = "what varies over the surface", defaultValue = "{}") Maps maps,
    @Field(
            meaning =
                "whether photons carry what lights throw over it, where it is glass or "
                    + "metal up to a roughness of 0.25",
            defaultValue = "true")
        boolean castsCaustics,
    @Field(meaning = "an artist's levers on what it reflects specularly", defaultValue = "{}")
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
    RecordFields.check(
        Material.class,
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
        reflections);
  }

  /** Complex index of refraction n + ik of a metal, by channel. */
  public record Index(
      @Field(meaning = "real part by channel", min = 0, max = 20) Rgb n,
      @Field(meaning = "extinction by channel", min = 0, max = 20) Rgb k) {
    public Index {
      RecordFields.check(Index.class, n, k);
    }
  }

  /** Glass. */
  public record Glass(
      @Field(meaning = "0 opaque … 1 glass", defaultValue = "0", min = 0, max = 1)
          double transmission,
      @Field(
              meaning =
                  "what is left of white light after tintDepth inside, or after one "
                      + "pass through a thin wall",
              defaultValue = "[1, 1, 1]",
              min = 0,
              max = 1)
          Rgb tint,
      @Field(
              meaning = "depth after which tint is left",
              defaultValue = "0.01",
              min = 1e-5,
              max = 1000,
              unit = "m")
          double tintDepth,
      @Field(
              meaning = "a wall without inside: light passes without being bent",
              defaultValue = "false")
          boolean thin,
      @Field(
              meaning = "Abbe number of glass that disperses; 0 for none",
              defaultValue = "0",
              min = 10,
              max = 100,
              orZero = true)
          double abbe,
      @Field(
              meaning =
                  "where bodies overlap, that of the highest priority fills the "
                      + "overlap, of equal ones that which light enters last",
              defaultValue = "0",
              min = 0,
              max = 100)
          int priority) {
    public static final Glass NONE = new Glass(0, Rgb.WHITE, 0.01, false, 0);

    /** Glass of priority 0. */
    public Glass(double transmission, Rgb tint, double tintDepth, boolean thin, double abbe) {
      this(transmission, tint, tintDepth, thin, abbe, 0);
    }

    public Glass {
      RecordFields.check(Glass.class, transmission, tint, tintDepth, thin, abbe, priority);
    }
  }

  /** A clear coat over everything. */
  public record Coat(
      @Field(meaning = "how much of the coat there is", defaultValue = "1", min = 0, max = 1)
          double amount,
      @Field(meaning = "perceptual roughness of the coat", defaultValue = "0.1", min = 0, max = 1)
          double roughness,
      @Field(meaning = "index of refraction of the coat", defaultValue = "1.5", min = 1, max = 3)
          double ior) {
    public static final Coat NONE = new Coat(0, 0.1, 1.5);

    public Coat {
      RecordFields.check(Coat.class, amount, roughness, ior);
    }
  }

  /** Sheen over everything. */
  public record Sheen(
      @Field(
              meaning = "colour of the fibres; black is none",
              defaultValue = "[1, 1, 1]",
              min = 0,
              max = 1)
          Rgb colour,
      @Field(meaning = "0.05 a narrow rim … 1 all over", defaultValue = "0.5", min = 0.05, max = 1)
          double roughness) {
    public static final Sheen NONE = new Sheen(Rgb.grey(0), 0.5);

    public Sheen {
      RecordFields.check(Sheen.class, colour, roughness);
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

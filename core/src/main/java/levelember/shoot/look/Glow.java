package levelember.shoot.look;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.Inline;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/**
 * What a lens spreads of a source. What is spread is taken from where it was, so the whole keeps
 * its light.
 */
@RecordBuilder
public record Glow(
    @Field(meaning = "unique among the glows of a look", text = Field.Text.ID) String id,
    @Field(meaning = "as the artist reads it", defaultValue = "@id") String name,
    @Field(meaning = "false shows the picture without it", defaultValue = "true") boolean on,
    @Field(meaning = "what glows", defaultValue = "{}") Source source,
    @Field(
            meaning = "stops over display white below which nothing is spread",
            defaultValue = "0",
            min = -20,
            max = 10,
            unit = "stops")
        double threshold,
    @Field(
            meaning = "stops over which it sets in",
            defaultValue = "1",
            min = 0,
            max = 10,
            unit = "stops")
        double knee,
    @Field(meaning = "lamps outside of the frame glow into it too", defaultValue = "false")
        boolean outsideFrame,
    @Field(meaning = "soft light around the source", defaultValue = "{\"on\": false}") Bloom bloom,
    @Field(meaning = "lines of light from the source outwards", defaultValue = "{\"on\": false}")
        StarRays starRays,
    @Field(meaning = "images of the source mirrored in the lens", defaultValue = "{\"on\": false}")
        LensFlare lensFlare)
    implements GlowBuilder.With {

  public Glow {
    RecordFields.check(
        Glow.class,
        id,
        name,
        on,
        source,
        threshold,
        knee,
        outsideFrame,
        bloom,
        starRays,
        lensFlare);
  }

  /** A bloom from all that is brighter than display white. */
  public static Glow bloom(String id, String name, double level, double size) {
    return new Glow(
        id,
        name,
        true,
        Source.PICTURE,
        0,
        1,
        false,
        new Bloom(true, level, size, Halo.OWN),
        StarRays.OFF,
        LensFlare.OFF);
  }

  /** The same from another source, with another threshold and knee. */
  public Glow from(Source other, double stops, double soft) {
    return with(g -> g.source(other).threshold(stops).knee(soft));
  }

  public Glow with(Bloom other) {
    return withBloom(other);
  }

  public Glow with(StarRays other) {
    return withStarRays(other);
  }

  public Glow with(LensFlare other) {
    return withLensFlare(other);
  }

  /** The same, lamps outside of the frame too. */
  public Glow beyondFrame() {
    return withOutsideFrame(true);
  }

  /** True when it changes the picture. */
  public boolean active() {
    return on && parts().stream().anyMatch(Part::active);
  }

  /** Its ways of spreading light, in the order in which they are added. */
  public List<Part> parts() {
    return List.of(bloom, starRays, lensFlare);
  }

  /** A way of spreading light. */
  public sealed interface Part permits Bloom, StarRays, LensFlare {
    /** Whether it is not left out. */
    boolean on();

    /** Share of the source that is spread, 0…1. */
    double level();

    /** Colour of what is spread. */
    Halo halo();

    /** True when it changes the picture. */
    default boolean active() {
      return on() && level() > 0;
    }
  }

  /** What glows. */
  public record Source(
      @Field(meaning = "what glows", defaultValue = "\"picture\"") Kind kind,
      @Field(
              meaning =
                  "ids of lights, pieces or materials; those that are not there any "
                      + "more count for nothing",
              defaultValue = "[]",
              text = Field.Text.ID)
          List<String> of) {
    /** All of the picture. */
    public static final Source PICTURE = new Source(Kind.PICTURE, List.of());

    /** What the camera sees shining. */
    public static final Source EMISSION = new Source(Kind.EMISSION, List.of());

    /** Ways to say what glows. */
    public enum Kind {
      /** Everything. */
      PICTURE,
      /** Lamps, shining pieces and surroundings where they are seen directly. */
      EMISSION,
      /** The layers of chosen lights. */
      LIGHTS,
      /** What chosen pieces show. */
      PIECES,
      /** What pieces of chosen materials show. */
      MATERIALS
    }

    public Source {
      RecordFields.check(Source.class, kind, of);
      of = List.copyOf(of);
    }

    /** True when it needs to be known what stands where in the picture. */
    public boolean needsInputs() {
      return kind == Kind.EMISSION || kind == Kind.PIECES || kind == Kind.MATERIALS;
    }
  }

  /** Colour of what is spread. */
  public record Halo(
      @Field(
              meaning = "colour of its own, of any luminance but black",
              defaultValue = "[1, 1, 1]",
              min = 0,
              max = 1)
          Rgb colour,
      @Field(
              meaning = "share of its own colour against the source's",
              name = "ownShare",
              defaultValue = "0",
              min = 0,
              max = 1)
          double share) {
    /** The source's colour. */
    public static final Halo OWN = new Halo(Rgb.WHITE, 0);

    public Halo {
      RecordFields.check(Halo.class, colour, share);
      if (!(colour.luminance() > 0)) {
        throw new ImpossibleValue("colour", colour, "a colour that is not black");
      }
    }
  }

  /** Soft light around. */
  public record Bloom(
      @Field(meaning = "false leaves it out", defaultValue = "true") boolean on,
      @Field(meaning = "share of the source that is spread", defaultValue = "0.1", min = 0, max = 1)
          double level,
      @Field(
              meaning = "how far half of it goes, of the picture's height",
              defaultValue = "4",
              min = 0.1,
              max = 50,
              unit = "%")
          double size,
      @Inline Halo halo)
      implements Part {
    public static final Bloom OFF = new Bloom(false, 0.1, 4, Halo.OWN);

    public Bloom {
      RecordFields.check(Bloom.class, on, level, size, halo);
    }
  }

  /** Lines of light from the source outwards. */
  public record StarRays(
      @Field(meaning = "false leaves it out", defaultValue = "true") boolean on,
      @Field(
              meaning = "share of the source that goes into them",
              defaultValue = "0.05",
              min = 0,
              max = 1)
          double level,
      @Field(meaning = "how many rays, evenly round", defaultValue = "6", min = 1, max = 16)
          int count,
      @Field(
              meaning = "turn of the first ray, from the right, counter-clockwise",
              defaultValue = "15",
              min = -360,
              max = 360,
              unit = "°")
          double rotationDegrees,
      @Field(
              meaning = "length over which they fall to a tenth, of the picture's height",
              defaultValue = "20",
              min = 1,
              max = 200,
              unit = "%")
          double length,
      @Inline Halo halo)
      implements Part {
    public static final StarRays OFF = new StarRays(false, 0.05, 6, 15, 20, Halo.OWN);

    public StarRays {
      RecordFields.check(StarRays.class, on, level, count, rotationDegrees, length, halo);
    }
  }

  /** Images that a lens mirrors to the other side of the picture's middle. */
  public record LensFlare(
      @Field(meaning = "false leaves it out", defaultValue = "true") boolean on,
      @Field(
              meaning = "share of the source that goes into them",
              defaultValue = "0.02",
              min = 0,
              max = 1)
          double level,
      @Field(meaning = "how many images", defaultValue = "4", min = 1, max = 8) int count,
      @Field(
              meaning = "how far apart they lie; 1 puts the last one opposite its source",
              defaultValue = "1",
              min = 0.1,
              max = 2)
          double spread,
      @Inline Halo halo)
      implements Part {
    public static final LensFlare OFF = new LensFlare(false, 0.02, 4, 1, Halo.OWN);

    public LensFlare {
      RecordFields.check(LensFlare.class, on, level, count, spread, halo);
    }
  }
}

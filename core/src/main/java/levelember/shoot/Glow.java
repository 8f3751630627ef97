package levelember.shoot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * What a lens spreads of a source. What is spread is taken from where it was, so the whole keeps
 * its light.
 *
 * @param id unique among the glows of a look
 * @param name as the artist reads it
 * @param on false shows the picture without it
 * @param source what glows
 * @param threshold stops over display white below which nothing is spread, −20…10
 * @param knee stops over which it sets in, 0…10
 * @param outsideFrame lamps outside of the frame glow into it too
 * @param bloom the soft light around
 * @param starRays lines of light
 * @param lensFlare mirrored images in the lens
 */
@RecordBuilder
public record Glow(
    String id,
    String name,
    boolean on,
    Source source,
    double threshold,
    double knee,
    boolean outsideFrame,
    Bloom bloom,
    StarRays starRays,
    LensFlare lensFlare)
    implements GlowBuilder.With {

  public Glow {
    Checks.id(id);
    Checks.name("name", name);
    Checks.given("source", source);
    Checks.range("threshold", threshold, -20, 10);
    Checks.range("knee", knee, 0, 10);
    Checks.given("bloom", bloom);
    Checks.given("starRays", starRays);
    Checks.given("lensFlare", lensFlare);
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
    return on
        && (bloom.on() && bloom.level() > 0
            || starRays.on() && starRays.level() > 0
            || lensFlare.on() && lensFlare.level() > 0);
  }

  /**
   * What glows.
   *
   * @param kind how it is said
   * @param of ids of lights, pieces or materials; those that are not there any more count for
   *     nothing
   */
  public record Source(Kind kind, List<String> of) {
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
      Checks.given("kind", kind);
      of = List.copyOf(of);
      of.forEach(Checks::id);
    }

    /** True when it needs to be known what stands where in the picture. */
    public boolean needsInputs() {
      return kind == Kind.EMISSION || kind == Kind.PIECES || kind == Kind.MATERIALS;
    }
  }

  /**
   * Colour of what is spread.
   *
   * @param colour its own, of any luminance but black
   * @param share of its own colour against the source's, 0…1
   */
  public record Halo(Rgb colour, double share) {
    /** The source's colour. */
    public static final Halo OWN = new Halo(Rgb.WHITE, 0);

    public Halo {
      colour.checked("colour", 1);
      if (!(colour.luminance() > 0)) {
        throw new ImpossibleValue("colour", colour, "a colour that is not black");
      }
      Checks.range("share", share, 0, 1);
    }
  }

  /**
   * Soft light around.
   *
   * @param level share of the source that is spread, 0…1
   * @param size how far half of it goes, percent of the picture's height, 0.1…50
   */
  public record Bloom(boolean on, double level, double size, Halo halo) {
    public static final Bloom OFF = new Bloom(false, 0.1, 4, Halo.OWN);

    public Bloom {
      Checks.range("level", level, 0, 1);
      Checks.range("size", size, 0.1, 50);
      Checks.given("halo", halo);
    }
  }

  /**
   * Lines of light from the source outwards.
   *
   * @param level share of the source that goes into them, 0…1
   * @param count how many, evenly round, 1…16
   * @param rotationDegrees of the first, from the right, anticlockwise
   * @param length over which they fall to a tenth, percent of the picture's height, 1…200
   */
  public record StarRays(
      boolean on, double level, int count, double rotationDegrees, double length, Halo halo) {
    public static final StarRays OFF = new StarRays(false, 0.05, 6, 15, 20, Halo.OWN);

    public StarRays {
      Checks.range("level", level, 0, 1);
      Checks.range("count", count, 1, 16);
      Checks.range("rotationDegrees", rotationDegrees, -360, 360);
      Checks.range("length", length, 1, 200);
      Checks.given("halo", halo);
    }
  }

  /**
   * Images that a lens mirrors to the other side of the picture's middle.
   *
   * @param level share of the source that goes into them, 0…1
   * @param count how many, 1…8
   * @param spread how far apart they lie, 0.1…2; 1 puts the last one opposite its source
   */
  public record LensFlare(boolean on, double level, int count, double spread, Halo halo) {
    public static final LensFlare OFF = new LensFlare(false, 0.02, 4, 1, Halo.OWN);

    public LensFlare {
      Checks.range("level", level, 0, 1);
      Checks.range("count", count, 1, 8);
      Checks.range("spread", spread, 0.1, 2);
      Checks.given("halo", halo);
    }
  }
}

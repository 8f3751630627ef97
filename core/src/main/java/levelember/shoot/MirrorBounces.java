package levelember.shoot;

import java.util.Locale;

/**
 * How often light is followed from mirror to mirror, and what the last one shows.
 *
 * @param most reflections in mirror-like surfaces one after another, 0…64; 64 leaves it to the
 *     renderer
 * @param end what is seen in the last
 * @param colour of an even end, linear, 0…1
 */
public record MirrorBounces(int most, End end, Rgb colour) {
  /** What is seen where mirror bounces run out. */
  public enum End {
    /** The surroundings, as if nothing of the set were in the way. */
    SURROUNDINGS,
    /** The mean of the surroundings' light all round, in a colour. */
    COLOUR,
    /** Nothing. */
    BLACK;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** As many as the renderer follows. */
  public static final MirrorBounces ALL =
      new MirrorBounces(Bounce.MOST, End.SURROUNDINGS, Rgb.grey(0.5));

  public MirrorBounces {
    Checks.range("mirrorBounces", most, 0, Bounce.MOST);
    if (end == null) {
      throw new ImpossibleValue("mirrorEnd", null, "surroundings, colour or black");
    }
    colour.checked("mirrorColour", 1);
  }

  /** Whether mirrors are followed as far as light is. */
  public boolean unlimited() {
    return most == Bounce.MOST;
  }
}

package levelember.shoot;

import java.util.Locale;
import levelember.document.Field;
import levelember.document.RecordFields;
import levelember.math.Rgb;

/** How often light is followed from mirror to mirror, and what the last one shows. */
public record MirrorBounces(
    @Field(
            meaning = "reflections in mirrors one after another; 64 leaves it to the renderer",
            name = "mirrorBounces",
            defaultValue = "64",
            min = 0,
            max = Bounce.MOST)
        int most,
    @Field(
            meaning = "what the last mirror shows",
            name = "mirrorEnd",
            defaultValue = "\"surroundings\"")
        End end,
    @Field(
            meaning = "linear colour of an even end",
            name = "mirrorColour",
            defaultValue = "[0.5, 0.5, 0.5]",
            min = 0,
            max = 1)
        Rgb colour) {
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
    RecordFields.check(MirrorBounces.class, most, end, colour);
  }

  /** Whether mirrors are followed as far as light is. */
  public boolean unlimited() {
    return most == Bounce.MOST;
  }
}

package levelember.shoot;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** A reading that is wanted. */
public record Target(
    @Field(meaning = "unique among targets", text = Field.Text.ID) String id,
    @Field(meaning = "what is read", defaultValue = "\"stops\"") Kind kind,
    @Field(
            meaning = "id of the pin that is read; none for kinds that read the whole picture",
            defaultValue = "null")
        String pin,
    @Field(
            meaning = "id of the pin that a ratio is taken to; none otherwise",
            defaultValue = "null")
        String other,
    @Field(
            meaning =
                "stops from mid grey, or between both pins of a ratio; of no meaning "
                    + "where a neutral is wanted",
            defaultValue = "0",
            min = -20,
            max = 20,
            unit = "stops")
        double stops,
    @Field(
            meaning = "how much it counts beside others; 0 leaves it out",
            defaultValue = "1",
            min = 0,
            max = 100)
        double weight) {

  /** What is read. */
  public enum Kind {
    /** A pin, in stops from mid grey. */
    STOPS,
    /** How many stops one pin is above another. */
    RATIO,
    /** The mean luminance of the picture, in stops from mid grey. */
    MEAN,
    /** No region of the picture may be brighter than so many stops above mid grey. */
    CEILING,
    /** A pin without colour after the look's white balance. */
    NEUTRAL;

    /** Whether a pin is read. */
    public boolean ofPin() {
      return this == STOPS || this == RATIO || this == NEUTRAL;
    }
  }

  public Target {
    RecordFields.check(Target.class, id, kind, pin, other, stops, weight);
    if (kind.ofPin() == (pin == null)) {
      throw new ImpossibleValue(
          "pin", pin, kind.ofPin() ? "the id of a pin" : "null for this kind");
    }
    if ((kind == Kind.RATIO) == (other == null)) {
      throw new ImpossibleValue(
          "other", other, kind == Kind.RATIO ? "the id of another pin" : "null for this kind");
    }
    if (other != null && other.equals(pin)) {
      throw new ImpossibleValue("other", other, "another pin than the one that is read");
    }
  }
}

package levelember.shoot.motion;

import java.util.List;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** A value at a time. */
public record Key(
    @Field(meaning = "from the beginning", min = -1e6, max = 1e6, unit = "s") double seconds,
    @Field(
            meaning =
                "a number; three of a vector or a colour; a switch as true or false, or "
                    + "0 or 1; or the spelling of a choice",
            min = -1e9,
            max = 1e9)
        List<Double> value,
    @Field(meaning = "spelling of a choice; null for all else", defaultValue = "null")
        String choice,
    @Field(
            meaning = "how it goes on to the next key; of a choice it is hold",
            defaultValue = "\"straight\"")
        Span span,
    @Field(
            meaning =
                "slope of each number before the key, a second, where the span before it is free",
            defaultValue = "[]",
            min = -1e9,
            max = 1e9)
        List<Double> slopeIn,
    @Field(
            meaning = "slope of each number after the key, a second, where its own span is free",
            defaultValue = "[]",
            min = -1e9,
            max = 1e9)
        List<Double> slopeOut) {
  /** How values go from one key to the next. */
  public enum Span {
    /** They stay until the next. */
    HOLD,
    /** Evenly. */
    STRAIGHT,
    /** Slowly away from the one and slowly up to the other. */
    EASED,
    /** By a cubic with the slopes of both keys. */
    FREE
  }

  public Key {
    RecordFields.check(Key.class, seconds, value, choice, span, slopeIn, slopeOut);
    value = List.copyOf(value);
    slopeIn = List.copyOf(slopeIn);
    slopeOut = List.copyOf(slopeOut);
    if (choice == null ? value.size() != 1 && value.size() != 3 : !value.isEmpty()) {
      throw new ImpossibleValue("value", value, "a number, three numbers, or a choice");
    }
    slopes("slopeIn", slopeIn, value);
    slopes("slopeOut", slopeOut, value);
  }

  /** A key of numbers, with level slopes. */
  public static Key of(double seconds, Span span, Double... value) {
    return new Key(seconds, List.of(value), null, span, List.of(), List.of());
  }

  /** A key of a choice, which stays until the next. */
  public static Key of(double seconds, String choice) {
    return new Key(seconds, List.of(), choice, Span.HOLD, List.of(), List.of());
  }

  private static void slopes(String field, List<Double> slopes, List<Double> value) {
    if (!slopes.isEmpty() && slopes.size() != value.size()) {
      throw new ImpossibleValue(field, slopes, "as many as values, or none");
    }
  }

  /** The slope of a number before the key. */
  double in(int i) {
    return slopeIn.isEmpty() ? 0 : slopeIn.get(i);
  }

  /** The slope of a number after the key. */
  double out(int i) {
    return slopeOut.isEmpty() ? 0 : slopeOut.get(i);
  }
}

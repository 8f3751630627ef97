package levelember.shoot;

import java.util.List;

/**
 * A value at a time.
 *
 * @param seconds from the beginning
 * @param value a number; three of a vector or a colour; 0 or 1 of a switch; none of a choice
 * @param choice a choice's name in small letters; null for all else
 * @param span how it goes on to the next key
 * @param slopeIn of each number before the key, a second; where the span before it is free
 * @param slopeOut of each number after the key, a second; where its own span is free
 */
public record Key(
    double seconds,
    List<Double> value,
    String choice,
    Span span,
    List<Double> slopeIn,
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
    Checks.range("seconds", seconds, -1e6, 1e6);
    value = List.copyOf(value);
    slopeIn = List.copyOf(slopeIn);
    slopeOut = List.copyOf(slopeOut);
    if (choice == null ? value.size() != 1 && value.size() != 3 : !value.isEmpty()) {
      throw new ImpossibleValue("value", value, "a number, three numbers, or a choice");
    }
    slopes("slopeIn", slopeIn, value);
    slopes("slopeOut", slopeOut, value);
    for (double v : value) {
      Checks.range("value", v, -1e9, 1e9);
    }
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
    for (double v : slopes) {
      Checks.range(field, v, -1e9, 1e9);
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

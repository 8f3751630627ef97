package levelember.shoot;

/**
 * A reading that is wanted.
 *
 * @param id unique among targets
 * @param kind what is read
 * @param pin that is read; null for the kinds that read the whole picture
 * @param other pin that a ratio is taken to; null otherwise
 * @param stops wanted, −20…20: from mid grey, or between both pins of a ratio; of no meaning where
 *     a neutral is wanted
 * @param weight how much it counts beside others, 0…100; 0 leaves it out
 */
public record Target(String id, Kind kind, String pin, String other, double stops, double weight) {

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
    Checks.id(id);
    Checks.given("kind", kind);
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
    Checks.range("stops", stops, -20, 20);
    Checks.range("weight", weight, 0, 100);
  }
}

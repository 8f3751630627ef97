package levelember.shoot;

/**
 * A value that always is what another is: at rest, and at every time.
 *
 * @param place of the value that follows, as {@link Place} names it
 * @param from the place of the value that it follows, of the same kind
 * @param factor of numbers, −1000…1000
 * @param offset added to numbers after it, −1e6…1e6
 */
public record Link(String place, String from, double factor, double offset) {
  public Link {
    Checks.name("place", place);
    Checks.name("from", from);
    Checks.range("factor", factor, -1000, 1000);
    Checks.range("offset", offset, -1e6, 1e6);
    if (place.equals(from)) {
      throw new ImpossibleValue("from", from, "another place than that of the link itself");
    }
  }

  /** A value that is the same as another. */
  public static Link same(String place, String from) {
    return new Link(place, from, 1, 0);
  }

  /** What numbers become. */
  double[] of(double[] values) {
    double[] to = new double[values.length];
    for (int i = 0; i < to.length; i++) {
      to[i] = factor * values[i] + offset;
    }
    return to;
  }
}

package levelember.shoot.motion;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** A value that always is what another is: at rest, and at every time. */
public record Link(
    @Field(
            meaning =
                "the value that follows, as lights/key/levelStops: a list, the id of an "
                    + "entry, and the way to one of its values")
        String place,
    @Field(meaning = "the value that it follows, of the same kind") String from,
    @Field(meaning = "factor on numbers", defaultValue = "1", min = -1000, max = 1000)
        double factor,
    @Field(meaning = "added to numbers after the factor", defaultValue = "0", min = -1e6, max = 1e6)
        double offset) {
  public Link {
    RecordFields.check(Link.class, place, from, factor, offset);
    if (place.equals(from)) {
      throw new ImpossibleValue("from", from, "another place than that of the link itself");
    }
  }

  /** A value that is the same as another. */
  public static Link same(String place, String from) {
    return new Link(place, from, 1, 0);
  }

  /** What numbers become. */
  public double[] of(double[] values) {
    double[] to = new double[values.length];
    for (int i = 0; i < to.length; i++) {
      to[i] = factor * values[i] + offset;
    }
    return to;
  }
}

package levelember.shoot;

import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** A value that always is what another is: at rest, and at every time. */
public record Link(
    @Field(
            says =
                "the value that follows, as lights/key/levelStops: a list, the id of an "
                    + "entry, and the way to one of its values")
        String place,
    @Field(says = "the value that it follows, of the same kind") String from,
    @Field(says = "factor on numbers", usual = "1", least = -1000, most = 1000) double factor,
    @Field(says = "added to numbers after the factor", usual = "0", least = -1e6, most = 1e6)
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
  double[] of(double[] values) {
    double[] to = new double[values.length];
    for (int i = 0; i < to.length; i++) {
      to[i] = factor * values[i] + offset;
    }
    return to;
  }
}

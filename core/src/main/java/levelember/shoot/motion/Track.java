package levelember.shoot.motion;

import java.util.List;
import levelember.document.Field;
import levelember.document.ImpossibleValue;
import levelember.document.RecordFields;

/** How one place of a shoot moves. */
public record Track(
    @Field(
            meaning =
                "the value, as lights/key/levelStops: a list, the id of an entry, and "
                    + "the way to one of its values")
        String place,
    @Field(meaning = "what comes after the last key", defaultValue = "\"hold\"") After after,
    @Field(meaning = "keys in rising order of time", minEntries = 1, maxEntries = Track.MOST_KEYS)
        List<Key> keys) {
  static final int MOST_KEYS = 100_000;

  /** What comes after the last key. */
  public enum After {
    /** The last value stays. */
    HOLD,
    /** All from the first key on again. */
    LOOP,
    /** Back to the first key, and on again. */
    PING_PONG
  }

  public Track {
    RecordFields.check(Track.class, place, after, keys);
    keys = List.copyOf(keys);
    for (int i = 0; i < keys.size(); i++) {
      Key key = keys.get(i), first = keys.getFirst();
      if (i > 0 && !(key.seconds() > keys.get(i - 1).seconds())) {
        throw new ImpossibleValue(
            "keys[" + i + "].seconds", key.seconds(), "more than that of the key before it");
      }
      if (key.value().size() != first.value().size()) {
        throw new ImpossibleValue("keys[" + i + "].value", key.value(), "of one kind in a track");
      }
    }
  }

  /** A track whose last value stays. */
  public static Track of(String place, Key... keys) {
    return new Track(place, After.HOLD, List.of(keys));
  }

  /** The choice at a time; null for a track of numbers. */
  public String choiceAt(double seconds) {
    return keys.get(before(wrapped(seconds))).choice();
  }

  /** The numbers at a time. */
  public double[] at(double seconds) {
    double t = wrapped(seconds);
    int i = before(t);
    Key from = keys.get(i);
    Key to = i + 1 < keys.size() && t > from.seconds() ? keys.get(i + 1) : from;
    double[] v = new double[from.value().size()];
    double length = to.seconds() - from.seconds();
    double part = length > 0 ? (t - from.seconds()) / length : 0;
    for (int k = 0; k < v.length; k++) {
      double a = from.value().get(k), b = to.value().get(k);
      v[k] =
          switch (from.span()) {
            case HOLD -> part >= 1 ? b : a;
            case STRAIGHT -> a + part * (b - a);
            case EASED -> a + part * part * (3 - 2 * part) * (b - a);
            case FREE -> hermite(a, b, length * from.out(k), length * to.in(k), part);
          };
    }
    return v;
  }

  /** Hermite's cubic from a to b with their slopes over the whole span. */
  private static double hermite(double a, double b, double out, double in, double t) {
    double t2 = t * t, t3 = t2 * t;
    return (2 * t3 - 3 * t2 + 1) * a
        + (t3 - 2 * t2 + t) * out
        + (3 * t2 - 2 * t3) * b
        + (t3 - t2) * in;
  }

  /** A time as it lies among the keys. */
  private double wrapped(double seconds) {
    double first = keys.getFirst().seconds(), length = keys.getLast().seconds() - first;
    double since = seconds - first;
    if (since <= length || length <= 0 || after == After.HOLD) {
      return seconds;
    }
    double turns = since / length, part = turns - Math.floor(turns);
    boolean back = after == After.PING_PONG && ((long) Math.floor(turns) & 1) != 0;
    return first + length * (back ? 1 - part : part);
  }

  /** The last key at or before a time, or the first. */
  private int before(double seconds) {
    int low = 0, high = keys.size() - 1;
    while (low < high) {
      int middle = (low + high + 1) >>> 1;
      if (keys.get(middle).seconds() <= seconds) {
        low = middle;
      } else {
        high = middle - 1;
      }
    }
    return low;
  }

  /** The least or the greatest of each number over all keys. */
  public double[] extreme(boolean greatest) {
    double[] to = new double[keys.getFirst().value().size()];
    for (int k = 0; k < to.length; k++) {
      int n = k;
      var values = keys.stream().mapToDouble(key -> key.value().get(n));
      to[k] = (greatest ? values.max() : values.min()).orElseThrow();
    }
    return to;
  }
}

package levelember.shoot;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import levelember.math.Vec3;

/** Checks shared by the records of this package. */
final class Checks {
  private static final double FARTHEST_METRES = 100_000;

  private Checks() {}

  static double range(String field, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
    return value;
  }

  static int range(String field, int value, int least, int most) {
    if (value < least || value > most) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
    return value;
  }

  static void given(String field, Object value) {
    if (value == null) {
      throw new ImpossibleValue(field, null, "a value");
    }
  }

  static String name(String field, String value) {
    if (value == null || value.isBlank() || value.length() > 200) {
      throw new ImpossibleValue(field, value, "a text of 1 to 200 characters");
    }
    return value;
  }

  static String id(String value) {
    if (value == null || !value.matches("[A-Za-z0-9_-]{1,64}")) {
      throw new ImpossibleValue("id", value, "1 to 64 letters, digits, hyphens or underscores");
    }
    return value;
  }

  static Vec3 place(String field, Vec3 value) {
    return vector(field, value, -FARTHEST_METRES, FARTHEST_METRES);
  }

  static Vec3 vector(String field, Vec3 value, double least, double most) {
    range(field + "[0]", value.x(), least, most);
    range(field + "[1]", value.y(), least, most);
    range(field + "[2]", value.z(), least, most);
    return value;
  }

  static <T> Set<String> uniqueIds(String field, List<T> items, Function<T, String> id) {
    Set<String> seen = new HashSet<>();
    for (int i = 0; i < items.size(); i++) {
      if (!seen.add(id.apply(items.get(i)))) {
        throw new ImpossibleValue(
            field + "[" + i + "].id", id.apply(items.get(i)), "an id used once in the list");
      }
    }
    return seen;
  }
}

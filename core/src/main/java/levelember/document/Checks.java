package levelember.document;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** Checks shared by the records of this package. */
public final class Checks {
  private Checks() {}

  public static double range(String field, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
    return value;
  }

  public static int range(String field, int value, int least, int most) {
    if (value < least || value > most) {
      throw new ImpossibleValue(field, value, least + " to " + most);
    }
    return value;
  }

  public static <T> Set<String> uniqueIds(String field, List<T> items, Function<T, String> id) {
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

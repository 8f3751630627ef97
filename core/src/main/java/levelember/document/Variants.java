package levelember.document;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/**
 * The records that a sealed interface permits, by the word that the document has for each in its
 * field {@code kind}: the record's name in small letters, its words parted by hyphens.
 */
public final class Variants {
  /** The field that says the kind. */
  public static final String KIND = "kind";

  private static final ClassValue<Map<String, Class<?>>> ALL =
      new ClassValue<>() {
        @Override
        protected Map<String, Class<?>> computeValue(Class<?> sealed) {
          Map<String, Class<?>> to = new LinkedHashMap<>();
          for (Class<?> record : sealed.getPermittedSubclasses()) {
            to.put(kind(record), record);
          }
          return to;
        }
      };

  private Variants() {}

  /** The records of a sealed interface by their kinds, in the order of the source. */
  public static Map<String, Class<?>> of(Class<?> sealed) {
    return ALL.get(sealed);
  }

  /** The kind of a record. */
  public static String kind(Class<?> variant) {
    return variant.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
  }

  /**
   * The record of a kind.
   *
   * @throws ImpossibleValue when there is none
   */
  public static Class<?> read(String kind, Class<?> sealed) {
    Class<?> variant = of(sealed).get(kind);
    if (variant == null) {
      throw new ImpossibleValue(KIND, kind, "one of " + String.join(", ", of(sealed).keySet()));
    }
    return variant;
  }
}

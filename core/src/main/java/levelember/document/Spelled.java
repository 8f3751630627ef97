package levelember.document;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** A choice that the document spells otherwise than by its name in small letters. */
public interface Spelled {
  /** As the document has it. */
  String spelling();

  /** How the document spells a choice. */
  static String of(Enum<?> choice) {
    return choice instanceof Spelled s ? s.spelling() : choice.name().toLowerCase(Locale.ROOT);
  }

  /** How the document spells all choices of a kind, in order. */
  static List<String> all(Class<?> kind) {
    return Arrays.stream(kind.getEnumConstants()).map(c -> of((Enum<?>) c)).toList();
  }

  /**
   * The choice of a spelling.
   *
   * @throws ImpossibleValue of the field, when there is none
   */
  static Enum<?> read(String field, String spelling, Class<?> kind) {
    for (Object choice : kind.getEnumConstants()) {
      if (of((Enum<?>) choice).equals(spelling)) {
        return (Enum<?>) choice;
      }
    }
    throw new ImpossibleValue(field, spelling, "one of " + String.join(", ", all(kind)));
  }
}

package levelember.document;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.List;

/** A component of a record as the document has it. */
public final class DocumentField {
  private static final String REQUIRED_ALLOWED = "a value";

  private final String name;
  private final Class<?> type;
  private final Class<?> element;
  private final Field facts;
  private final boolean inline;
  private final String defaultValue;
  private final boolean nullable;
  private final boolean orZero;
  private final Field.Text text;
  private final int fewest;
  private final int mostEntries;
  private final double least;
  private final double most;

  DocumentField(RecordComponent component) {
    facts = component.getAnnotation(Field.class);
    inline = component.isAnnotationPresent(Inline.class);
    boolean named = facts != null && !facts.name().isEmpty();
    name = named ? facts.name() : component.getName();
    type = component.getType();
    element = type == List.class ? element(component.getGenericType()) : null;
    // Annotations answer slowly.
    defaultValue = facts == null ? Field.REQUIRED : facts.defaultValue();
    nullable = defaultValue.equals("null");
    orZero = facts != null && facts.orZero();
    text = facts == null ? Field.Text.NAME : facts.text();
    fewest = facts == null ? 0 : facts.minEntries();
    mostEntries = facts == null ? Integer.MAX_VALUE : facts.maxEntries();
    least = facts == null ? Double.NEGATIVE_INFINITY : facts.min();
    most = facts == null ? Double.POSITIVE_INFINITY : facts.max();
  }

  private static Class<?> element(Type list) {
    return (Class<?>) ((ParameterizedType) list).getActualTypeArguments()[0];
  }

  /** Name in the document. */
  public String name() {
    return name;
  }

  /** Type of the component. */
  public Class<?> type() {
    return type;
  }

  /** Type of a list's entries; null for all else. */
  public Class<?> element() {
    return element;
  }

  /** What the document says of it; null of an inlined one. */
  public Field facts() {
    return facts;
  }

  /** Whether its own fields stand beside it. */
  public boolean inline() {
    return inline;
  }

  /** Whether a document must have it. */
  public boolean required() {
    return !inline && defaultValue.equals(Field.REQUIRED);
  }

  /** Its default, see {@link Field#defaultValue}; {@link Field#REQUIRED} of an inlined one. */
  public String defaultValue() {
    return defaultValue;
  }

  /** Whether it may be empty. */
  public boolean nullable() {
    return nullable;
  }

  /**
   * Refuses a value that is empty or out of range.
   *
   * @throws ImpossibleValue with the field's name
   */
  public void check(Object value) {
    if (value == null) {
      if (!nullable()) {
        throw new ImpossibleValue(name, null, REQUIRED_ALLOWED);
      }
    } else if (inline) {
      return;
    } else if (value instanceof Double d) {
      number(name, d);
    } else if (value instanceof Integer i) {
      whole(name, i);
    } else if (value instanceof String words) {
      text(name, words);
    } else if (value instanceof List<?> list) {
      entries(list);
    } else if (Triple.is(type)) {
      triple(name, value);
    }
  }

  private void triple(String field, Object value) {
    double[] v = Triple.numbers(value);
    for (int i = 0; i < v.length; i++) {
      number(field + "[" + i + "]", v[i]);
    }
  }

  private void number(String field, double value) {
    if (!(value >= least && value <= most) && !(orZero && value == 0)) {
      throw new ImpossibleValue(field, value, range(least + " to " + most));
    }
  }

  private void whole(String field, int value) {
    if ((value < least || value > most) && !(orZero && value == 0)) {
      String ends = (long) least + " to " + (long) most;
      throw new ImpossibleValue(field, value, range(ends));
    }
  }

  private String range(String ends) {
    return orZero ? ends + ", or 0" : ends;
  }

  private void text(String field, String value) {
    boolean fits =
        switch (text) {
          case NAME -> !value.isBlank() && value.length() <= 200;
          case ID -> isId(value);
          case REMARK -> value.length() <= 200;
        };
    if (!fits) {
      String allowed =
          switch (text) {
            case NAME -> "a text of 1 to 200 characters";
            case ID -> "1 to 64 letters, digits, hyphens or underscores";
            case REMARK -> "a text of at most 200 characters";
          };
      throw new ImpossibleValue(field, value, allowed);
    }
  }

  private static boolean isId(String value) {
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      boolean letter = c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z' || c >= '0' && c <= '9';
      if (!letter && c != '-' && c != '_') {
        return false;
      }
    }
    return !value.isEmpty() && value.length() <= 64;
  }

  private void entries(List<?> list) {
    if (list.size() < fewest || list.size() > mostEntries) {
      throw new ImpossibleValue(name + ".length", list.size(), fewest + " to " + mostEntries);
    }
    for (int i = 0; i < list.size(); i++) {
      Object entry = list.get(i);
      if (entry instanceof Double d && !(d >= least && d <= most)) {
        number(name + "[" + i + "]", d);
      } else if (entry instanceof Integer n && (n < least || n > most)) {
        whole(name + "[" + i + "]", n);
      } else if (entry instanceof String words) {
        text(name + "[" + i + "]", words);
      } else if (entry != null && Triple.is(entry.getClass())) {
        triple(name + "[" + i + "]", entry);
      }
    }
  }
}

package levelember.document;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The way from a record of a shoot to one of its values, by the names that the document has: {@code
 * levelStops} or {@code colour/kelvin} of a light. Entries of lists go by their number, from 0.
 */
public final class FieldPath {
  private final List<String> steps;

  private FieldPath(List<String> steps) {
    this.steps = steps;
  }

  /** A path whose steps are parted by strokes. */
  public static FieldPath of(String path) {
    return new FieldPath(Arrays.asList(path.split("/")));
  }

  /** Kinds of values that can be keyed. */
  public enum Kind {
    NUMBER(1),
    TRIPLE(3),
    SWITCH(1),
    CHOICE(0);

    private final int numbers;

    Kind(int numbers) {
      this.numbers = numbers;
    }

    /** How many numbers a value has. */
    public int numbers() {
      return numbers;
    }
  }

  /** The kind of the value there; null where there is nothing that can be keyed. */
  public Kind kind(Object entry) {
    return switch (value(entry)) {
      case Double d -> Kind.NUMBER;
      case Integer i -> Kind.NUMBER;
      case Boolean b -> Kind.SWITCH;
      case Enum<?> e -> Kind.CHOICE;
      case Record r when Triple.is(r.getClass()) -> Kind.TRIPLE;
      case null, default -> null;
    };
  }

  /** The numbers there, one or three; 0 or 1 of a switch; none of a choice. */
  public double[] numbers(Object entry) {
    return switch (value(entry)) {
      case Double d -> new double[] {d};
      case Integer i -> new double[] {i};
      case Boolean b -> new double[] {b ? 1 : 0};
      case Record r when Triple.is(r.getClass()) -> Triple.numbers(r);
      case null, default -> new double[0];
    };
  }

  /** The choice there as the document spells it; null for all else. */
  public String choice(Object entry) {
    return value(entry) instanceof Enum<?> e ? Spelled.of(e) : null;
  }

  private Object value(Object entry) {
    Object at = entry;
    for (String step : steps) {
      at = inner(at, step);
    }
    return at;
  }

  private static Object inner(Object of, String step) {
    if (of instanceof List<?> list) {
      int i = step.matches("\\d{1,6}") ? Integer.parseInt(step) : -1;
      return i >= 0 && i < list.size() ? list.get(i) : null;
    }
    if (!(of instanceof Record)) {
      return null;
    }
    List<Integer> way = RecordFields.of(of.getClass()).find(step);
    Object at = way.isEmpty() ? null : of;
    for (int component : way) {
      at = RecordFields.of(at.getClass()).get(at, component);
    }
    return at;
  }

  /**
   * An entry with another value at the path, which {@link #kind} says can be there.
   *
   * @param numbers as many as the kind has
   * @param choice of a choice; else null
   * @throws ImpossibleValue when it is out of range
   */
  public <T> T with(T entry, double[] numbers, String choice) {
    @SuppressWarnings("unchecked")
    T to = (T) put(entry, steps, numbers, choice);
    return to;
  }

  private static Object put(Object at, List<String> way, double[] numbers, String choice) {
    if (way.isEmpty()) {
      return leaf(at, numbers, choice);
    }
    String step = way.getFirst();
    List<String> rest = way.subList(1, way.size());
    if (at instanceof List<?> list) {
      List<Object> to = new ArrayList<>(list);
      int i = Integer.parseInt(step);
      to.set(i, put(to.get(i), rest, numbers, choice));
      return to;
    }
    return within(at, RecordFields.of(at.getClass()).find(step), rest, numbers, choice);
  }

  private static Object within(
      Object at, List<Integer> components, List<String> rest, double[] numbers, String choice) {
    if (components.isEmpty()) {
      return put(at, rest, numbers, choice);
    }
    RecordFields fields = RecordFields.of(at.getClass());
    Object[] values = new Object[fields.components().size()];
    for (int i = 0; i < values.length; i++) {
      Object own = fields.get(at, i);
      boolean here = i == components.getFirst();
      List<Integer> deeper = components.subList(1, components.size());
      values[i] = here ? within(own, deeper, rest, numbers, choice) : own;
    }
    return fields.make(values);
  }

  private static Object leaf(Object old, double[] v, String choice) {
    return switch (old) {
      case Double d -> v[0];
      case Integer i -> (int) Math.rint(v[0]);
      case Boolean b -> v[0] >= 0.5;
      case Enum<?> e -> Spelled.read("choice", choice, e.getDeclaringClass());
      case Record r -> Triple.of(r.getClass(), v[0], v[1], v[2]);
      default -> throw new IllegalArgumentException("nothing can be keyed there");
    };
  }
}

package levelember.document;

import java.util.List;
import java.util.stream.Collectors;

/**
 * Values that a shoot cannot hold: of each the field, what was given, and what is allowed. The
 * accessors speak of the first one, the message of the first ten.
 */
public final class ImpossibleValue extends IllegalArgumentException {
  /**
   * One of them.
   *
   * @param field its path, as {@code lights[2].brightness.unit}
   * @param given the value, as text
   * @param allowed in words
   */
  public record Refusal(String field, String given, String allowed) {
    private Refusal within(String outer) {
      String path = field.isEmpty() ? outer : outer + (field.startsWith("[") ? "" : ".") + field;
      return new Refusal(path, given, allowed);
    }
  }

  /** So many are told in the message. */
  private static final int MOST_TOLD = 10;

  private final transient List<Refusal> all;

  public ImpossibleValue(String field, Object given, String allowed) {
    this(List.of(new Refusal(field, String.valueOf(given), allowed)));
  }

  private ImpossibleValue(List<Refusal> all) {
    super(told(all));
    this.all = all;
  }

  private static String told(List<Refusal> all) {
    String first =
        all.stream()
            .limit(MOST_TOLD)
            .map(r -> r.field() + " is " + r.given() + ", allowed is " + r.allowed())
            .collect(Collectors.joining("; "));
    int more = all.size() - MOST_TOLD;
    return more > 0 ? first + "; and " + more + " more" : first;
  }

  /** Several at once, at least one, in the order of the document. */
  public static ImpossibleValue of(List<Refusal> refusals) {
    return new ImpossibleValue(List.copyOf(refusals));
  }

  /** All that is refused, the first one first. */
  public List<Refusal> all() {
    return all;
  }

  public String field() {
    return all.getFirst().field();
  }

  public String given() {
    return all.getFirst().given();
  }

  public String allowed() {
    return all.getFirst().allowed();
  }

  /** The same refusals, with the fields seen from one level further out. */
  public ImpossibleValue within(String outer) {
    return new ImpossibleValue(all.stream().map(r -> r.within(outer)).toList());
  }
}

package levelember.shoot;

/** A value that a shoot cannot hold: names the field, what was given, and what is allowed. */
public final class ImpossibleValue extends IllegalArgumentException {
  private final String field;
  private final String given;
  private final String allowed;

  public ImpossibleValue(String field, Object given, String allowed) {
    super(field + " is " + given + ", allowed is " + allowed);
    this.field = field;
    this.given = String.valueOf(given);
    this.allowed = allowed;
  }

  public String field() {
    return field;
  }

  public String given() {
    return given;
  }

  public String allowed() {
    return allowed;
  }

  /** The same refusal, with the field seen from one level further out. */
  public ImpossibleValue within(String outer) {
    String path = field.isEmpty() ? outer : outer + (field.startsWith("[") ? "" : ".") + field;
    return new ImpossibleValue(path, given, allowed);
  }
}

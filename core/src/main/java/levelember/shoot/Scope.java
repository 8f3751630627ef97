package levelember.shoot;

import java.util.LinkedHashSet;
import java.util.List;

/**
 * A set of pieces, said by naming those in it or those out of it. A piece stands for all that it
 * holds.
 *
 * @param only true: the named ones alone; false: all but the named ones
 * @param pieces ids, each once
 */
public record Scope(boolean only, List<String> pieces) {
  /** All pieces, and those to come. */
  public static final Scope ALL = new Scope(false, List.of());

  /** No piece. */
  public static final Scope NONE = new Scope(true, List.of());

  public Scope {
    pieces = List.copyOf(new LinkedHashSet<>(pieces));
    Checks.range("pieces.length", pieces.size(), 0, 1_000_000);
    pieces.forEach(Checks::id);
  }

  /** All pieces but the named ones. */
  public static Scope allBut(String... pieces) {
    return new Scope(false, List.of(pieces));
  }

  /** The named pieces alone. */
  public static Scope only(String... pieces) {
    return new Scope(true, List.of(pieces));
  }
}

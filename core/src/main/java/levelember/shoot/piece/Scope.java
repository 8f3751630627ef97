package levelember.shoot.piece;

import java.util.LinkedHashSet;
import java.util.List;
import levelember.document.Field;
import levelember.document.RecordFields;

/**
 * A set of pieces, said by naming those in it or those out of it. A piece stands for all that it
 * holds.
 */
public record Scope(
    @Field(
            meaning =
                "true: the named pieces alone; false: all but them. A piece stands for "
                    + "all that it holds",
            defaultValue = "false")
        boolean only,
    @Field(
            meaning = "ids of pieces, each once",
            defaultValue = "[]",
            text = Field.Text.ID,
            maxEntries = 1_000_000)
        List<String> pieces) {
  /** All pieces, and those to come. */
  public static final Scope ALL = new Scope(false, List.of());

  /** No piece. */
  public static final Scope NONE = new Scope(true, List.of());

  public Scope {
    RecordFields.check(Scope.class, only, pieces);
    pieces = List.copyOf(new LinkedHashSet<>(pieces));
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

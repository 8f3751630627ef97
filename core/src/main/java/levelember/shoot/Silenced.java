package levelember.shoot;

import levelember.document.Field;
import levelember.document.RecordFields;

/** A finding of second look that the artist does not want to see. */
public record Silenced(
    @Field(meaning = "key of the finding: what was found, and of which light or piece")
        String finding,
    @Field(meaning = "why, in the artist's words", defaultValue = "\"\"", text = Field.Text.REMARK)
        String reason) {
  public Silenced {
    RecordFields.check(Silenced.class, finding, reason);
  }
}

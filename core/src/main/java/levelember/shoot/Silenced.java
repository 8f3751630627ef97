package levelember.shoot;

/**
 * A finding of second look that the artist does not want to see.
 *
 * @param finding its key: what was found, and of which light or piece
 * @param reason in the artist's words, at most 200 characters; may be empty
 */
public record Silenced(String finding, String reason) {
  public Silenced {
    Checks.name("finding", finding);
    if (reason == null || reason.length() > 200) {
      throw new ImpossibleValue("reason", reason, "a text of at most 200 characters");
    }
  }
}

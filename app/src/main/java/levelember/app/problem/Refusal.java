package levelember.app.problem;

import org.springframework.http.HttpStatus;

/** Something asked for that cannot be done: what happened, what was kept, what to do. */
public final class Refusal extends RuntimeException {
  private final HttpStatus status;
  private final String code;
  private final String kept;
  private final String todo;

  public Refusal(HttpStatus status, String code, String happened, String kept, String todo) {
    super(happened);
    this.status = status;
    this.code = code;
    this.kept = kept;
    this.todo = todo;
  }

  /** No shoot, light or file of that name. */
  public static Refusal missing(String what) {
    return new Refusal(
        HttpStatus.NOT_FOUND, "missing", what, "Nothing was changed.", "Open the list again.");
  }

  public HttpStatus status() {
    return status;
  }

  public String code() {
    return code;
  }

  public String kept() {
    return kept;
  }

  public String todo() {
    return todo;
  }
}

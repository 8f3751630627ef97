package levelember.formats;

/** A file that cannot be read as what it should be; the message says why, for the person. */
public final class RefusedFile extends RuntimeException {
  public RefusedFile(String message) {
    super(message);
  }

  public RefusedFile(String message, Throwable cause) {
    super(message, cause);
  }
}

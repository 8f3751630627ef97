package levelember.app.live.session;

/** What is told of an error that tracing met. */
final class RenderFault {
  private RenderFault() {}

  /** Whether memory ran out, at whatever depth of causes. */
  static boolean outOfMemory(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof OutOfMemoryError) {
        return true;
      }
    }
    return false;
  }

  /** What happened and what can be done, for a person. */
  static String text(Throwable e) {
    if (outOfMemory(e)) {
      return "There was not enough memory for this picture. Close other shoots, make the window"
          + " smaller, or give the application more with EMBER_MEMORY_PERCENT.";
    }
    return e instanceof RuntimeException && e.getMessage() != null
        ? e.getMessage()
        : "The renderer met an error of its own; the application's log says more.";
  }
}

package levelember.app.live.channel;

/**
 * Joins the parts in which a text message arrives. It takes no more memory than the message has, as
 * a container's own buffer for whole messages is as large as the longest one for every page.
 */
final class MessageParts {
  private final int most;
  private final StringBuilder begun = new StringBuilder();

  /**
   * No message begun.
   *
   * @param most characters of a message
   */
  MessageParts(int most) {
    this.most = most;
  }

  /** A message is longer than is taken. */
  static final class TooLong extends Exception {
    private static final long serialVersionUID = 1;
  }

  /**
   * Takes the next part.
   *
   * @param last whether the message ends with it
   * @return the whole message, or null when more of it is to come
   * @throws TooLong when the message is longer than is taken; what came of it is forgotten
   */
  String next(String part, boolean last) throws TooLong {
    if (begun.length() + part.length() > most) {
      forget();
      throw new TooLong();
    }
    if (last && begun.isEmpty()) {
      return part;
    }
    begun.append(part);
    if (!last) {
      return null;
    }
    String whole = begun.toString();
    forget();
    return whole;
  }

  private void forget() {
    begun.setLength(0);
    begun.trimToSize();
  }
}

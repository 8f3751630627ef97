package levelember.app.live.message;

import java.util.ArrayDeque;
import java.util.Queue;

/**
 * Messages that wait for a page to take them, in order. When a page falls so far behind that there
 * would be too many they are let go, and in their place it is told to read everything anew. Not
 * safe for several threads at once.
 */
public final class WaitingMessages {
  private final Queue<String> waiting = new ArrayDeque<>();
  private final int most;

  /**
   * None yet.
   *
   * @param most that wait at once
   */
  public WaitingMessages(int most) {
    this.most = most;
  }

  public void add(String json) {
    if (waiting.size() >= most) {
      waiting.clear();
      waiting.add(new ServerMessage.Behind().json());
    }
    waiting.add(json);
  }

  public boolean isEmpty() {
    return waiting.isEmpty();
  }

  /** The one that waits longest, which waits no longer; null when there is none. */
  public String poll() {
    return waiting.poll();
  }
}

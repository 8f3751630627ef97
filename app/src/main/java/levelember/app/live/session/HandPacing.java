package levelember.app.live.session;

import java.util.concurrent.TimeUnit;

/**
 * When a session leaves the cores to the page: from an answer to the hand until the page has drawn
 * it, and a little longer while only mixing is asked for, as the hand moves again. The session's
 * thread notes answers, any thread that they were drawn.
 */
final class HandPacing {
  /** Longest wait for the page to draw the answer to its hand. */
  private static final long DRAWING_NANOS = TimeUnit.MILLISECONDS.toNanos(80);

  /** How long the cores stay with the page after a fader moved. */
  private static final long NEXT_MOVE_NANOS = TimeUnit.MILLISECONDS.toNanos(300);

  private volatile long mark;
  private volatile boolean mixedOnly;
  private volatile long restUntil;

  /**
   * A frame is sent that answers the hand.
   *
   * @param of the hand's mark; 0 where the frame answers none
   * @param onlyMixed whether nothing was traced for it
   */
  void answered(long of, boolean onlyMixed) {
    if (of > 0 && of != mark) {
      mixedOnly = onlyMixed;
      restUntil = System.nanoTime() + (onlyMixed ? NEXT_MOVE_NANOS : DRAWING_NANOS);
      // The last, as the page may say at once that it has drawn it.
      mark = of;
    }
  }

  /** The page has drawn an answer; true when it is the newest. */
  boolean drawn(long of) {
    boolean newest = of == mark;
    if (newest) {
      restUntil = mixedOnly ? System.nanoTime() + NEXT_MOVE_NANOS : 0;
    }
    return newest;
  }

  /** The end of the rest, as of {@link System#nanoTime}. */
  long restUntil() {
    return restUntil;
  }
}

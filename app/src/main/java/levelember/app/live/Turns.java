package levelember.app.live;

import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/**
 * How sessions share the tracing threads. Each traces a slice and then lines up again, so they get
 * the cores in turn; one whose page waits for a first picture goes before those that only refine
 * theirs, and these give up their slice for it.
 */
@Component
public final class Turns {
  private final AtomicInteger waiting = new AtomicInteger();

  /** One session's part in it; used by that session's thread. */
  public final class Part {
    private boolean hurries;
    private volatile boolean gave;

    /** Says whether this session's page waits for a first picture. */
    public void hurry(boolean now) {
      if (now != hurries) {
        hurries = now;
        waiting.addAndGet(now ? 1 : -1);
      }
    }

    /** True when a slice should end, as somebody else waits for a first picture. */
    public boolean givesWay() {
      boolean gives = !hurries && waiting.get() > 0;
      if (gives) {
        gave = true;
      }
      return gives;
    }

    /** True when {@link #givesWay} was since this was last asked. */
    public boolean gaveWay() {
      boolean did = gave;
      gave = false;
      return did;
    }
  }

  /** A new part in the turns. */
  public Part part() {
    return new Part();
  }
}

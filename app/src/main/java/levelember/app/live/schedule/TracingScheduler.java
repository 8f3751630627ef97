package levelember.app.live.schedule;

import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/**
 * How sessions share the tracing threads. Each traces a slice and then lines up again, so they get
 * the cores in turn; one whose page waits for a first picture goes before those that only refine
 * theirs, and these give up their slice for it.
 */
@Component
public final class TracingScheduler {
  private final AtomicInteger waiting = new AtomicInteger();

  /** Sessions whose picture is watched and still coarse. */
  private final AtomicInteger early = new AtomicInteger();

  /** One session's part in it; used by that session's thread. */
  public final class Part {
    private boolean hurries;
    private boolean begins;

    /** Says whether this session's page waits for a first picture. */
    public void hurry(boolean now) {
      if (now != hurries) {
        hurries = now;
        waiting.addAndGet(now ? 1 : -1);
      }
    }

    /** Says whether this session's picture is watched and has few samples yet. */
    public void early(boolean now) {
      if (now != begins) {
        begins = now;
        early.addAndGet(now ? 1 : -1);
      }
    }

    /** This session wants nothing for now. */
    public void rest() {
      hurry(false);
      early(false);
    }

    /** True while work that nobody watches should leave the cores to those who light. */
    public boolean yields() {
      return waiting.get() > 0 || early.get() > 0;
    }

    /** True while a page waits for a first picture. */
    public boolean hurried() {
      return waiting.get() > 0;
    }

    /** True when a slice should end, as somebody else waits for a first picture. */
    public boolean givesWay() {
      return !hurries && waiting.get() > 0;
    }
  }

  /** A new part in the turns. */
  public Part part() {
    return new Part();
  }
}

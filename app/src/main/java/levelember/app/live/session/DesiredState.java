package levelember.app.live.session;

import java.util.Objects;
import java.util.function.LongSupplier;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import levelember.app.live.view.ViewMode;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import org.jspecify.annotations.Nullable;

/**
 * The state that pages want to see of a session: set by any thread, taken by the session's own,
 * which is woken by every change and asks whether to leave off what it does.
 */
public final class DesiredState {
  private final Object lock = new Object();

  /** The shoot as it is kept or tried, before the view. */
  private Shoot raw;

  /** The shoot as it was before a try; null when it is shown as it is kept. */
  private Shoot beforeTry;

  private ViewMode view;
  private Double seconds;
  private DesiredFrame wanted;
  private boolean changed = true;
  private boolean paused;
  private boolean closed;
  private int waiting;

  /** Shows a shoot in some view. */
  DesiredState(Shoot shoot, long revision, PageView page) {
    raw = shoot;
    view = page.view();
    seconds = page.seconds();
    want(shotOf(page), revision, page.width(), page.height(), 0);
  }

  private Shot shotOf(PageView page) {
    return raw.shot(page.shot() == null ? "" : page.shot()).orElse(raw.shots().getFirst());
  }

  /** The time at which a shoot that moves is shown, or null for it at rest. */
  @Nullable
  public Double seconds() {
    synchronized (lock) {
      return seconds;
    }
  }

  /** Shows a state of the shoot; the shot stays the same where it still exists. */
  public void show(Shoot shoot, long revision, long mark) {
    synchronized (lock) {
      beforeTry = null;
      raw = shoot;
      Shot shot = shoot.shot(wanted.shot().id()).orElse(shoot.shots().getFirst());
      want(shot, revision, wanted.width(), wanted.height(), mark);
    }
  }

  /** Shows what a hand tries; what was shown before can be shown again. */
  public void attempt(Shoot shoot, long revision, long mark) {
    synchronized (lock) {
      Shoot before = beforeTry == null ? raw : beforeTry;
      show(shoot, revision, mark);
      beforeTry = before;
    }
  }

  /** Shows what was shown before the hand tried something; false when it tries nothing. */
  boolean endAttempt() {
    synchronized (lock) {
      if (beforeTry == null) {
        return false;
      }
      show(beforeTry, wanted.revision(), 0);
      return true;
    }
  }

  /** Shows the shoot as a page wants to see it. */
  public void show(PageView page) {
    synchronized (lock) {
      if (!shows(page)) {
        view = page.view();
        seconds = page.seconds();
        want(shotOf(page), wanted.revision(), page.width(), page.height(), wanted.mark());
      }
    }
  }

  /** Whether it is shown as a page wants to see it. */
  boolean shows(PageView page) {
    synchronized (lock) {
      return wanted.width() == page.width()
          && wanted.height() == page.height()
          && view.equals(page.view())
          && Objects.equals(seconds, page.seconds())
          && wanted.shot().id().equals(shotOf(page).id());
    }
  }

  /** The frame of what a page wants to see is to carry a mark of that page. */
  public void mark(PageView page, long mark) {
    synchronized (lock) {
      if (mark > 0 && shows(page)) {
        want(shotOf(page), wanted.revision(), page.width(), page.height(), mark);
      }
    }
  }

  /** The state that is wanted now. */
  DesiredFrame wanted() {
    synchronized (lock) {
      return wanted;
    }
  }

  /** The shoot as it is kept or tried, before the view. */
  public Shoot shoot() {
    synchronized (lock) {
      return raw;
    }
  }

  void pause(boolean rest) {
    synchronized (lock) {
      paused = rest;
      wake();
    }
  }

  void close() {
    synchronized (lock) {
      closed = true;
      lock.notifyAll();
    }
  }

  /** Has the session look at everything once more. */
  void wake() {
    synchronized (lock) {
      changed = true;
      lock.notifyAll();
    }
  }

  /** Has the session look whether its rest is over. */
  void nudge() {
    synchronized (lock) {
      lock.notifyAll();
    }
  }

  /** Somebody more, or less, waits for a still. */
  void waiters(int more) {
    synchronized (lock) {
      waiting += more;
      wake();
    }
  }

  boolean anybodyWaits() {
    synchronized (lock) {
      return waiting > 0;
    }
  }

  private void want(Shot shot, long revision, int width, int height, long mark) {
    Shoot now = seconds == null ? raw : ShootAtTime.of(raw, seconds);
    Shot moved = now.shot(shot.id()).orElseThrow();
    wanted =
        new DesiredFrame(
            view.of(now), moved, revision, width, height, mark, System.nanoTime(), view);
    wake();
  }

  /**
   * What is wanted now.
   *
   * @param wanted null when nothing has changed
   * @param paused whether tracing rests
   */
  record Next(DesiredFrame wanted, boolean paused) {}

  /** Takes over what is wanted; null when the session is to end. */
  Next take() {
    synchronized (lock) {
      Next next = closed ? null : new Next(changed ? wanted : null, paused);
      changed = false;
      return next;
    }
  }

  /** Whether something else is wanted than what was taken. */
  boolean interrupted() {
    synchronized (lock) {
      return changed || closed;
    }
  }

  /** Waits for a change. */
  void await() {
    synchronized (lock) {
      while (!changed && !closed) {
        pass(0);
      }
    }
  }

  /**
   * Waits for a change, or until a time that may be put off meanwhile.
   *
   * @param until as of {@link System#nanoTime}
   */
  void rest(LongSupplier until) {
    synchronized (lock) {
      long left = until.getAsLong() - System.nanoTime();
      while (left > 0 && !changed && !closed) {
        pass(1 + left / 1_000_000);
        left = until.getAsLong() - System.nanoTime();
      }
    }
  }

  private void pass(long millis) {
    try {
      lock.wait(millis);
    } catch (InterruptedException e) {
      closed = true;
    }
  }
}

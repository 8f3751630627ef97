package levelember.app.live;

import java.util.function.LongSupplier;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/**
 * What pages wish to see of a session: set by any thread, taken by the session's own, which is
 * woken by every change and asks whether to leave off what it does.
 */
final class Wishes {
  private static final int FIRST_WIDTH = 960, FIRST_HEIGHT = 540;

  private final Object lock = new Object();

  /** The shoot as it is kept or tried, before the view. */
  private Shoot raw;

  private View view = View.TRACED;
  private Wanted wanted;
  private boolean changed = true;
  private boolean paused;
  private boolean closed;
  private int waiting;

  /** The first shot of a shoot. */
  Wishes(Shoot shoot, long revision) {
    raw = shoot;
    want(shoot.shots().getFirst(), revision, FIRST_WIDTH, FIRST_HEIGHT, 0);
  }

  /** Shows a state of the shoot; the shot stays the same where it still exists. */
  void show(Shoot shoot, long revision, long mark) {
    synchronized (lock) {
      raw = shoot;
      Shot shot = shoot.shot(wanted.shot().id()).orElse(shoot.shots().getFirst());
      want(shot, revision, wanted.width(), wanted.height(), mark);
    }
  }

  void shot(String id) {
    synchronized (lock) {
      raw.shot(id).ifPresent(s -> again(s, wanted.width(), wanted.height()));
    }
  }

  void size(int width, int height) {
    synchronized (lock) {
      if (width != wanted.width() || height != wanted.height()) {
        again(wanted.shot(), width, height);
      }
    }
  }

  /** Shows the shoot another way. */
  void view(View other) {
    synchronized (lock) {
      if (!view.equals(other)) {
        view = other;
        again(wanted.shot(), wanted.width(), wanted.height());
      }
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

  private void again(Shot shot, int width, int height) {
    want(shot, wanted.revision(), width, height, wanted.mark());
  }

  private void want(Shot shot, long revision, int width, int height, long mark) {
    wanted = new Wanted(view.of(raw), shot, revision, width, height, mark, System.nanoTime(), view);
    wake();
  }

  /**
   * What is wanted now.
   *
   * @param wanted null when nothing has changed
   * @param paused whether tracing rests
   */
  record Next(Wanted wanted, boolean paused) {}

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

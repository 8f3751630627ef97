package levelember.app.live.session;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Predicate;

/**
 * The one budget of memory for the films and decoded pictures of all open shoots. Who asks first
 * may take all that is free; when it runs short, holders that nobody watches are ended, the least
 * recently watched first, and of the others those above their equal share give some back.
 *
 * <p>Its monitor is the innermost of the application's locks: it is never held while a holder is
 * ended, as whoever ends one holds locks of its own and forgets it here.
 *
 * @param <H> who holds memory
 */
final class FilmMemory<H> {
  /** What one holder has. */
  private static final class Held {
    long films;
    long pictures;
    boolean givesBack;

    long all() {
      return films + pictures;
    }
  }

  private final long budget;
  private final Predicate<H> endsIdle;
  private final Map<H, Held> all = new HashMap<>();

  /**
   * A budget that nobody holds any of.
   *
   * @param budget bytes
   * @param endsIdle ends the holder longest unwatched other than the given one and forgets it here;
   *     false when everybody else is watched
   */
  FilmMemory(long budget, Predicate<H> endsIdle) {
    this.budget = budget;
    this.endsIdle = endsIdle;
  }

  long budget() {
    return budget;
  }

  /**
   * Grants memory for films in place of what the holder had for them.
   *
   * @param need bytes
   * @return bytes, at most {@code need}
   */
  long grant(H holder, long need) {
    synchronized (this) {
      Held own = all.computeIfAbsent(holder, h -> new Held());
      own.films = 0;
      own.givesBack = false;
    }
    endIdle(holder, need);
    return granted(holder, need);
  }

  private synchronized long granted(H holder, long need) {
    Held own = all.computeIfAbsent(holder, h -> new Held());
    long share = budget / all.size();
    long granted = Math.min(need, Math.max(free(), share - own.pictures));
    own.films = Math.max(0, granted);
    if (free() < 0) {
      all.forEach((h, held) -> held.givesBack |= h != holder && held.all() > share);
    }
    return own.films;
  }

  /**
   * Makes room before a set is compiled, of which nobody knows yet how large it is: half of the
   * budget, as far as holders that nobody watches can give it.
   */
  void prepare(H holder) {
    synchronized (this) {
      all.computeIfAbsent(holder, h -> new Held());
    }
    endIdle(holder, budget / 2);
  }

  /**
   * Notes what a holder has of decoded pictures, which nobody can make smaller; holders that nobody
   * watches are ended for it.
   */
  void pictures(H holder, long bytes) {
    synchronized (this) {
      Held own = all.get(holder);
      if (own == null) {
        return;
      }
      own.pictures = bytes;
    }
    endIdle(holder, 0);
  }

  /** Ends holders that nobody watches until so many bytes are free, or none is left. */
  private void endIdle(H but, long need) {
    while (free() < need && endsIdle.test(but)) {
      // One more has given all back.
    }
  }

  /** Whether a holder has to ask again, as others need some of what it has. */
  synchronized boolean givesBack(H holder) {
    Held own = all.get(holder);
    return own != null && own.givesBack;
  }

  /** Gives all back. */
  synchronized void forget(H holder) {
    all.remove(holder);
  }

  private synchronized long free() {
    long held = 0;
    for (Held h : all.values()) {
      held += h.all();
    }
    return budget - held;
  }
}

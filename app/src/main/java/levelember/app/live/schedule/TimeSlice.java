package levelember.app.live.schedule;

import java.util.function.BooleanSupplier;
import java.util.function.LongSupplier;

/**
 * Ends a session's turn on the tracing threads. Its time begins when a thread first asks, not while
 * others still hold the threads, and it knows afterwards whether it was what ended the work: work
 * that ended by itself is done. Threads share it.
 */
public final class TimeSlice implements BooleanSupplier {
  private final long nanos;
  private final BooleanSupplier sooner;
  private final LongSupplier clock;
  private long begun;
  private boolean begins = true;
  private boolean ended;

  /**
   * A turn.
   *
   * @param nanos that it lasts at most
   * @param sooner true when it has to end before
   */
  public TimeSlice(long nanos, BooleanSupplier sooner) {
    this(nanos, sooner, System::nanoTime);
  }

  /** A turn by a clock of nanoseconds. */
  public TimeSlice(long nanos, BooleanSupplier sooner, LongSupplier clock) {
    this.clock = clock;
    this.nanos = nanos;
    this.sooner = sooner;
  }

  /** True when tracing has to stop. */
  @Override
  public synchronized boolean getAsBoolean() {
    long now = clock.getAsLong();
    if (begins) {
      begins = false;
      begun = now;
    }
    ended |= now - begun > nanos || sooner.getAsBoolean();
    return ended;
  }

  /** Whether tracing was told to stop. */
  public synchronized boolean ended() {
    return ended;
  }
}

package levelember.app.live.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class TimeSliceTest {
  private static final long LONG = 60_000_000_000L;

  @Test
  void waitingForTheThreadsTakesNothingOfIt() {
    AtomicLong clock = new AtomicLong(5);
    TimeSlice slice = new TimeSlice(20, () -> false, clock::get);
    clock.set(1000);
    assertThat(slice.getAsBoolean()).isFalse();
    assertThat(slice.ended()).isFalse();
    clock.set(1020);
    assertThat(slice.getAsBoolean()).isFalse();
    clock.set(1021);
    assertThat(slice.getAsBoolean()).isTrue();
    assertThat(slice.ended()).isTrue();
  }

  @Test
  void whoGoesFirstEndsIt() {
    AtomicBoolean waits = new AtomicBoolean();
    TimeSlice slice = new TimeSlice(LONG, waits::get);
    assertThat(slice.getAsBoolean()).isFalse();
    waits.set(true);
    assertThat(slice.getAsBoolean()).isTrue();
    // It stays ended, so that all threads stop.
    waits.set(false);
    assertThat(slice.getAsBoolean()).isTrue();
  }

  @Test
  void workThatEndsByItselfWasNotEnded() {
    TimeSlice slice = new TimeSlice(LONG, () -> false);
    slice.getAsBoolean();
    assertThat(slice.ended()).isFalse();
  }
}

package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

class FilmMemoryTest {
  private final List<String> idle = new ArrayList<>();
  private final List<String> ended = new ArrayList<>();
  private final FilmMemory<String> memory = new FilmMemory<>(100, this::endIdle);

  private boolean endIdle(String but) {
    if (idle.isEmpty() || idle.getFirst().equals(but)) {
      return false;
    }
    memory.forget(idle.getFirst());
    ended.add(idle.removeFirst());
    return true;
  }

  @Test
  void whoComesFirstGetsAllThatIsNeededAndFree() {
    assertThat(memory.grant("a", 70)).isEqualTo(70);
    assertThat(memory.grant("b", 30)).isEqualTo(30);
    assertThat(memory.givesBack("a")).isFalse();
    assertThat(memory.grant("a", 200)).isEqualTo(70);
  }

  @Test
  void sessionsThatNobodyWatchesGiveAllBackInTheirOrder() {
    memory.grant("a", 40);
    memory.grant("b", 40);
    idle.addAll(List.of("a", "b"));
    assertThat(memory.grant("c", 50)).isEqualTo(50);
    assertThat(ended).containsExactly("a");
    assertThat(memory.grant("c", 100)).isEqualTo(100);
    assertThat(ended).containsExactly("a", "b");
  }

  @Test
  void watchedOnesComeToEqualShares() {
    memory.grant("a", 90);
    assertThat(memory.grant("b", 90)).isEqualTo(50);
    assertThat(memory.givesBack("a")).isTrue();
    assertThat(memory.grant("a", 90)).isEqualTo(50);
    assertThat(memory.givesBack("a")).isFalse();
    assertThat(memory.givesBack("b")).isFalse();
  }

  @Test
  void picturesCountToo() {
    memory.grant("a", 10);
    memory.pictures("a", 80);
    assertThat(memory.grant("b", 60)).isEqualTo(50);
    assertThat(memory.givesBack("a")).isTrue();
    memory.forget("a");
    assertThat(memory.grant("b", 60)).isEqualTo(60);
  }

  @Test
  void roomIsMadeBeforeASetIsCompiled() {
    memory.grant("a", 40);
    memory.grant("b", 30);
    idle.addAll(List.of("a", "b"));
    memory.prepare("c");
    assertThat(ended).containsExactly("a");
    memory.pictures("c", 90);
    assertThat(ended).containsExactly("a", "b");
  }

  @Test
  void nobodyIsEndedWhileItsOwnLockIsHeld() {
    List<Boolean> held = new ArrayList<>();
    AtomicReference<FilmMemory<String>> self = new AtomicReference<>();
    self.set(
        new FilmMemory<>(
            100,
            but -> {
              held.add(Thread.holdsLock(self.get()));
              return false;
            }));
    self.get().grant("a", 150);
    self.get().pictures("a", 120);
    self.get().prepare("a");
    assertThat(held).containsExactly(false, false, false);
  }

  /** Sessions end, each under the lock of all sessions, while others ask for more than there is. */
  @Test
  void askingAndEndingAtOnceNeverStandsStill() throws InterruptedException {
    Object sessions = new Object();
    AtomicReference<FilmMemory<Integer>> self = new AtomicReference<>();
    self.set(
        new FilmMemory<>(
            100,
            but -> {
              synchronized (sessions) {
                self.get().forget(but + 1);
                return false;
              }
            }));
    List<Thread> threads = new ArrayList<>();
    for (int t = 0; t < 4; t++) {
      int holder = 10 * t;
      threads.add(Thread.ofPlatform().daemon().start(() -> ask(self.get(), holder)));
      threads.add(
          Thread.ofPlatform()
              .daemon()
              .start(() -> {
                for (int i = 0; i < 20_000; i++) {
                  synchronized (sessions) {
                    self.get().forget(holder);
                  }
                }
              }));
    }
    for (Thread thread : threads) {
      assertThat(thread.join(Duration.ofSeconds(60))).as("deadlock").isTrue();
    }
  }

  private static void ask(FilmMemory<Integer> memory, int holder) {
    for (int i = 0; i < 20_000; i++) {
      memory.prepare(holder);
      memory.grant(holder, 80);
      memory.pictures(holder, 60);
    }
  }
}

package levelember.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
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
}

package levelember.app.live.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class WaitingMessagesTest {
  private final WaitingMessages waiting = new WaitingMessages(5);

  private List<String> all() {
    List<String> to = new ArrayList<>();
    while (!waiting.isEmpty()) {
      to.add(waiting.poll());
    }
    return to;
  }

  @Test
  void messagesComeInTheirOrder() {
    for (int i = 0; i < 5; i++) {
      waiting.add("" + i);
    }
    assertThat(all()).containsExactly("0", "1", "2", "3", "4");
    assertThat(waiting.poll()).isNull();
  }

  @Test
  void aPageThatFallsBehindIsToldToReadAnewBeforeWhatComesNext() {
    for (int i = 0; i < 7; i++) {
      waiting.add("" + i);
    }
    assertThat(all()).containsExactly("{\"type\":\"behind\"}", "5", "6");
  }
}

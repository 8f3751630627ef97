package levelember.app.live.channel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class MessagePartsTest {
  private final MessageParts parts = new MessageParts(8);

  @Test
  void joinsWhatCameInParts() throws Exception {
    assertThat(parts.next("ab", false)).isNull();
    assertThat(parts.next("cd", false)).isNull();
    assertThat(parts.next("efgh", true)).isEqualTo("abcdefgh");
    assertThat(parts.next("whole", true)).isEqualTo("whole");
    assertThat(parts.next("", true)).isEmpty();
  }

  @Test
  void aLongerMessageIsRefusedWithItsFirstPartTooMany() throws Exception {
    assertThat(parts.next("abcd", false)).isNull();
    assertThatThrownBy(() -> parts.next("efghi", false)).isInstanceOf(MessageParts.TooLong.class);
    assertThatThrownBy(() -> parts.next("123456789", true))
        .isInstanceOf(MessageParts.TooLong.class);
    assertThat(parts.next("next", true)).isEqualTo("next");
  }
}

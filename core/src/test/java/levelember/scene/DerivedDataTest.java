package levelember.scene;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class DerivedDataTest {
  @Test
  void eachObjectIsComputedOnce() {
    DerivedData data = new DerivedData();
    AtomicInteger computed = new AtomicInteger();
    for (int i = 0; i < 3; i++) {
      assertThat(data.get(Integer.class, earlier -> computed.incrementAndGet())).isEqualTo(1);
    }
  }

  @Test
  void theNextSceneIsGivenWhatThereWasAlsoOverOneThatWasNeverAsked() {
    DerivedData first = new DerivedData();
    first.get(String.class, earlier -> "photons");
    DerivedData second = first.next();
    DerivedData third = second.next();
    String got = third.get(String.class, earlier -> earlier + " kept");
    assertThat(got).isEqualTo("photons kept");
    assertThat(third.get(Integer.class, earlier -> earlier == null ? 0 : 1)).isZero();
  }

  @Test
  void whatWasHandedOnIsNotHeldByTheSceneBefore() {
    DerivedData first = new DerivedData();
    first.get(String.class, earlier -> "old");
    DerivedData second = first.next();
    second.next();
    assertThat(second.<String>get(String.class, earlier -> earlier == null ? "new" : earlier))
        .isEqualTo("new");
  }
}

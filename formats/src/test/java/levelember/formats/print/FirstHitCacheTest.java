package levelember.formats.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import levelember.film.FirstHits;
import org.junit.jupiter.api.Test;

class FirstHitCacheTest {
  private final AtomicInteger made = new AtomicInteger();

  private FirstHits traced() {
    made.incrementAndGet();
    return new FirstHits(new FirstHits.Band(4, 4, 0, 4), 0, 1, false);
  }

  @Test
  void hitsAreTracedOnceUntilMoreIsWantedOfThem() {
    FirstHitCache kept = new FirstHitCache();
    FirstHits first = kept.of(2, false, this::traced);
    assertThat(kept.of(2, false, this::traced)).isSameAs(first);
    assertThat(kept.of(3, false, this::traced)).isNotSameAs(first);
    FirstHits near = kept.of(3, true, this::traced);
    assertThat(kept.of(3, true, this::traced)).isSameAs(near);
    assertThat(made).hasValue(3);
  }
}

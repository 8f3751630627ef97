package levelember.printing.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import levelember.film.FirstHits;
import org.junit.jupiter.api.Test;

class FirstHitCacheTest {
  private final AtomicInteger made = new AtomicInteger();

  private FirstHits traced(double reach) {
    made.incrementAndGet();
    return new FirstHits(new FirstHits.Band(4, 4, 0, 4), 0, 1, reach);
  }

  @Test
  void hitsAreTracedOnceUntilMoreIsWantedOfThem() {
    FirstHitCache kept = new FirstHitCache();
    FirstHits first = kept.of(2, 0, () -> traced(0));
    assertThat(kept.of(2, 0, () -> traced(0))).isSameAs(first);
    assertThat(kept.of(3, 0, () -> traced(0))).isNotSameAs(first);
    FirstHits near = kept.of(3, 0.5, () -> traced(0.5));
    assertThat(kept.of(3, 0.5, () -> traced(0.5))).isSameAs(near);
    assertThat(kept.of(3, 0.2, () -> traced(0.2))).as("a nearer reach").isSameAs(near);
    assertThat(kept.of(3, 0.9, () -> traced(0.9))).as("a farther one").isNotSameAs(near);
    assertThat(made).hasValue(4);
  }
}

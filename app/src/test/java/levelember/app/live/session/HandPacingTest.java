package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

class HandPacingTest {
  private final HandPacing pacing = new HandPacing();
  private final long before = System.nanoTime();

  private long millisFromBefore() {
    return TimeUnit.NANOSECONDS.toMillis(pacing.restUntil() - before);
  }

  @Test
  void theCoresAreThePagesUntilItHasDrawnTheNewestAnswer() {
    pacing.answered(5, false);
    assertThat(millisFromBefore()).isGreaterThanOrEqualTo(80);
    assertThat(pacing.drawn(4)).as("an older one").isFalse();
    assertThat(millisFromBefore()).isGreaterThanOrEqualTo(80);
    assertThat(pacing.drawn(5)).isTrue();
    assertThat(pacing.restUntil()).isZero();
  }

  @Test
  void aHandThatMovesAFaderIsWaitedForAfterItsAnswerIsDrawn() {
    pacing.answered(5, true);
    assertThat(pacing.drawn(5)).isTrue();
    assertThat(millisFromBefore()).isGreaterThanOrEqualTo(300);
  }

  @Test
  void framesThatAnswerNoHandAndSecondOnesOfAnAnswerChangeNothing() {
    pacing.answered(0, false);
    assertThat(pacing.restUntil()).isZero();
    pacing.answered(5, false);
    pacing.drawn(5);
    pacing.answered(5, false);
    assertThat(pacing.restUntil()).isZero();
  }
}

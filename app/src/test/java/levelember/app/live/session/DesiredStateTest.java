package levelember.app.live.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import levelember.app.live.view.ViewMode;
import levelember.demo.DemoShoots;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.motion.Key;
import levelember.shoot.motion.Motion;
import levelember.shoot.motion.Track;
import org.junit.jupiter.api.Test;

class DesiredStateTest {
  private final Shoot shoot = DemoShoots.make("tide-lens").shoot();
  private final DesiredState desired = new DesiredState(shoot, 3, PageView.FIRST);

  /** The shoot with its shot once more, called "second". */
  private Shoot withTwoShots() {
    Shot one = shoot.shots().getFirst();
    Shot second =
        new Shot(
            "second",
            "Second",
            one.position(),
            one.aim(),
            50,
            36,
            8,
            1,
            one.look(),
            false,
            0,
            0,
            0,
            0,
            false);
    return shoot.with(List.of(one, second));
  }

  @Test
  void whatIsWantedIsTakenOnceAndAgainWhenItChanges() {
    assertThat(desired.interrupted()).isTrue();
    DesiredFrame first = desired.take().wanted();
    assertThat(first.shoot()).isSameAs(shoot);
    assertThat(first.revision()).isEqualTo(3);
    assertThat(desired.interrupted()).isFalse();
    assertThat(desired.take().wanted()).isNull();
    desired.show(PageView.FIRST);
    assertThat(desired.interrupted()).isFalse();
    desired.show(PageView.FIRST.withSize(640, 360));
    assertThat(desired.interrupted()).isTrue();
    assertThat(desired.take().wanted().width()).isEqualTo(640);
    desired.pause(true);
    assertThat(desired.take().paused()).isTrue();
    desired.close();
    assertThat(desired.interrupted()).isTrue();
    assertThat(desired.take()).isNull();
  }

  @Test
  void aShotStaysForAsLongAsItIsThere() {
    Shoot two = withTwoShots();
    desired.show(two, 4, 0);
    desired.show(PageView.FIRST.withShot("second"));
    assertThat(desired.shows(PageView.FIRST.withShot("second"))).isTrue();
    assertThat(desired.shows(PageView.FIRST)).isFalse();
    assertThat(desired.take().wanted().shot().id()).isEqualTo("second");
    desired.show(two, 5, 17);
    DesiredFrame same = desired.take().wanted();
    assertThat(same.shot().id()).isEqualTo("second");
    assertThat(same.mark()).isEqualTo(17);
    desired.show(shoot, 6, 0);
    assertThat(desired.take().wanted().shot()).isEqualTo(shoot.shots().getFirst());
  }

  @Test
  void aViewIsPutOverWhatIsKept() {
    desired.show(PageView.FIRST.withView(ViewMode.of(ViewMode.Kind.CLAY, 0.5, false, true)));
    DesiredFrame clay = desired.take().wanted();
    assertThat(clay.shoot()).isNotEqualTo(shoot);
    desired.show(PageView.FIRST.withView(ViewMode.of(ViewMode.Kind.CLAY, 0.5, false, true)));
    assertThat(desired.take().wanted()).isNull();
    desired.show(PageView.FIRST);
    assertThat(desired.take().wanted().shoot()).isEqualTo(shoot);
  }

  @Test
  void aRestEndsAtItsTimeOrWithAChangeAndMayBePutOff() throws Exception {
    desired.take();
    long end = System.nanoTime() + 1_000_000;
    desired.rest(() -> end);
    assertThat(System.nanoTime() - end).isNotNegative();

    AtomicLong until = new AtomicLong(System.nanoTime() + TimeUnit.HOURS.toNanos(1));
    CompletableFuture<Void> resting = CompletableFuture.runAsync(() -> desired.rest(until::get));
    until.set(0);
    desired.nudge();
    resting.get(20, TimeUnit.SECONDS);
    assertThat(desired.interrupted()).isFalse();

    until.set(System.nanoTime() + TimeUnit.HOURS.toNanos(1));
    resting = CompletableFuture.runAsync(() -> desired.rest(until::get));
    desired.wake();
    resting.get(20, TimeUnit.SECONDS);
    assertThat(desired.take().wanted()).isNotNull();
  }

  @Test
  void whoWaitsForAStillIsCounted() {
    assertThat(desired.anybodyWaits()).isFalse();
    desired.waiters(1);
    assertThat(desired.anybodyWaits()).isTrue();
    desired.waiters(-1);
    assertThat(desired.anybodyWaits()).isFalse();
  }

  @Test
  void aShootThatMovesIsShownAtThePagesTime() {
    String light = shoot.lights().getFirst().id();
    String place = "lights/" + light + "/levelStops";
    Track rising =
        Track.of(place, Key.of(0, Key.Span.STRAIGHT, 0.0), Key.of(2, Key.Span.STRAIGHT, 4.0));
    Shoot moving = shoot.with(Motion.NONE.with(List.of(rising)));
    desired.show(moving, 4, 0);
    assertThat(desired.take().wanted().shoot().lights().getFirst().levelStops())
        .isEqualTo(shoot.lights().getFirst().levelStops());
    PageView later = PageView.FIRST.withSeconds(1.0);
    assertThat(desired.shows(later)).isFalse();
    desired.show(later);
    desired.mark(later, 7);
    DesiredFrame now = desired.take().wanted();
    assertThat(now.shoot().lights().getFirst().levelStops()).isEqualTo(2);
    assertThat(now.mark()).isEqualTo(7);
    assertThat(desired.shoot()).isSameAs(moving);
    desired.mark(PageView.FIRST, 8);
    assertThat(desired.interrupted()).as("another page's mark").isFalse();
  }

  @Test
  void whatAHandTriedIsGivenUpForWhatWasShownBefore() {
    Shoot two = withTwoShots();
    assertThat(desired.endAttempt()).isFalse();
    desired.attempt(two, 3, 1);
    desired.attempt(two, 3, 2);
    assertThat(desired.shoot()).isSameAs(two);
    assertThat(desired.endAttempt()).isTrue();
    assertThat(desired.shoot()).isSameAs(shoot);
    assertThat(desired.endAttempt()).isFalse();
    desired.attempt(two, 3, 3);
    desired.show(two, 4, 0);
    assertThat(desired.endAttempt()).as("it was kept").isFalse();
  }
}

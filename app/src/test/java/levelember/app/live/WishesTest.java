package levelember.app.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import levelember.demo.DemoShoots;
import levelember.shoot.Key;
import levelember.shoot.Motion;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.Track;
import org.junit.jupiter.api.Test;

class WishesTest {
  private final Shoot shoot = DemoShoots.make("tide-lens").shoot();
  private final Wishes wishes = new Wishes(shoot, 3, PageView.FIRST);

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
    assertThat(wishes.interrupted()).isTrue();
    Wanted first = wishes.take().wanted();
    assertThat(first.shoot()).isSameAs(shoot);
    assertThat(first.revision()).isEqualTo(3);
    assertThat(wishes.interrupted()).isFalse();
    assertThat(wishes.take().wanted()).isNull();
    wishes.show(PageView.FIRST);
    assertThat(wishes.interrupted()).isFalse();
    wishes.show(PageView.FIRST.withSize(640, 360));
    assertThat(wishes.interrupted()).isTrue();
    assertThat(wishes.take().wanted().width()).isEqualTo(640);
    wishes.pause(true);
    assertThat(wishes.take().paused()).isTrue();
    wishes.close();
    assertThat(wishes.interrupted()).isTrue();
    assertThat(wishes.take()).isNull();
  }

  @Test
  void aShotStaysForAsLongAsItIsThere() {
    Shoot two = withTwoShots();
    wishes.show(two, 4, 0);
    wishes.show(PageView.FIRST.withShot("second"));
    assertThat(wishes.shows(PageView.FIRST.withShot("second"))).isTrue();
    assertThat(wishes.shows(PageView.FIRST)).isFalse();
    assertThat(wishes.take().wanted().shot().id()).isEqualTo("second");
    wishes.show(two, 5, 17);
    Wanted same = wishes.take().wanted();
    assertThat(same.shot().id()).isEqualTo("second");
    assertThat(same.mark()).isEqualTo(17);
    wishes.show(shoot, 6, 0);
    assertThat(wishes.take().wanted().shot()).isEqualTo(shoot.shots().getFirst());
  }

  @Test
  void aViewIsPutOverWhatIsKept() {
    wishes.show(PageView.FIRST.withView(View.of(View.Kind.CLAY, 0.5, false, true)));
    Wanted clay = wishes.take().wanted();
    assertThat(clay.shoot()).isNotEqualTo(shoot);
    wishes.show(PageView.FIRST.withView(View.of(View.Kind.CLAY, 0.5, false, true)));
    assertThat(wishes.take().wanted()).isNull();
    wishes.show(PageView.FIRST);
    assertThat(wishes.take().wanted().shoot()).isEqualTo(shoot);
  }

  @Test
  void aRestEndsAtItsTimeOrWithAChangeAndMayBePutOff() throws Exception {
    wishes.take();
    long end = System.nanoTime() + 1_000_000;
    wishes.rest(() -> end);
    assertThat(System.nanoTime() - end).isNotNegative();

    AtomicLong until = new AtomicLong(System.nanoTime() + TimeUnit.HOURS.toNanos(1));
    CompletableFuture<Void> resting = CompletableFuture.runAsync(() -> wishes.rest(until::get));
    until.set(0);
    wishes.nudge();
    resting.get(20, TimeUnit.SECONDS);
    assertThat(wishes.interrupted()).isFalse();

    until.set(System.nanoTime() + TimeUnit.HOURS.toNanos(1));
    resting = CompletableFuture.runAsync(() -> wishes.rest(until::get));
    wishes.wake();
    resting.get(20, TimeUnit.SECONDS);
    assertThat(wishes.take().wanted()).isNotNull();
  }

  @Test
  void whoWaitsForAStillIsCounted() {
    assertThat(wishes.anybodyWaits()).isFalse();
    wishes.waiters(1);
    assertThat(wishes.anybodyWaits()).isTrue();
    wishes.waiters(-1);
    assertThat(wishes.anybodyWaits()).isFalse();
  }

  @Test
  void aShootThatMovesIsShownAtThePagesTime() {
    String light = shoot.lights().getFirst().id();
    String place = "lights/" + light + "/levelStops";
    Track rising =
        Track.of(place, Key.of(0, Key.Span.STRAIGHT, 0.0), Key.of(2, Key.Span.STRAIGHT, 4.0));
    Shoot moving = shoot.with(Motion.NONE.with(List.of(rising)));
    wishes.show(moving, 4, 0);
    assertThat(wishes.take().wanted().shoot().lights().getFirst().levelStops())
        .isEqualTo(shoot.lights().getFirst().levelStops());
    PageView later = PageView.FIRST.withSeconds(1.0);
    assertThat(wishes.shows(later)).isFalse();
    wishes.show(later);
    wishes.mark(later, 7);
    Wanted now = wishes.take().wanted();
    assertThat(now.shoot().lights().getFirst().levelStops()).isEqualTo(2);
    assertThat(now.mark()).isEqualTo(7);
    assertThat(wishes.shoot()).isSameAs(moving);
    wishes.mark(PageView.FIRST, 8);
    assertThat(wishes.interrupted()).as("another page's mark").isFalse();
  }

  @Test
  void whatAHandTriedIsGivenUpForWhatWasShownBefore() {
    Shoot two = withTwoShots();
    assertThat(wishes.endAttempt()).isFalse();
    wishes.attempt(two, 3, 1);
    wishes.attempt(two, 3, 2);
    assertThat(wishes.shoot()).isSameAs(two);
    assertThat(wishes.endAttempt()).isTrue();
    assertThat(wishes.shoot()).isSameAs(shoot);
    assertThat(wishes.endAttempt()).isFalse();
    wishes.attempt(two, 3, 3);
    wishes.show(two, 4, 0);
    assertThat(wishes.endAttempt()).as("it was kept").isFalse();
  }
}

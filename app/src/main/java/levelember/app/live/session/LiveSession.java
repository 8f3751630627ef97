package levelember.app.live.session;

import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import levelember.app.live.message.FrameMessage;
import levelember.app.live.message.ServerMessage;
import levelember.app.live.schedule.TimeSlice;
import levelember.app.live.schedule.TracingScheduler;
import levelember.app.live.view.Denoising;
import levelember.app.live.view.DesiredFrame;
import levelember.app.live.view.PageView;
import levelember.firsthit.PlainView;
import levelember.integrator.Renderer;
import levelember.noise.Noise;
import levelember.path.RayCount;
import levelember.shoot.Shoot;
import levelember.upsampling.Ladder;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A render session of a shoot for all pages that show it in the same way: traces on a thread of its
 * own while somebody watches, and sends frames. A new state interrupts tracing at the next sample
 * of a tile; what it does not touch is kept by {@link SessionFilms}.
 */
public final class LiveSession {
  private static final Logger LOG = LoggerFactory.getLogger(LiveSession.class);

  /** Samples below which a picture that is watched goes before prints. */
  private static final int FIRST_SAMPLES = 16;

  private static final long SLICE_NANOS = 200_000_000;
  private static final long LATER_FRAMES_NANOS = 450_000_000;

  /** Share of a side below which a picture is not made smaller for want of memory. */
  private static final double LEAST_SIZE = 0.2;

  /** Rest after a slice that was given up before it began. */
  private static final long GIVEN_WAY_NANOS = 2_000_000;

  private final String id;
  private final int samples;
  private final FilmMemory<LiveSession> memory;
  private final Renderer renderer;
  private final TracingScheduler.Part turn;
  private final Set<FrameListener> views = ConcurrentHashMap.newKeySet();
  private final FramePublisher publisher;
  private final DesiredState desired;
  private final SharedCompilation compilation;
  private final SessionFilms films;
  private final HandPacing pacing = new HandPacing();
  private final Thread thread;

  private long announcedNanos;
  private volatile boolean rests;

  /** Of the width and height that memory allows, halved each time that it runs out all the same. */
  private volatile double sizeShare = 1;

  /**
   * What all sessions have in common.
   *
   * @param samples of a pixel, at most
   */
  record Shared(
      Renderer renderer, TracingScheduler turns, int samples, FilmMemory<LiveSession> memory) {}

  /**
   * Begins to show a shoot.
   *
   * @param compilation shared with the other sessions of the shoot
   */
  LiveSession(
      String id,
      Shared shared,
      SharedCompilation compilation,
      Shoot shoot,
      long rev,
      PageView page) {
    this.id = id;
    renderer = shared.renderer();
    turn = shared.turns().part();
    samples = shared.samples();
    memory = shared.memory();
    publisher = new FramePublisher(compilation.assets().luts(), views, this);
    desired = new DesiredState(shoot, rev, page);
    films = new SessionFilms(this, memory, compilation, publisher, samples);
    this.compilation = compilation;
    thread = Thread.ofPlatform().name("ember-live-" + id).daemon().start(this::run);
  }

  /** What it shares with the other sessions of the shoot. */
  SharedCompilation compilation() {
    return compilation;
  }

  void join(FrameListener view) {
    views.add(view);
    rest();
    // A newcomer needs a frame even when nothing is left to trace.
    desired.wake();
  }

  /** True when nobody is left. */
  boolean leave(FrameListener view) {
    views.remove(view);
    rest();
    return views.isEmpty();
  }

  /** Whether a page watches it or a request waits for its picture. */
  public boolean watched() {
    return wantedBySomebody();
  }

  /** True when the page alone watches it. */
  boolean onlyBy(FrameListener view) {
    return views.size() == 1 && views.contains(view);
  }

  /** Rests when every page that watches does. */
  public void rest() {
    rests = !views.isEmpty() && views.stream().allMatch(FrameListener::paused);
    desired.pause(rests);
  }

  /** True while every page that watches rests: what is sent is not for more samples. */
  public boolean rests() {
    return rests;
  }

  /** What is wanted to be seen; to be set by any thread. */
  public DesiredState desired() {
    return desired;
  }

  void close() {
    desired.close();
  }

  private boolean wantedBySomebody() {
    return !views.isEmpty() || desired.anybodyWaits();
  }

  private boolean interrupted() {
    return desired.interrupted();
  }

  private void run() {
    while (true) {
      DesiredState.Next taken = desired.take();
      if (taken == null) {
        break;
      }
      try {
        if (!pass(taken.wanted(), taken.paused())) {
          turn.rest();
          desired.await();
        }
      } catch (Throwable e) {
        turn.rest();
        if (!goesOnAfter(e)) {
          // Whatever it was, memory that ran out too: the page is told, and can open it again.
          fail(e);
          desired.await();
        }
      }
    }
    turn.rest();
    films.forget();
  }

  /**
   * Answers a change, then traces a slice.
   *
   * @param next null when nothing has changed
   * @return false when nothing is left to do until something changes
   */
  private boolean pass(DesiredFrame next, boolean rest) {
    if (next != null) {
      films.show(next, sizeShare);
      if (next.view().plain() != null) {
        plain(next);
        return false;
      }
      if (films.ladder().step() > 0) {
        send();
      }
      // A hand that only changes the look changes nothing that is told.
      if (!films.mixedOnly()
          || next.mark() == 0
          || System.nanoTime() - announcedNanos > LATER_FRAMES_NANOS) {
        announceProgress(rest);
      }
    }
    // Leaves the cores to the page for a moment after an answer to its hand.
    desired.rest(pacing::restUntil);
    if (interrupted()) {
      return true;
    }
    boolean wanted = films.ladder() != null && wantedBySomebody();
    return wanted && (rest ? firstHitsAtRest() : trace());
  }

  /** Draws a view without light: coarse at once, then full, then smooth. */
  private void plain(DesiredFrame next) {
    turn.rest();
    PlainView drawn = new PlainView(films.view(), next.view().plain());
    for (int pass = 0; pass < 3 && !interrupted() && !views.isEmpty(); pass++) {
      int step = pass == 0 ? 4 : 1;
      byte[] codes =
          drawn.codes(next.width(), next.height(), step, pass == 2 ? 4 : 1, this::interrupted);
      if (codes != null) {
        byte[] frame =
            FrameMessage.plain(
                next.shot(),
                next.revision(),
                next.mark(),
                next.sinceNanos(),
                codes,
                next.width(),
                next.height(),
                step);
        views.forEach(v -> v.frame(this, frame, next));
      }
    }
  }

  private void fail(Throwable e) {
    films.fail();
    LOG.error("The shoot '{}' cannot be rendered", id, e);
    tell(new ServerMessage.Failed(RenderFault.text(e)));
  }

  /** Shows something else than what led to an error: no try, or a smaller picture. */
  private boolean goesOnAfter(Throwable e) {
    if (desired.endAttempt()) {
      LOG.warn("What was tried of the shoot '{}' cannot be rendered", id, e);
      films.forget();
      tell(new ServerMessage.Refused(RenderFault.text(e)));
      return true;
    }
    if (RenderFault.outOfMemory(e) && sizeShare > LEAST_SIZE) {
      LOG.warn("The picture of the shoot '{}' is made smaller, as memory is short", id);
      films.forget();
      sizeShare /= 2;
      desired.wake();
      return true;
    }
    return false;
  }

  /** Tries again after it failed. */
  public void again() {
    sizeShare = 1;
    desired.wake();
  }

  /** Traces what the look needs, though tracing rests; false when it knows all. */
  private boolean firstHitsAtRest() {
    boolean more = films.traceFirstHits(this::interrupted);
    if (more && !interrupted()) {
      send();
    }
    return more;
  }

  /** Traces a slice; false when there is nothing left to trace. */
  private boolean trace() {
    boolean hits = films.traceFirstHits(this::interrupted);
    Ladder ladder = films.ladder();
    Ladder.Step next = films.nextStep();
    long begin = System.nanoTime();
    // A picture at a quarter size is one to go by; finer ones need no hurry.
    turn.hurry(ladder.step() == 0 || ladder.step() > 4);
    turn.early(ladder.full().samples() < FIRST_SAMPLES);
    TimeSlice slice =
        new TimeSlice(
            ladder.step() != 1 ? SLICE_NANOS : LATER_FRAMES_NANOS,
            () -> interrupted() || turn.givesWay());
    RayCount rays = next != null ? coarse(next, slice) : refined(slice);
    if (rays.all() > 0) {
      films.traced(rays, System.nanoTime() - begin, next == null && !interrupted());
      if (!interrupted()) {
        films.renewDenoised(this::interrupted);
        if (films.ladder().step() > 0) {
          send();
        }
        announceProgress(false);
      }
      return true;
    }
    if (slice.ended()) {
      // Somebody else goes first, and may just be mixing: no use in asking again at once.
      LockSupport.parkNanos(GIVEN_WAY_NANOS);
      return true;
    }
    if (hits) {
      send();
      return true;
    }
    if (next == null) {
      finish();
      return false;
    }
    LockSupport.parkNanos(GIVEN_WAY_NANOS);
    return true;
  }

  private RayCount coarse(Ladder.Step next, TimeSlice slice) {
    return renderer.trace(films.view(), next.film(), next.samples(), slice);
  }

  private RayCount refined(TimeSlice slice) {
    Noise now = films.fullNoise();
    double wanted = films.noise().wanted();
    return renderer.refine(films.view(), films.ladder().full(), now, wanted, samples, slice);
  }

  /** The last that is said of a picture that is done. */
  private void finish() {
    if (films.renewDenoised(this::interrupted)) {
      send();
    }
    announceProgress(false);
  }

  /** Sets when the picture is shown denoised. */
  public void denoising(Denoising when) {
    films.denoising(when);
    desired.wake();
  }

  /** Seconds of tracing since light was last traced anew; for any thread. */
  public double tracedSeconds() {
    return films.noise().tracedSeconds();
  }

  /** Sets the noise at which tracing ends, 1 for 100 percent. */
  public void wantedNoise(double share) {
    films.noise().wanted(share);
    desired.wake();
  }

  /** Mixes the layers and sends the picture. */
  private void send() {
    if (!views.isEmpty()) {
      DesiredFrame shown = films.shown();
      publisher.send(
          shown,
          films.seen(),
          films.ladder(),
          films.firstHits().hits(),
          films.rays().all(),
          () -> pacing.answered(shown.mark(), films.mixedOnly()));
    }
  }

  /** Measures what the pages' scopes show now. */
  public void measure() {
    desired.wake();
  }

  /** A page has drawn the answer to its hand. */
  public void drawn(long mark) {
    if (pacing.drawn(mark)) {
      desired.nudge();
    }
  }

  /** Samples, speed, and how much of the picture every light gives. */
  private void announceProgress(boolean rest) {
    if (views.isEmpty() || films.ladder() == null) {
      return;
    }
    announcedNanos = System.nanoTime();
    ServerMessage.Activity activity =
        films.done()
            ? ServerMessage.Activity.DONE
            : rest ? ServerMessage.Activity.PAUSED : ServerMessage.Activity.TRACING;
    ServerMessage.Progress to =
        SessionProgress.of(films, activity, memory.budget(), announcedNanos);
    String json = to.json();
    String resting = to.resting().json();
    views.forEach(v -> v.message(v.paused() ? resting : json));
  }

  void tell(ServerMessage message) {
    String json = message.json();
    views.forEach(v -> v.message(json));
  }

  /** What is shown now; empty before there is a set. */
  public Optional<SessionSnapshot> now() {
    return films.now();
  }

  /**
   * What is shown once its picture has every row in full size, or what there is after the given
   * time.
   */
  public Optional<SessionSnapshot> still(long waitMillis) {
    desired.waiters(1);
    try {
      return films.still(desired, waitMillis);
    } finally {
      desired.waiters(-1);
    }
  }
}

package levelember.app.live;

import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import levelember.film.DenoisedLadder;
import levelember.film.Ladder;
import levelember.film.Noise;
import levelember.shoot.EditCost;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.transport.Files;
import levelember.transport.PlainView;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.View;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A render session of a shoot for all pages that show it in the same way: owns the compiled view
 * and the films, traces on a thread of its own while somebody watches, and sends frames. A new
 * state interrupts tracing at the next sample of a tile; what it does not touch is kept.
 */
final class LiveSession {
  private static final Logger LOG = LoggerFactory.getLogger(LiveSession.class);

  /** Samples of every pixel before the noisier tiles are preferred. */
  private static final int EVEN_SAMPLES = 8;

  /** Samples below which a picture that is watched goes before prints. */
  private static final int FIRST_SAMPLES = 16;

  private static final long SLICE_NANOS = 200_000_000;
  private static final long LATER_FRAMES_NANOS = 450_000_000;

  /** Share of a side below which a picture is not made smaller for want of memory. */
  private static final double LEAST_SIZE = 0.2;

  /** Rest after a slice that was given up before it began. */
  private static final long GIVEN_WAY_NANOS = 2_000_000;

  /** Longest wait for the page to draw the answer to its hand. */
  private static final long HAND_REST_NANOS = 80_000_000;

  /** How long the cores stay with the page after a fader moved, as it will move again. */
  private static final long NEXT_MOVE_NANOS = 300_000_000;

  private final String id;
  private final int samples;
  private final FilmMemory<LiveSession> memory;
  private final Renderer renderer;
  private final Turns.Part turn;
  private final Files files;
  private final Set<LiveView> views = ConcurrentHashMap.newKeySet();
  private final Showing showing;
  private final Wishes wishes;
  private final Thread thread;

  /** The newest, from which another session of the shoot may go on; null before there is one. */
  private volatile View compiled;

  // Below: written by the session's thread; read by others under the film lock.
  private final Object filmLock = new Object();
  private Wanted shown;
  private View view;
  private Ladder ladder;
  private String failure;
  private RayCount raysSinceEdit = RayCount.NONE;
  private final PictureNoise noise = new PictureNoise();
  private DenoisedLadder denoised;
  private final Meeting meeting = new Meeting();
  private volatile Denoising denoising = Denoising.WHILE_NOISY;

  private final LightShares shares = new LightShares();
  private long announcedNanos;
  private volatile boolean rests;

  /** Of the width and height that memory allows, halved each time that it runs out all the same. */
  private volatile double sizeShare = 1;

  private volatile boolean mixedOnly;
  private volatile long awaited;
  private volatile long restUntil;

  /**
   * What all sessions have in common.
   *
   * @param samples of a pixel, at most
   */
  record Shared(Renderer renderer, Turns turns, int samples, FilmMemory<LiveSession> memory) {}

  /**
   * Begins to show a shoot.
   *
   * @param known the shoot compiled before, which this goes on from; or null
   */
  LiveSession(
      String id, Shared shared, Files files, Shoot shoot, long rev, PageView page, View known) {
    this.id = id;
    renderer = shared.renderer();
    turn = shared.turns().part();
    samples = shared.samples();
    memory = shared.memory();
    this.files = files;
    showing = new Showing(files.luts(), views, this);
    wishes = new Wishes(shoot, rev, page);
    view = known;
    thread = Thread.ofPlatform().name("ember-live-" + id).daemon().start(this::run);
  }

  /** The newest compiled view; null before there is one. */
  View compiled() {
    return compiled;
  }

  void join(LiveView view) {
    views.add(view);
    rest();
    // A newcomer needs a frame even when nothing is left to trace.
    wishes.wake();
  }

  /** True when nobody is left. */
  boolean leave(LiveView view) {
    views.remove(view);
    rest();
    return views.isEmpty();
  }

  /** Whether a page watches it or a request waits for its picture. */
  boolean watched() {
    return wantedBySomebody();
  }

  /** True when the page alone watches it. */
  boolean onlyBy(LiveView view) {
    return views.size() == 1 && views.contains(view);
  }

  /** Rests when every page that watches does. */
  void rest() {
    rests = !views.isEmpty() && views.stream().allMatch(LiveView::paused);
    wishes.pause(rests);
  }

  /** True while every page that watches rests: what is sent is not for more samples. */
  boolean rests() {
    return rests;
  }

  /** What is wanted to be seen; to be set by any thread. */
  Wishes wishes() {
    return wishes;
  }

  void close() {
    wishes.close();
  }

  private boolean wantedBySomebody() {
    return !views.isEmpty() || wishes.anybodyWaits();
  }

  private boolean interrupted() {
    return wishes.interrupted();
  }

  private void run() {
    while (true) {
      Wishes.Next taken = wishes.take();
      if (taken == null) {
        break;
      }
      Wanted next = taken.wanted();
      boolean rest = taken.paused();
      try {
        if (next != null) {
          apply(next);
          if (next.view().plain() != null) {
            plain(next);
            wishes.await();
            continue;
          }
          if (ladder != null && ladder.step() > 0) {
            send();
          }
          // A hand that only changes the look changes nothing that is told.
          if (!mixedOnly
              || next.mark() == 0
              || System.nanoTime() - announcedNanos > LATER_FRAMES_NANOS) {
            announceProgress(rest);
          }
        }
        letDraw();
        if (interrupted()) {
          continue;
        }
        boolean more = view != null && wantedBySomebody() && (rest ? meet() : trace());
        if (!more) {
          turn.rest();
          wishes.await();
        }
      } catch (Throwable e) {
        turn.rest();
        if (!goesOnAfter(e)) {
          // Whatever it was, memory that ran out too: the page is told, and can open it again.
          fail(e);
          wishes.await();
        }
      }
    }
    turn.rest();
    forget();
  }

  private void forget() {
    compiled = null;
    synchronized (filmLock) {
      view = null;
      ladder = null;
      denoised = null;
      shown = null;
      meeting.forget();
      showing.forget();
      shares.forget();
    }
    memory.forget(this);
  }

  /** Draws a view without light: coarse at once, then full, then smooth. */
  private void plain(Wanted next) {
    turn.rest();
    PlainView drawn = new PlainView(view, next.view().plain());
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
    forget();
    String detail = reason(e);
    synchronized (filmLock) {
      failure = detail;
    }
    LOG.error("The shoot '{}' cannot be rendered", id, e);
    tell(new ServerMessage.Failed(detail));
  }

  /** Shows something else than what led to an error: no try, or a smaller picture. */
  private boolean goesOnAfter(Throwable e) {
    boolean memoryShort = noMemory(e);
    if (wishes.endAttempt()) {
      LOG.warn("What was tried of the shoot '{}' cannot be rendered", id, e);
      forget();
      tell(new ServerMessage.Refused(reason(e)));
      return true;
    }
    if (memoryShort && sizeShare > LEAST_SIZE) {
      LOG.warn("The picture of the shoot '{}' is made smaller, as memory is short", id);
      forget();
      sizeShare /= 2;
      wishes.wake();
      return true;
    }
    return false;
  }

  private static boolean noMemory(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof OutOfMemoryError) {
        return true;
      }
    }
    return false;
  }

  private static String reason(Throwable e) {
    if (noMemory(e)) {
      return "There was not enough memory for this picture. Close other shoots, make the window"
          + " smaller, or give the application more with EMBER_MEMORY_PERCENT.";
    }
    return e instanceof RuntimeException && e.getMessage() != null
        ? e.getMessage()
        : "The renderer met an error of its own; the application's log says more.";
  }

  /** Tries again after it failed. */
  void again() {
    sizeShare = 1;
    wishes.wake();
  }

  /** Takes over a wanted state: the table of costs says what is kept. */
  private void apply(Wanted next) {
    boolean traced = ladder != null || next.view().plain() != null;
    if (next.equals(shown) && traced && !memory.givesBack(this)) {
      return;
    }
    // All that takes long is done before the lock is taken.
    boolean fresh = view == null;
    EditCost cost =
        fresh ? null : EditCost.between(view.shoot(), view.shot(), next.shoot(), next.shot());
    if (fresh) {
      memory.prepare(this);
    }
    View made =
        fresh
            ? View.of(next.shoot(), next.shot(), files)
            : view.next(next.shoot(), next.shot(), files, cost);
    double need = Ladder.bytes((long) next.width() * next.height(), made.layers());
    double share = Math.min(1, Math.sqrt(memory.grant(this, (long) need) / need));
    memory.pictures(this, made.scene().pictureBytes());
    synchronized (filmLock) {
      failure = null;
      view = made;
      int width = (int) Math.max(1, next.width() * share * sizeShare);
      int height = (int) Math.max(1, next.height() * share * sizeShare);
      boolean resized = ladder == null || width != ladder.width() || height != ladder.height();
      if (resized) {
        ladder = new Ladder(width, height, view.layers());
        denoised = new DenoisedLadder(ladder);
      } else if (!cost.keeps(shown.shoot().lights().size())) {
        ladder = ladder.withLayers(cost.from());
        denoised.withLayers(cost.from());
      }
      if (resized || !cost.keeps(shown.shoot().lights().size())) {
        shares.forget();
      }
      if (resized) {
        meeting.forget();
      } else {
        meeting.changed(cost, shown.shoot().lights().size());
      }
      if (resized || cost.everything()) {
        noise.forget();
        showing.forget();
      } else if (!cost.nothing()) {
        noise.tracedAnew();
        showing.forget();
      } else {
        noise.mixedAnew();
      }
      raysSinceEdit = RayCount.NONE;
      mixedOnly = !resized && cost.nothing();
      shown = next;
    }
    compiled = made;
  }

  /** Looks at what the look must know, though tracing rests; false when it knows all. */
  private boolean meet() {
    boolean met = firstHitsTraced();
    if (met && !interrupted()) {
      send();
    }
    return met;
  }

  private boolean firstHitsTraced() {
    Look worn = shown.shoot().lookOf(shown.shot());
    return ladder.step() == 1
        && meeting.look(view, worn, ladder.width(), ladder.height(), this::interrupted);
  }

  private Ladder.Step nextStep() {
    return ladder.next(Math.min(EVEN_SAMPLES, samples), denoising.at(noise.last()));
  }

  /** Traces a slice; false when there is nothing left to trace. */
  private boolean trace() {
    boolean meets = firstHitsTraced();
    Ladder.Step next = nextStep();
    long begin = System.nanoTime();
    boolean coarse = ladder.step() != 1;
    // A picture at a quarter size is one to go by; finer ones need no hurry.
    turn.hurry(ladder.step() == 0 || ladder.step() > 4);
    turn.early(ladder.full().samples() < FIRST_SAMPLES);
    Slice slice =
        new Slice(
            coarse ? SLICE_NANOS : LATER_FRAMES_NANOS, () -> interrupted() || turn.givesWay());
    RayCount rays;
    if (next != null) {
      rays = renderer.trace(view, next.film(), next.samples(), slice);
    } else {
      Noise now = noise.of(shown, ladder.full());
      rays = renderer.refine(view, ladder.full(), now, noise.wanted(), samples, slice);
      if (rays.all() == 0 && !slice.ended() && !meets) {
        finish();
        return false;
      }
    }
    if (rays.all() == 0 && meets && !slice.ended()) {
      send();
      return true;
    }
    if (rays.all() == 0) {
      // Somebody else goes first, and may just be mixing: no use in asking again at once.
      LockSupport.parkNanos(GIVEN_WAY_NANOS);
      return true;
    }
    showing.forget();
    raysSinceEdit = raysSinceEdit.plus(rays);
    noise.traced(System.nanoTime() - begin);
    if (!interrupted()) {
      if (next == null) {
        noise.note(shown, ladder.full());
      }
      if (denoising.at(noise.last())) {
        denoised.renew(ladder, this::interrupted);
        showing.forget();
      }
      if (ladder.step() > 0) {
        send();
      }
      announceProgress(false);
    }
    return true;
  }

  /** The last that is said of a picture that is done. */
  private void finish() {
    if (denoising.at(noise.last()) && denoised.renew(ladder, this::interrupted)) {
      showing.forget();
      send();
    }
    announceProgress(false);
  }

  /** The films that are shown. */
  private Ladder seen() {
    return denoising.at(noise.last()) && denoised.shows() ? denoised.ladder() : ladder;
  }

  /** Sets when the picture is shown denoised. */
  void denoising(Denoising when) {
    denoising = when;
    wishes.wake();
  }

  /** True when nothing is left to trace. */
  private boolean done() {
    return nextStep() == null
        && noise.known()
        && (noise.reached() || ladder.full().samples() >= samples);
  }

  /** Seconds of tracing since light was last traced anew; for any thread. */
  double tracedSeconds() {
    return noise.tracedSeconds();
  }

  /** Sets the noise at which tracing ends, 1 for 100 percent. */
  void wantedNoise(double share) {
    noise.wanted(share);
    wishes.wake();
  }

  /** Mixes the layers and sends the picture. */
  private void send() {
    if (views.isEmpty()) {
      return;
    }
    showing.send(shown, seen(), ladder, meeting.hits(), raysSinceEdit.all(), this::awaitsDrawing);
  }

  /** From now on the page draws the answer to its hand. */
  private void awaitsDrawing() {
    if (shown.mark() > 0 && shown.mark() != awaited) {
      awaited = shown.mark();
      restUntil = System.nanoTime() + (mixedOnly ? NEXT_MOVE_NANOS : HAND_REST_NANOS);
    }
  }

  /** Measures what the pages' scopes show now. */
  void measure() {
    wishes.wake();
  }

  /** A page has drawn the answer to its hand. */
  void drawn(long mark) {
    if (mark == awaited) {
      restUntil = mixedOnly ? System.nanoTime() + NEXT_MOVE_NANOS : 0;
      wishes.nudge();
    }
  }

  /** Leaves the cores to the page for a moment after an answer to its hand. */
  private void letDraw() {
    wishes.rest(() -> restUntil);
  }

  /** Samples, speed, and how much of the picture every light gives. */
  private void announceProgress(boolean rest) {
    if (views.isEmpty() || ladder == null) {
      return;
    }
    long now = System.nanoTime();
    announcedNanos = now;
    boolean denoisedShown = seen() != ladder;
    CleanPicture clean =
        denoisedShown ? noise.denoised(shown, ladder.full(), denoised.ladder().full()) : null;
    ServerMessage.Progress to =
        new ServerMessage.Progress(
            shown.revision(),
            ladder.full().meanSamples(),
            noise.percent(),
            100 * noise.wanted(),
            noise.secondsLeft(),
            clean == null ? null : clean.errorPercent(),
            clean == null ? null : clean.secondsLeft(),
            done()
                ? ServerMessage.Activity.DONE
                : rest ? ServerMessage.Activity.PAUSED : ServerMessage.Activity.TRACING,
            raysSinceEdit.all(),
            raysSinceEdit.dropped(),
            noise.tracedSeconds(),
            denoisedShown,
            memory.budget(),
            view.scene().pictureBytes(),
            view.scene().triangles(),
            ladder.bytes() + denoised.bytes() + meeting.bytes(),
            ladder.width() < shown.width(),
            shares.of(shown.shoot(), ladder, now),
            shares.overGloss(shown.shoot()));
    String json = to.json();
    String resting = to.resting().json();
    views.forEach(v -> v.message(v.paused() ? resting : json));
  }

  void tell(ServerMessage message) {
    String json = message.json();
    views.forEach(v -> v.message(json));
  }

  /** What is shown now; empty before there is a set. */
  Optional<Moment> now() {
    synchronized (filmLock) {
      return shown == null
          ? Optional.empty()
          : Optional.of(
              new Moment(
                  view,
                  shown.shoot(),
                  shown.shot(),
                  (double) shown.width() / shown.height(),
                  ladder,
                  seen(),
                  meeting.hits(),
                  showing.developer()));
    }
  }

  /**
   * What is shown once its picture has every row in full size, or what there is after the given
   * time.
   */
  Optional<Moment> still(long waitMillis) {
    long end = System.nanoTime() + waitMillis * 1_000_000;
    wishes.waiters(1);
    try {
      while (true) {
        synchronized (filmLock) {
          // An edit that was answered is wanted, though it may not be shown yet.
          boolean ready =
              ladder != null
                  && wishes.wanted().equals(shown)
                  && ladder.full().samples() > 0
                  && meeting.knows(shown.shoot(), shown.shoot().lookOf(shown.shot()));
          if (ready || failure != null || System.nanoTime() > end) {
            return now();
          }
        }
        LockSupport.parkNanos(20_000_000);
      }
    } finally {
      wishes.waiters(-1);
    }
  }
}

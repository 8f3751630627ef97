package levelember.app.live;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import levelember.film.Convergence;
import levelember.film.DenoisedLadder;
import levelember.film.EditCost;
import levelember.film.Film;
import levelember.film.Ladder;
import levelember.film.Noise;
import levelember.light.LayerWeights;
import levelember.look.DisplayCurve;
import levelember.measure.Reading;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.transport.Files;
import levelember.transport.PlainView;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.Scene;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.json.JsonMapper;

/**
 * The one render session of a shoot: owns the compiled scene and the films, traces on a thread of
 * its own while somebody watches, and sends frames. A new state interrupts tracing at the next
 * sample of a tile; what it does not touch is kept.
 */
final class LiveSession {
  private static final Logger LOG = LoggerFactory.getLogger(LiveSession.class);

  /** Samples of every pixel before the noisier tiles are preferred. */
  private static final int EVEN_SAMPLES = 8;

  private static final long SLICE_NANOS = 200_000_000;
  private static final long LATER_FRAMES_NANOS = 450_000_000;
  private static final long SHARES_NANOS = 1_000_000_000;

  /** Rest after a slice that was given up before it began. */
  private static final long GIVEN_WAY_NANOS = 2_000_000;

  /** Longest wait for the page to draw the answer to its hand. */
  private static final long HAND_REST_NANOS = 80_000_000;

  /** How long the cores stay with the page after a fader moved, as it will move again. */
  private static final long NEXT_MOVE_NANOS = 300_000_000;

  private final String id;
  private final int samples;
  private final long mostFilmBytes;
  private final Renderer renderer;
  private final Turns.Part turn;
  private final Files files;
  private final Set<LiveView> views = ConcurrentHashMap.newKeySet();
  private final Showing showing;
  private final Wishes wishes;
  private final Thread thread;

  // Below: written by the session's thread; read by others under the film lock.
  private final Object filmLock = new Object();
  private Wanted shown;
  private Scene scene;
  private Ladder ladder;
  private String failure;
  private RayCount raysSinceEdit = RayCount.NONE;
  private long tracedNanos;
  private Noise noise;
  private DenoisedLadder denoised;
  private final Meeting meeting = new Meeting();
  private volatile Denoising denoising = Denoising.WHILE_NOISY;

  /** The last noise known of the picture as it is set up now, NaN before there is one. */
  private double lastNoise = Double.NaN;

  private final Convergence convergence = new Convergence();
  private volatile double wantedNoise = 0.02;
  private double[] unitMeans;
  private long measuredNanos;
  private long announcedNanos;
  private volatile boolean mixedOnly;
  private volatile long awaited;
  private volatile long restUntil;

  LiveSession(
      String id,
      Renderer renderer,
      Turns turns,
      int samples,
      long mostFilmBytes,
      Files files,
      Shoot shoot,
      long rev) {
    this.id = id;
    this.renderer = renderer;
    turn = turns.part();
    this.samples = samples;
    this.mostFilmBytes = mostFilmBytes;
    this.files = files;
    showing = new Showing(files.luts(), views);
    wishes = new Wishes(shoot, rev);
    thread = Thread.ofPlatform().name("ember-live-" + id).daemon().start(this::run);
  }

  void join(LiveView view) {
    views.add(view);
    // A newcomer needs a frame even when nothing is left to trace.
    wishes.wake();
  }

  /** True when nobody is left. */
  boolean leave(LiveView view) {
    views.remove(view);
    return views.isEmpty();
  }

  boolean watched() {
    return !views.isEmpty();
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
        boolean more = scene != null && wantedBySomebody() && (rest ? meet() : trace());
        if (!more) {
          turn.hurry(false);
          wishes.await();
        }
      } catch (RuntimeException e) {
        turn.hurry(false);
        fail(e);
        wishes.await();
      }
    }
    turn.hurry(false);
    synchronized (filmLock) {
      scene = null;
      ladder = null;
      denoised = null;
      meeting.forget();
    }
  }

  /** Draws a view without light: coarse at once, then full, then smooth. */
  private void plain(Wanted next) {
    turn.hurry(false);
    PlainView drawn = new PlainView(scene, next.view().plain());
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
        views.forEach(v -> v.frame(frame));
      }
    }
  }

  private void fail(RuntimeException e) {
    LOG.error("The shoot '{}' cannot be rendered", id, e);
    synchronized (filmLock) {
      scene = null;
      ladder = null;
      denoised = null;
      meeting.forget();
      shown = null;
      failure = e.getMessage();
      filmLock.notifyAll();
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("type", "failed");
    to.put("detail", String.valueOf(e.getMessage()));
    tell(to);
  }

  /** Takes over a wanted state: the table of costs says what is kept. */
  private void apply(Wanted next) {
    if (next.equals(shown)) {
      return;
    }
    synchronized (filmLock) {
      failure = null;
      boolean fresh = scene == null;
      EditCost cost =
          fresh ? null : EditCost.between(shown.shoot(), shown.shot(), next.shoot(), next.shot());
      scene =
          fresh
              ? Scene.of(next.shoot(), next.shot(), files)
              : scene.next(next.shoot(), next.shot(), files, cost);
      double share = share(next.width(), next.height(), scene.layers());
      int width = (int) Math.max(1, next.width() * share);
      int height = (int) Math.max(1, next.height() * share);
      boolean resized = fresh || width != ladder.width() || height != ladder.height();
      if (resized) {
        ladder = new Ladder(width, height, scene.layers());
        denoised = new DenoisedLadder(ladder);
      } else if (!cost.keeps(shown.shoot().lights().size())) {
        ladder = ladder.withLayers(cost.from());
        denoised.withLayers(cost.from());
      }
      if (resized || cost.everything()) {
        lastNoise = Double.NaN;
      }
      if (resized || !cost.keeps(shown.shoot().lights().size())) {
        unitMeans = null;
      }
      if (resized) {
        meeting.forget();
      } else {
        meeting.changed(cost, shown.shoot().lights().size());
      }
      noise = null;
      convergence.restart();
      if (resized || !cost.nothing()) {
        tracedNanos = 0;
        showing.forget();
      }
      raysSinceEdit = RayCount.NONE;
      mixedOnly = !resized && cost.nothing();
      shown = next;
    }
  }

  /** The part of a picture's width and height that fits into the memory for films. */
  private double share(int width, int height, int layers) {
    double need = Ladder.bytes((long) width * height, layers);
    return need <= mostFilmBytes ? 1 : Math.sqrt(mostFilmBytes / need);
  }

  /** Looks at what the look must know, though tracing rests; false when it knows all. */
  private boolean meet() {
    boolean met = meets();
    if (met && !interrupted()) {
      send();
    }
    return met;
  }

  private boolean meets() {
    Look worn = shown.shoot().lookOf(shown.shot());
    return ladder.step() == 1
        && meeting.look(scene, worn, ladder.width(), ladder.height(), this::interrupted);
  }

  /** Traces a slice; false when there is nothing left to trace. */
  private boolean trace() {
    boolean meets = meets();
    int number = ladder.next(Math.min(EVEN_SAMPLES, samples));
    long begin = System.nanoTime();
    boolean coarse = ladder.step() != 1;
    long slice = coarse ? SLICE_NANOS : LATER_FRAMES_NANOS;
    // A picture at a quarter size is one to go by; finer ones need no hurry.
    turn.hurry(ladder.step() == 0 || ladder.step() > 4);
    BooleanSupplier stop =
        () -> System.nanoTime() - begin > slice || interrupted() || turn.givesWay();
    RayCount rays;
    if (number >= 0) {
      Film film = ladder.film(number);
      rays =
          renderer.trace(scene, film, ladder.target(number, Math.min(EVEN_SAMPLES, samples)), stop);
    } else {
      Noise now = noise == null ? measured() : noise;
      rays = renderer.refine(scene, ladder.full(), now, wantedNoise, samples, stop);
      if (rays.all() == 0 && !turn.gaveWay() && !meets) {
        finish();
        return false;
      }
    }
    if (rays.all() == 0 && meets && !turn.gaveWay() && !interrupted()) {
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
    tracedNanos += System.nanoTime() - begin;
    noise = null;
    if (!interrupted()) {
      if (number < 0) {
        convergence.note(tracedNanos / 1e9, measured().whole());
      }
      if (denoising.at(lastNoise)) {
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
    if (denoising.at(lastNoise) && denoised.renew(ladder, this::interrupted)) {
      showing.forget();
      send();
    }
    announceProgress(false);
  }

  /** The films that are shown. */
  private Ladder seen() {
    return denoising.at(lastNoise) && denoised.shows() ? denoised.ladder() : ladder;
  }

  /** Sets when the picture is shown denoised. */
  void denoising(Denoising when) {
    denoising = when;
    wishes.wake();
  }

  private Noise measured() {
    Shoot shoot = shown.shoot();
    double ev = shoot.lookOf(shown.shot()).ev();
    noise = Noise.of(ladder.full(), LayerWeights.of(shoot), DisplayCurve.fullScale(ev));
    lastNoise = Double.isFinite(noise.whole()) ? noise.whole() : Double.NaN;
    return noise;
  }

  /** True when nothing is left to trace. */
  private boolean clean() {
    return ladder.next(Math.min(EVEN_SAMPLES, samples)) < 0
        && noise != null
        && (noise.whole() <= wantedNoise || ladder.full().samples() >= samples);
  }

  /** Sets the noise at which tracing ends, 1 for 100 percent. */
  void wantedNoise(double share) {
    wantedNoise = share;
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

  /** Sets what scopes measure. */
  void scopes(ScopesMessage.Of of) {
    showing.measure(of);
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
    float[] weights = LayerWeights.of(shown.shoot());
    long now = System.nanoTime();
    announcedNanos = now;
    if (unitMeans == null || now - measuredNanos > SHARES_NANOS) {
      // The film of a quarter size is complete early and gives the shares just as well.
      unitMeans = Reading.unitMeans(ladder.film(ladder.full().samples() > 0 ? 3 : 1));
      measuredNanos = now;
    }
    double[] means = Reading.weighed(unitMeans, weights);
    double sum = 0;
    for (double m : means) {
      sum += m;
    }
    Map<String, Double> shares = new LinkedHashMap<>();
    for (int i = 0; i < means.length; i++) {
      shares.put(shown.shoot().lights().get(i).id(), sum > 0 ? means[i] / sum : 0);
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("type", "progress");
    to.put("revision", shown.revision());
    to.put("samples", ladder.full().meanSamples());
    double part = noise == null ? Double.NaN : noise.whole();
    to.put("noisePercent", Double.isFinite(part) ? 100 * part : null);
    to.put("wantedPercent", 100 * wantedNoise);
    double left = convergence.secondsTo(wantedNoise);
    to.put("secondsLeft", Double.isFinite(left) ? left : null);
    to.put("state", clean() ? "done" : rest ? "paused" : "tracing");
    to.put("rays", raysSinceEdit.all());
    to.put("tracedSeconds", tracedNanos / 1e9);
    to.put("denoised", seen() != ladder);
    to.put("mostFilmBytes", mostFilmBytes);
    to.put("pictureBytes", scene.pictureBytes());
    to.put("triangles", scene.triangles());
    to.put("filmBytes", ladder.bytes() + denoised.ladder().bytes() + meeting.bytes());
    to.put("shares", shares);
    tell(to);
  }

  void tell(Map<String, Object> message) {
    String json = JsonMapper.shared().writeValueAsString(message);
    views.forEach(v -> v.message(json));
  }

  /** What is shown now; empty before there is a set. */
  Optional<Moment> now() {
    synchronized (filmLock) {
      return scene == null
          ? Optional.empty()
          : Optional.of(
              new Moment(
                  scene,
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
          boolean ready =
              ladder != null
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

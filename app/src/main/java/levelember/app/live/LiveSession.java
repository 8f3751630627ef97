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
import levelember.look.CutOut;
import levelember.look.DisplayCurve;
import levelember.measure.Reading;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
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

  /** Least time between scopes while a hand moves. */
  private static final long SCOPES_NANOS = 350_000_000;

  /** Rest after a slice that was given up before it began. */
  private static final long GIVEN_WAY_NANOS = 2_000_000;

  /** Longest wait for the page to draw the answer to its hand. */
  private static final long HAND_REST_NANOS = 80_000_000;

  /** How long the cores stay with the page after a fader moved, as it will move again. */
  private static final long NEXT_MOVE_NANOS = 300_000_000;

  /** What is to be seen. */
  private record Wanted(
      Shoot shoot,
      Shot shot,
      long revision,
      int width,
      int height,
      long mark,
      long sinceNanos,
      View view) {}

  private final String id;
  private final int samples;
  private final long mostFilmBytes;
  private final Renderer renderer;
  private final Turns.Part turn;
  private final Files files;
  private final Mixes mixes = new Mixes();
  private final Developer.Kept developed = new Developer.Kept();
  private final Developer developer;
  private final Set<LiveView> views = ConcurrentHashMap.newKeySet();
  private final Object lock = new Object();
  private final Thread thread;

  /** The shoot as it is kept or tried, before the view. */
  private Shoot raw;

  private View view = View.TRACED;
  private Wanted wanted;
  private boolean changed;
  private boolean paused;
  private boolean closed;
  private int waiting;

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
  private volatile ScopesMessage.Of scopes = ScopesMessage.Of.OFF;
  private long scopesNanos;
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
    developer = new Developer(files.luts());
    raw = shoot;
    wanted =
        new Wanted(
            shoot, shoot.shots().getFirst(), rev, 960, 540, 0, System.nanoTime(), View.TRACED);
    changed = true;
    thread = Thread.ofPlatform().name("ember-live-" + id).daemon().start(this::run);
  }

  void join(LiveView view) {
    views.add(view);
    synchronized (lock) {
      // A newcomer needs a frame even when nothing is left to trace.
      changed = true;
      lock.notifyAll();
    }
  }

  /** True when nobody is left. */
  boolean leave(LiveView view) {
    views.remove(view);
    return views.isEmpty();
  }

  boolean watched() {
    return !views.isEmpty();
  }

  /**
   * Shows a state of the shoot; the shot stays the same where it still exists.
   *
   * @param mark sent back with the frames of this state, so that a page can tell its own
   */
  void show(Shoot shoot, long revision, long mark) {
    synchronized (lock) {
      raw = shoot;
      Shot shot = shoot.shot(wanted.shot().id()).orElse(shoot.shots().getFirst());
      want(shoot, shot, revision, wanted.width(), wanted.height(), mark);
    }
  }

  void shot(String shotId) {
    synchronized (lock) {
      raw.shot(shotId)
          .ifPresent(
              s -> want(raw, s, wanted.revision(), wanted.width(), wanted.height(), wanted.mark()));
    }
  }

  void size(int width, int height) {
    synchronized (lock) {
      if (width != wanted.width() || height != wanted.height()) {
        want(raw, wanted.shot(), wanted.revision(), width, height, wanted.mark());
      }
    }
  }

  /** Shows the shoot another way. */
  void view(View other) {
    synchronized (lock) {
      if (!view.equals(other)) {
        view = other;
        want(raw, wanted.shot(), wanted.revision(), wanted.width(), wanted.height(), wanted.mark());
      }
    }
  }

  void pause(boolean rest) {
    synchronized (lock) {
      paused = rest;
      changed = true;
      lock.notifyAll();
    }
  }

  private void want(Shoot shoot, Shot shot, long revision, int width, int height, long mark) {
    wanted =
        new Wanted(view.of(shoot), shot, revision, width, height, mark, System.nanoTime(), view);
    changed = true;
    lock.notifyAll();
  }

  void close() {
    synchronized (lock) {
      closed = true;
      lock.notifyAll();
    }
  }

  private boolean wantedBySomebody() {
    synchronized (lock) {
      return waiting > 0 || !views.isEmpty();
    }
  }

  private void waiters(int more) {
    synchronized (lock) {
      waiting += more;
      changed = true;
      lock.notifyAll();
    }
  }

  private boolean interrupted() {
    synchronized (lock) {
      return changed || closed;
    }
  }

  private void run() {
    while (true) {
      Wanted next;
      boolean rest;
      synchronized (lock) {
        if (closed) {
          break;
        }
        next = changed ? wanted : null;
        rest = paused;
        changed = false;
      }
      try {
        if (next != null) {
          apply(next);
          if (next.view().plain() != null) {
            plain(next);
            await();
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
          await();
        }
      } catch (RuntimeException e) {
        turn.hurry(false);
        fail(e);
        await();
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

  private void await() {
    synchronized (lock) {
      while (!changed && !closed) {
        try {
          lock.wait();
        } catch (InterruptedException e) {
          closed = true;
        }
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
        mixes.forget();
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
    mixes.forget();
    raysSinceEdit = raysSinceEdit.plus(rays);
    tracedNanos += System.nanoTime() - begin;
    noise = null;
    if (!interrupted()) {
      if (number < 0) {
        convergence.note(tracedNanos / 1e9, measured().whole());
      }
      if (denoising.at(lastNoise)) {
        denoised.renew(ladder, this::interrupted);
        mixes.forget();
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
      mixes.forget();
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
    synchronized (lock) {
      denoising = when;
      changed = true;
      lock.notifyAll();
    }
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
    synchronized (lock) {
      wantedNoise = share;
      changed = true;
      lock.notifyAll();
    }
  }

  /** Mixes the layers and sends the picture. */
  private void send() {
    if (views.isEmpty()) {
      return;
    }
    long begin = System.nanoTime();
    Look look = shown.shoot().lookOf(shown.shot());
    Ladder from = seen();
    Developer.Developed picture = developed(from, from.shownStep());
    byte[] codes = shown.view().codes(picture, look.ev());
    byte[] own = shown.view().paint() == View.Paint.LOOK ? codes : null;
    if (own != null && shown.shot().cutOut()) {
      // The squares are there to be seen, not to be measured.
      own = codes.clone();
      float[] alpha = mixes.alpha(ladder, from.shownStep(), LayerWeights.of(shown.shoot()));
      CutOut.overSquares(codes, alpha, picture.light().width());
    }
    byte[] frame =
        FrameMessage.of(
            picture.light(),
            codes,
            shown.shot(),
            shown.revision(),
            shown.mark(),
            shown.sinceNanos(),
            raysSinceEdit.all(),
            from,
            ladder,
            begin);
    if (shown.mark() > 0 && shown.mark() != awaited) {
      awaited = shown.mark();
      restUntil = System.nanoTime() + (mixedOnly ? NEXT_MOVE_NANOS : HAND_REST_NANOS);
    }
    views.forEach(v -> v.frame(frame));
    if (scopes != ScopesMessage.Of.OFF
        && (shown.mark() == 0 || begin - scopesNanos > SCOPES_NANOS)) {
      scopesNanos = begin;
      boolean light = scopes == ScopesMessage.Of.LIGHT;
      byte[] codesOfLook = own == null ? picture.codes() : own;
      byte[] measured = ScopesMessage.of(picture, codesOfLook, look, files.luts(), light);
      views.forEach(v -> v.scopes(measured));
    }
  }

  private Developer.Developed developed(Ladder from, int step) {
    Shoot shoot = shown.shoot();
    return developer.of(
        shoot,
        shoot.lookOf(shown.shot()),
        LayerWeights.of(shoot),
        meeting.hits(),
        step,
        weights -> mixes.of(from, step, weights),
        developed);
  }

  /** Sets what scopes measure. */
  void scopes(ScopesMessage.Of of) {
    synchronized (lock) {
      scopes = of;
      changed = true;
      lock.notifyAll();
    }
  }

  /** A page has drawn the answer to its hand. */
  void drawn(long mark) {
    synchronized (lock) {
      if (mark == awaited) {
        restUntil = mixedOnly ? System.nanoTime() + NEXT_MOVE_NANOS : 0;
        lock.notifyAll();
      }
    }
  }

  /** Leaves the cores to the page for a moment after an answer to its hand. */
  private void letDraw() {
    synchronized (lock) {
      long left = restUntil - System.nanoTime();
      while (left > 0 && !changed && !closed) {
        try {
          lock.wait(1 + left / 1_000_000);
        } catch (InterruptedException e) {
          closed = true;
        }
        left = restUntil - System.nanoTime();
      }
    }
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
                  developer));
    }
  }

  /**
   * What is shown once its picture has every row in full size, or what there is after the given
   * time.
   */
  Optional<Moment> still(long waitMillis) {
    long end = System.nanoTime() + waitMillis * 1_000_000;
    waiters(1);
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
      waiters(-1);
    }
  }
}

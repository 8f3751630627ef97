package levelember.app.live.session;

import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import levelember.app.live.view.Denoising;
import levelember.app.live.view.DesiredFrame;
import levelember.film.Film;
import levelember.noise.Noise;
import levelember.path.RayCount;
import levelember.scene.View;
import levelember.shoot.compile.EditCost;
import levelember.shoot.look.Look;
import levelember.upsampling.DenoisedLadder;
import levelember.upsampling.Ladder;
import org.jspecify.annotations.Nullable;

/**
 * The compiled view and the films of what a session shows, and what every change of the shoot
 * leaves of them. Written by the session's thread alone; other threads read snapshots, which are
 * taken under a lock that is held for no longer than it takes to exchange references.
 */
final class SessionFilms {
  /** Samples of every pixel before the noisier tiles are preferred. */
  private static final int EVEN_SAMPLES = 8;

  private final LiveSession session;
  private final FilmMemory<LiveSession> memory;
  private final SharedCompilation compilation;
  private final FramePublisher publisher;
  private final int samples;
  private final PictureNoise noise = new PictureNoise();
  private final ProgressiveFirstHits firstHits = new ProgressiveFirstHits();
  private final LightShares shares = new LightShares();

  private final Object lock = new Object();
  private DesiredFrame shown;
  private View view;
  private Ladder ladder;
  private DenoisedLadder denoised;
  private boolean failed;
  private RayCount rays = RayCount.NONE;
  private boolean mixedOnly;

  private volatile Denoising denoising = Denoising.WHILE_NOISY;

  /**
   * Nothing traced yet.
   *
   * @param session that holds the memory
   * @param samples of a pixel, at most
   * @param compilation shared with the other sessions of the shoot
   */
  SessionFilms(
      LiveSession session,
      FilmMemory<LiveSession> memory,
      SharedCompilation compilation,
      FramePublisher publisher,
      int samples) {
    this.session = session;
    this.memory = memory;
    this.compilation = compilation;
    this.publisher = publisher;
    this.samples = samples;
  }

  /** What is shown; null before there is anything. */
  DesiredFrame shown() {
    return shown;
  }

  View view() {
    return view;
  }

  /** The films as traced; null before there is a view. */
  Ladder ladder() {
    return ladder;
  }

  PictureNoise noise() {
    return noise;
  }

  ProgressiveFirstHits firstHits() {
    return firstHits;
  }

  /** Rays since the last change. */
  RayCount rays() {
    return rays;
  }

  /** Whether the last change needed nothing but to mix the layers anew. */
  boolean mixedOnly() {
    return mixedOnly;
  }

  /** Sets when the picture is shown denoised; for any thread. */
  void denoising(Denoising when) {
    denoising = when;
  }

  /** Gives up everything and its memory. */
  void forget() {
    synchronized (lock) {
      view = null;
      ladder = null;
      denoised = null;
      shown = null;
      firstHits.forget();
      publisher.forget();
      shares.forget();
    }
    memory.forget(session);
  }

  /** Gives up everything, as it cannot be shown: nobody waits for a picture any more. */
  void fail() {
    forget();
    synchronized (lock) {
      failed = true;
      lock.notifyAll();
    }
  }

  /**
   * Shows another state: {@link EditCost} says what is kept.
   *
   * @param mostSize share of the width and the height that the picture may have, 0…1
   */
  void show(DesiredFrame next, double mostSize) {
    boolean traced = ladder != null || next.view().plain() != null;
    if (next.equals(shown) && traced && !memory.givesBack(session)) {
      return;
    }
    // All that takes long is done before the lock is taken.
    EditCost cost =
        view == null
            ? null
            : EditCost.between(view.shoot(), view.shot(), next.shoot(), next.shot());
    if (view == null && compilation.newest() == null) {
      memory.prepare(session);
    }
    View made = compilation.of(next, view);
    double need = Ladder.bytes((long) next.width() * next.height(), made.layers());
    double share = mostSize * Math.min(1, Math.sqrt(memory.grant(session, (long) need) / need));
    memory.pictures(session, made.scene().pictureBytes());
    synchronized (lock) {
      failed = false;
      view = made;
      keep(cost, (int) Math.max(1, next.width() * share), (int) Math.max(1, next.height() * share));
      rays = RayCount.NONE;
      shown = next;
      lock.notifyAll();
    }
  }

  /**
   * Keeps what a change leaves.
   *
   * @param cost null where nothing was shown before
   */
  private void keep(@Nullable EditCost cost, int width, int height) {
    boolean resized = ladder == null || width != ladder.width() || height != ladder.height();
    int lightsBefore = resized ? 0 : shown.shoot().lights().size();
    if (resized) {
      ladder = new Ladder(width, height, view.layers());
      denoised = new DenoisedLadder(ladder);
      shares.forget();
      firstHits.forget();
    } else {
      if (!cost.keeps(lightsBefore)) {
        ladder = ladder.withLayers(cost.from());
        denoised.withLayers(cost.from());
        shares.forget();
      }
      firstHits.changed(cost, lightsBefore);
    }
    mixedOnly = !resized && cost.nothing();
    if (resized || cost.everything()) {
      noise.forget();
      publisher.forget();
    } else if (cost.nothing()) {
      noise.mixedAnew();
    } else {
      noise.tracedAnew();
      publisher.forget();
    }
  }

  /** Traces first hits, where the look needs them; false when it knows all. */
  boolean traceFirstHits(BooleanSupplier stop) {
    if (ladder.step() != 1) {
      return false;
    }
    Look worn = shown.shoot().lookOf(shown.shot());
    boolean more = firstHits.sample(view, worn, ladder.width(), ladder.height(), stop);
    changed();
    return more;
  }

  /** The film to be traced next; null when the full size is to be refined. */
  Ladder.Step nextStep() {
    return ladder.next(Math.min(EVEN_SAMPLES, samples), denoises());
  }

  /** Whether what is known of the noise asks for the denoised picture. */
  boolean denoises() {
    return denoising.at(noise.last());
  }

  /** The noise of the full size as it is now. */
  Noise fullNoise() {
    return noise.of(shown, ladder.full());
  }

  /**
   * More was traced.
   *
   * @param refined whether tiles of the full size were refined by their noise
   */
  void traced(RayCount more, long nanos, boolean refined) {
    publisher.forget();
    rays = rays.plus(more);
    noise.traced(nanos);
    if (refined) {
      noise.note(shown, ladder.full());
    }
    changed();
  }

  /** Filters what was traced where it is to be shown so; false when nothing new came of it. */
  boolean renewDenoised(BooleanSupplier stop) {
    boolean renewed = denoises() && denoised.renew(ladder, stop);
    if (renewed) {
      publisher.forget();
    }
    return renewed;
  }

  /** The films that are shown. */
  Ladder seen() {
    return denoises() && denoised.shows() ? denoised.ladder() : ladder;
  }

  /** How clean what is shown is; null where it is shown as traced. */
  @Nullable CleanPicture clean() {
    if (seen() == ladder) {
      return null;
    }
    return noise.denoised(shown, ladder.full(), denoised.ladder().full());
  }

  /** What every light gives. */
  LightShares shares() {
    return shares;
  }

  /** Bytes of all films. */
  long bytes() {
    return ladder.bytes() + denoised.bytes() + firstHits.bytes();
  }

  /** True when nothing is left to trace. */
  boolean done() {
    return nextStep() == null
        && noise.known()
        && (noise.reached() || ladder.full().samples() >= samples);
  }

  private void changed() {
    synchronized (lock) {
      lock.notifyAll();
    }
  }

  /** What is shown now; empty before there is a set; for any thread. */
  Optional<SessionSnapshot> now() {
    synchronized (lock) {
      return shown == null
          ? Optional.empty()
          : Optional.of(
              new SessionSnapshot(
                  view,
                  shown.shoot(),
                  shown.shot(),
                  (double) shown.width() / shown.height(),
                  ladder,
                  seen(),
                  firstHits.hits(),
                  publisher.developer()));
    }
  }

  /**
   * What is shown once its picture has every row in full size, or what there is after the given
   * time; for any thread.
   *
   * @param desired whose newest state is meant, as an edit that was answered may not be shown yet
   */
  Optional<SessionSnapshot> still(DesiredState desired, long waitMillis) {
    long end = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(waitMillis);
    synchronized (lock) {
      while (!failed && !complete(desired.wanted())) {
        long left = TimeUnit.NANOSECONDS.toMillis(end - System.nanoTime());
        if (left <= 0) {
          break;
        }
        try {
          lock.wait(left);
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          break;
        }
      }
      return now();
    }
  }

  private boolean complete(DesiredFrame wanted) {
    if (ladder == null || !wanted.equals(shown)) {
      return false;
    }
    Film full = ladder.full();
    return full.samples() > 0 && firstHits.knows(shown.shoot(), shown.shoot().lookOf(shown.shot()));
  }
}

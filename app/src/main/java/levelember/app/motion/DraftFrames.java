package levelember.app.motion;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.LockSupport;
import levelember.app.asset.Assets;
import levelember.app.live.schedule.Background;
import levelember.app.live.schedule.TracingScheduler;
import levelember.app.problem.Refusal;
import levelember.formats.document.ShootDocument;
import levelember.integrator.Renderer;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.PrintWatch;
import levelember.printing.frame.FramePrinter;
import levelember.printing.order.PrintFormat;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/**
 * Small denoised frames of shoots that move, to be played and scrubbed. They are made on a thread
 * of its own while no page waits for its first picture, and kept by what they show: a key that is
 * changed makes only those frames anew that it touches.
 */
@Service
class DraftFrames {
  private static final Logger LOG = LoggerFactory.getLogger(DraftFrames.class);
  private static final int SAMPLES = 2;
  private static final long MOST_BYTES = 256L << 20;
  private static final long FILM_BYTES = 512L << 20;
  private static final int MOST_WAITING = 64;

  /**
   * What a frame shows.
   *
   * @param shoot at its time
   */
  record Shown(String id, Shoot shoot, Shot shot, int width, int height) {}

  /** A frame that waits; known by what it shows, of which no more than a digest is kept. */
  private record Job(Shown shown, String digest, long number, CompletableFuture<byte[]> answer) {}

  private final Assets assets;
  private final TracingScheduler.Part turn;
  private final Object lock = new Object();
  private final List<Job> jobs = new ArrayList<>();
  private final Map<String, byte[]> kept = new LinkedHashMap<>(64, 0.75f, true);
  private long bytes;
  private long numbers;
  private volatile boolean closed;
  private Thread thread;

  private FramePrinter printer;
  private String printerOf;

  DraftFrames(Assets assets, TracingScheduler turns) {
    this.assets = assets;
    turn = turns.part();
  }

  /** A frame, made when it is not there yet. Of many that wait the oldest are given up. */
  CompletableFuture<byte[]> frame(Shown shown) {
    String digest = digest(shown);
    Job givenUp = null;
    Job job;
    synchronized (lock) {
      byte[] there = kept.get(digest);
      if (there != null) {
        return CompletableFuture.completedFuture(there);
      }
      for (Job waits : jobs) {
        if (waits.digest.equals(digest)) {
          return waits.answer;
        }
      }
      job = new Job(shown, digest, numbers++, new CompletableFuture<>());
      jobs.add(job);
      if (jobs.size() > MOST_WAITING) {
        givenUp = jobs.removeFirst();
      }
      if (thread == null) {
        thread = Background.thread(this::loop, "ember-drafts");
        thread.start();
      }
      lock.notifyAll();
    }
    // Whoever waits for it goes on within this call, so no lock is held.
    if (givenUp != null) {
      givenUp.answer.completeExceptionally(givenUp());
    }
    return job.answer;
  }

  private static String digest(Shown shown) {
    String all =
        ShootDocument.tree(shown.shoot)
            + String.join(" ", shown.id, shown.shot.id(), shown.width + "×" + shown.height);
    try {
      MessageDigest sha = MessageDigest.getInstance("SHA-256");
      return HexFormat.of().formatHex(sha.digest(all.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("this Java lacks SHA-256", e);
    }
  }

  private static Refusal givenUp() {
    return new Refusal(
        HttpStatus.CONFLICT,
        "given-up",
        "This small frame was given up, as newer ones are wanted.",
        "The shoot is as it was.",
        "Ask for it again when it is wanted.");
  }

  @PreDestroy
  void close() throws InterruptedException {
    synchronized (lock) {
      closed = true;
      lock.notifyAll();
    }
    if (thread != null) {
      thread.join(20_000);
    }
  }

  private void loop() {
    try (Renderer renderer =
        new Renderer(
            Runtime.getRuntime().availableProcessors(),
            Renderer.USUAL_BOUNCES,
            1,
            task -> Background.thread(task, "ember-draft-trace"))) {
      while (true) {
        Job job = next();
        if (job == null) {
          return;
        }
        make(job, renderer);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** The job that was asked for first; null when this is to end. */
  private Job next() throws InterruptedException {
    synchronized (lock) {
      while (jobs.isEmpty() && !closed) {
        lock.wait();
      }
      return closed ? null : jobs.stream().min(Comparator.comparingLong(Job::number)).get();
    }
  }

  private void make(Job job, Renderer renderer) {
    byte[] jpeg = null;
    Throwable failed = null;
    try {
      jpeg = made(job.shown, renderer);
    } catch (IOException | RuntimeException | Error e) {
      LOG.warn("A frame of '{}' cannot be made", job.shown.id, e);
      printer = null;
      failed = e;
    }
    synchronized (lock) {
      jobs.remove(job);
      if (jpeg != null) {
        kept.put(job.digest, jpeg);
        bytes += jpeg.length;
        var eldest = kept.entrySet().iterator();
        while (bytes > MOST_BYTES && eldest.hasNext()) {
          bytes -= eldest.next().getValue().length;
          eldest.remove();
        }
      }
    }
    if (jpeg != null) {
      job.answer.complete(jpeg);
    } else if (failed != null) {
      job.answer.completeExceptionally(failed);
    } else {
      job.answer.completeExceptionally(givenUp());
    }
  }

  /** The frame as JPEG; null when this ends. */
  private byte[] made(Shown shown, Renderer renderer) throws IOException {
    String of = shown.id + " " + shown.shot.id() + " " + shown.width;
    if (printer == null || !of.equals(printerOf)) {
      printer = new FramePrinter(assets.files(shown.id), FILM_BYTES, DraftFrames.class);
      printerOf = of;
    }
    PrintOrder order = order(shown);
    FramePrinter.PrintedFrame printed =
        printer.print(
            FramePrinter.Frame.still(shown.shoot, shown.shot),
            order,
            (bands, passes) -> FilmStore.NONE,
            film -> trace(film, renderer, order));
    return printed.made().done() ? printed.picture(PrintFormat.JPEG) : null;
  }

  private boolean trace(PrintFilm film, Renderer renderer, PrintOrder order) {
    return film.trace(
        renderer,
        order.target(),
        PrintWatch.of(() -> closed, turn::hurried, (band, progress) -> waitForTurn(), band -> {}));
  }

  /** Leaves the cores to a page that waits for its first picture. */
  private void waitForTurn() {
    while (turn.hurried() && !closed) {
      LockSupport.parkNanos(10_000_000);
    }
  }

  private static PrintOrder order(Shown shown) {
    return PrintOrder.still(shown.shot.id(), shown.width, shown.height, SAMPLES)
        .with(o ->
            o.denoise(true)
                .cutOut(shown.shot.cutOut())
                .formats(new TreeSet<>(List.of(PrintFormat.JPEG))));
  }
}

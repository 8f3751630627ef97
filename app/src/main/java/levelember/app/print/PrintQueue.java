package levelember.app.print;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ForkJoinPool;
import levelember.app.live.schedule.Background;
import levelember.app.live.schedule.TracingScheduler;
import levelember.app.storage.DiskSpace;
import levelember.app.storage.Restored;
import levelember.printing.film.PrintProgress;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Prints jobs one after the other on a thread of its own, beside the live pictures, to whose hands
 * it gives way. What it has traced is kept, so that after any end of the process it goes on.
 */
@Component
class PrintQueue {
  private static final Logger LOG = LoggerFactory.getLogger(PrintQueue.class);
  private static final long KEEP_NANOS = 4_000_000_000L, REST_MILLIS = 5000;

  private final PrintMapper mapper;
  private final PrintFolders folders;
  private final DiskSpace space;
  private final TransactionTemplate transaction;
  private final TracingScheduler.Part turn;
  private final long memory;
  private final boolean runs;

  private final Object lock = new Object();
  private PrintWork run;
  private boolean closed;

  /** The job in hand is to stop: it was paused, stopped, deleted or another goes before it. */
  private volatile boolean interrupted;

  private long keptNanos;
  private Thread thread;

  PrintQueue(
      PrintMapper mapper,
      PrintFolders folders,
      DiskSpace space,
      TransactionTemplate transaction,
      TracingScheduler turns,
      @Value("${ember.print-megabytes}") long megabytes,
      @Value("${ember.printing}") boolean runs) {
    this.mapper = mapper;
    this.folders = folders;
    this.space = space;
    this.transaction = transaction;
    this.runs = runs;
    turn = turns.part();
    memory = megabytes > 0 ? megabytes << 20 : Runtime.getRuntime().maxMemory() / 5;
  }

  /** Memory for the film of a band. */
  long memory() {
    return memory;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (runs) {
      thread = Background.thread(this::loop, "ember-print");
      thread.start();
    }
  }

  @PreDestroy
  void close() throws InterruptedException {
    synchronized (lock) {
      closed = true;
      interrupted = true;
      lock.notifyAll();
    }
    if (thread != null) {
      thread.join(20_000);
    }
  }

  @EventListener
  void restored(Restored event) {
    changed();
  }

  /** Something of the queue has changed: what is in hand is looked at again. */
  void changed() {
    synchronized (lock) {
      interrupted = true;
      lock.notifyAll();
    }
  }

  /** Waits until a job is not in hand any more. */
  void ended(long id) {
    long end = System.nanoTime() + 10_000_000_000L;
    synchronized (lock) {
      while (run != null && run.id() == id && System.nanoTime() < end) {
        try {
          lock.wait(100);
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          return;
        }
      }
    }
  }

  /** The job in hand, when it is that. */
  Optional<PrintWork> running(long id) {
    synchronized (lock) {
      return Optional.ofNullable(run).filter(r -> r.id() == id);
    }
  }

  private void loop() {
    try (SeededRenderers renderers = new SeededRenderers()) {
      while (true) {
        synchronized (lock) {
          if (closed) {
            return;
          }
          interrupted = false;
        }
        if (!printedNext(renderers)) {
          rest();
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /**
   * Prints the job that is next; whatever goes wrong, the queue goes on.
   *
   * @return false when it is to rest, as there is none, or nothing can be kept now
   */
  private boolean printedNext(SeededRenderers renderers) throws InterruptedException {
    try {
      PrintMapper.Row next = space.obstacle() == null ? mapper.next() : null;
      return next != null && print(next, renderers);
    } catch (RuntimeException | Error e) {
      LOG.error("The print queue could not go on; it tries again soon", e);
      return false;
    }
  }

  private void rest() throws InterruptedException {
    synchronized (lock) {
      while (!closed && !interrupted) {
        lock.wait(REST_MILLIS);
        if (!interrupted) {
          return;
        }
      }
    }
  }

  /** Prints a job as far as it gets; false when what became of it cannot be kept. */
  private boolean print(PrintMapper.Row row, SeededRenderers renderers)
      throws InterruptedException {
    try {
      if (!row.state().equals(PrintState.STOPPING.word())) {
        printing(row.id());
      }
      PrintWork own = work(row);
      synchronized (lock) {
        run = own;
      }
      transaction.executeWithoutResult(s -> mapper.bands(row.id(), own.bandRows()));
      boolean done = false;
      boolean stopping = row.state().equals(PrintState.STOPPING.word());
      if (stopping) {
        own.measure();
      } else {
        done = traced(own, renderers);
      }
      keep(own);
      own.keepPicture(done || stopping);
      if (mapper.one(row.id()) != null && (done || stopping)) {
        finish(own, done);
      }
      return true;
    } catch (IOException | RuntimeException | Error e) {
      String obstacle = space.obstacle();
      if (obstacle != null) {
        LOG.warn("The print {} waits: {}", row.id(), obstacle);
        return false;
      }
      LOG.error("The print {} failed", row.id(), e);
      return failed(row.id(), e);
    } finally {
      synchronized (lock) {
        run = null;
        lock.notifyAll();
      }
    }
  }

  private PrintWork work(PrintMapper.Row row) throws IOException {
    Path folder = folders.job(row.folder());
    return FramesRun.wantedBy(PrintRun.order(row))
        ? new FramesRun(row, folder, memory, folders)
        : new PrintRun(row, folder, memory);
  }

  private boolean traced(PrintWork own, SeededRenderers renderers) throws IOException {
    keptNanos = System.nanoTime();
    return own.trace(renderers, () -> interrupted, turn::yields, () -> told(own));
  }

  private void told(PrintWork own) {
    if (System.nanoTime() - keptNanos > KEEP_NANOS) {
      keptNanos = System.nanoTime();
      keep(own);
    }
    // Who lights has the cores until a picture is there that one can judge.
    while (turn.yields() && !interrupted) {
      java.util.concurrent.locks.LockSupport.parkNanos(20_000_000);
    }
  }

  private void keep(PrintWork own) {
    PrintProgress p = own.progress();
    if (p != null) {
      transaction.executeWithoutResult(s ->
          mapper.progress(
              own.id(),
              p.samples(),
              Double.isFinite(p.noise()) ? p.noise() : null,
              p.done(),
              p.tracedSeconds()));
    }
  }

  /** Writes files on threads that give way, as denoising them takes all cores for long. */
  private List<Path> written(PrintWork own) throws IOException {
    try (ForkJoinPool pool = Background.pool("ember-print-files")) {
      return pool.submit(() -> own.write(own.place(folders))).get();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof IOException io) {
        throw io;
      }
      throw e.getCause() instanceof RuntimeException r
          ? r
          : new IllegalStateException(e.getCause());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new InterruptedIOException("the files were not written");
    }
  }

  private void finish(PrintWork own, boolean done) throws IOException {
    List<Path> files = own.samples() > 0 ? written(own) : List.of();
    transaction.executeWithoutResult(s -> {
      mapper.files(
          own.id(),
          JsonMapper.shared().writeValueAsString(files.stream().map(Path::toString).toList()));
      double share = mapper.one(own.id()).done();
      mapper.progress(
          own.id(),
          own.samples(),
          Double.isFinite(own.noise()) ? own.noise() : null,
          done ? 1 : share,
          own.tracedSeconds());
      mapper.state(own.id(), (done ? PrintState.DONE : PrintState.STOPPED).word(), null);
    });
  }

  /** Marks a job as failed; false when that cannot be kept. */
  private boolean failed(long id, Throwable e) {
    String said = PrintFailure.said(e);
    try {
      state(id, PrintState.FAILED, said.substring(0, Math.min(900, said.length())));
      return true;
    } catch (RuntimeException again) {
      LOG.error("The print {} could not be marked as failed; it is tried again soon", id, again);
      return false;
    }
  }

  /** Marks a job as being printed, where it still waits. */
  private void printing(long id) {
    transaction.executeWithoutResult(s -> {
      // One that was in hand before and was interrupted waits again.
      mapper.waiting();
      mapper.printing(id);
    });
  }

  private void state(long id, PrintState state, String detail) {
    transaction.executeWithoutResult(s -> mapper.state(id, state.word(), detail));
  }
}

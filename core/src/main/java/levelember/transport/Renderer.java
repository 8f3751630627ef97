package levelember.transport;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import levelember.film.Film;
import levelember.lens.ThinLens;

/**
 * Traces rows of a film on several threads. The picture has the same bits with any number of
 * threads, and in however many calls it is made.
 */
public final class Renderer implements AutoCloseable {
  /** Bounces after which a path ends, when nothing else is said. */
  public static final int USUAL_BOUNCES = 16;

  private final int threads;
  private final int bounces;
  private final int seed;
  private final ExecutorService pool;
  private volatile boolean held;

  /**
   * A renderer with its own threads.
   *
   * @param threads 1 or more
   * @param bounces surfaces a path may meet after the first, 0 or more
   * @param seed other seeds give other noise
   */
  public Renderer(int threads, int bounces, int seed) {
    this(threads, bounces, seed, Renderer::tracing);
  }

  /** The same with threads of the caller's making, which should not keep the program alive. */
  public Renderer(int threads, int bounces, int seed, ThreadFactory factory) {
    if (threads < 1 || bounces < 0) {
      throw new IllegalArgumentException(
          "threads are 1 or more and bounces 0 or more, not " + threads + " and " + bounces);
    }
    this.threads = threads;
    this.bounces = bounces;
    this.seed = seed;
    pool = Executors.newFixedThreadPool(threads, factory);
  }

  private static Thread tracing(Runnable task) {
    Thread t = new Thread(task, "ember-trace");
    t.setDaemon(true);
    return t;
  }

  /** Asks the tracing threads to rest at their next row, so that other work has the cores. */
  public void hold(boolean rest) {
    held = rest;
  }

  /**
   * Traces until every row of every layer has {@code samples}, or {@code stop} says so. Rows of a
   * layer that lag behind (a light that has moved) are traced for that layer alone.
   *
   * @return the rays walked
   */
  public RayCount trace(Scene scene, Film film, int samples, BooleanSupplier stop) {
    if (film.layers() != scene.layers()) {
      throw new IllegalArgumentException(
          "the film has " + film.layers() + " layers, the scene " + scene.layers() + " lights");
    }
    if (film.layers() == 0) {
      return RayCount.NONE;
    }
    ThinLens lens = new ThinLens(scene.shot(), film.fullWidth(), film.fullHeight(), film.step());
    RayCount all = RayCount.NONE;
    while (film.samples() < samples && !stop.getAsBoolean()) {
      AtomicInteger next = new AtomicInteger();
      int to = Math.min(samples, film.samples() + 1);
      List<Future<RayCount>> parts = new ArrayList<>();
      for (int i = 0; i < threads; i++) {
        parts.add(pool.submit(() -> rows(scene, lens, film, to, next, stop)));
      }
      for (Future<RayCount> part : parts) {
        all = all.plus(taken(part));
      }
    }
    return all;
  }

  private RayCount rows(
      Scene scene, ThinLens lens, Film film, int to, AtomicInteger next, BooleanSupplier stop) {
    PathTracer tracer = new PathTracer(scene, lens, bounces, seed);
    boolean[] wanted = new boolean[film.layers()];
    RayCount count = RayCount.NONE;
    for (int i = next.getAndIncrement(); i < film.height(); i = next.getAndIncrement()) {
      int row = i;
      int sample = film.samples(row);
      if (sample >= to) {
        continue;
      }
      if (stop.getAsBoolean()) {
        break;
      }
      while (held && !stop.getAsBoolean()) {
        LockSupport.parkNanos(200_000);
      }
      for (int k = 0; k < wanted.length; k++) {
        wanted[k] = film.samples(k, row) == sample;
      }
      for (int x = 0; x < film.width(); x++) {
        tracer.trace(film, x, row, sample, wanted);
      }
      for (int k = 0; k < wanted.length; k++) {
        if (wanted[k]) {
          film.sampled(k, row);
        }
      }
      count = count.plus(tracer.rays.take());
    }
    return count;
  }

  private static RayCount taken(Future<RayCount> part) {
    try {
      return part.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("interrupted while tracing", e);
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException r) {
        throw r;
      }
      throw new IllegalStateException("tracing failed", e.getCause());
    }
  }

  @Override
  public void close() {
    pool.shutdownNow();
  }
}

package levelember.integrator;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import levelember.film.Film;
import levelember.noise.Noise;
import levelember.noise.TileChoice;
import levelember.path.RayCount;
import levelember.path.Sampling;
import levelember.scene.ShutterViews;
import levelember.scene.View;

/**
 * Traces tiles of a film on several threads. The picture has the same bits with any number of
 * threads, and in however many calls it is made.
 */
public final class Renderer implements AutoCloseable {
  /** Bounces after which a path ends, when nothing else is said. */
  public static final int USUAL_BOUNCES = 64;

  private final int threads;
  private final int bounces;
  private final int seed;
  private final Sampling sampling;
  private final ExecutorService pool;

  /**
   * A renderer with its own threads.
   *
   * @param threads 1 or more
   * @param bounces surfaces a path may meet after the first, 0 or more
   * @param seed other seeds give other noise
   */
  public Renderer(int threads, int bounces, int seed) {
    this(threads, bounces, seed, Sampling.USUAL, Renderer::tracing);
  }

  /** The same with paths sampled in another way. */
  public Renderer(int threads, int bounces, int seed, Sampling sampling) {
    this(threads, bounces, seed, sampling, Renderer::tracing);
  }

  /** The same with threads of the caller's making, which should not keep the program alive. */
  public Renderer(int threads, int bounces, int seed, ThreadFactory factory) {
    this(threads, bounces, seed, Sampling.USUAL, factory);
  }

  private Renderer(int threads, int bounces, int seed, Sampling sampling, ThreadFactory factory) {
    if (threads < 1 || bounces < 0) {
      throw new IllegalArgumentException(
          "threads are 1 or more and bounces 0 or more, not " + threads + " and " + bounces);
    }
    this.threads = threads;
    this.bounces = bounces;
    this.seed = seed;
    this.sampling = sampling;
    pool = Executors.newFixedThreadPool(threads, factory);
  }

  private static Thread tracing(Runnable task) {
    Thread t = new Thread(task, "ember-trace");
    t.setDaemon(true);
    return t;
  }

  /**
   * Traces until every tile of every layer has {@code samples}, or {@code stop} says so. Tiles of a
   * layer that lag behind (a light that has moved) are traced for that layer alone.
   *
   * @return the rays walked
   */
  public RayCount trace(View view, Film film, int samples, BooleanSupplier stop) {
    RayCount all = RayCount.NONE;
    int[] targets = new int[film.tiles()];
    while (film.layers() > 0 && film.samples() < samples && !stop.getAsBoolean()) {
      Arrays.fill(targets, Math.min(samples, film.samples() + 1));
      all = all.plus(pass(view, film, targets, stop));
    }
    return all;
  }

  /**
   * Makes one pass over those tiles that gain most: first over those where a layer lags behind the
   * others, else over the tiles whose noise falls fastest by more samples.
   *
   * @param noise of the film as it is, every tile with two samples or more
   * @param wanted noise at which a tile is left alone
   * @param most samples at which a tile is left alone
   * @return the rays walked; none when nothing is left to do
   */
  public RayCount refine(
      View view, Film film, Noise noise, double wanted, int most, BooleanSupplier stop) {
    int[] targets = new int[film.tiles()];
    boolean lag = false;
    for (int t = 0; t < targets.length; t++) {
      if (film.least(t) < film.most(t)) {
        targets[t] = film.most(t);
        lag = true;
      }
    }
    if (!lag && !chosen(film, noise, wanted, most, targets)) {
      return RayCount.NONE;
    }
    return pass(view, film, targets, stop);
  }

  private static boolean chosen(Film film, Noise noise, double wanted, int most, int[] targets) {
    int[] samples = new int[targets.length];
    for (int t = 0; t < samples.length; t++) {
      samples[t] = film.least(t);
    }
    return TileChoice.choose(samples, noise.tiles(), wanted, most, targets);
  }

  /**
   * Makes one pass over the tiles that have fewer samples than they are to have.
   *
   * @param targets samples that every tile is to have
   * @return the rays walked
   */
  public RayCount trace(View view, Film film, int[] targets, BooleanSupplier stop) {
    return pass(view, film, targets, stop);
  }

  /** The same with samples at all times of a shutter. */
  public RayCount trace(ShutterViews shutter, Film film, int[] targets, BooleanSupplier stop) {
    return pass(shutter, film, targets, stop);
  }

  private RayCount pass(View view, Film film, int[] targets, BooleanSupplier stop) {
    return pass(ShutterViews.of(view), film, targets, stop);
  }

  private RayCount pass(ShutterViews shutter, Film film, int[] targets, BooleanSupplier stop) {
    if (film.layers() != shutter.layers()) {
      throw new IllegalArgumentException(
          "the film has " + film.layers() + " layers, the scene " + shutter.layers() + " lights");
    }
    AtomicInteger next = new AtomicInteger();
    List<Future<RayCount>> parts = new ArrayList<>();
    for (int i = 0; i < threads; i++) {
      parts.add(pool.submit(() -> new Walker(shutter, film).tiles(targets, next, stop)));
    }
    RayCount all = RayCount.NONE;
    for (Future<RayCount> part : parts) {
      all = all.plus(taken(part));
    }
    return all;
  }

  /** Traces tiles on one thread. */
  private final class Walker {
    private final ShutterViews shutter;
    private final Film film;
    private final PathTracer[] tracers;

    Walker(ShutterViews shutter, Film film) {
      this.shutter = shutter;
      this.film = film;
      tracers = new PathTracer[shutter.count()];
    }

    /** The tracer of the time of a sample. */
    private PathTracer tracer(int sample) {
      int i = shutter.index(sample);
      if (tracers[i] == null) {
        tracers[i] = new PathTracer(shutter.view(i), film, bounces, seed, sampling);
      }
      return tracers[i];
    }

    private RayCount rays() {
      RayCount all = RayCount.NONE;
      for (PathTracer tracer : tracers) {
        all = tracer == null ? all : all.plus(tracer.rays.take());
      }
      return all;
    }

    RayCount tiles(int[] targets, AtomicInteger next, BooleanSupplier stop) {
      boolean[] wanted = new boolean[film.layers()];
      for (int t = next.getAndIncrement(); t < targets.length; t = next.getAndIncrement()) {
        for (int sample = film.least(t); sample < targets[t]; sample = film.least(t)) {
          if (stop.getAsBoolean() || !sampled(t, sample, wanted, stop)) {
            return rays();
          }
        }
      }
      return rays();
    }

    /** Takes a sample of all pixels of a tile, for the layers that lack it; false when stopped. */
    private boolean sampled(int t, int sample, boolean[] wanted, BooleanSupplier stop) {
      for (int k = 0; k < wanted.length; k++) {
        wanted[k] = film.samples(k, t) == sample;
      }
      PathTracer tracer = tracer(sample);
      if (!tracer.begin(sample, wanted, stop)) {
        return false;
      }
      boolean guided = film.guidedBy(t, sample);
      for (int y = film.top(t); y < film.bottom(t); y++) {
        for (int x = film.left(t); x < film.right(t); x++) {
          tracer.trace(film, x, y, sample, wanted, guided);
        }
      }
      for (int k = 0; k < wanted.length; k++) {
        if (wanted[k]) {
          film.sampled(k, t);
        }
      }
      if (guided && film.guides() != null) {
        film.guides().sampled(t);
      }
      return true;
    }
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

package levelember.upsampling;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import levelember.denoise.Denoiser;
import levelember.denoise.PixelGuides;
import levelember.film.Film;

/**
 * The denoised twin of a {@link Ladder}, renewed as samples come in: of every layer the finest film
 * that is whole, brought up to full size by first surfaces while it has few samples ({@link
 * JointUpsampling}), else denoised by itself ({@link Denoiser}). Weights mix it like the ladder
 * itself. One thread renews; any may read.
 */
public final class DenoisedLadder {
  /** A layer is denoised again when its samples have grown by this factor. */
  private static final double GROWN = 1.35;

  private static final int FULL = Ladder.SIZES - 1;

  private volatile Ladder ladder;
  private Source[] sources;

  /** The weights that light was brought up with last, which may serve again. */
  private volatile UpsamplingWeights weights;

  /**
   * What a layer was last made of.
   *
   * @param size number of the film, −1 before there is one
   * @param samples of a pixel of the film, on the mean
   * @param surfaces samples of every pixel whose first surfaces light was brought up to, or 0
   * @param emission samples of them in which the emission of the layer is known
   */
  private record Source(int size, double samples, int surfaces, int emission) {
    static final Source NONE = new Source(-1, 0, 0, 0);

    /** Whether a layer that is made of this should be made anew of another. */
    boolean outgrownBy(Source next) {
      if (next.size < 0 || next.size < size) {
        return false;
      }
      return next.size > size
          || next.surfaces > surfaces
          || next.emission > emission
          || next.surfaces < surfaces && next.samples > samples
          || next.samples >= GROWN * samples;
    }
  }

  /** Starts empty for a ladder of the same sizes and layers. */
  public DenoisedLadder(Ladder like) {
    int layers = like.full().layers();
    ladder = new Ladder(like.width(), like.height(), layers, true);
    sources = new Source[layers];
    Arrays.fill(sources, Source.NONE);
  }

  /** Goes on with other layers; see {@link Film#withLayers}. */
  public void withLayers(int[] from) {
    ladder = ladder.withLayers(from);
    Source[] next = new Source[from.length];
    for (int i = 0; i < from.length; i++) {
      next[i] = from[i] < 0 ? Source.NONE : sources[from[i]];
    }
    sources = next;
  }

  /**
   * Denoises what has changed enough in a ladder.
   *
   * @return false when stopped; what was finished before is kept
   */
  public boolean renew(Ladder of, BooleanSupplier stop) {
    Source[] now = new Source[sources.length];
    for (int i = 0; i < now.length; i++) {
      now[i] = source(of, i);
    }
    for (int size = 0; size < Ladder.SIZES; size++) {
      if (!renew(of, size, now, false, stop) || !renew(of, size, now, true, stop)) {
        return false;
      }
    }
    return true;
  }

  /** The best that there is to make a layer of. */
  private static Source source(Ladder of, int layer) {
    int size = FULL;
    while (size >= 0 && !of.film(size).whole(layer)) {
      size--;
    }
    if (size < 0) {
      return Source.NONE;
    }
    double samples = of.film(size).meanSamples(layer);
    boolean sharp = of.surfacesKnown() > 0 && (size < FULL || samples < Ladder.SELF_SUFFICIENT);
    if (!sharp) {
      return new Source(size, samples, 0, 0);
    }
    return new Source(size, samples, of.surfacesKnown(), of.surfaces().leastSamples(layer));
  }

  /** Makes those layers anew that one film gives; false when stopped. */
  private boolean renew(Ladder of, int size, Source[] now, boolean sharp, BooleanSupplier stop) {
    int[] open = new int[now.length];
    int n = 0;
    for (int i = 0; i < now.length; i++) {
      boolean own = now[i].size == size && now[i].surfaces > 0 == sharp;
      if (own && sources[i].outgrownBy(now[i])) {
        open[n++] = i;
      }
    }
    if (n == 0) {
      return true;
    }
    open = Arrays.copyOf(open, n);
    boolean done = sharp ? upsample(of, size, open, stop) : denoise(of, size, open, stop);
    for (int i = 0; done && i < n; i++) {
      sources[open[i]] = now[open[i]];
    }
    return done;
  }

  private boolean denoise(Ladder of, int size, int[] layers, BooleanSupplier stop) {
    int[] from = new int[sources.length];
    Arrays.setAll(from, i -> i);
    for (int layer : layers) {
      from[layer] = -1;
    }
    Film next = Denoiser.denoised(of.film(size), ladder.film(size), from, stop);
    if (next != null) {
      ladder = ladder.with(size, next);
    }
    return next != null;
  }

  private boolean upsample(Ladder of, int size, int[] layers, BooleanSupplier stop) {
    Film film = of.film(size);
    float[][] reflected = new float[sources.length][];
    PixelGuides guides = Denoiser.reflectedLight(film, layers, reflected, stop);
    if (guides == null) {
      return false;
    }
    float[][] own = new float[layers.length][];
    for (int i = 0; i < own.length; i++) {
      own[i] = reflected[layers[i]];
    }
    UpsamplingKernel kernel = UpsamplingKernel.ofMachine();
    if (weights == null || !weights.areOf(film, of.surfaces())) {
      weights = UpsamplingWeights.of(film, guides, of.surfaces(), kernel, stop);
    }
    float[][] made =
        weights == null
            ? null
            : new JointUpsampling(film, of.surfaces(), weights, kernel, stop).layers(layers, own);
    if (made == null) {
      return false;
    }
    Film full = ladder.full();
    float[][] to = new float[sources.length][];
    for (int i = 0; i < to.length; i++) {
      to[i] = full.whole(i) ? full.sums(i) : null;
    }
    for (int i = 0; i < made.length; i++) {
      to[layers[i]] = made[i];
    }
    ladder = ladder.with(FULL, full.finished(to));
    if (size == FULL) {
      // A light that moves comes from coarse films again.
      weights = null;
    }
    return true;
  }

  /** The denoised films; empty where nothing was whole yet. */
  public Ladder ladder() {
    return ladder;
  }

  /** Bytes that it holds. */
  public long bytes() {
    UpsamplingWeights own = weights;
    return ladder.bytes() + (own == null ? 0 : own.bytes());
  }

  /** True when some size has every layer. */
  public boolean shows() {
    return ladder.step() > 0;
  }
}

package levelember.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import levelember.film.Alpha;
import levelember.film.Convergence;
import levelember.film.Denoiser;
import levelember.film.Film;
import levelember.film.FirstHits;
import levelember.film.LayerMix;
import levelember.film.Noise;
import levelember.look.AmbientOcclusion;
import levelember.look.LookInputs;
import levelember.look.LookInputsMaker;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.texture.Picture;
import levelember.transport.FirstHitTracer;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.View;

/**
 * A picture made within a given memory for layers: in one piece when it fits, else in bands of rows
 * one after the other. Bands do not change a bit of it; where it is denoised they overlap by what
 * the filter reaches, and only its last bits may differ.
 */
final class Print {
  private static final int EVEN_SAMPLES = 8;

  /** Fewest rows of a band of first hits. */
  private static final int FEWEST_ROWS = 64;

  /** Rows about a band that the denoiser looks at. */
  private static final int REACH = 80;

  private final View view;
  private final int width, height;
  private final float[] weights;
  private final double fullScale;
  private final long memory;
  private final Picture picture;
  private final float[] alpha;
  private final List<Picture> layers = new ArrayList<>();
  private final List<float[]> mixes;
  private final List<Picture> mixed = new ArrayList<>();
  private RayCount rays = RayCount.NONE;
  private double samples;
  private double squaredNoise;
  private double denoiseSeconds;
  private long filmBytes;
  private int bands;

  Print(
      View view,
      int width,
      int height,
      float[] weights,
      double fullScale,
      boolean layered,
      List<float[]> mixes,
      long memory) {
    this.view = view;
    this.width = width;
    this.height = height;
    this.weights = weights;
    this.fullScale = fullScale;
    this.memory = memory;
    picture = Picture.black(width, height);
    alpha = view.shot().cutOut() ? new float[width * height] : null;
    this.mixes = mixes;
    mixes.forEach(m -> mixed.add(Picture.black(width, height)));
    for (int i = 0; layered && i < view.layers(); i++) {
      layers.add(Picture.black(width, height));
    }
  }

  /**
   * Traces all bands.
   *
   * @param samples a pixel; the most when a noise is wanted
   * @param noise wanted, 1 for 100 percent; 0 for even samples
   * @param said takes a line on how far it is
   */
  void trace(Renderer renderer, int samples, double noise, boolean denoise, Consumer<String> said) {
    int margin = denoise ? REACH : 0;
    long row = Film.bytes(width, view.layers()) + (denoise ? 12L * width * view.layers() : 0);
    long fit = memory / Math.max(1, row);
    int rows = height;
    if (fit < height) {
      long own = (fit - 2L * margin) / Film.TILE_HEIGHT * Film.TILE_HEIGHT;
      rows = (int) Math.max(Film.TILE_HEIGHT, own);
    }
    int all = Math.ceilDiv(height, rows);
    for (int first = 0; first < height; first += rows) {
      int last = Math.min(height, first + rows);
      int top = Math.max(0, first - margin), bottom = Math.min(height, last + margin);
      String where = all == 1 ? "" : "band " + ++bands + " of " + all + ": ";
      Film film = Film.band(width, height, top, bottom - top, view.layers());
      band(renderer, film, samples, noise, line -> said.accept(where + line));
      filmBytes = Math.max(filmBytes, film.bytes());
      double share = (double) (last - first) / height;
      double left = Noise.of(film, weights, fullScale).whole();
      this.samples += share * film.meanSamples();
      squaredNoise += share * left * left;
      if (alpha != null) {
        float[] own = Alpha.of(film, weights);
        System.arraycopy(own, (first - top) * width, alpha, first * width, (last - first) * width);
      }
      if (denoise) {
        long begin = System.nanoTime();
        film = Denoiser.denoised(film);
        denoiseSeconds += (System.nanoTime() - begin) / 1e9;
      }
      put(LayerMix.picture(film, weights), top, first, last, picture);
      for (int i = 0; i < mixes.size(); i++) {
        put(LayerMix.picture(film, mixes.get(i)), top, first, last, mixed.get(i));
      }
      for (int i = 0; i < layers.size(); i++) {
        put(LayerMix.layer(film, i, weights), top, first, last, layers.get(i));
      }
    }
    bands = all;
  }

  private static void put(Picture band, int top, int first, int last, Picture to) {
    int row = 3 * to.width();
    System.arraycopy(band.rgb(), (first - top) * row, to.rgb(), first * row, (last - first) * row);
  }

  private void band(
      Renderer renderer, Film film, int samples, double wanted, Consumer<String> said) {
    long begin = System.nanoTime();
    int even = wanted > 0 ? Math.min(EVEN_SAMPLES, samples) : samples;
    RayCount pass = RayCount.NONE;
    for (int i = 1; i <= even; i++) {
      pass = renderer.trace(view, film, i, () -> false);
      rays = rays.plus(pass);
      double seconds = (System.nanoTime() - begin) / 1e9;
      said.accept(
          String.format(
              Locale.ROOT,
              "%d of %d samples, %.0f s, %.0f s to go",
              i,
              even,
              seconds,
              seconds / i * (even - i)));
    }
    Convergence convergence = new Convergence();
    while (wanted > 0 && pass.all() > 0) {
      Noise now = Noise.of(film, weights, fullScale);
      double seconds = (System.nanoTime() - begin) / 1e9;
      convergence.note(seconds, now.whole());
      said.accept(
          String.format(
              Locale.ROOT,
              "%.2f %% noise, %.0f s, %.0f s to go",
              100 * now.whole(),
              seconds,
              convergence.secondsTo(wanted)));
      pass = renderer.refine(view, film, now, wanted, samples, () -> false);
      rays = rays.plus(pass);
    }
  }

  /** Its alpha, one a pixel, or null where the shot is not cut out. */
  float[] alpha() {
    return alpha;
  }

  /** The picture in cd/m². */
  Picture picture() {
    return picture;
  }

  /**
   * What the look of the picture needs to know of it besides; looks at what the camera meets first,
   * in bands of rows when that would take more memory than the layers may.
   */
  LookInputs aids(LookInputsMaker maker, Shoot shoot, Look look) {
    boolean wanted = LookInputsMaker.needsHits(shoot, look);
    int margin = LookInputsMaker.margin(look, height);
    long row = 80L * (width + 2L * margin);
    int rows = (int) Math.clamp(memory / row, Math.min(FEWEST_ROWS, height), height);
    for (int first = 0; wanted && first < height; first += rows) {
      int last = Math.min(height, first + rows);
      int top = Math.max(0, first - AmbientOcclusion.REACH);
      int bottom = Math.min(height, last + AmbientOcclusion.REACH);
      FirstHits hits = new FirstHits(width, height, top, bottom - top, margin, view.layers());
      FirstHitTracer tracer = new FirstHitTracer(view);
      for (int i = 0; i < FirstHits.ENOUGH; i++) {
        tracer.sample(hits, () -> false);
      }
      maker.take(hits, first, last, null);
    }
    return maker.aids(picture, mixed, wanted);
  }

  /** Every light's weighted layer, when wanted. */
  List<Picture> layers() {
    return layers;
  }

  RayCount rays() {
    return rays;
  }

  /** Samples a pixel on the mean. */
  double samples() {
    return samples;
  }

  /** Noise of the whole as traced, 1 for 100 percent. */
  double noise() {
    return Math.sqrt(squaredNoise);
  }

  double denoiseSeconds() {
    return denoiseSeconds;
  }

  /** Most bytes that the layers took at a time. */
  long filmBytes() {
    return filmBytes;
  }

  int bands() {
    return bands;
  }
}

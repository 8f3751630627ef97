package levelember.printing.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import levelember.film.Component;
import levelember.film.Film;
import levelember.film.FilmRows;
import levelember.integrator.Renderer;
import levelember.noise.Noise;
import levelember.noise.TileChoice;
import levelember.path.RayCount;
import levelember.scene.ShutterViews;
import levelember.scene.View;

/**
 * Traces the film of a print: in rounds that say how many samples each tile of the whole picture
 * gets, and in each round band by band. Rounds are chosen from the whole picture alone, so the
 * print has the same bits in however many bands it is traced and however often it was stopped.
 */
public final class PrintFilm {
  /** Samples of every pixel before the noisier tiles are preferred. */
  private static final int EVEN_SAMPLES = 8;

  private static final long SLICE_NANOS = 400_000_000;

  /** Tracing between two savings of a film, of the time that saving takes, and at the least. */
  private static final double SAVE_EVERY = 15, SAVE_SECONDS = 15;

  private final View view;
  private ShutterViews shutter;
  private final Bands bands;
  private final Set<Component> kept;
  private final FilmStore store;
  private final float[] weights;
  private final double fullScale;
  private final int[] samples;
  private final float[] noise;
  private Film only;
  private RayCount rays = RayCount.NONE;
  private double tracedSeconds;
  private double savingSeconds;
  private double savedAt;

  /** Whether the film in memory has more than what was saved of it. */
  private boolean unsaved;

  private long filmBytes;

  /**
   * A print as far as its store has it.
   *
   * @param kept components that the film keeps besides the layers
   * @param weights of the layers, three each, by which noise is measured
   * @param fullScale luminance that is shown as 1.0, cd/m²
   */
  public PrintFilm(
      View view,
      Bands bands,
      Set<Component> kept,
      FilmStore store,
      float[] weights,
      double fullScale) {
    this.view = view;
    shutter = ShutterViews.of(view);
    this.bands = bands;
    this.kept = kept;
    this.store = store;
    this.weights = weights;
    this.fullScale = fullScale;
    samples = new int[bands.tiles()];
    noise = new float[bands.tiles()];
    Arrays.fill(noise, Float.POSITIVE_INFINITY);
  }

  /**
   * Traces on.
   *
   * @return true when the target is reached, false when stopped
   */
  public boolean trace(Renderer renderer, PrintTarget target, PrintWatch watch) {
    Forecast forecast = new Forecast(target);
    FilmStore.Round round = store.round();
    if (round == null) {
      round = new FilmStore.Round(new int[samples.length], 0);
    }
    tracedSeconds = Math.max(tracedSeconds, round.tracedSeconds());
    savedAt = tracedSeconds;
    while (true) {
      for (int band = 0; band < bands.count(); band++) {
        if (!band(renderer, target, forecast, watch, band, round.targets())) {
          return false;
        }
      }
      int[] next = samples.clone();
      if (!choose(target, next)) {
        break;
      }
      round = new FilmStore.Round(next, tracedSeconds);
      store.save(round);
    }
    if (only != null) {
      save(0, only);
    }
    return true;
  }

  /** Brings the tiles of a band to their targets; false when stopped. */
  private boolean band(
      Renderer renderer,
      PrintTarget target,
      Forecast forecast,
      PrintWatch watch,
      int band,
      int[] targets) {
    Film film = film(band);
    int first = bands.firstTile(band);
    int[] own = Arrays.copyOfRange(targets, first, first + film.tiles());
    measure(film, first);
    while (open(film, own)) {
      if (watch.stop()) {
        save(band, film);
        return false;
      }
      long begin = System.nanoTime();
      RayCount some =
          renderer.trace(
              shutter,
              film,
              own,
              () -> System.nanoTime() - begin > SLICE_NANOS || watch.stop() || watch.givesWay());
      rays = rays.plus(some);
      unsaved |= some.all() > 0;
      tracedSeconds += (System.nanoTime() - begin) / 1e9;
      measure(film, first);
      forecast.note(tracedSeconds, samples, noise, targets);
      watch.traced(film, progress(forecast));
      if (tracedSeconds - savedAt > Math.max(SAVE_SECONDS, SAVE_EVERY * savingSeconds)) {
        save(band, film);
      }
      if (target.seconds() > 0 && tracedSeconds >= target.seconds()) {
        break;
      }
    }
    if (bands.count() > 1) {
      watch.bandCompleted(film);
      save(band, film);
    }
    return true;
  }

  private void save(int band, Film film) {
    if (unsaved) {
      long begin = System.nanoTime();
      store.save(band, film);
      savingSeconds = (System.nanoTime() - begin) / 1e9;
      savedAt = tracedSeconds;
      unsaved = false;
    }
  }

  private static boolean open(Film film, int[] targets) {
    for (int t = 0; t < targets.length; t++) {
      if (film.layers() > 0 && film.least(t) < targets[t]) {
        return true;
      }
    }
    return false;
  }

  private Film film(int band) {
    if (only != null) {
      return only;
    }
    Film film = store.load(band);
    if (film == null) {
      int first = bands.first(band), rows = bands.last(band) - first;
      film = Film.band(bands.width(), bands.height(), first, rows, view.layers());
      film = kept.isEmpty() ? film : film.keeping(kept);
    }
    only = bands.count() == 1 ? film : null;
    filmBytes = Math.max(filmBytes, film.bytes());
    return film;
  }

  private void measure(Film film, int first) {
    float[] tiles = Noise.of(film, weights, fullScale).tiles();
    System.arraycopy(tiles, 0, noise, first, tiles.length);
    for (int t = 0; t < tiles.length; t++) {
      samples[first + t] = film.least(t);
    }
  }

  /** Chooses what the next round brings tiles to; false when there is none. */
  private boolean choose(PrintTarget target, int[] next) {
    if (view.layers() == 0 || target.seconds() > 0 && tracedSeconds >= target.seconds()) {
      return false;
    }
    int least = Arrays.stream(samples).min().orElse(0);
    int even = target.noise() > 0 ? Math.min(EVEN_SAMPLES, target.samples()) : target.samples();
    if (least < even) {
      // The whole frame first where its film stays in memory; else as much of a band as there is.
      int to = bands.count() == 1 ? least + 1 : target.seconds() > 0 ? least + 2 : even;
      for (int t = 0; t < next.length; t++) {
        next[t] = Math.max(next[t], Math.min(even, to));
      }
      return true;
    }
    return target.noise() > 0
        && TileChoice.choose(samples, noise, target.noise(), target.samples(), next);
  }

  private PrintProgress progress(Forecast forecast) {
    double whole = Noise.whole(noise);
    return new PrintProgress(
        forecast.done(),
        Arrays.stream(samples).average().orElse(0),
        Double.isFinite(whole) ? whole : Double.NaN,
        tracedSeconds,
        forecast.secondsLeft(),
        forecast.factor(),
        rays.all(),
        rays.dropped());
  }

  /** From now on samples are taken at all times of a shutter, the same for the whole print. */
  public void setShutter(ShutterViews open) {
    shutter = open;
  }

  /** Says how long was traced before, where that is more than the store knows. */
  public void resumedAfter(double seconds) {
    tracedSeconds = Math.max(tracedSeconds, seconds);
  }

  /**
   * Measures what the store has, without tracing.
   *
   * @param each takes the film of every band; not to be kept
   */
  public void measure(Consumer<Film> each) {
    for (int band = 0; band < bands.count(); band++) {
      Film film = film(band);
      measure(film, bands.firstTile(band));
      each.accept(film);
    }
    FilmStore.Round round = store.round();
    tracedSeconds = round == null ? tracedSeconds : Math.max(tracedSeconds, round.tracedSeconds());
  }

  /** The film of some rows of what was traced, put together from the bands that hold them. */
  public Film rows(int top, int bottom) {
    if (only != null) {
      return top == 0 && bottom == bands.height() ? only : FilmRows.of(List.of(only), top, bottom);
    }
    List<Film> parts = new ArrayList<>();
    for (int band = top / bands.rows();
        band < bands.count() && bands.first(band) < bottom;
        band++) {
      parts.add(film(band));
    }
    return parts.size() == 1
            && parts.getFirst().firstRow() == top
            && parts.getFirst().height() == bottom - top
        ? parts.getFirst()
        : FilmRows.of(parts, top, bottom);
  }

  public Bands bands() {
    return bands;
  }

  public View view() {
    return view;
  }

  /** Most bytes that a film takes at a time. */
  public long filmBytes() {
    return filmBytes;
  }

  /** Seconds of tracing, those before this object was made too. */
  public double tracedSeconds() {
    return tracedSeconds;
  }

  /** Rays walked since this object was made. */
  public RayCount rays() {
    return rays;
  }

  /** Samples of a pixel, on the mean over the picture. */
  public double samples() {
    return Arrays.stream(samples).average().orElse(0);
  }

  /** Noise of the whole picture, 1 for 100 percent. */
  public double noise() {
    return Noise.whole(noise);
  }
}

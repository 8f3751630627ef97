package levelember.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import levelember.film.Component;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.measure.GlossReading;
import levelember.path.RayCount;
import levelember.printing.film.Bands;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.PrintFolder;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.PrintWatch;
import levelember.printing.frame.FrameFilms;
import levelember.printing.frame.FramePrinter;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;

/** Renders one shot as an order says; keeps its film where it is to go on from it. */
final class ShotRender {
  private final PrintWriter err;
  private final int threads;
  private final Path resume;
  private final long memory;

  /** Measures frames that belong together; null for stills. */
  private MeasuredFrames frames;

  /** One for each shot, as the next frame keeps what stays. */
  private final Map<String, FramePrinter> printers = new HashMap<>();

  /**
   * A render.
   *
   * @param err takes how far it is, on a terminal
   * @param resume folder in which films are kept, or null
   * @param memory bytes for the film of a band
   */
  ShotRender(PrintWriter err, int threads, Path resume, long memory) {
    this.err = err;
    this.threads = threads;
    this.resume = resume;
    this.memory = memory;
  }

  /** From now on what is rendered are frames, which are measured together. */
  void frames(MeasuredFrames measured) {
    frames = measured;
  }

  /**
   * Renders a shot into a file.
   *
   * @param pack whose files the shoot needs
   * @param frame at the time and in the clay where it is to be
   * @param number of the frame, under which films are kept; empty for a shoot at rest
   * @return figures of the run, by name
   */
  Map<String, Object> write(
      ShootPackage pack, FramePrinter.Frame frame, String number, PrintOrder order, Path to)
      throws IOException {
    Shoot shoot = frame.shoot();
    Shot shot = frame.shot();
    Path folder =
        resume != null
            ? resume.resolve(shot.id()).resolve(number)
            : Files.createTempDirectory("ember-render");
    try {
      FramePrinter printer =
          printers.computeIfAbsent(
              shot.id(), id -> new FramePrinter(pack.files(), memory, ShotRender.class));
      if (frames != null) {
        frames.measure(shot, printer);
      }
      FramePrinter.PrintedFrame printed =
          printer.print(
              frame,
              order,
              (bands, kept) -> store(folder, frame, order, kept, bands),
              film -> trace(film, order));
      PrintFilm film = printed.film();
      FrameFilms.Made made = printed.made();
      long traced = System.nanoTime();
      double tracedSeconds = made.rays().all() == 0 ? 0 : film.tracedSeconds();
      put(printed, order, to);
      if (frames != null) {
        frames.take(shot, printed);
      }
      if (film.rays().dropped() > 0) {
        err.println(film.rays().dropped() + " contributions were no finite numbers: left out");
      }
      Map<String, Object> figures = figures(shoot, shot, film, order);
      rays(made.rays(), figures);
      figures.put("overGlossPercent", overGloss(shoot, film));
      figures.put("compileSeconds", made.compileSeconds());
      figures.put("traceSeconds", tracedSeconds);
      figures.put("denoiseSeconds", printed.denoiseSeconds());
      figures.put("writeSeconds", (System.nanoTime() - traced) / 1e9 - printed.denoiseSeconds());
      figures.put("raysPerSecond", Math.round(made.rays().all() / tracedSeconds));
      figures.put("file", to.toString());
      return figures;
    } finally {
      if (resume == null) {
        deleted(folder);
      }
    }
  }

  /** Where the film of a frame is kept: in memory where that is enough and it need not stay. */
  private FilmStore store(
      Path folder, FramePrinter.Frame frame, PrintOrder order, Set<Component> kept, Bands bands) {
    if (resume == null && bands.count() == 1) {
      return FilmStore.NONE;
    }
    try {
      if (resume != null) {
        ResumedRender.check(folder, frame.shoot(), frame.shot(), order, kept, bands);
      }
      return new PrintFolder(folder, Runtime.getRuntime().maxMemory() / 2);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Writes the file under the name that was asked for. */
  private static void put(FramePrinter.PrintedFrame files, PrintOrder order, Path to)
      throws IOException {
    String name = to.getFileName().toString();
    int dot = name.lastIndexOf('.');
    Path base = to.toAbsolutePath().resolveSibling(name.substring(0, dot));
    Path made = files.write(base).getFirst();
    if (!made.equals(to.toAbsolutePath())) {
      Files.move(made, to, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  private static void deleted(Path folder) throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      for (Path one : all.toList()) {
        Files.delete(one);
      }
    }
    Files.delete(folder);
  }

  /** Percent of every light that was softened or left out over gloss, by the light's name. */
  private static Map<String, Double> overGloss(Shoot shoot, PrintFilm film) {
    GlossReading reading = new GlossReading(film.view().layers());
    film.measure(reading::add);
    Map<String, Double> to = new LinkedHashMap<>();
    for (int k = 0; k < film.view().layers(); k++) {
      to.put(shoot.lights().get(k).name(), 100 * reading.share(k));
    }
    return to;
  }

  private Map<String, Object> figures(Shoot shoot, Shot shot, PrintFilm film, PrintOrder order) {
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("shoot", shoot.name());
    to.put("shot", shot.name());
    to.put("width", order.width());
    to.put("height", order.height());
    to.put("samples", film.samples());
    double left = film.noise();
    to.put("noisePercent", Double.isFinite(left) ? 100 * left : null);
    to.put("seed", order.seed());
    to.put("threads", threads);
    to.put("layers", film.view().layers());
    to.put("triangles", film.view().scene().triangles());
    to.put("droppedContributions", film.rays().dropped());
    to.put("denoised", order.denoise());
    to.put("filmBytes", film.filmBytes());
    to.put("bands", film.bands().count());
    return to;
  }

  private static void rays(RayCount traced, Map<String, Object> to) {
    to.put("primaryRays", traced.primary());
    to.put("bouncedRays", traced.bounced());
    to.put("shadowRays", traced.shadow());
    to.put("rays", traced.all());
  }

  private boolean trace(PrintFilm film, PrintOrder order) {
    boolean terminal = System.console() != null && System.console().isTerminal();
    PrintWatch watch =
        new PrintWatch() {
          @Override
          public boolean stop() {
            return false;
          }

          @Override
          public void traced(Film band, PrintProgress p) {
            if (terminal) {
              err.print(
                  String.format(
                      Locale.ROOT,
                      "\r%.0f %% done, %.1f samples, %.2f %% noise, %.0f s, %.0f s to go     ",
                      100 * p.done(),
                      p.samples(),
                      100 * p.noise(),
                      p.tracedSeconds(),
                      p.secondsLeft()));
              err.flush();
            }
          }
        };
    try (Renderer renderer = new Renderer(threads, Renderer.USUAL_BOUNCES, order.seed())) {
      return film.trace(renderer, order.target(), watch);
    } finally {
      if (terminal) {
        err.println();
      }
    }
  }
}

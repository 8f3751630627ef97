package levelember.cli;

import java.io.IOException;
import java.io.PrintWriter;
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
import levelember.formats.ShootPackage;
import levelember.formats.print.FirstHitCache;
import levelember.formats.print.PrintFiles;
import levelember.formats.print.PrintFolder;
import levelember.formats.print.PrintOrder;
import levelember.formats.print.PrintPass;
import levelember.formats.print.PrintText;
import levelember.look.DisplayCurve;
import levelember.measure.GlossReading;
import levelember.print.Bands;
import levelember.print.FilmStore;
import levelember.print.PrintFilm;
import levelember.print.PrintProgress;
import levelember.print.PrintWatch;
import levelember.shoot.EditCost;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.View;

/** Renders one shot as an order says; keeps its film where it is to go on from it. */
final class ShotRender {
  private final PrintWriter err;
  private final int threads;
  private final Path resume;
  private final long memory;

  /** What was rendered last of each shot, of which the next frame keeps what stays. */
  private final Map<String, Rendered> last = new HashMap<>();

  /** A shot that was rendered, and its film where that is kept in memory; else null. */
  private record Rendered(View view, Shot shot, PrintFilm film, FirstHitCache hits) {}

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

  /**
   * What is rendered.
   *
   * @param shoot at the time and in the clay where it is to be
   * @param weights of the layers, three each
   * @param number of the frame, under which films are kept; empty for a shoot at rest
   */
  record Frame(Shoot shoot, Shot shot, Look look, float[] weights, String number) {}

  /**
   * Renders a shot into a file.
   *
   * @param pack whose files the shoot needs
   * @return figures of the run, by name
   */
  Map<String, Object> write(ShootPackage pack, Frame frame, PrintOrder order, Path to)
      throws IOException {
    long begin = System.nanoTime();
    Shoot shoot = frame.shoot;
    Shot shot = frame.shot;
    Look look = frame.look;
    Rendered before = last.get(shot.id());
    EditCost cost =
        before == null ? null : EditCost.between(before.view.shoot(), before.shot, shoot, shot);
    View view =
        before == null
            ? View.of(shoot, shot, pack.files())
            : before.view.next(shoot, shot, pack.files(), cost);
    long compiled = System.nanoTime();
    Path folder =
        resume != null
            ? resume.resolve(shot.id()).resolve(frame.number)
            : Files.createTempDirectory("ember-render");
    try {
      // What differs in levels, colours and look alone is in the film of the frame before.
      boolean stays = before != null && before.film != null && cost.keeps(view.layers());
      Rendered now =
          stays
              ? new Rendered(view, shot, before.film, before.hits)
              : new Rendered(view, shot, traced(frame, view, order, folder), new FirstHitCache());
      PrintFilm film = now.film;
      boolean inMemory = resume == null && film.bands().count() == 1;
      boolean bySamples = order.noisePercent() == 0 && order.minutes() == 0;
      last.put(shot.id(), inMemory && bySamples ? now : new Rendered(view, shot, null, now.hits));
      long traced = System.nanoTime();
      PrintFiles files =
          new PrintFiles(
              film,
              shoot,
              look,
              pack.files().luts(),
              order,
              frame.weights,
              PrintText.of(ShotRender.class, film, shoot, shot, look, order));
      files.keeping(now.hits);
      put(files, order, to);
      if (film.rays().dropped() > 0) {
        err.println(film.rays().dropped() + " contributions were no finite numbers: left out");
      }
      Map<String, Object> figures = figures(shoot, shot, film, order);
      rays(stays ? RayCount.NONE : film.rays(), figures);
      figures.put("overGlossPercent", overGloss(shoot, film));
      figures.put("compileSeconds", (compiled - begin) / 1e9);
      figures.put("traceSeconds", (traced - compiled) / 1e9);
      figures.put("denoiseSeconds", files.denoiseSeconds());
      figures.put("writeSeconds", (System.nanoTime() - traced) / 1e9 - files.denoiseSeconds());
      figures.put("raysPerSecond", Math.round(film.rays().all() / ((traced - compiled) / 1e9)));
      figures.put("file", to.toString());
      return figures;
    } finally {
      if (resume == null) {
        deleted(folder);
      }
    }
  }

  /** A film of a frame, traced as far as the order wants it. */
  private PrintFilm traced(Frame frame, View view, PrintOrder order, Path folder)
      throws IOException {
    Set<Component> kept = PrintPass.components(order.passes());
    Bands bands = Bands.of(order.width(), order.height(), view.layers(), kept, memory);
    FilmStore store =
        resume == null && bands.count() == 1
            ? FilmStore.NONE
            : new PrintFolder(folder, Runtime.getRuntime().maxMemory() / 2);
    if (resume != null) {
      ResumedRender.check(folder, frame.shoot, frame.shot, order, kept, bands);
    }
    double fullScale = DisplayCurve.fullScale(frame.look.ev());
    PrintFilm film = new PrintFilm(view, bands, kept, store, frame.weights, fullScale);
    trace(film, order);
    return film;
  }

  /** Writes the file under the name that was asked for. */
  private static void put(PrintFiles files, PrintOrder order, Path to) throws IOException {
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

  private void trace(PrintFilm film, PrintOrder order) {
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
      film.trace(renderer, order.target(), watch);
    }
    if (terminal) {
      err.println();
    }
  }
}

package levelember.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.printing.film.Bands;
import levelember.printing.film.FilmStore;
import levelember.printing.film.PrintFilm;
import levelember.printing.film.PrintProgress;
import levelember.printing.film.PrintTarget;
import levelember.printing.film.PrintWatch;
import levelember.scene.View;
import levelember.shoot.Shoot;

/** How far the time left of a print was off, from a tenth of its tracing on, by demo shoot. */
final class ForecastFigures {
  private static final int WIDTH = 240, HEIGHT = 135;

  /** Part of the noise after the even samples that is wanted. */
  private static final double PART = 0.4;

  private static final int EVEN = 8, MOST_SAMPLES = 1 << 14;

  /** Parts of the tracing between which answers are judged. */
  private static final double FROM = 0.1, TO = 0.95;

  private ForecastFigures() {}

  static Map<String, Object> measured() {
    Map<String, Object> to = new LinkedHashMap<>();
    for (String name : DemoShoots.withoutMistakes()) {
      ShootPackage pack = DemoShoots.make(name);
      Shoot shoot = pack.shoot();
      View view = View.of(shoot, shoot.shots().getFirst(), pack.pictures());
      double even = print(shoot, view, new PrintTarget(EVEN, 0, 0), new ArrayList<>());
      to.put(name + ", samples", judged(shoot, view, new PrintTarget(4 * EVEN, 0, 0)));
      double wanted = Math.round(100 * PART * even) / 100.0;
      to.put(name + ", noise", judged(shoot, view, new PrintTarget(MOST_SAMPLES, wanted, 0)));
    }
    return to;
  }

  private static double print(
      Shoot shoot, View view, PrintTarget target, List<PrintProgress> answers) {
    PrintWatch watch =
        new PrintWatch() {
          @Override
          public boolean stop() {
            return false;
          }

          @Override
          public void traced(Film film, PrintProgress progress) {
            answers.add(progress);
          }
        };
    double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
    PrintFilm film =
        new PrintFilm(
            view,
            new Bands(WIDTH, HEIGHT, HEIGHT),
            Set.of(),
            FilmStore.NONE,
            LayerWeights.of(shoot),
            fullScale);
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      film.trace(renderer, target, watch);
    }
    return film.noise();
  }

  private static Map<String, Object> judged(Shoot shoot, View view, PrintTarget target) {
    List<PrintProgress> answers = new ArrayList<>();
    double noise = print(shoot, view, target, answers);
    double end = answers.getLast().tracedSeconds(), low = 1, high = 1;
    int inside = 0, all = 0;
    for (PrintProgress p : answers) {
      double spent = p.tracedSeconds();
      if (spent < FROM * end || spent > TO * end || !Double.isFinite(p.secondsLeft())) {
        continue;
      }
      double factor = p.secondsLeft() / (end - spent);
      low = Math.min(low, factor);
      high = Math.max(high, factor);
      all++;
      inside += factor <= p.factor() && factor >= 1 / p.factor() ? 1 : 0;
    }
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("wanted noise, percent", 100 * target.noise());
    to.put("noise at the end, percent", 100 * noise);
    to.put("samples", answers.getLast().samples());
    to.put("seconds", end);
    to.put("least said over true", low);
    to.put("most said over true", high);
    to.put("answers", all);
    to.put("within the range said", inside);
    System.err.println(shoot.name() + " " + to);
    return to;
  }
}

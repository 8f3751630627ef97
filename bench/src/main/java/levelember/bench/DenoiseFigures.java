package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.demo.DemoShoots;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.texture.Picture;

/** What denoising takes at 960×540, and how much closer it brings few samples to many. */
final class DenoiseFigures {
  private static final int WIDTH = 240, HEIGHT = 135, LIMIT = 512;

  private DenoiseFigures() {}

  static Map<String, Object> measured(int rounds) {
    Map<String, Object> to = new LinkedHashMap<>();
    int cores = Runtime.getRuntime().availableProcessors();
    for (String name : DemoShoots.withoutMistakes()) {
      ShootPackage pack = DemoShoots.make(name);
      Shoot shoot = pack.shoot();
      View view = View.of(shoot, shoot.shots().getFirst(), pack.pictures());
      float[] weights = LayerWeights.of(shoot);
      double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
      Map<String, Object> of = new LinkedHashMap<>();
      try (Renderer one = new Renderer(cores, Renderer.USUAL_BOUNCES, 1);
          Renderer other = new Renderer(cores, Renderer.USUAL_BOUNCES, 2)) {
        Film large = new Film(960, 540, view.layers());
        one.trace(view, large, 2, () -> false);
        double[] seconds = new double[rounds];
        Denoiser.denoised(large);
        for (int i = 0; i < rounds; i++) {
          long begin = System.nanoTime();
          Denoiser.denoised(large);
          seconds[i] = (System.nanoTime() - begin) / 1e9;
        }
        of.put("s for " + view.layers() + " layers at 960x540", Spread.of(seconds));
        Film limit = new Film(WIDTH, HEIGHT, view.layers());
        other.trace(view, limit, LIMIT, () -> false);
        Picture truth = LayerMix.picture(limit, weights);
        Film film = new Film(WIDTH, HEIGHT, view.layers());
        for (int n = 2; n <= 32; n *= 4) {
          one.trace(view, film, n, () -> false);
          double raw = error(LayerMix.picture(film, weights), truth, fullScale);
          Picture clean = LayerMix.picture(Denoiser.denoised(film), weights);
          of.put(n + " samples, percent of full scale", raw);
          of.put(n + " samples, denoised", error(clean, truth, fullScale));
        }
      }
      to.put(name, of);
    }
    return to;
  }

  /** Root mean square difference of values as the eye weighs them (square roots), percent. */
  private static double error(Picture a, Picture b, double fullScale) {
    double sum = 0;
    for (int i = 0; i < a.rgb().length; i++) {
      double x = Math.sqrt(Math.min(1, a.rgb()[i] / fullScale));
      double y = Math.sqrt(Math.min(1, b.rgb()[i] / fullScale));
      sum += (x - y) * (x - y);
    }
    return 100 * Math.sqrt(sum / a.rgb().length);
  }
}

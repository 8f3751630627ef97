package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.noise.Noise;
import levelember.path.RayCount;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;

/** Seconds to a noise on the demo, with even and with chosen samples. */
final class NoiseFigures {
  private static final int WIDTH = 480, HEIGHT = 270;
  private static final double[] WANTED = {0.2, 0.1, 0.05, 0.02};
  private static final double MOST_SECONDS = 120;

  private NoiseFigures() {}

  static Map<String, Object> measured() {
    Map<String, Object> to = new LinkedHashMap<>();
    for (String name : DemoShoots.withoutMistakes()) {
      ShootPackage pack = DemoShoots.make(name);
      Shoot shoot = pack.shoot();
      View view = View.of(shoot, shoot.shots().getFirst(), pack.pictures());
      run(shoot, view, false, 4);
      to.put(name + ", even, s", run(shoot, view, false, MOST_SECONDS));
      to.put(name + ", where it is noisy, s", run(shoot, view, true, MOST_SECONDS));
    }
    return to;
  }

  private static Map<String, Object> run(Shoot shoot, View view, boolean chosen, double most) {
    Map<String, Object> to = new LinkedHashMap<>();
    float[] weights = LayerWeights.of(shoot);
    double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      long begin = System.nanoTime();
      RayCount rays = renderer.trace(view, film, 8, () -> false);
      int reached = 0;
      double seconds = 0;
      Noise noise = Noise.of(film, weights, fullScale);
      while (reached < WANTED.length && seconds < most) {
        rays =
            rays.plus(
                chosen
                    ? renderer.refine(view, film, noise, WANTED[3], 1 << 16, () -> false)
                    : renderer.trace(view, film, film.samples() + 2, () -> false));
        noise = Noise.of(film, weights, fullScale);
        seconds = (System.nanoTime() - begin) / 1e9;
        while (reached < WANTED.length && noise.whole() <= WANTED[reached]) {
          to.put(Math.round(100 * WANTED[reached++]) + " percent", seconds);
        }
      }
      to.put("noise at the end, percent", 100 * noise.whole());
      to.put("samples a pixel at the end", film.meanSamples());
      to.put("seconds at the end", seconds);
      to.put("million rays", rays.all() / 1e6);
      to.put("seconds to one percent at this rate", seconds * Math.pow(noise.whole() / 0.01, 2));
    }
    return to;
  }
}

package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.ShootPackage;
import levelember.transport.RayCount;
import levelember.transport.Renderer;
import levelember.transport.Scene;

/** Rays a second of the whole path tracer on the demo, by threads. */
final class TracerFigures {
  private TracerFigures() {}

  static Map<String, Object> measured(String name, int rounds) {
    ShootPackage pack = DemoShoots.make(name);
    Scene scene = Scene.of(pack.shoot(), pack.shoot().shots().getFirst(), pack.pictures());
    Map<String, Object> to = new LinkedHashMap<>();
    for (int threads = 1; threads <= Runtime.getRuntime().availableProcessors(); threads *= 2) {
      double[] rates = new double[rounds];
      try (Renderer renderer = new Renderer(threads, Renderer.USUAL_BOUNCES, 1)) {
        for (int i = -2; i < rounds; i++) {
          Film film = new Film(480, 270, scene.layers());
          long begin = System.nanoTime();
          RayCount rays = renderer.trace(scene, film, 4, () -> false);
          if (i >= 0) {
            rates[i] = rays.all() * 1e3 / (System.nanoTime() - begin);
          }
        }
      }
      to.put(threads + " threads, million rays a second", Spread.of(rates));
    }
    return to;
  }
}

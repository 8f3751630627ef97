package levelember.bench;

import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ThreadFactory;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.path.RayCount;
import levelember.scene.View;

/** Rays a second of the whole path tracer on the demo, by threads. */
final class TracerFigures {
  private TracerFigures() {}

  static Map<String, Object> measured(String name, int rounds) {
    ShootPackage pack = DemoShoots.make(name);
    View view = View.of(pack.shoot(), pack.shoot().shots().getFirst(), pack.pictures());
    Map<String, Object> to = new LinkedHashMap<>();
    for (int threads = 1; threads <= Runtime.getRuntime().availableProcessors(); threads *= 2) {
      double[] rates = new double[rounds];
      List<Thread> own = new ArrayList<>();
      long bytes = 0, all = 0;
      ThreadFactory factory =
          task -> {
            Thread t = new Thread(task);
            t.setDaemon(true);
            own.add(t);
            return t;
          };
      try (Renderer renderer = new Renderer(threads, Renderer.USUAL_BOUNCES, 1, factory)) {
        for (int i = -2; i < rounds; i++) {
          Film film = new Film(480, 270, view.layers());
          long before = allocated(own);
          long begin = System.nanoTime();
          RayCount rays = renderer.trace(view, film, 4, () -> false);
          if (i >= 0) {
            rates[i] = rays.all() * 1e3 / (System.nanoTime() - begin);
            bytes += allocated(own) - before;
            all += rays.all();
          }
        }
      }
      to.put(threads + " threads, million rays a second", Spread.of(rates));
      to.put(threads + " threads, bytes allocated a ray", (double) bytes / all);
    }
    return to;
  }

  private static long allocated(List<Thread> threads) {
    var bean = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
    long sum = 0;
    for (Thread t : threads) {
      sum += Math.max(0, bean.getThreadAllocatedBytes(t.threadId()));
    }
    return sum;
  }
}

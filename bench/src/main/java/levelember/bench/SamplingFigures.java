package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.noise.Noise;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;

/**
 * What each way to sample brings: the time that a picture of equal noise takes without it, over the
 * time it takes as usual.
 */
final class SamplingFigures {
  private static final int WIDTH = 240, HEIGHT = 135, SAMPLES = 16;

  private SamplingFigures() {}

  static Map<String, Object> measured(int rounds) {
    Map<String, Sampling> ways = new LinkedHashMap<>();
    ways.put("light sampling alone", new Sampling(Technique.LIGHT, true, true, false));
    ways.put("BSDF sampling alone", new Sampling(Technique.BSDF, true, true, false));
    ways.put("independent points", new Sampling(Technique.BOTH, false, true, false));
    ways.put("no roulette", new Sampling(Technique.BOTH, true, false, false));
    ways.put("all lights at every vertex", new Sampling(Technique.BOTH, true, true, true));
    Map<String, Object> to = new LinkedHashMap<>();
    for (String name : DemoShoots.withoutMistakes()) {
      ShootPackage pack = DemoShoots.make(name);
      Shoot shoot = pack.shoot();
      View view = View.of(shoot, shoot.shots().getFirst(), pack.pictures());
      cost(shoot, view, Sampling.USUAL, 1);
      Map<String, Object> of = new LinkedHashMap<>();
      ways.forEach((way, sampling) -> {
        double[] times = new double[rounds];
        for (int round = 0; round < rounds; round++) {
          times[round] =
              cost(shoot, view, sampling, round) / cost(shoot, view, Sampling.USUAL, round);
        }
        of.put(way, Spread.of(times));
      });
      to.put(name + ", time to equal noise over the usual", of);
    }
    return to;
  }

  /** Squared noise times seconds. */
  private static double cost(Shoot shoot, View view, Sampling sampling, int seed) {
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, seed, sampling)) {
      long begin = System.nanoTime();
      renderer.trace(view, film, SAMPLES, () -> false);
      double seconds = (System.nanoTime() - begin) / 1e9;
      double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
      double noise = Noise.of(film, LayerWeights.of(shoot), fullScale).whole();
      return noise * noise * seconds;
    }
  }
}

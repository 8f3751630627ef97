package levelember.bench;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.math.Colour;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Light;

/**
 * How soon the caustic of the Tide lens is clean, by photons and by paths. The noise is that of the
 * spot's layer among pictures of few samples, over its mean, where most of the layer is caustic and
 * brighter than its average.
 */
final class CausticFigures {
  private static final int SAMPLES = 4, SEEDS = 6, LAYER = 1;

  /** The layer with its caustics over the layer without, from which on a pixel counts. */
  private static final double MOSTLY = 3;

  private CausticFigures() {}

  /** Pictures of one way to trace. */
  private record Traced(double seconds, double[] mean, double[] variance) {}

  static Map<String, Object> measured() {
    ShootPackage pack = DemoShoots.make("tide-lens");
    Shoot shoot = pack.shoot();
    Traced photons = traced(pack, shoot);
    Shoot plain = casting(shoot, Caustics.NONE);
    Traced none = traced(pack, plain.with(plain.bounce().with(LightOverGloss.NONE)));
    Traced paths = traced(pack, plain.with(plain.bounce().with(LightOverGloss.EVERYTHING)));
    double average = Arrays.stream(photons.mean).average().orElseThrow();
    int[] region =
        IntStream.range(0, Films.PIXELS)
            .filter(i -> photons.mean[i] > Math.max(average, MOSTLY * none.mean[i]))
            .toArray();
    double byPhotons = secondsTo(0.05, photons, photons, region);
    double byPaths = secondsTo(0.5, paths, photons, region);
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("pixels of the caustic", region.length);
    to.put("photons, seconds a sample", photons.seconds);
    to.put("paths, seconds a sample", paths.seconds);
    to.put("photons, seconds to 5 percent", byPhotons);
    to.put("paths, seconds to 50 percent", byPaths);
    to.put("ratio", byPhotons / byPaths);
    return to;
  }

  private static Shoot casting(Shoot shoot, Caustics caustics) {
    List<Light> lights =
        shoot.lights().stream()
            .map(l -> l.withControls(l.controls().withCaustics(caustics)))
            .toList();
    return new Shoot(
        shoot.name(),
        shoot.pieces(),
        shoot.materials(),
        lights,
        shoot.banks(),
        shoot.bounce(),
        shoot.masterStops(),
        shoot.shots(),
        shoot.looks());
  }

  private static double secondsTo(double noise, Traced of, Traced shown, int[] region) {
    double sum = 0;
    for (int i : region) {
      sum += of.variance[i] / (shown.mean[i] * shown.mean[i]);
    }
    return SAMPLES * of.seconds * sum / region.length / (noise * noise);
  }

  private static Traced traced(ShootPackage pack, Shoot shoot) {
    View view = View.of(shoot, shoot.shots().getFirst(), pack.files());
    Films.traced(view, SAMPLES, 99);
    long begin = System.nanoTime();
    List<Film> films =
        IntStream.rangeClosed(1, SEEDS).mapToObj(s -> Films.traced(view, SAMPLES, s)).toList();
    double seconds = (System.nanoTime() - begin) / 1e9 / (SEEDS * SAMPLES);
    double[] mean = new double[Films.PIXELS], variance = new double[Films.PIXELS];
    for (int i = 0; i < mean.length; i++) {
      for (Film film : films) {
        mean[i] += luminance(film, i) / SEEDS;
      }
      for (Film film : films) {
        variance[i] += Math.pow(luminance(film, i) - mean[i], 2) / (SEEDS - 1);
      }
    }
    return new Traced(seconds, mean, variance);
  }

  private static double luminance(Film film, int pixel) {
    float[] sums = film.sums(LAYER);
    return Colour.luminance(sums[3 * pixel], sums[3 * pixel + 1], sums[3 * pixel + 2]) / SAMPLES;
  }
}

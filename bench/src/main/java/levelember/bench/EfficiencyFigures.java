package levelember.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.texture.Picture;

/**
 * Variance times time, the inverse of an estimator's efficiency, on the demo as it is set. The
 * variance is that among pictures of few samples and different seeds, so that no reference is
 * needed.
 */
final class EfficiencyFigures {
  private static final int SAMPLES = 4, SEEDS = 8;

  /** Share of full scale under which differences are measured as if there were as much light. */
  private static final double FLOOR = 0.02;

  private EfficiencyFigures() {}

  /**
   * @param shoots names of the demo shoots; all when empty
   */
  static Map<String, Object> measured(Set<String> shoots) {
    Map<String, Object> to = new LinkedHashMap<>();
    for (String name : DemoShoots.withoutMistakes()) {
      if (shoots.isEmpty() || shoots.contains(name)) {
        to.put(name, of(DemoShoots.make(name)));
      }
    }
    return to;
  }

  private static Map<String, Object> of(ShootPackage pack) {
    Shoot shoot = pack.shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), pack.files());
    List<Film> films = new ArrayList<>();
    Films.traced(view, SAMPLES, 99);
    long begin = System.nanoTime();
    for (int seed = 1; seed <= SEEDS; seed++) {
      films.add(Films.traced(view, SAMPLES, seed));
    }
    double seconds = (System.nanoTime() - begin) / 1e9 / (SEEDS * SAMPLES);
    float[] weights = LayerWeights.of(shoot);
    double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
    List<Picture> pictures = films.stream().map(f -> LayerMix.picture(f, weights)).toList();
    double[] mean = means(pictures);
    double[] variance = relative(pictures, mean, fullScale);
    Map<String, Object> to = new LinkedHashMap<>();
    double all = SAMPLES * Arrays.stream(variance).average().orElseThrow();
    double[] sorted = variance.clone();
    Arrays.sort(sorted);
    double worst =
        SAMPLES
            * Arrays.stream(sorted, sorted.length * 9 / 10, sorted.length).average().orElseThrow();
    double median = SAMPLES * sorted[sorted.length / 2];
    double display = SAMPLES * display(pictures, fullScale);
    to.put("seconds a sample", seconds);
    to.put("relative variance", all);
    to.put("relative variance x s", all * seconds);
    to.put("the same, worst tenth of pixels", worst * seconds);
    to.put("the same, median of pixels", median * seconds);
    to.put("variance of display values x s", display * seconds);
    for (int layer = 0; layer < films.getFirst().layers(); layer++) {
      int number = layer;
      List<Picture> alone = films.stream().map(f -> LayerMix.layer(f, number, weights)).toList();
      double[] own = relative(alone, mean, fullScale);
      to.put(
          "layer " + layer + ", relative variance",
          SAMPLES * Arrays.stream(own).average().orElseThrow());
    }
    return to;
  }

  private static double[] means(List<Picture> pictures) {
    double[] to = new double[Films.PIXELS];
    for (Picture p : pictures) {
      for (int i = 0; i < to.length; i++) {
        to[i] += luminance(p, i) / pictures.size();
      }
    }
    return to;
  }

  /** Variance of each pixel by the square of its mean, or of the least light that counts. */
  private static double[] relative(List<Picture> pictures, double[] whole, double fullScale) {
    double[] mean = means(pictures);
    double[] to = new double[mean.length];
    for (Picture p : pictures) {
      for (int i = 0; i < to.length; i++) {
        double d = luminance(p, i) - mean[i];
        to[i] += d * d / (pictures.size() - 1);
      }
    }
    double least = FLOOR * fullScale;
    for (int i = 0; i < to.length; i++) {
      to[i] /= whole[i] * whole[i] + least * least;
    }
    return to;
  }

  /** Mean variance of the square roots of exposed light, cut at 1. */
  private static double display(List<Picture> pictures, double fullScale) {
    double sum = 0;
    for (int i = 0; i < 3 * Films.PIXELS; i++) {
      double s = 0, squares = 0;
      for (Picture p : pictures) {
        double v = Math.sqrt(Math.clamp(p.rgb()[i] / fullScale, 0, 1));
        s += v;
        squares += v * v;
      }
      sum += (squares - s * s / pictures.size()) / (pictures.size() - 1);
    }
    return sum / (3.0 * Films.PIXELS);
  }

  private static double luminance(Picture p, int pixel) {
    float[] rgb = p.rgb();
    return Colour.luminance(rgb[3 * pixel], rgb[3 * pixel + 1], rgb[3 * pixel + 2]);
  }
}

package levelember.measure;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.film.Film;
import levelember.look.Balance;
import levelember.look.DisplayCurve;
import levelember.shoot.Target;
import levelember.shoot.look.Look;

/**
 * What targets are read from: pins that are seen, the whole picture, and its regions.
 *
 * @param pins by id; those that cannot be read now are missing
 * @param whole mean of the picture
 * @param regions the brightest of it, in all and by each light alone
 * @param ev exposure value of the look
 * @param balance nine factors of its white balance, by rows
 */
public record TargetReadings(
    Map<String, LayerReading> pins,
    LayerReading whole,
    List<LayerReading> regions,
    double ev,
    float[] balance) {
  /** Regions across the picture. */
  private static final int ACROSS = 64;

  private static final int BRIGHTEST = 48, BRIGHTEST_OF_A_LIGHT = 8;

  /** Luminance below which all is black, cd/m². */
  private static final double BLACK = 1e-9;

  /** Reads a film. */
  public static TargetReadings of(
      Film film, Map<String, int[]> pinPixels, Look look, float[] weights) {
    Map<String, LayerReading> pins = new HashMap<>();
    pinPixels.forEach((id, pixels) -> pins.put(id, LayerReading.of(film, pixels)));
    return new TargetReadings(
        pins,
        LayerReading.of(film),
        brightest(film, weights),
        look.ev(),
        Balance.matrix(look.balance()));
  }

  private static List<LayerReading> brightest(Film film, float[] weights) {
    List<LayerReading> all = LayerReading.grid(film, ACROSS);
    Set<LayerReading> kept = new LinkedHashSet<>();
    pick(all, weights, BRIGHTEST, kept);
    for (int k = 0; k < film.layers(); k++) {
      float[] alone = new float[weights.length];
      System.arraycopy(weights, 3 * k, alone, 3 * k, 3);
      pick(all, alone, BRIGHTEST_OF_A_LIGHT, kept);
    }
    return List.copyOf(kept);
  }

  private static void pick(
      List<LayerReading> all, float[] weights, int count, Set<LayerReading> to) {
    record Lit(LayerReading reading, double luminance) {}
    all.stream()
        .map(r -> new Lit(r, r.luminance(weights)))
        .filter(l -> l.luminance() > 0)
        .sorted((a, b) -> Double.compare(b.luminance(), a.luminance()))
        .limit(count)
        .forEach(l -> to.add(l.reading()));
  }

  /** What a target reads with some weights, in stops; for a neutral how far off it is. */
  public double value(Target target, float[] weights) {
    return switch (target.kind()) {
      case STOPS -> stops(pins.get(target.pin()), weights);
      case RATIO ->
          stops(pins.get(target.pin()), weights) - stops(pins.get(target.other()), weights);
      case MEAN -> stops(whole, weights);
      case CEILING ->
          regions.stream().mapToDouble(r -> stops(r, weights)).max().orElse(stops(whole, weights));
      case NEUTRAL -> {
        double[] off = casts(target, weights);
        yield Math.max(Math.abs(off[0]), Math.abs(off[1]));
      }
    };
  }

  /** How many stops a neutral's red and blue are above its green, after the white balance. */
  private double[] casts(Target target, float[] weights) {
    double[] rgb = pins.get(target.pin()).colour(weights);
    double[] shown = new double[3];
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < 3; i++) {
        shown[c] += balance[3 * c + i] * rgb[i];
      }
      shown[c] = Math.max(BLACK, shown[c]);
    }
    return new double[] {log2(shown[0] / shown[1]), log2(shown[2] / shown[1])};
  }

  /** Whether all pins of a target can be read. */
  public boolean has(Target target) {
    return !target.kind().ofPin()
        || pins.containsKey(target.pin())
            && (target.other() == null || pins.containsKey(target.other()));
  }

  /** How many residuals a target has. */
  int residuals(Target target) {
    return switch (target.kind()) {
      case CEILING -> regions.size();
      case NEUTRAL -> 2;
      default -> 1;
    };
  }

  /** Puts a target's residuals, stops times the root of its weight, from a place of an array on. */
  void residuals(Target target, float[] weights, double[] to, int at) {
    double root = Math.sqrt(target.weight());
    switch (target.kind()) {
      case CEILING -> {
        for (int i = 0; i < regions.size(); i++) {
          to[at + i] = root * Math.max(0, stops(regions.get(i), weights) - target.stops());
        }
      }
      case NEUTRAL -> {
        double[] off = casts(target, weights);
        to[at] = root * off[0];
        to[at + 1] = root * off[1];
      }
      default -> to[at] = root * (value(target, weights) - target.stops());
    }
  }

  private double stops(LayerReading reading, float[] weights) {
    return log2(Math.max(BLACK, reading.luminance(weights)) / DisplayCurve.midGrey(ev));
  }

  private static double log2(double x) {
    return StrictMath.log(x) / StrictMath.log(2);
  }
}

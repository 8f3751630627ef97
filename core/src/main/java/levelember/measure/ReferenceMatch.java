package levelember.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.shoot.Look;
import levelember.shoot.Shoot;
import levelember.texture.Picture;

/**
 * Levels, and colours where these may change, with which the tones of a picture come nearest to
 * those of a reference: the quantiles of luminance in stops, and for three parts of the tones how
 * many stops red and blue are over green. Nothing is traced.
 *
 * @param moves of the faders that may move
 * @param before root mean square of what tones are off, stops
 * @param after the same with the moves
 */
public record ReferenceMatch(List<TargetSolution.FaderMove> moves, double before, double after) {
  private static final double[] QUANTILES = {
    0.02, 0.06, 0.12, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.88, 0.94, 0.98
  };
  private static final int ACROSS = 64, PARTS = 3;
  private static final double RIDGE = 2e-3, COLOUR = 0.5;

  /** Stops under mid grey at which all counts as black. */
  private static final double BLACK_STOPS = -8;

  /** Tones of a picture: quantiles and casts, all in stops. */
  private record Tones(double[] quantiles, double[] casts) {}

  /**
   * Matches a film to a reference.
   *
   * @param reference linear display light, 0…1
   */
  public static ReferenceMatch of(Shoot shoot, Look look, Film film, Picture reference) {
    RigFaders rig = new RigFaders(shoot);
    List<LayerReading> cells = LayerReading.grid(film, ACROSS);
    double grey = DisplayCurve.midGrey(look.ev());
    Tones wanted = tones(exposed(reference, look), grey);
    int count = QUANTILES.length + 2 * PARTS;
    UnaryOperator<double[]> residuals =
        x -> off(tones(mixed(cells, rig.weights(x)), grey), wanted, count);
    double[] least = rig.least(), most = rig.most();
    double[] ridge = new double[least.length];
    Arrays.fill(ridge, RIDGE);
    double[] x =
        LevenbergMarquardt.minimum(residuals, new double[least.length], ridge, least, most);
    return new ReferenceMatch(
        rig.moves(x), root(residuals.apply(new double[least.length])), root(residuals.apply(x)));
  }

  private static double root(double[] r) {
    return Math.sqrt(Arrays.stream(r).map(v -> v * v).average().orElse(0));
  }

  private static double[] off(Tones is, Tones wanted, int count) {
    double[] to = new double[count];
    for (int i = 0; i < QUANTILES.length; i++) {
      to[i] = is.quantiles()[i] - wanted.quantiles()[i];
    }
    for (int i = 0; i < 2 * PARTS; i++) {
      to[QUANTILES.length + i] = COLOUR * (is.casts()[i] - wanted.casts()[i]);
    }
    return to;
  }

  private static double[][] mixed(List<LayerReading> cells, float[] weights) {
    return cells.stream().map(c -> c.colour(weights)).toArray(double[][]::new);
  }

  /** Cells of a reference as light that the look shows so, cd/m²; by channel alone. */
  private static double[][] exposed(Picture reference, Look look) {
    DisplayCurve curve = new DisplayCurve(look);
    int side = Math.max(1, reference.width() / ACROSS);
    List<double[]> to = new ArrayList<>();
    for (int y = 0; y + side <= reference.height(); y += side) {
      for (int x = 0; x + side <= reference.width(); x += side) {
        double[] mean = new double[3];
        for (int i = 0; i < 3 * side * side; i++) {
          int pixel = i / 3;
          mean[i % 3] +=
              reference.get(x + pixel % side, y + pixel / side, i % 3) / (double) (side * side);
        }
        for (int c = 0; c < 3; c++) {
          mean[c] = light(curve, mean[c], look.ev());
        }
        to.add(mean);
      }
    }
    return to.toArray(double[][]::new);
  }

  /** The light that is shown as a display value: the curve inverted, as it rises everywhere. */
  private static double light(DisplayCurve curve, double shown, double ev) {
    double low = 0, high = 64 * DisplayCurve.fullScale(ev);
    for (int i = 0; i < 50; i++) {
      double middle = (low + high) / 2;
      if (curve.display(middle) < shown) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private static Tones tones(double[][] cells, double grey) {
    double[][] sorted = cells.clone();
    Arrays.sort(sorted, (a, b) -> Double.compare(luminance(a), luminance(b)));
    double[] quantiles = new double[QUANTILES.length];
    for (int i = 0; i < quantiles.length; i++) {
      double l = luminance(sorted[(int) (QUANTILES[i] * (sorted.length - 1))]);
      quantiles[i] = Math.max(BLACK_STOPS, log2(Math.max(1e-12, l) / grey));
    }
    double[] casts = new double[2 * PARTS];
    for (int part = 0; part < PARTS; part++) {
      double[] sum = {1e-12, 1e-12, 1e-12};
      for (int i = part * sorted.length / PARTS; i < (part + 1) * sorted.length / PARTS; i++) {
        for (int c = 0; c < 3; c++) {
          sum[c] += sorted[i][c];
        }
      }
      casts[2 * part] = log2(sum[0] / sum[1]);
      casts[2 * part + 1] = log2(sum[2] / sum[1]);
    }
    return new Tones(quantiles, casts);
  }

  private static double luminance(double[] rgb) {
    return Colour.luminance((float) rgb[0], (float) rgb[1], (float) rgb[2]);
  }

  private static double log2(double x) {
    return StrictMath.log(x) / StrictMath.log(2);
  }

  /** The shoot with all moves made. */
  public Shoot applied(Shoot shoot) {
    return new TargetSolution(moves, List.of(), List.of()).applied(shoot);
  }
}

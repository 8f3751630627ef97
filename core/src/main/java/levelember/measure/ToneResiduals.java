package levelember.measure;

import java.util.Arrays;
import java.util.List;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.math.Colour;
import levelember.shoot.look.Look;
import levelember.texture.Picture;

/**
 * How far a film's tones are from a reference's, in stops, for any weights of its layers: the
 * quantiles of luminance and for three parts of the tones how many stops red and blue are over
 * green; or, where regions are paired, luminance and both casts of each.
 */
final class ToneResiduals {
  private static final double[] QUANTILES = {
    0.02, 0.06, 0.12, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.88, 0.94, 0.98
  };
  private static final int ACROSS = 64, PARTS = 3;
  private static final double COLOUR = 0.5;

  /** Stops under mid grey at which all counts as black. */
  private static final double BLACK_STOPS = -8;

  private final List<LayerReading> readings;
  private final boolean paired;
  private final double grey;
  private final double[] wanted;

  /**
   * Compares a film with a reference.
   *
   * @param reference linear display light, 0…1
   * @param pairs regions; none for the tones of the whole picture
   */
  ToneResiduals(Look look, Film film, Picture reference, List<RegionPair> pairs) {
    paired = !pairs.isEmpty();
    grey = DisplayCurve.midGrey(look.ev());
    readings =
        paired
            ? pairs.stream()
                .map(p -> LayerReading.of(film, p.pixels(film.width(), film.height())))
                .toList()
            : LayerReading.grid(film, ACROSS);
    wanted = values(light(reference, look, pairs));
  }

  /** What is off, with the weights of layers; luminance in stops, casts in half of them. */
  double[] of(float[] weights) {
    double[] is = values(readings.stream().map(r -> r.colour(weights)).toArray(double[][]::new));
    for (int i = 0; i < is.length; i++) {
      is[i] -= wanted[i];
    }
    return is;
  }

  /** Root mean square of residuals. */
  static double rootMeanSquare(double[] residuals) {
    return Math.sqrt(Arrays.stream(residuals).map(v -> v * v).average().orElse(0));
  }

  private double[] values(double[][] colours) {
    return paired ? regions(colours) : tones(colours);
  }

  private double[] regions(double[][] colours) {
    double[] to = new double[3 * colours.length];
    for (int i = 0; i < colours.length; i++) {
      to[3 * i] = stops(colours[i]);
      to[3 * i + 1] =
          COLOUR * log2(Math.max(1e-12, colours[i][0]) / Math.max(1e-12, colours[i][1]));
      to[3 * i + 2] =
          COLOUR * log2(Math.max(1e-12, colours[i][2]) / Math.max(1e-12, colours[i][1]));
    }
    return to;
  }

  private double[] tones(double[][] cells) {
    double[][] sorted = cells.clone();
    Arrays.sort(sorted, (a, b) -> Double.compare(luminance(a), luminance(b)));
    double[] to = new double[QUANTILES.length + 2 * PARTS];
    for (int i = 0; i < QUANTILES.length; i++) {
      to[i] = stops(sorted[(int) (QUANTILES[i] * (sorted.length - 1))]);
    }
    for (int part = 0; part < PARTS; part++) {
      double[] sum = {1e-12, 1e-12, 1e-12};
      for (int i = part * sorted.length / PARTS; i < (part + 1) * sorted.length / PARTS; i++) {
        for (int c = 0; c < 3; c++) {
          sum[c] += sorted[i][c];
        }
      }
      to[QUANTILES.length + 2 * part] = COLOUR * log2(sum[0] / sum[1]);
      to[QUANTILES.length + 2 * part + 1] = COLOUR * log2(sum[2] / sum[1]);
    }
    return to;
  }

  private double stops(double[] rgb) {
    return Math.max(BLACK_STOPS, log2(Math.max(1e-12, luminance(rgb)) / grey));
  }

  /** Regions of a reference as light that the look shows so, cd/m²; by channel alone. */
  private static double[][] light(Picture reference, Look look, List<RegionPair> pairs) {
    DisplayCurve curve = new DisplayCurve(look);
    int width = reference.width(), height = reference.height();
    List<int[]> regions =
        pairs.isEmpty()
            ? LayerReading.cells(width, height, ACROSS)
            : pairs.stream().map(p -> p.referencePixels(width, height)).toList();
    double[][] to = new double[regions.size()][3];
    for (int i = 0; i < to.length; i++) {
      for (int pixel : regions.get(i)) {
        for (int c = 0; c < 3; c++) {
          to[i][c] += reference.rgb()[3 * pixel + c] / (double) regions.get(i).length;
        }
      }
      for (int c = 0; c < 3; c++) {
        to[i][c] = light(curve, to[i][c], look.ev());
      }
    }
    return to;
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

  private static double luminance(double[] rgb) {
    return Colour.luminance((float) rgb[0], (float) rgb[1], (float) rgb[2]);
  }

  private static double log2(double x) {
    return StrictMath.log(x) / StrictMath.log(2);
  }
}

package levelember.measure;

import java.util.ArrayList;
import java.util.List;
import levelember.film.Film;
import levelember.look.DisplayCurve;
import levelember.math.Colour;

/**
 * What every layer, at unit weight, has at a place of the picture, so that it can be read again
 * when levels or colours change.
 *
 * @param unit mean linear red, green and blue of each layer
 */
public record LayerReading(double[] unit) {

  /** Reads the mean of some pixels, by number along rows; all 0 without pixels. */
  public static LayerReading of(Film film, int[] pixels) {
    double[] unit = new double[3 * film.layers()];
    for (int k = 0; k < film.layers(); k++) {
      float[] sums = film.sums(k);
      for (int pixel : pixels) {
        int n = film.samples(k, pixel % film.width(), pixel / film.width());
        for (int c = 0; c < 3 && n > 0; c++) {
          unit[3 * k + c] += sums[3 * pixel + c] / (double) n / pixels.length;
        }
      }
    }
    return new LayerReading(unit);
  }

  /**
   * The means of square regions, by rows; what is left at the right and lower edges is left out.
   *
   * @param across regions across the picture, about
   */
  public static List<LayerReading> grid(Film film, int across) {
    return cells(film.width(), film.height(), across).stream().map(c -> of(film, c)).toList();
  }

  /** The pixels of the square regions of a picture, by rows. */
  static List<int[]> cells(int width, int height, int across) {
    int side = Math.max(1, width / across);
    List<int[]> to = new ArrayList<>();
    for (int y = 0; y + side <= height; y += side) {
      for (int x = 0; x + side <= width; x += side) {
        int[] pixels = new int[side * side];
        for (int i = 0; i < pixels.length; i++) {
          pixels[i] = (y + i / side) * width + x + i % side;
        }
        to.add(pixels);
      }
    }
    return to;
  }

  /** The mean of the whole picture. */
  public static LayerReading of(Film film) {
    return new LayerReading(Reading.unitMeans(film));
  }

  /** Luminance that every layer gives, cd/m². */
  public double[] luminances(float[] weights) {
    return Reading.weighed(unit, weights);
  }

  /** Luminance in all, cd/m². */
  public double luminance(float[] weights) {
    double[] rgb = colour(weights);
    return Colour.luminance((float) rgb[0], (float) rgb[1], (float) rgb[2]);
  }

  /** Linear red, green and blue of all layers. */
  public double[] colour(float[] weights) {
    double[] to = new double[3];
    for (int i = 0; i < unit.length; i++) {
      to[i % 3] += weights[i] * unit[i];
    }
    return to;
  }

  /** Stops from mid grey at an exposure value; −∞ for black. */
  public double stops(float[] weights, double ev) {
    return StrictMath.log(luminance(weights) / DisplayCurve.midGrey(ev)) / StrictMath.log(2);
  }
}

package levelember.measure;

import levelember.film.Film;
import levelember.math.Colour;

/**
 * How far a light's caustics are seen in a picture.
 *
 * @param share of the light's own luminance in the picture, 0…1
 * @param ofPicture the same of the whole picture's, 0…1
 * @param drownedBy number of the light that gives most where the caustics fall, its own direct
 *     light counted; −1 where none fall
 * @param drownedStops by how many stops that is more than the caustics
 */
public record CausticReading(double share, double ofPicture, int drownedBy, double drownedStops) {

  /**
   * Reads a picture.
   *
   * @param film at any size
   * @param weights of the layers, three each
   * @param light number of the light
   */
  public static CausticReading of(Film film, float[] weights, int light) {
    int layers = film.layers();
    double caustics = 0, squares = 0;
    double[] all = new double[layers], there = new double[layers];
    for (int tile = 0; tile < film.tiles(); tile++) {
      double own = caustic(film, weights, light, tile);
      caustics += own;
      squares += own * own;
      for (int k = 0; k < layers; k++) {
        double sum = luminance(film, weights, k, tile);
        all[k] += sum;
        there[k] += own * (k == light ? sum - own : sum);
      }
    }
    double whole = 0;
    int most = -1;
    for (int k = 0; k < layers; k++) {
      whole += all[k];
      most = there[k] > 0 && (most < 0 || there[k] > there[most]) ? k : most;
    }
    boolean seen = squares > 0 && most >= 0;
    return new CausticReading(
        all[light] > 0 ? Math.clamp(caustics / all[light], 0, 1) : 0,
        whole > 0 ? Math.clamp(caustics / whole, 0, 1) : 0,
        seen ? most : -1,
        seen ? StrictMath.log(there[most] / squares) / StrictMath.log(2) : 0);
  }

  /** Luminance that photons brought to a tile, summed over its pixels. */
  private static double caustic(Film film, float[] w, int layer, int tile) {
    int n = film.samples(layer, tile);
    double unit = n == 0 ? 0 : film.gloss().caustic(layer, tile) / (double) n;
    return unit * Colour.luminance(w[3 * layer], w[3 * layer + 1], w[3 * layer + 2]);
  }

  private static double luminance(Film film, float[] w, int layer, int tile) {
    double[] sum = new double[3];
    Reading.unitSum(film, layer, tile, sum);
    return Colour.luminance(
        (float) (w[3 * layer] * sum[0]),
        (float) (w[3 * layer + 1] * sum[1]),
        (float) (w[3 * layer + 2] * sum[2]));
  }
}

package levelember.measure;

import levelember.film.Film;
import levelember.math.Colour;

/**
 * How much of each light's part in a picture reached rough surfaces over smooth ones and was
 * softened or left out there; see {@link levelember.shoot.LightOverGloss}.
 */
public final class GlossReading {
  private final double[][] shown;
  private final double[] softened, leftOut;

  public GlossReading(int layers) {
    shown = new double[layers][3];
    softened = new double[layers];
    leftOut = new double[layers];
  }

  /** The reading of one film. */
  public static GlossReading of(Film film) {
    GlossReading reading = new GlossReading(film.layers());
    reading.add(film);
    return reading;
  }

  /** Adds a band of the picture. */
  public void add(Film film) {
    double[] means = Reading.unitMeans(film);
    double pixels = (double) film.width() * film.height();
    for (int k = 0; k < shown.length; k++) {
      for (int channel = 0; channel < 3; channel++) {
        shown[k][channel] += means[3 * k + channel] * pixels;
      }
      for (int tile = 0; tile < film.tiles(); tile++) {
        int n = film.samples(k, tile);
        if (n > 0) {
          softened[k] += film.gloss().softened(k, tile) / (double) n;
          leftOut[k] += film.gloss().leftOut(k, tile) / (double) n;
        }
      }
    }
  }

  /** Share of a layer's luminance, with what was left out, 0…1. */
  public double share(int layer) {
    double[] rgb = shown[layer];
    double all = Colour.luminance((float) rgb[0], (float) rgb[1], (float) rgb[2]) + leftOut[layer];
    return all > 0 ? Math.clamp((softened[layer] + leftOut[layer]) / all, 0, 1) : 0;
  }

  /**
   * Share of the whole picture's luminance.
   *
   * @param weights of the layers, three each
   */
  public double share(float[] weights) {
    double sum = 0, all = 0;
    for (int k = 0; k < shown.length; k++) {
      double own =
          Colour.luminance(
              (float) (weights[3 * k] * shown[k][0]),
              (float) (weights[3 * k + 1] * shown[k][1]),
              (float) (weights[3 * k + 2] * shown[k][2]));
      sum += share(k) * own;
      all += own;
    }
    return all > 0 ? sum / all : 0;
  }
}

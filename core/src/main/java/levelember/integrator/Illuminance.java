package levelember.integrator;

import levelember.math.Colour;

/**
 * Light that arrives at a place, by layer.
 *
 * @param unit lux of each layer at unit weight, by red, green and blue
 * @param samples that it was measured with
 * @param error relative standard error of the whole
 */
public record Illuminance(double[] unit, int samples, double error) {

  /** Lux that every layer gives with its weights. */
  public double[] lux(float[] weights) {
    double[] to = new double[unit.length / 3];
    for (int k = 0; k < to.length; k++) {
      to[k] =
          Colour.luminance(
              (float) (weights[3 * k] * unit[3 * k]),
              (float) (weights[3 * k + 1] * unit[3 * k + 1]),
              (float) (weights[3 * k + 2] * unit[3 * k + 2]));
    }
    return to;
  }
}

package levelember.surface;

/**
 * Single wavelengths for glass that disperses: what a path of one wavelength adds to red, green and
 * blue, one on the mean over all wavelengths, and the index of refraction there.
 *
 * <p>Colours by the fits of Wyman, Sloan and Shirley 2013, "Simple Analytic Approximations to the
 * CIE XYZ Color Matching Functions", in BT.709 primaries, without negative parts. Indices by
 * Cauchy's two-term formula through the Abbe number's lines d, F and C.
 */
public final class Spectrum {
  private static final double SHORT = 400, LONG = 700;
  private static final double LINE_D = 587.56, LINE_F = 486.13, LINE_C = 656.27;
  private static final int STEPS = 256;
  private static final float[] RESPONSE = new float[3 * STEPS];

  static {
    double[] mean = new double[3];
    double[] rgb = new double[3];
    for (int i = 0; i < STEPS; i++) {
      colour(nanometres((i + 0.5f) / STEPS), rgb);
      for (int k = 0; k < 3; k++) {
        RESPONSE[3 * i + k] = (float) rgb[k];
        mean[k] += rgb[k] / STEPS;
      }
    }
    for (int i = 0; i < RESPONSE.length; i++) {
      RESPONSE[i] /= (float) mean[i % 3];
    }
  }

  private Spectrum() {}

  private static double nanometres(float wave) {
    return SHORT + wave * (LONG - SHORT);
  }

  private static double bell(double x, double height, double middle, double below, double above) {
    double t = (x - middle) * (x < middle ? below : above);
    return height * StrictMath.exp(-0.5 * t * t);
  }

  private static void colour(double nm, double[] to) {
    double x =
        bell(nm, 0.362, 442, 0.0624, 0.0374)
            + bell(nm, 1.056, 599.8, 0.0264, 0.0323)
            - bell(nm, 0.065, 501.1, 0.0490, 0.0382);
    double y = bell(nm, 0.821, 568.8, 0.0213, 0.0247) + bell(nm, 0.286, 530.9, 0.0613, 0.0322);
    double z = bell(nm, 1.217, 437, 0.0845, 0.0278) + bell(nm, 0.681, 459, 0.0385, 0.0725);
    to[0] = Math.max(0, 3.2406 * x - 1.5372 * y - 0.4986 * z);
    to[1] = Math.max(0, -0.9689 * x + 1.8758 * y + 0.0415 * z);
    to[2] = Math.max(0, 0.0557 * x - 0.2040 * y + 1.0570 * z);
  }

  /**
   * What a wavelength adds to a channel.
   *
   * @param wave place in the visible range, [0, 1)
   * @param channel 0 red, 1 green, 2 blue
   */
  public static float response(float wave, int channel) {
    return RESPONSE[3 * Math.min((int) (wave * STEPS), STEPS - 1) + channel];
  }

  /** Index of a glass for a channel, the mean over what wavelengths add to it. */
  static float channelIndex(int channel, double ior, double abbe) {
    double sum = 0;
    for (int i = 0; i < STEPS; i++) {
      sum += RESPONSE[3 * i + channel] * index((i + 0.5f) / STEPS, ior, abbe);
    }
    return (float) (sum / STEPS);
  }

  /** Index at a wavelength of a glass of index {@code ior} at 587.6 nm. */
  static float index(float wave, double ior, double abbe) {
    double b = (ior - 1) / abbe / (1 / (LINE_F * LINE_F) - 1 / (LINE_C * LINE_C));
    double nm = nanometres(wave);
    return (float) (ior + b * (1 / (nm * nm) - 1 / (LINE_D * LINE_D)));
  }
}

package levelember.photometry;

/**
 * The CIE 1931 standard observer, by the fits of Wyman, Sloan and Shirley 2013, "Simple Analytic
 * Approximations to the CIE XYZ Color Matching Functions".
 */
public final class Observer {
  private Observer() {}

  /** X, Y and Z of a wavelength in nm. */
  public static double[] xyz(double nm) {
    double x =
        1.056 * lobe(nm, 599.8, 37.9, 31.0)
            + 0.362 * lobe(nm, 442.0, 16.0, 26.7)
            - 0.065 * lobe(nm, 501.1, 20.4, 26.2);
    double y = 0.821 * lobe(nm, 568.8, 46.9, 40.5) + 0.286 * lobe(nm, 530.9, 16.3, 31.1);
    double z = 1.217 * lobe(nm, 437.0, 11.8, 36.0) + 0.681 * lobe(nm, 459.0, 26.0, 13.8);
    return new double[] {x, y, z};
  }

  private static double lobe(double nm, double mean, double below, double above) {
    double t = (nm - mean) / (nm < mean ? below : above);
    return StrictMath.exp(-0.5 * t * t);
  }

  /** Linear BT.709 of X, Y and Z; negative where the colour lies outside. */
  public static double[] rgb(double x, double y, double z) {
    return new double[] {
      3.2404542 * x - 1.5371385 * y - 0.4985314 * z,
      -0.9692660 * x + 1.8760108 * y + 0.0415560 * z,
      0.0556434 * x - 0.2040259 * y + 1.0572252 * z
    };
  }
}

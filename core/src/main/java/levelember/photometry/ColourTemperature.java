package levelember.photometry;

import levelember.shoot.lighting.LightColour;

/**
 * Colour of a light from its temperature and tint, as linear BT.709 of luminance 1.
 *
 * <p>Up to 4000 K the Planckian locus (Krystek 1985), from 5000 K the CIE daylight locus (CIE 15),
 * blended between. Tint moves across the locus in CIE 1960 uv. Colours outside BT.709 lose their
 * negative part.
 */
public final class ColourTemperature {
  private ColourTemperature() {}

  /** Linear red, green, blue with luminance 1, before the filter. */
  public static double[] rgb(double kelvin, double tint) {
    double[] xy = xy(kelvin, tint);
    double x = xy[0] / xy[1], z = (1 - xy[0] - xy[1]) / xy[1];
    double r = Math.max(0, 3.2404542 * x - 1.5371385 - 0.4985314 * z);
    double g = Math.max(0, -0.9692660 * x + 1.8760108 + 0.0415560 * z);
    double b = Math.max(0, 0.0556434 * x - 0.2040259 + 1.0572252 * z);
    double y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    return new double[] {r / y, g / y, b / y};
  }

  /** The whole colour: temperature, tint and filter. */
  public static double[] rgb(LightColour colour) {
    double[] white = rgb(colour.kelvin(), colour.tint());
    return new double[] {
      white[0] * colour.filter().r(), white[1] * colour.filter().g(), white[2] * colour.filter().b()
    };
  }

  /** CIE 1931 chromaticity of a temperature, moved across the locus by tint/1000 Duv. */
  public static double[] xy(double kelvin, double tint) {
    double[] here = locus(kelvin);
    if (tint == 0) {
      return here;
    }
    double[] uv = uv(here), before = uv(locus(kelvin * 0.99)), after = uv(locus(kelvin * 1.01));
    double du = after[0] - before[0], dv = after[1] - before[1];
    double l = StrictMath.hypot(du, dv);
    double u = uv[0] + tint / 1000 * dv / l, v = uv[1] - tint / 1000 * du / l;
    double d = 2 * u - 8 * v + 4;
    return new double[] {3 * u / d, 2 * v / d};
  }

  private static double[] uv(double[] xy) {
    double d = -2 * xy[0] + 12 * xy[1] + 3;
    return new double[] {4 * xy[0] / d, 6 * xy[1] / d};
  }

  private static double[] locus(double kelvin) {
    if (kelvin <= 4000) {
      return planck(kelvin);
    }
    if (kelvin >= 5000) {
      return daylight(kelvin);
    }
    double f = (kelvin - 4000) / 1000;
    f = f * f * (3 - 2 * f);
    double[] a = planck(kelvin), b = daylight(kelvin);
    return new double[] {a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1])};
  }

  private static double[] planck(double t) {
    double u =
        (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t)
            / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t);
    double v =
        (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t)
            / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t);
    double d = 2 * u - 8 * v + 4;
    return new double[] {3 * u / d, 2 * v / d};
  }

  private static double[] daylight(double t) {
    double i = 1000 / t;
    double x =
        t <= 7000
            ? ((-4.6070 * i + 2.9678) * i + 0.09911) * i + 0.244063
            : ((-2.0064 * i + 1.9018) * i + 0.24748) * i + 0.237040;
    return new double[] {x, -3 * x * x + 2.87 * x - 0.275};
  }
}

package levelember.gel;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Rgb;
import levelember.photometry.ColourTemperature;
import levelember.photometry.Observer;

/**
 * Gels of our own: sheets of dye whose transmission is computed by wavelength (Beer and Lambert:
 * each dye absorbs in a band) and seen by the CIE 1931 observer under daylight of 6504 K, and
 * sheets that shift a white along the locus by a number of mireds.
 */
public final class GelShelf {
  /**
   * A gel.
   *
   * @param name as the artist reads it
   * @param filter what is left of neutral light, linear, 0…1
   */
  public record Gel(String name, Rgb filter) {}

  /** Absorption of a dye: optical density at its middle, nm of middle and half width. */
  private record Dye(double density, double middle, double width) {}

  private static final List<Gel> ALL = all();

  private GelShelf() {}

  /** All gels, in the order of the shelf. */
  public static List<Gel> gels() {
    return ALL;
  }

  private static List<Gel> all() {
    List<Gel> to = new ArrayList<>();
    to.add(shift("Warm, eighth", 20));
    to.add(shift("Warm, quarter", 45));
    to.add(shift("Warm, half", 90));
    to.add(shift("Warm, full", 165));
    to.add(shift("Cold, quarter", -35));
    to.add(shift("Cold, half", -70));
    to.add(shift("Cold, full", -130));
    to.add(dyed("Straw", new Dye(0.5, 440, 40)));
    to.add(dyed("Amber glass", new Dye(1.6, 450, 60)));
    to.add(dyed("Ember", new Dye(1.8, 470, 70), new Dye(0.5, 545, 40)));
    to.add(dyed("Kiln red", new Dye(2.2, 500, 75), new Dye(1.2, 580, 25)));
    to.add(dyed("Rosehip", new Dye(0.8, 530, 45)));
    to.add(dyed("Heather", new Dye(0.9, 570, 50)));
    to.add(dyed("Marsh green", new Dye(0.8, 440, 45), new Dye(1.0, 660, 60)));
    to.add(dyed("Bottle green", new Dye(1.4, 430, 50), new Dye(1.8, 650, 70)));
    to.add(dyed("Lagoon", new Dye(1.2, 640, 70)));
    to.add(dyed("Harbour blue", new Dye(1.6, 620, 80)));
    to.add(dyed("Midnight", new Dye(2.2, 600, 90), new Dye(0.6, 520, 30)));
    to.add(dyed("Violet hour", new Dye(1.6, 570, 55)));
    return List.copyOf(to);
  }

  private static Gel dyed(String name, Dye... dyes) {
    double[] xyz = new double[3], white = new double[3];
    for (double nm = 390; nm <= 730; nm += 5) {
      double um = nm / 1000,
          light = 1 / (StrictMath.pow(um, 5) * (StrictMath.exp(14_388 / (um * 6504)) - 1));
      double density = 0.03;
      for (Dye d : dyes) {
        double t = (nm - d.middle) / d.width;
        density += d.density * StrictMath.exp(-0.5 * t * t);
      }
      double[] o = Observer.xyz(nm);
      for (int k = 0; k < 3; k++) {
        white[k] += light * o[k];
        xyz[k] += light * o[k] * StrictMath.pow(10, -density);
      }
    }
    double[] left = Observer.rgb(xyz[0], xyz[1], xyz[2]);
    double[] all = Observer.rgb(white[0], white[1], white[2]);
    return new Gel(name, rgb(left[0] / all[0], left[1] / all[1], left[2] / all[2]));
  }

  /** A sheet that turns a white of 6504 K into one of so many mireds more. */
  private static Gel shift(String name, double mireds) {
    double[] to = ColourTemperature.rgb(1e6 / (1e6 / 6504 + mireds), 0);
    double[] from = ColourTemperature.rgb(6504, 0);
    double most = 0;
    for (int k = 0; k < 3; k++) {
      to[k] /= from[k];
      most = Math.max(most, to[k]);
    }
    // The best that a dye can do takes a tenth more than the shift needs.
    double scale = 0.9 / most;
    return new Gel(name, rgb(scale * to[0], scale * to[1], scale * to[2]));
  }

  private static Rgb rgb(double r, double g, double b) {
    return new Rgb(round(r), round(g), round(b));
  }

  private static double round(double v) {
    return Math.round(1000 * Math.clamp(v, 0.0, 1.0)) / 1000.0;
  }
}

package levelember.findings.surroundings;

import java.util.List;
import java.util.Locale;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Edits;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.math.Colour;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;

/** Plates of eight bits that are shown so bright that single steps of their codes are seen. */
public final class PlateBanding implements Check {
  private static final double SEEN_CODES = 2, GRAIN = 0.012, GRAIN_SIZE = 0.15;
  private static final int DARKEST = 12, CODES = 255;

  /** Share of the plate that has to lie in steps that are seen. */
  private static final double LEAST_SHARE = 0.1;

  @Override
  public void look(Inspection in, List<Finding> to) {
    for (int k = 0; k < in.byLight.length; k++) {
      Light light = in.light(k);
      if (in.lit(k) && light.emitter() instanceof Emitter.Plate p && ofCodes(p.picture())) {
        at(in, k, light, in.files.pictures().picture(p.picture()), to);
      }
    }
  }

  private static boolean ofCodes(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    return n.endsWith(".jpg") || n.endsWith(".jpeg") || n.endsWith(".png");
  }

  private static void at(Inspection in, int number, Light light, Picture plate, List<Finding> to) {
    double weight =
        Colour.luminance(
                in.weights[3 * number], in.weights[3 * number + 1], in.weights[3 * number + 2])
            * StrictMath.pow(2, in.look.plate().stops());
    int[] histogram = new int[CODES + 1];
    int n = plate.width() * plate.height();
    for (int i = 0; i < n; i++) {
      float l =
          Colour.luminance(plate.rgb()[3 * i], plate.rgb()[3 * i + 1], plate.rgb()[3 * i + 2]);
      histogram[(int) Math.clamp(Math.rint(CODES * encoded(l)), 0, CODES)]++;
    }
    double worst = 0;
    int coarse = 0;
    for (int code = DARKEST; code < CODES; code++) {
      double a = encoded(in.displayOf(weight * linear(code)));
      double b = encoded(in.displayOf(weight * linear(code + 1)));
      if (CODES * (b - a) >= SEEN_CODES) {
        coarse += histogram[code];
        worst = Math.max(worst, CODES * (b - a));
      }
    }
    if (coarse < LEAST_SHARE * n || in.look.optics().grain() >= GRAIN) {
      return;
    }
    to.add(
        new Finding(
            Finding.Kind.PLATE_BANDING,
            light.id(),
            null,
            0.25,
            String.format(
                Locale.ROOT,
                "One step of %s is shown as %.1f steps of the display.",
                light.name(),
                worst),
            "Even parts of the plate, as a sky, fall into bands. A little grain hides them; a plate"
                + " of sixteen bits has none.",
            null,
            List.of(
                new Finding.Mend(
                    "Add a little grain",
                    Edits.look(
                        in.shoot, in.shot, l -> l.with(l.optics().grained(GRAIN, GRAIN_SIZE)))))));
  }

  /** The sRGB code of a linear value, 0…1. */
  private static double encoded(double linear) {
    double v = Math.clamp(linear, 0, 1);
    return v <= 0.0031308 ? 12.92 * v : 1.055 * StrictMath.pow(v, 1 / 2.4) - 0.055;
  }

  private static double linear(int code) {
    double v = (double) code / CODES;
    return v <= 0.04045 ? v / 12.92 : StrictMath.pow((v + 0.055) / 1.055, 2.4);
  }
}

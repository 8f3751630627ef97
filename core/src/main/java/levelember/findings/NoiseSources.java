package levelember.findings;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import levelember.caustics.CausticPhotons;
import levelember.edit.CausticSetup;
import levelember.findings.inspection.Check;
import levelember.findings.inspection.Finding;
import levelember.findings.inspection.Inspection;
import levelember.findings.inspection.Words;
import levelember.look.DisplayCurve;
import levelember.noise.Noise;
import levelember.noise.PixelNoise;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Light;
import levelember.shoot.material.Material;

/**
 * The light, and the material it falls on, that make most of the noise, with the samples needed.
 */
final class NoiseSources implements Check {
  private static final double NOISY = 0.1, MOST_OF_IT = 0.6, WANTED = 0.05;
  private static final int LEAST_SAMPLES = 4;

  /**
   * Variance of a picture by where it comes from.
   *
   * @param all of it
   * @param byLight of every light's layer
   * @param byPiece of the pixels that show each piece; the last is of those behind the set
   */
  private record Variance(double all, double[] byLight, double[] byPiece) {}

  @Override
  public void look(Inspection in, List<Finding> to) {
    if (in.traced.samples() < LEAST_SAMPLES) {
      return;
    }
    double whole = Noise.of(in.traced, in.weights, DisplayCurve.fullScale(in.look.ev())).whole();
    if (!(whole > NOISY)) {
      return;
    }
    Variance variance = variance(in);
    int layer = greatest(variance.byLight());
    boolean oneLight =
        in.traced.layers() > 1 && variance.byLight()[layer] >= MOST_OF_IT * variance.all();
    Material material = noisiest(in, variance);
    if (oneLight || material != null) {
      to.add(finding(in, whole, variance, oneLight ? in.light(layer) : null, material));
    }
  }

  private static Variance variance(Inspection in) {
    int layers = in.traced.layers(), behind = in.shoot.pieces().size();
    double[] byLight = new double[layers], byPiece = new double[behind + 1];
    double all = 0;
    for (int k = 0; k < layers; k++) {
      float[] alone = new float[in.weights.length];
      System.arraycopy(in.weights, 3 * k, alone, 3 * k, 3);
      float[] error = PixelNoise.of(in.traced, alone, 0, in.traced.height());
      for (int i = 0; i < error.length; i++) {
        double squared = (double) error[i] * error[i];
        int cell = in.cellOf(i % in.traced.width(), i / in.traced.width());
        byLight[k] += squared;
        byPiece[cell < 0 || in.piece[cell] < 0 ? behind : in.piece[cell]] += squared;
        all += squared;
      }
    }
    return new Variance(all, byLight, byPiece);
  }

  private static int greatest(double[] of) {
    int at = 0;
    for (int k = 1; k < of.length; k++) {
      at = of[k] > of[at] ? k : at;
    }
    return at;
  }

  private static Map<String, Double> byMaterial(Inspection in, Variance variance) {
    Map<String, Double> to = new HashMap<>();
    for (int p = 0; p < in.shoot.pieces().size(); p++) {
      String id = in.shoot.pieces().get(p).material();
      if (id != null) {
        to.merge(id, variance.byPiece()[p], Double::sum);
      }
    }
    return to;
  }

  /** The material on which most of the noise is seen; null where none has most of it. */
  private static Material noisiest(Inspection in, Variance variance) {
    Map<String, Double> by = byMaterial(in, variance);
    return in.shoot.materials().stream()
        .filter(m -> by.getOrDefault(m.id(), 0.0) >= MOST_OF_IT * variance.all())
        .findFirst()
        .orElse(null);
  }

  private static Finding finding(
      Inspection in, double whole, Variance variance, Light light, Material material) {
    String where =
        material == null
            ? ""
            : Words.percent(byMaterial(in, variance).get(material.id()) / variance.all())
                + " of the noise is seen on "
                + material.name();
    String whose =
        light == null
            ? ""
            : Words.percent(variance.byLight()[in.shoot.lights().indexOf(light)] / variance.all())
                + (material == null ? " of the noise is of " : " is of ")
                + light.name();
    double needed = in.traced.meanSamples() * whole * whole / WANTED / WANTED;
    return new Finding(
        Finding.Kind.NOISE,
        light == null ? null : light.id(),
        null,
        0.2,
        String.format(
            Locale.ROOT,
            "%s%s%s; about %.0f samples would bring the picture to %s.",
            where,
            material == null || light == null ? "" : ", ",
            whose,
            needed,
            Words.percent(WANTED)),
        "A print needs that many samples, or denoising. A larger or nearer source, or less"
            + " of its light, is quieter.",
        material == null ? null : in.region(shows(in, material)),
        mends(in, light));
  }

  private static boolean[] shows(Inspection in, Material material) {
    boolean[] to = new boolean[in.cells()];
    for (int i = 0; i < to.length; i++) {
      to[i] =
          in.piece[i] >= 0 && material.id().equals(in.shoot.pieces().get(in.piece[i]).material());
    }
    return to;
  }

  /**
   * Photons, for a lamp whose light paths would have to find through glass or over mirrors; nothing
   * where photons carry its light already.
   */
  private static List<Finding.Mend> mends(Inspection in, Light light) {
    Shoot shoot = in.shoot;
    if (light == null
        || !CausticSetup.isLamp(shoot, light)
        || CausticPhotons.carry(in.view.scene(), shoot.lights().indexOf(light))) {
      return List.of();
    }
    CausticSetup setup = CausticSetup.forLight(shoot, light.id());
    return setup.steps().stream().anyMatch(s -> s.kind() == CausticSetup.Kind.NO_SMOOTH_PIECE)
        ? List.of()
        : List.of(new Finding.Mend("Cast caustics of " + light.name(), setup.shoot()));
  }
}

package levelember.findings;

import java.util.List;
import java.util.Locale;
import levelember.film.Noise;
import levelember.film.PixelNoise;
import levelember.look.DisplayCurve;
import levelember.shoot.Light;

/** The light that makes most of the noise, with the samples that it would take. */
final class NoisyLights implements Check {
  private static final double NOISY = 0.1, MOST_OF_IT = 0.6, WANTED = 0.05;
  private static final int LEAST_SAMPLES = 4;

  @Override
  public void look(Inspection in, List<Finding> to) {
    int samples = in.traced.samples(), layers = in.traced.layers();
    if (samples < LEAST_SAMPLES || layers < 2) {
      return;
    }
    double whole = Noise.of(in.traced, in.weights, DisplayCurve.fullScale(in.look.ev())).whole();
    if (!(whole > NOISY)) {
      return;
    }
    double all = 0, most = 0;
    int whose = 0;
    for (int k = 0; k < layers; k++) {
      float[] alone = new float[in.weights.length];
      System.arraycopy(in.weights, 3 * k, alone, 3 * k, 3);
      double own = 0;
      for (float e : PixelNoise.of(in.traced, alone, 0, in.traced.height())) {
        own += (double) e * e;
      }
      all += own;
      if (own > most) {
        most = own;
        whose = k;
      }
    }
    if (most < MOST_OF_IT * all) {
      return;
    }
    Light light = in.light(whose);
    double needed = in.traced.meanSamples() * whole * whole / WANTED / WANTED;
    to.add(
        new Finding(
            Finding.Kind.NOISE,
            light.id(),
            null,
            0.2,
            String.format(
                Locale.ROOT,
                "%s of the noise is of %s; about %.0f samples would bring the picture to %s.",
                Words.percent(most / all),
                light.name(),
                needed,
                Words.percent(WANTED)),
            "A print needs that many samples, or denoising. A larger or nearer source, or less"
                + " of its light, is quieter.",
            null,
            List.of()));
  }
}

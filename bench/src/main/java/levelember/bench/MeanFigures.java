package levelember.bench;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Colour;
import levelember.photometry.LayerWeights;
import levelember.texture.Picture;

/**
 * What denoising does to the amount of light: the mean luminance of the denoised picture against
 * that of the samples that it is made of, in percent, of the whole and of the layer that it changes
 * most of those with a hundredth of the light. Both are means over all pixels in cd/m², so that
 * noise in the samples counts on either side.
 */
final class MeanFigures {
  private static final int[] SAMPLES = {4, 16, 64};
  private static final double LEAST_SHARE = 0.01;

  private MeanFigures() {}

  /**
   * @param shoots names of the demo shoots; all when empty
   * @param others the second shots
   */
  static Map<String, Object> measured(Set<String> shoots, boolean others) {
    Map<String, Object> to = new LinkedHashMap<>();
    for (CleanFigures.Case of : CleanFigures.cases(shoots, others)) {
      Map<String, Object> figures = new LinkedHashMap<>();
      for (int n : SAMPLES) {
        Film film = Films.traced(of.view(), n, 1);
        figures.put(n + " samples", change(of, film, Denoiser.denoised(film)));
      }
      to.put(of.name(), figures);
    }
    return to;
  }

  private static Map<String, Object> change(CleanFigures.Case of, Film film, Film clean) {
    double traced = mean(LayerMix.picture(film, of.weights()));
    double denoised = mean(LayerMix.picture(clean, of.weights()));
    Map<String, Object> to = new LinkedHashMap<>();
    to.put("whole, percent", 100 * (denoised / traced - 1));
    double worst = 0;
    String name = "";
    for (int k = 0; k < film.layers(); k++) {
      float[] one = new float[of.weights().length];
      float[] own = LayerWeights.of(of.view().shoot(), of.view().shoot().lights().get(k));
      System.arraycopy(own, 0, one, 3 * k, 3);
      double before = mean(LayerMix.picture(film, one));
      double change = mean(LayerMix.picture(clean, one)) / before - 1;
      if (before > LEAST_SHARE * traced && Math.abs(change) > Math.abs(worst)) {
        worst = change;
        name = of.view().shoot().lights().get(k).name();
      }
    }
    to.put("worst layer, percent", 100 * worst);
    to.put("worst layer", name);
    return to;
  }

  private static double mean(Picture of) {
    float[] rgb = of.rgb();
    double sum = 0;
    for (int i = 0; i < rgb.length; i += 3) {
      sum += Colour.luminance(rgb[i], rgb[i + 1], rgb[i + 2]);
    }
    return 3 * sum / rgb.length;
  }
}

package levelember.bench;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import levelember.integrator.Renderer;
import levelember.texture.Picture;
import levelember.upsampling.DenoisedLadder;
import levelember.upsampling.Ladder;

/**
 * How far the amount of light that the page shows is from the limit at each step of its ladder: of
 * the whole picture, and of the block that is furthest off. Light is exposed and cut at full scale,
 * as a display has it, and linear; the limit has all light over gloss and 256 samples, the page's
 * picture what the shoot says.
 */
final class LadderFigures {
  /** Pixels of a block's side: of a picture of 640×360, 64. */
  private static final int BLOCK = 32;

  /** Share of full scale that is added to a block's own, so that black ones do not count. */
  private static final double FLOOR = 0.02;

  private static final int[] SAMPLES = {1, 2, 3, 4, 8, 16};

  private LadderFigures() {}

  /**
   * @param shoots names of the demo shoots; all when empty
   * @param kept folder where references are kept and found again, or null
   * @param others the second shots
   */
  static Map<String, Object> measured(Set<String> shoots, Path kept, boolean others) {
    Map<String, Object> to = new LinkedHashMap<>();
    for (CleanFigures.Case of : CleanFigures.cases(shoots, others)) {
      to.put(of.name(), ladder(of, kept));
    }
    return to;
  }

  private static Map<String, Object> ladder(CleanFigures.Case of, Path kept) {
    Picture a = CleanFigures.reference(of, 2, kept), b = CleanFigures.reference(of, 3, kept);
    float[] limit = a.rgb();
    for (int i = 0; i < limit.length; i++) {
      limit[i] = (linear(limit[i]) + linear(b.rgb()[i])) / 2;
    }
    Map<String, Object> figures = new LinkedHashMap<>();
    Ladder ladder = new Ladder(CleanFigures.WIDTH, CleanFigures.HEIGHT, of.view().layers());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      for (int most : SAMPLES) {
        for (Ladder.Step s = ladder.next(most, true); s != null; s = ladder.next(most, true)) {
          renderer.trace(of.shown(), s.film(), s.samples(), () -> false);
          denoised.renew(ladder, () -> false);
          Picture shown = denoised.ladder().mix(of.weights());
          figures.put(SharpFigures.name(s), off(CleanFigures.display(of, shown), limit));
        }
      }
    }
    return figures;
  }

  /** What {@link CleanFigures#display} has taken the root of. */
  private static float linear(float display) {
    return display * display;
  }

  private static String off(Picture shown, float[] limit) {
    int columns = (shown.width() + BLOCK - 1) / BLOCK, rows = (shown.height() + BLOCK - 1) / BLOCK;
    double[] own = new double[columns * rows], wanted = new double[columns * rows];
    int[] pixels = new int[columns * rows];
    for (int i = 0; i < limit.length; i++) {
      int x = i / 3 % shown.width(), y = i / 3 / shown.width();
      int block = y / BLOCK * columns + x / BLOCK;
      own[block] += linear(shown.rgb()[i]);
      wanted[block] += limit[i];
      pixels[block]++;
    }
    double sum = 0, all = 0, worst = 0;
    int at = 0;
    for (int i = 0; i < own.length; i++) {
      sum += own[i];
      all += wanted[i];
      double off = (own[i] - wanted[i]) / (wanted[i] + FLOOR * pixels[i]);
      if (Math.abs(off) > Math.abs(worst)) {
        worst = off;
        at = i;
      }
    }
    return String.format(
        Locale.ROOT,
        "mean %+.2f %%, worst block %+.1f %% (column %d, row %d)",
        100 * (sum / all - 1),
        100 * worst,
        at % columns + 1,
        at / columns + 1);
  }
}

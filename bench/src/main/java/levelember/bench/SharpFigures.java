package levelember.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import levelember.formats.picture.PngFile;
import levelember.integrator.Renderer;
import levelember.texture.Picture;
import levelember.upsampling.DenoisedLadder;
import levelember.upsampling.Ladder;

/**
 * How far the picture that the page shows is from the limit at each step of its ladder, from an
 * eighth of its size to whole samples, and how long each step takes. Errors as in {@link
 * CleanFigures}.
 */
final class SharpFigures {
  private static final int MOST = 4;

  private SharpFigures() {}

  /**
   * @param shoots names of the demo shoots; all when empty
   * @param kept folder where references are kept and found again, or null
   * @param others pictures on which nothing was tuned: the second shots
   * @param pictures folder for what each step shows, or null
   */
  static Map<String, Object> measured(
      Set<String> shoots, Path kept, boolean others, Path pictures) {
    Map<String, Object> to = new LinkedHashMap<>();
    Map<String, double[]> sums = new LinkedHashMap<>();
    for (CleanFigures.Case of : CleanFigures.cases(shoots, others)) {
      to.put(of.name(), ladder(of, kept, pictures, sums));
    }
    Map<String, Object> means = new LinkedHashMap<>();
    sums.forEach((name, sum) -> means.put(name, sum[0] / sum[1]));
    to.put("mean", means);
    return to;
  }

  private static Map<String, Object> ladder(
      CleanFigures.Case of, Path kept, Path pictures, Map<String, double[]> sums) {
    Picture a = CleanFigures.reference(of, 2, kept), b = CleanFigures.reference(of, 3, kept);
    Map<String, Object> figures = new LinkedHashMap<>();
    Ladder ladder = new Ladder(CleanFigures.WIDTH, CleanFigures.HEIGHT, of.view().layers());
    DenoisedLadder denoised = new DenoisedLadder(ladder);
    int cores = Runtime.getRuntime().availableProcessors();
    try (Renderer renderer = new Renderer(cores, Renderer.USUAL_BOUNCES, 1)) {
      for (int most = 1; most <= MOST; most++) {
        for (Ladder.Step s = ladder.next(most, true); s != null; s = ladder.next(most, true)) {
          long begin = System.nanoTime();
          renderer.trace(of.view(), s.film(), s.samples(), () -> false);
          long traced = System.nanoTime();
          denoised.renew(ladder, () -> false);
          long renewed = System.nanoTime();
          String name = name(s);
          figures.put(name + ", traced in s", (traced - begin) / 1e9);
          figures.put(name + ", brought up in s", (renewed - traced) / 1e9);
          Picture shown = denoised.ladder().mix(of.weights());
          CleanFigures.put(figures, sums, name, CleanFigures.display(of, shown), a, b);
          save(shown, pictures, of.name() + " " + figures.size() + " " + name);
        }
      }
    }
    return figures;
  }

  private static void save(Picture display, Path folder, String name) {
    if (folder == null) {
      return;
    }
    byte[] codes = new byte[display.rgb().length];
    for (int i = 0; i < codes.length; i++) {
      codes[i] = (byte) Math.round(255 * display.rgb()[i]);
    }
    try {
      Files.createDirectories(folder);
      Files.write(
          folder.resolve(name.replaceAll("[^\\p{L}\\p{N}]+", "-") + ".jpg"),
          PngFile.jpeg(codes, display.width(), display.height(), 0.95f));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static String name(Ladder.Step step) {
    return step.film().surfacesOnly()
        ? "surfaces × " + step.samples()
        : (step.film().step() > 1 ? "1/" + step.film().step() : "full") + " × " + step.samples();
  }
}

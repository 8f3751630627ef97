package levelember.printing.frame;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import levelember.printing.film.PrintFilm;
import levelember.printing.order.PrintOrder;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;

/** What the files of a print say about it besides the picture. */
public final class PrintText {
  private PrintText() {}

  /**
   * Texts by name.
   *
   * @param program class of the program that prints, whose package has a version
   */
  public static Map<String, String> of(
      Class<?> program, PrintFilm film, Shoot shoot, Shot shot, Look look, PrintOrder order) {
    String version = program.getPackage().getImplementationVersion();
    Map<String, String> text = new LinkedHashMap<>();
    text.put("Software", "Level Ember " + (version == null ? "unknown" : version));
    text.put("Shoot", shoot.name());
    text.put("Shot", shot.name());
    text.put("Look", look.name());
    text.put("Samples", String.format(Locale.ROOT, "%.1f", film.samples()));
    if (Double.isFinite(film.noise())) {
      text.put("Noise", String.format(Locale.ROOT, "%.2f %%", 100 * film.noise()));
    }
    text.put("Denoised", order.denoise() ? "yes" : "no");
    text.put("Seed", Integer.toString(order.seed()));
    return text;
  }
}

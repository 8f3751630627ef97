package levelember.app.print;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import levelember.app.live.schedule.Background;
import levelember.app.problem.Refusal;
import levelember.app.shoot.Shoots;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.measure.Reading;
import levelember.photometry.LayerWeights;
import levelember.printing.sheet.ContactSheet;
import levelember.printing.sheet.LightReport;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.look.Look;
import org.springframework.stereotype.Service;

/** Sheets of paper about a shoot, as PDF. */
@Service
class Sheets {
  private static final int WIDTH = 480, HEIGHT = 270, SAMPLES = 12;
  private static final int SHARE_WIDTH = 96, SHARE_HEIGHT = 54, SHARE_SAMPLES = 4;
  private static final int MOST_SHOTS = 48;

  private final Shoots shoots;

  Sheets(Shoots shoots) {
    this.shoots = shoots;
  }

  private static Renderer renderer() {
    return new Renderer(
        Runtime.getRuntime().availableProcessors(),
        Renderer.USUAL_BOUNCES,
        1,
        task -> Background.thread(task, "ember-sheet"));
  }

  /** The rig on paper; shares of the picture are those of a shot. */
  byte[] lights(String id, String shotId) throws IOException {
    ShootPackage pack = shoots.pack(id);
    Shoot shoot = pack.shoot();
    Shot shot =
        shotId == null
            ? shoot.shots().getFirst()
            : shoot
                .shot(shotId)
                .orElseThrow(() -> Refusal.missing("There is no shot '" + shotId + "'."));
    View view = View.of(shoot, shot, pack.files());
    Film film = new Film(SHARE_WIDTH, SHARE_HEIGHT, view.layers());
    try (Renderer renderer = renderer()) {
      renderer.trace(view, film, SHARE_SAMPLES, () -> false);
    }
    double[] means = Reading.weighed(Reading.unitMeans(film), LayerWeights.of(shoot));
    double sum = 0;
    for (double mean : means) {
      sum += mean;
    }
    Map<String, Double> shares = new LinkedHashMap<>();
    for (int i = 0; i < means.length && sum > 0; i++) {
      shares.put(shoot.lights().get(i).id(), means[i] / sum);
    }
    return LightReport.write(view, shares);
  }

  /** Pictures of all shots. */
  byte[] contact(String id) throws IOException {
    ShootPackage pack = shoots.pack(id);
    Shoot shoot = pack.shoot();
    Scene scene = Scene.of(shoot, pack.files());
    List<ContactSheet.Frame> frames = new ArrayList<>();
    try (Renderer renderer = renderer()) {
      for (Shot shot : shoot.shots().subList(0, Math.min(MOST_SHOTS, shoot.shots().size()))) {
        View view = new View(scene, shot);
        Film film = new Film(WIDTH, HEIGHT, view.layers());
        renderer.trace(view, film, SAMPLES, () -> false);
        Look look = shoot.lookOf(shot);
        byte[] codes =
            new Development(look, pack.files().luts())
                .codes(
                    LayerMix.picture(Denoiser.denoised(film), LayerWeights.of(shoot)),
                    LookInputs.NONE);
        frames.add(
            new ContactSheet.Frame(
                picture(codes),
                shot.name(),
                String.format(
                    Locale.ROOT,
                    "%.0f mm, f/%.1f, look %s, EV %.1f",
                    shot.focalLengthMm(),
                    shot.fStop(),
                    look.name(),
                    look.ev())));
      }
    }
    return ContactSheet.write(shoot.name() + ": shots", frames);
  }

  private static BufferedImage picture(byte[] codes) {
    BufferedImage to = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    for (int i = 0; i < WIDTH * HEIGHT; i++) {
      int r = codes[3 * i] & 255, g = codes[3 * i + 1] & 255, b = codes[3 * i + 2] & 255;
      to.setRGB(i % WIDTH, i / WIDTH, r << 16 | g << 8 | b);
    }
    return to;
  }
}

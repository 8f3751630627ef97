package levelember.app.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import levelember.app.asset.Assets;
import levelember.app.live.schedule.Background;
import levelember.app.shoot.FirstStart;
import levelember.app.shoot.Shoots;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.formats.document.ShootDocument;
import levelember.formats.picture.LayersFile;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.measure.Reading;
import levelember.noise.Noise;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Light;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Takes proofs of every demo shoot at the first start, in the background: each is traced once, and
 * its layers give the picture by its strongest light alone, with that light two stops down, and as
 * it is lit.
 */
@Component
class FirstProofs {
  private static final Logger LOG = LoggerFactory.getLogger(FirstProofs.class);
  private static final int WIDTH = 640, HEIGHT = 360, SAMPLES = 4, SEED = 1;
  private static final double STOPS_DOWN = -2;

  private final FirstStart start;
  private final Shoots shoots;
  private final Assets assets;
  private final ProofPictures pictures;
  private final Proofs proofs;
  private final boolean wanted;

  FirstProofs(
      FirstStart start,
      Shoots shoots,
      Assets assets,
      ProofPictures pictures,
      Proofs proofs,
      @Value("${ember.demo-proofs}") boolean wanted) {
    this.start = start;
    this.shoots = shoots;
    this.assets = assets;
    this.pictures = pictures;
    this.proofs = proofs;
    this.wanted = wanted;
  }

  /** A state of the rig, and what is written on its proof. */
  private record Idea(String name, String note, boolean star, Shoot shoot) {}

  /** What was traced of a shoot. */
  private record Traced(Film clean, double noise, double seconds) {}

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    if (wanted && start.first()) {
      Background.thread(this::takeAll, "ember-first-proofs").start();
    }
  }

  private void takeAll() {
    int number = 0;
    for (Shoots.Title title : shoots.titles()) {
      try {
        take(title.id(), --number);
      } catch (RuntimeException e) {
        LOG.warn("No proofs of the demo shoot '{}' are taken", title.name(), e);
      }
    }
  }

  /**
   * Takes the proofs of a shoot.
   *
   * @param number below 0, where no proof that is kept has its number
   */
  void take(String id, long number) {
    Shoot shoot = shoots.shoot(id);
    Shot shot = shoot.shots().getFirst();
    Traced traced = traced(shoot, shot, id);
    List<String> lights = shoot.lights().stream().map(Light::id).toList();
    byte[] layers = LayersFile.write(traced.clean(), lights);
    ProofPictures.StoredProof kept =
        new ProofPictures.StoredProof(number, id, shot.id(), null, shoot, LayersFile.read(layers));
    for (Idea idea : ideas(shoot, traced.clean())) {
      ProofMapper.Fresh fresh = new ProofMapper.Fresh();
      fresh.shoot = id;
      fresh.name = idea.name();
      fresh.shot = shot.id();
      fresh.shotName = shot.name();
      fresh.width = traced.clean().width();
      fresh.height = traced.clean().height();
      fresh.samples = SAMPLES;
      fresh.noisePercent = Double.isFinite(traced.noise()) ? 100 * traced.noise() : null;
      fresh.tracedSeconds = traced.seconds();
      fresh.document = ShootDocument.tree(idea.shoot()).toString();
      fresh.picture = pictures.png(kept, idea.shoot());
      fresh.layers = layers;
      proofs.keep(fresh, idea.note(), idea.star());
    }
  }

  private Traced traced(Shoot shoot, Shot shot, String id) {
    long begin = System.nanoTime();
    View view = View.of(shoot, shot, assets.files(id));
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer =
        new Renderer(
            1,
            Renderer.USUAL_BOUNCES,
            SEED,
            task -> Background.thread(task, "ember-first-proofs"))) {
      renderer.trace(view, film, SAMPLES, () -> false);
    }
    double seconds = (System.nanoTime() - begin) / 1e9;
    double fullScale = DisplayCurve.fullScale(shoot.lookOf(shot).ev());
    double noise = Noise.of(film, LayerWeights.of(shoot), fullScale).whole();
    return new Traced(Denoiser.denoised(film), noise, seconds);
  }

  private static List<Idea> ideas(Shoot shoot, Film film) {
    double[] means = Reading.means(film, LayerWeights.of(shoot));
    int strongest = 0;
    double sum = 0;
    for (int k = 0; k < means.length; k++) {
      sum += means[k];
      strongest = means[k] > means[strongest] ? k : strongest;
    }
    Light main = shoot.lights().get(strongest);
    String share = String.format(Locale.ROOT, "%.0f %%", 100 * means[strongest] / sum);
    return List.of(
        new Idea(
            main.name() + " alone",
            "The strongest light by itself: " + share + " of the picture.",
            false,
            changed(shoot, strongest, l -> l.with(to -> to.solo(true)))),
        new Idea(
            main.name() + " two stops down",
            "What the other lights do where the strongest stands back.",
            false,
            changed(
                shoot,
                strongest,
                l -> l.withLevelStops(Math.max(-10, l.levelStops() + STOPS_DOWN)))),
        new Idea("As it is lit", "The rig as the shoot comes.", true, shoot));
  }

  private static Shoot changed(Shoot shoot, int number, Function<Light, Light> change) {
    List<Light> lights = new ArrayList<>(shoot.lights());
    lights.set(number, change.apply(lights.get(number)));
    return shoot.withRig(lights, shoot.banks(), shoot.masterStops());
  }
}

package levelember.integrator;

import java.util.ArrayList;
import java.util.List;
import levelember.denoise.Denoiser;
import levelember.film.Film;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;

/**
 * Small denoised films of a view with one of its surrounding pictures turned; only that light's
 * layer is traced anew for a turn. Not for several threads.
 */
public final class TurnedEnvironment implements AutoCloseable {
  private static final int SEED = 1, SAMPLES = 8, BOUNCES = 6;

  private final SceneAssets files;
  private final int light;
  private final Renderer renderer;
  private final Film still;
  private View view;

  /**
   * Traces the view as it stands.
   *
   * @param light number of a light that is an {@link Emitter.Environment}
   * @param width of the films, pixels
   * @param height of the films, pixels
   */
  public TurnedEnvironment(View view, SceneAssets files, int light, int width, int height) {
    this.view = view;
    this.files = files;
    this.light = light;
    renderer = new Renderer(Runtime.getRuntime().availableProcessors(), BOUNCES, SEED);
    still = new Film(width, height, view.layers());
    renderer.trace(view, still, SAMPLES, () -> false);
  }

  /** The film with the surrounding turned to some degrees. */
  public Film at(double degrees) {
    Shoot before = view.shoot();
    List<Light> lights = new ArrayList<>(before.lights());
    Light own = lights.get(light);
    Emitter.Environment e = (Emitter.Environment) own.emitter();
    lights.set(light, own.with(l -> l.emitter(e.turned(degrees))));
    Shoot after = before.withRig(lights, before.banks(), before.masterStops());
    EditCost cost = EditCost.between(before, view.shot(), after, view.shot());
    view = view.next(after, view.shot(), files, cost);
    int[] kept = new int[view.layers()];
    for (int k = 0; k < kept.length; k++) {
      kept[k] = k == light ? -1 : k;
    }
    Film film = still.withLayers(kept);
    renderer.trace(view, film, SAMPLES, () -> false);
    return Denoiser.denoised(film);
  }

  @Override
  public void close() {
    renderer.close();
  }
}

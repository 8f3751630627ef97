package levelember.app.live.reading;

import levelember.app.live.schedule.Background;
import levelember.demo.DemoShoots;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.Development;
import levelember.look.LookInputs;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Traces and shows a small picture after the start, so that the compiler has seen the kernel before
 * a page.
 */
@Component
class WarmUp {
  private static final long NANOS = 3_000_000_000L;
  private static final long LOOK_NANOS = 1_500_000_000L;

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    Background.thread(this::run, "ember-warm-up").start();
  }

  private void run() {
    String first = DemoShoots.names().iterator().next();
    ShootPackage pack = DemoShoots.make(first);
    View view = View.of(pack.shoot(), pack.shoot().shots().getFirst(), pack.pictures());
    Film film = new Film(160, 90, view.layers());
    long end = System.nanoTime() + NANOS;
    try (Renderer renderer =
        new Renderer(
            1, Renderer.USUAL_BOUNCES, 1, task -> Background.thread(task, "ember-warm-up"))) {
      renderer.trace(view, film, 64, () -> System.nanoTime() > end);
    }
    look(pack, film);
  }

  /** Shows the picture through the look until its kernels are compiled too. */
  private static void look(ShootPackage pack, Film film) {
    Shoot shoot = pack.shoot();
    Look worn = shoot.lookOf(shoot.shots().getFirst());
    Picture light = LayerMix.picture(film, LayerWeights.of(shoot));
    long end = System.nanoTime() + LOOK_NANOS;
    for (int i = 0; System.nanoTime() < end; i++) {
      new Development(worn.exposed(i % 8 / 8.0), pack.files().luts()).codes(light, LookInputs.NONE);
    }
  }
}

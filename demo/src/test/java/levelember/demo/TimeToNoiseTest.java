package levelember.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.look.DisplayCurve;
import levelember.noise.Convergence;
import levelember.noise.Noise;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import org.junit.jupiter.api.Test;

/** What is said to be left of a demo's rendering, with rays for time so that no machine matters. */
class TimeToNoiseTest {
  private static final double WANTED = 0.05;

  private record Said(double noise, double spent, double left) {}

  @Test
  void theTimeLeftIsRightWithinAFactorOfOneAndAHalfFromTenPercentOn() {
    ShootPackage pack = DemoShoots.make("armillary");
    Shoot shoot = pack.shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), pack.pictures());
    float[] weights = LayerWeights.of(shoot);
    double fullScale = DisplayCurve.fullScale(shoot.looks().getFirst().ev());
    Film film = new Film(240, 135, view.layers());
    Convergence convergence = new Convergence();
    List<Said> said = new ArrayList<>();
    double spent, end;
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1)) {
      spent = renderer.trace(view, film, 8, () -> false).all() / 1e6;
      Noise noise = Noise.of(film, weights, fullScale);
      while (noise.whole() > WANTED) {
        convergence.note(spent, noise.whole());
        said.add(new Said(noise.whole(), spent, convergence.secondsTo(WANTED)));
        spent += renderer.refine(view, film, noise, WANTED, 1 << 14, () -> false).all() / 1e6;
        noise = Noise.of(film, weights, fullScale);
      }
      end = spent;
    }
    assertThat(said).anyMatch(s -> s.noise <= 0.1 && s.noise > 0.08);
    for (Said s : said) {
      // A pass is done whole and gives the noisier half of the tiles a quarter more: of what is
      // left at the end, up to a quarter of all, it is too large a part.
      if (s.noise <= 0.1 && end - s.spent > 0.25 * end) {
        assertThat(s.left)
            .as(s.toString() + ", ended after " + end)
            .isBetween((end - s.spent) / 1.5, (end - s.spent) * 1.5);
      }
    }
  }
}

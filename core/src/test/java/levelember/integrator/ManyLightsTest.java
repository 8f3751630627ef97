package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import levelember.Sets;
import levelember.film.Film;
import levelember.math.Vec3;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.piece.Shape;
import org.junit.jupiter.api.Test;

/** A key with ever more small lamps beside it, which are drawn by what they contribute. */
class ManyLightsTest {
  private static final int SIDE = 12, SEEDS = 24, SAMPLES = 4;

  private static Shoot keyAnd(int lamps) {
    Sets sets =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .piece("ball", new Shape.Sphere(0.3), "white", new Vec3(0, 0.3, 0))
            .light(
                Sets.light(
                    "key",
                    new Emitter.Rectangle(1, 0.7, false),
                    new Vec3(-1.5, 2.5, 1.5),
                    Vec3.ZERO,
                    3000,
                    Unit.NIT));
    for (int i = 0; i < lamps; i++) {
      double turn = 2 * Math.PI * i / lamps;
      Vec3 at = new Vec3(0.7 * StrictMath.cos(turn), 0.25, 0.7 * StrictMath.sin(turn));
      sets.light(Sets.light("l" + i, new Emitter.Point(), at, Vec3.ZERO, 1, Unit.CANDELA));
    }
    return sets.seen(new Vec3(0.4, 1.4, 3), new Vec3(0, 0.2, 0), 1.4).shoot();
  }

  /** Mean over the picture and relative standard error of a pixel, of the key's layer. */
  private record KeyLight(double mean, double error) {}

  private static KeyLight key(int lamps) {
    Shoot shoot = keyAnd(lamps);
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    double[] sum = new double[SIDE * SIDE], squares = new double[SIDE * SIDE];
    for (int seed = 1; seed <= SEEDS; seed++) {
      Film film = new Film(SIDE, SIDE, view.layers());
      try (Renderer renderer = new Renderer(1, 3, seed)) {
        renderer.trace(view, film, SAMPLES, () -> false);
      }
      for (int p = 0; p < sum.length; p++) {
        double v = film.sums(0)[3 * p + 1] / SAMPLES;
        sum[p] += v;
        squares[p] += v * v;
      }
    }
    double variance = 0, mean = 0;
    for (int p = 0; p < sum.length; p++) {
      mean += sum[p] / SEEDS / sum.length;
      variance += (squares[p] - sum[p] * sum[p] / SEEDS) / (SEEDS - 1) / sum.length;
    }
    return new KeyLight(mean, Math.sqrt(variance) / mean);
  }

  @Test
  void theKeyIsAsClearBesideHundredsOfLampsAsBesideFew() {
    KeyLight few = key(15), oneMore = key(16), hundreds = key(199);
    assertThat(oneMore.mean).isCloseTo(few.mean, within(0.02 * few.mean));
    assertThat(hundreds.mean).isCloseTo(few.mean, within(0.02 * few.mean));
    assertThat(oneMore.error).isLessThan(1.1 * few.error);
    assertThat(hundreds.error).isLessThan(1.1 * few.error);
  }
}

package levelember.printing.frame;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import levelember.film.Film;
import levelember.formats.exchange.ShootPackage;
import levelember.integrator.Renderer;
import levelember.photometry.LayerWeights;
import levelember.printing.film.FilmStore;
import levelember.printing.order.PrintOrder;
import levelember.printing.order.ShutterMoments;
import levelember.shoot.Shoot;
import levelember.shoot.ShootAtTime;
import levelember.shoot.Shot;
import org.junit.jupiter.api.Test;

class FrameFilmsTest {
  private static final String SHOOT =
      """
      {"format": "level-ember-shoot", "version": 2, "name": "Ball",
       "pieces": [{"id": "floor", "shape": {"kind": "floor", "width": 6, "depth": 6}, "material": "m"},
                  {"id": "ball", "position": [0, 0.5, 0], "shape": {"kind": "sphere", "radius": 0.5}, "material": "m"}],
       "materials": [{"id": "m", "roughness": 0.4}],
       "lights": [{"id": "key", "emitter": {"kind": "rectangle", "width": 1, "height": 1},
                   "position": [2, 2, 2], "brightness": {"value": 3000, "unit": "lm"}},
                  {"id": "fill", "emitter": {"kind": "sphere", "radius": 0.1},
                   "position": [-2, 2, 2], "brightness": {"value": 300, "unit": "lm"}}],
       "shots": [{"id": "wide", "position": [0, 1, 4], "aim": [0, 0.5, 0], "look": "k"}],
       "looks": [{"id": "k", "ev": 7}],
       "motion": {"framesPerSecond": 1, "tracks": [
         {"place": "lights/key/levelStops", "keys": [
           {"seconds": 0, "value": 0}, {"seconds": 1, "value": -1}]},
         {"place": "lights/fill/position", "keys": [
           {"seconds": 1, "value": [-2, 2, 2]}, {"seconds": 2, "value": [-1, 2, 2]}]},
         {"place": "pieces/ball/position", "keys": [
           {"seconds": 2, "value": [0, 0.5, 0]}, {"seconds": 3, "value": [1, 0.5, 0]}]}]}}
      """;

  private final ShootPackage pack = ShootPackage.read(SHOOT.getBytes(UTF_8));

  private static PrintOrder order() {
    return PrintOrder.still("wide", 48, 32, 4);
  }

  private FrameFilms.Made at(FrameFilms films, double seconds, Renderer renderer) {
    Shoot shoot = ShootAtTime.of(pack.shoot(), seconds);
    Shot shot = shoot.shots().getFirst();
    return films.next(
        new FrameFilms.Wanted(shoot, shot, shoot.lookOf(shot), LayerWeights.of(shoot), order()),
        (bands, kept) -> FilmStore.NONE,
        film -> film.trace(renderer, order().target(), () -> false));
  }

  private static void same(FrameFilms.Made is, FrameFilms.Made wanted) {
    Film a = is.film().rows(0, 32), b = wanted.film().rows(0, 32);
    for (int layer = 0; layer < 2; layer++) {
      assertThat(a.sums(layer)).isEqualTo(b.sums(layer));
    }
  }

  @Test
  void onlyWhatMovesIsTracedAndEveryFrameHasTheBitsOfOneByItself() {
    FrameFilms films = new FrameFilms(pack.files(), 1 << 30);
    try (Renderer renderer = new Renderer(2, Renderer.USUAL_BOUNCES, 1)) {
      long whole = at(films, 0, renderer).rays().all();
      FrameFilms.Made level = at(films, 1, renderer);
      assertThat(level.rays().all()).as("a level").isZero();
      FrameFilms.Made light = at(films, 2, renderer);
      assertThat(light.rays().all()).as("one light of two").isBetween(whole / 4, whole * 9 / 10);
      same(light, at(new FrameFilms(pack.files(), 1 << 30), 2, renderer));
      FrameFilms.Made piece = at(films, 3, renderer);
      assertThat(piece.rays().all()).as("a piece").isGreaterThan(whole / 2);
      assertThat(piece.hits()).isNotSameAs(light.hits());
      same(piece, at(new FrameFilms(pack.files(), 1 << 30), 3, renderer));
    }
  }

  @Test
  void aFrameThatWasStoppedIsNotGoneOnFrom() {
    FrameFilms films = new FrameFilms(pack.files(), 1 << 30);
    Shoot shoot = pack.shoot();
    Shot shot = shoot.shots().getFirst();
    FrameFilms.Wanted wanted =
        new FrameFilms.Wanted(shoot, shot, shoot.lookOf(shot), LayerWeights.of(shoot), order());
    try (Renderer renderer = new Renderer(1, Renderer.USUAL_BOUNCES, 1)) {
      FrameFilms.Made stopped =
          films.next(
              wanted,
              (bands, kept) -> FilmStore.NONE,
              film -> film.trace(renderer, order().target(), () -> true));
      assertThat(stopped.done()).isFalse();
      assertThat(stopped.rays().all()).isZero();
      assertThat(at(films, 0, renderer).rays().all()).isPositive();
    }
  }

  private FrameFilms.Made open(FrameFilms films, double seconds, double degrees, Renderer r) {
    Shoot moving = pack.shoot().with(pack.shoot().motion().withShutter(degrees));
    Shoot shoot = ShootAtTime.of(moving, seconds);
    Shot shot = shoot.shots().getFirst();
    return films.next(
        new FrameFilms.Wanted(
            shoot,
            shot,
            shoot.lookOf(shot),
            LayerWeights.of(shoot),
            order(),
            ShutterMoments.of(moving, seconds, order(), then -> then)),
        (bands, kept) -> FilmStore.NONE,
        film -> film.trace(r, order().target(), () -> false));
  }

  @Test
  void whileTheShutterIsOpenSamplesSeeAllOfItsTimes() {
    try (Renderer one = new Renderer(1, 2, 1);
        Renderer two = new Renderer(2, 2, 1)) {
      // From second 2 to 3 the ball goes a metre; at 2.5 it stands half a metre off.
      FrameFilms.Made sharp = open(new FrameFilms(pack.files(), 1 << 30), 2.5, 0, one);
      FrameFilms.Made blurred = open(new FrameFilms(pack.files(), 1 << 30), 2.5, 360, one);
      same(blurred, open(new FrameFilms(pack.files(), 1 << 30), 2.5, 360, two));
      assertThat(blurred.film().rows(0, 32).sums(0)).isNotEqualTo(sharp.film().rows(0, 32).sums(0));
      // The light of a pixel is the mean over the times.
      float[] mean = new float[blurred.film().rows(0, 32).sums(0).length];
      double[] times = pack.shoot().motion().withShutter(360).shutterTimes(2.5, 4);
      for (double time : times) {
        float[] then = sums(open(new FrameFilms(pack.files(), 1 << 30), time, 0, two));
        for (int i = 0; i < mean.length; i++) {
          mean[i] += then[i] / times.length;
        }
      }
      assertThat(off(sums(blurred), mean)).isLessThan(0.4 * off(sums(sharp), mean));
    }
  }

  private static float[] sums(FrameFilms.Made made) {
    return made.film().rows(0, 32).sums(0);
  }

  private static double off(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += (a[i] - b[i]) * (a[i] - b[i]);
    }
    return Math.sqrt(sum);
  }

  @Test
  void whereNothingMovesAnOpenShutterChangesNoBit() {
    try (Renderer renderer = new Renderer(2, 2, 1)) {
      FrameFilms films = new FrameFilms(pack.files(), 1 << 30);
      same(open(films, 6, 0, renderer), open(films, 6, 180, renderer));
      FrameFilms.Made again = open(films, 7, 180, renderer);
      assertThat(again.rays().all()).as("nothing is traced again").isZero();
      // Where something moves while it is open, the frame before does not serve.
      FrameFilms.Made lit = open(films, 1.5, 180, renderer);
      same(lit, open(new FrameFilms(pack.files(), 1 << 30), 1.5, 180, renderer));
    }
  }
}

package levelember.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.geometry.Meshes;
import levelember.integrator.TurnedEnvironment;
import levelember.look.DisplayCurve;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.SceneAssets;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.look.Look;
import levelember.shoot.piece.Shape;
import levelember.texture.Luts;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EnvironmentTurnTest {
  private static final int WIDTH = 48, HEIGHT = 32;

  private static ReferenceMatch off(double after) {
    return new ReferenceMatch(List.of(), 2, after);
  }

  private static double between(double a, double b) {
    return Math.abs(Math.IEEEremainder(a - b, 360));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 47, 133, 190, 359})
  void theLeastOfAWideValleyIsFoundWithFewTries(double wanted) {
    AtomicInteger tries = new AtomicInteger();
    EnvironmentTurn found =
        EnvironmentTurn.search(
            20,
            degrees -> {
              tries.incrementAndGet();
              return off(0.1 + between(degrees, wanted) / 100);
            });
    assertThat(between(found.degrees(), wanted)).isLessThan(4);
    assertThat(tries.get()).isLessThan(20);
  }

  @Test
  void whatGainsNothingIsNotTurned() {
    EnvironmentTurn found = EnvironmentTurn.search(20, degrees -> off(degrees == 20 ? 0.4 : 0.395));
    assertThat(found.turned()).isFalse();
    assertThat(found.degrees()).isEqualTo(20);
  }

  /** A ball and a floor under a panorama that is bright on one side. */
  private static Shoot shoot(double degrees) {
    return Sets.white(0.6)
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.5), "white", new Vec3(0, 0.5, 0))
        .light(
            Sets.light(
                "around", new Emitter.Environment("p", degrees), Vec3.ZERO, Vec3.UP, 1, Unit.NIT))
        .light(Sets.dome(1))
        .seen(new Vec3(0, 1, 3), new Vec3(0, 0.4, 0), 1)
        .shoot();
  }

  private static Picture panorama() {
    Picture p = Picture.black(64, 32);
    for (int y = 4; y < 14; y++) {
      for (int x = 8; x < 18; x++) {
        p.set(x, y, 60, 60, 60);
      }
    }
    return p;
  }

  @Test
  void theTurnWithWhichAReferenceWasTracedIsFound() {
    Pictures pictures = name -> panorama();
    SceneAssets files = new SceneAssets(pictures, Meshes.NONE, Luts.NONE);
    Shoot is = shoot(0), wanted = shoot(100);
    Look look = is.looks().getFirst();
    Picture reference = shown(wanted, look, files);
    View view = View.of(is, is.shots().getFirst(), files);
    try (TurnedEnvironment turned = new TurnedEnvironment(view, files, 0, WIDTH, HEIGHT)) {
      List<Film> films = new ArrayList<>();
      EnvironmentTurn found =
          EnvironmentTurn.search(
              0,
              degrees -> {
                films.add(turned.at(degrees));
                return ReferenceMatch.of(is, look, films.getLast(), reference, grid());
              });
      assertThat(found.degrees()).isCloseTo(100, within(10.0));
      assertThat(found.match().after()).isLessThan(0.4 * found.match().before());
      // The other light's layer is the same in every film.
      assertThat(films.getLast().sums(1)).isEqualTo(films.getFirst().sums(1));
    }
  }

  /** Regions all over, each paired with its own place. */
  private static List<RegionPair> grid() {
    List<RegionPair> to = new ArrayList<>();
    for (int i = 0; i < 24; i++) {
      double x = (i % 6 + 0.5) / 6, y = (i / 6 + 0.5) / 4;
      to.add(new RegionPair(x, y, x, y, 0.1));
    }
    return to;
  }

  private static Picture shown(Shoot shoot, Look look, SceneAssets files) {
    View view = View.of(shoot, shoot.shots().getFirst(), files);
    DisplayCurve curve = new DisplayCurve(look);
    try (TurnedEnvironment still = new TurnedEnvironment(view, files, 0, WIDTH, HEIGHT)) {
      Light own = shoot.lights().getFirst();
      Film film = still.at(((Emitter.Environment) own.emitter()).rotationDegrees());
      Picture light = LayerMix.picture(film, LayerWeights.of(shoot));
      Picture to = Picture.black(WIDTH, HEIGHT);
      for (int i = 0; i < to.rgb().length; i++) {
        to.rgb()[i] = (float) curve.display(light.rgb()[i]);
      }
      return to;
    }
  }
}

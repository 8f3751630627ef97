package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.UnaryOperator;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.patches.LitPatches;
import levelember.patches.PatchGuiding;
import levelember.patches.SurfacePatches;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Opening;
import levelember.shoot.piece.Shape.Wall;
import levelember.texture.Picture;
import levelember.trace.RayWalk;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class PatchSamplingTest {
  private static final int WIDTH = 12, HEIGHT = 7;
  private static final Sampling UNGUIDED = new Sampling(Technique.LIGHT, true, true, false);

  /** A closed room that the sun shines into through a window in its right wall. */
  private static Sets room(String material, UnaryOperator<Light> sun) {
    return room(material, 0.7, sun);
  }

  private static Sets room(String material, double albedo, UnaryOperator<Light> sun) {
    Shape.Room room = new Shape.Room(5, 5, 3, 0.3, List.of(new Opening(Wall.RIGHT, 0, 1, 0.8, 1)));
    return Sets.white(albedo)
        .material(Material.glossy("satin", "Satin", Rgb.grey(0.5), 0.35, 1.5))
        .material(
            Material.glass(
                "pane", "Pane", 0, 1.5, new Material.Glass(1, new Rgb(0.9, 1, 0.9), 1, true, 0)))
        .piece("room", room, material, Vec3.ZERO)
        .piece("box", new Shape.Box(0.8, 0.9, 0.8, 0), "white", new Vec3(-0.4, 0, -0.6))
        .light(
            sun.apply(
                Sets.light(
                    "sun",
                    new Emitter.Sun(0.53),
                    new Vec3(6, 5, 0.5),
                    new Vec3(0, 0, 0),
                    50_000,
                    Unit.LUX)))
        .seen(new Vec3(-1.5, 1.6, 2), new Vec3(0.5, 1.4, -2.4), 2.4);
  }

  static List<Arguments> rooms() {
    Scope box = new Scope(false, List.of("box"));
    return List.of(
        Arguments.of("matte", room("white", l -> l), 2),
        Arguments.of("matte", room("white", l -> l), 16),
        Arguments.of("satin", room("satin", l -> l), 16),
        Arguments.of(
            "linked",
            room("white", l -> l.withControls(LightControls.WHOLE.linked(box, Scope.ALL))),
            3),
        Arguments.of(
            "behind a pane in the room",
            room("white", l -> l).piece("wall", new Shape.Floor(3, 3), "pane", new Vec3(0, 1.2, 0)),
            2));
  }

  private static View view(Shoot shoot) {
    return View.of(shoot, shoot.shots().getFirst(), name -> null);
  }

  private static Film film(View view, Sampling sampling, int samples, int seed, int bounces) {
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, bounces, seed, sampling)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static double[] halves(Shoot shoot, Film film) {
    Picture p = LayerMix.picture(film, LayerWeights.of(shoot));
    double[] to = new double[2];
    for (int y = 0; y < HEIGHT; y++) {
      for (int x = 0; x < WIDTH; x++) {
        to[2 * x / WIDTH] += p.get(x, y, 1) / (WIDTH * HEIGHT / 2.0);
      }
    }
    return to;
  }

  @ParameterizedTest(name = "{0}, {2} bounces")
  @MethodSource("rooms")
  void lightOffPatchesIsNeitherLostNorCountedTwice(String name, Sets sets, int bounces) {
    Shoot shoot = sets.shoot();
    View view = view(shoot);
    double[] guided = halves(shoot, film(view, Sampling.USUAL, 1024, 1, bounces));
    double[] unguided = halves(shoot, film(view, UNGUIDED, 4096, 1, bounces));
    for (int i = 0; i < guided.length; i++) {
      assertThat(guided[i]).isGreaterThan(0).isCloseTo(unguided[i], within(0.04 * unguided[i]));
    }
  }

  @Test
  void aSunlitFloorLightsTheRoomWithLessNoise() {
    View view = view(room("white", l -> l).shoot());
    assertThat(variance(view, Sampling.USUAL)).isLessThan(0.65 * variance(view, UNGUIDED));
  }

  /** Mean over pixels of the variance among pictures of four samples. */
  private static double variance(View view, Sampling sampling) {
    int seeds = 12, values = WIDTH * HEIGHT;
    double[] sum = new double[values], squares = new double[values];
    for (int seed = 1; seed <= seeds; seed++) {
      float[] of = film(view, sampling, 4, seed, 8).sums(0);
      for (int i = 0; i < values; i++) {
        sum[i] += of[3 * i];
        squares[i] += of[3 * i] * (double) of[3 * i];
      }
    }
    double to = 0;
    for (int i = 0; i < values; i++) {
      to += squares[i] / seeds - Math.pow(sum[i] / seeds, 2);
    }
    return to / values;
  }

  @Test
  void theSameBitsOnAnyNumberOfThreadsAndInAnyNumberOfCalls() {
    Shoot shoot = room("satin", l -> l).shoot();
    Film one = new Film(WIDTH, HEIGHT, 1), other = new Film(WIDTH, HEIGHT, 1);
    try (Renderer renderer = new Renderer(1, 8, 1)) {
      renderer.trace(view(shoot), one, 3, () -> false);
    }
    try (Renderer renderer = new Renderer(3, 8, 1)) {
      renderer.trace(view(shoot), other, 1, () -> false);
      renderer.trace(view(shoot), other, 3, () -> false);
    }
    assertThat(other.sums(0)).isEqualTo(one.sums(0));
  }

  @Test
  void onlyWhatLightComesBackFromInsideIsSampled() {
    Scene scene = view(room("white", l -> l).shoot()).scene();
    LitPatches lit = PatchGuiding.of(scene).of(0);
    // The sun's patch on floor and box, and not the outer walls, which give their light to the sky.
    assertThat(lit.size()).isBetween(4, PatchGuiding.of(scene).patches().count() / 20);
  }

  @Test
  void lightThatIsEverywhereIsNotGuided() {
    Sets sets = Sets.white(0.5).piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO);
    assertThat(PatchGuiding.of(view(sets.light(Sets.dome(1)).shoot()).scene()).of(0)).isNull();
  }

  @Test
  void aPlaceOnAPatchIsFoundToBeOnThatPatch() {
    Scene scene = view(room("white", l -> l).shoot()).scene();
    SurfacePatches patches = new SurfacePatches(scene);
    RayWalk walk = RayWalk.of(scene.hierarchy);
    float[] t = new float[9];
    int met = 0;
    for (int number = 0; number < patches.triangles(); number++) {
      SurfacePatches.Parted parted = patches.triangle(number);
      for (int i = 0; i < parted.count(); i++) {
        patches.corners(number, i, t, 0);
        Vec3 a = new Vec3(t[0], t[1], t[2]), b = new Vec3(t[3], t[4], t[5]);
        Vec3 c = new Vec3(t[6], t[7], t[8]);
        Vec3 n = b.minus(a).cross(c.minus(a)).unit();
        Vec3 from = a.plus(b).plus(c).times(1 / 3.0).plus(n.times(0.01));
        assertThat(
                walk.closestHit(
                    (float) from.x(),
                    (float) from.y(),
                    (float) from.z(),
                    (float) -n.x(),
                    (float) -n.y(),
                    (float) -n.z(),
                    0.02f))
            .as("%s %s %s side %d of %s", a, b, c, i & 1, parted)
            .isTrue();
        float[] face = new float[3];
        walk.faceNormal(face);
        boolean outside = face[0] * n.x() + face[1] * n.y() + face[2] * n.z() > 0;
        int place = scene.hierarchy.placed(walk.instance);
        if (place == parted.place()) {
          assertThat(patches.patch(place, walk, outside)).isEqualTo(parted.first() + i);
          met++;
        }
      }
    }
    assertThat(met).isGreaterThan(patches.count() * 9 / 10);
  }

  @Test
  void whatAnEditLeavesIsKeptAndTheRestFoundAnew() {
    Shoot shoot = room("white", l -> l).shoot();
    Scene scene = view(shoot).scene();
    LitPatches lit = PatchGuiding.of(scene).of(0);
    Shoot painted = room("white", 0.2, l -> l).shoot();
    assertThat(PatchGuiding.of(next(scene, shoot, painted)).of(0)).isSameAs(lit);
    Shoot moved = room("white", l -> l.standing(new Vec3(6, 7, 0.5), Vec3.ZERO)).shoot();
    assertThat(PatchGuiding.of(next(scene, shoot, moved)).of(0)).isNotNull().isNotSameAs(lit);
  }

  private static Scene next(Scene scene, Shoot before, Shoot after) {
    Shot shot = before.shots().getFirst();
    return new View(scene, shot)
        .next(
            after,
            after.shots().getFirst(),
            name -> null,
            EditCost.between(before, shot, after, after.shots().getFirst()))
        .scene();
  }
}

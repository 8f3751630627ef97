package levelember.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.geometry.RoomOpening;
import levelember.integrator.Renderer;
import levelember.math.Affine;
import levelember.math.Vec3;
import levelember.noise.Noise;
import levelember.path.Sampling;
import levelember.photometry.LayerWeights;
import levelember.scene.RoomPortals;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Shape.Opening;
import levelember.shoot.piece.Shape.Wall;
import levelember.shoot.piece.Visibility;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;

class PortalLightTest {
  private static final Vec3 X = new Vec3(1, 0, 0), Z = new Vec3(0, 0, 1);

  private static PortalLight light() {
    Portal ahead = new Portal(new Vec3(-0.5, 1, -2), X, Vec3.UP, Z.times(-1), 1, 1.5);
    Portal right = new Portal(new Vec3(2, 0.5, -1), Z, Vec3.UP, X, 2, 0.5);
    RoomPortals room = new RoomPortals(Affine.IDENTITY, 2, 3, 2, List.of(ahead, right));
    Light dome = Sets.dome(2);
    return new PortalLight(
        dome.id(), new DomeLight(dome, (Emitter.Dome) dome.emitter()), List.of(room));
  }

  private static ReferencePoint at(double x, double y, double z) {
    ReferencePoint p = new ReferencePoint();
    p.set((float) x, (float) y, (float) z);
    return p;
  }

  @Test
  void whatIsDrawnHasTheDensityThatAHitTellsAndTheLightOfTheSurroundings() {
    PortalLight light = light();
    Random random = new Random(3);
    LightSample drawn = new LightSample(), hit = new LightSample(), bare = new LightSample();
    for (int i = 0; i < 2000; i++) {
      ReferencePoint from =
          at(4 * random.nextDouble() - 2, 3 * random.nextDouble(), 4 * random.nextDouble() - 2);
      if (!light.sample(from, random.nextFloat(), random.nextFloat(), drawn)) {
        continue;
      }
      assertThat(
              light.hit(from, drawn.x, drawn.y, drawn.z, Float.POSITIVE_INFINITY, hit)
                  && light
                      .surroundings()
                      .hit(from, drawn.x, drawn.y, drawn.z, Float.POSITIVE_INFINITY, bare))
          .isTrue();
      assertThat(hit.pdf).isCloseTo(drawn.pdf, within(2e-3f * drawn.pdf));
      assertThat(hit.r).isEqualTo(bare.r);
      assertThat(drawn.r).isCloseTo(bare.r, within(1e-4f));
    }
  }

  @Test
  void theDensityAddsUpToOneAndIsHighThroughOpenings() {
    PortalLight light = light();
    Random random = new Random(4);
    LightSample hit = new LightSample();
    for (ReferencePoint from : List.of(at(0, 0.1, 1), at(-1.9, 2.5, -1.5), at(1, 1, 1.9))) {
      double sum = 0;
      int n = 400_000;
      for (int i = 0; i < n; i++) {
        double y = 2 * random.nextDouble() - 1, phi = 2 * Math.PI * random.nextDouble();
        double r = Math.sqrt(1 - y * y);
        light.hit(
            from,
            (float) (r * Math.cos(phi)),
            (float) y,
            (float) (r * Math.sin(phi)),
            Float.POSITIVE_INFINITY,
            hit);
        sum += hit.pdf;
      }
      assertThat(4 * Math.PI * sum / n).isCloseTo(1, within(0.03));
    }
    Vec3 through = new Vec3(0, 1.75, -2).minus(new Vec3(0, 0.1, 1)).unit();
    ReferencePoint floor = at(0, 0.1, 1);
    light.hit(
        floor,
        (float) through.x(),
        (float) through.y(),
        (float) through.z(),
        Float.POSITIVE_INFINITY,
        hit);
    assertThat((double) hit.pdf).isGreaterThan(10 / (4 * Math.PI));
  }

  @Test
  void outsideAndWhereNoOpeningIsInSightItIsTheSurroundingsAlone() {
    PortalLight light = light();
    LightSample own = new LightSample(), bare = new LightSample();
    ReferencePoint outside = at(0, 1, 5), wall = at(2, 1, 0);
    // On the wall of the one opening, facing away from the other.
    wall.set(2, 1, 0, 0, 0, 1);
    for (ReferencePoint from : List.of(outside, wall)) {
      for (float u = 0.05f; u < 1; u += 0.1f) {
        assertThat(light.sample(from, u, 0.4f, own)).isTrue();
        light.surroundings().sample(from, u, 0.4f, bare);
        assertThat(own.x).isEqualTo(bare.x);
        assertThat(own.pdf).isEqualTo(bare.pdf);
      }
    }
  }

  /** A room with one window, turned and put somewhere, all white. */
  private static Shoot room() {
    Shape.Room room =
        new Shape.Room(4, 4, 3, 0.2, List.of(new Opening(Wall.AHEAD, 0.3, 1, 1, 1.2)));
    Vec3 place = new Vec3(10, 0.5, -4), turned = new Vec3(0, 40, 0);
    return Sets.white(0.6)
        .piece(new Piece("room", "Room", null, place, turned, Vec3.ONE, room, "white", null, true))
        .light(Sets.dome(50))
        .seen(place.plus(new Vec3(0, 1.5, 0)), place.plus(new Vec3(-0.9, 0.2, -1)), 1.5)
        .shoot();
  }

  @Test
  void lightDrawnThroughAWindowIsWhatPathsFindByThemselvesAndFarLessNoisy() {
    Shoot shoot = room();
    View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    float[] weights = LayerWeights.of(shoot);
    double[] mean = new double[3], noise = new double[3];
    for (Sampling.Technique technique : Sampling.Technique.values()) {
      Film film = new Film(24, 16, 1);
      Sampling sampling = new Sampling(technique, true, true, false);
      try (Renderer renderer = new Renderer(2, 3, 1, sampling)) {
        renderer.trace(view, film, 600, () -> false);
      }
      mean[technique.ordinal()] = Sets.mean(LayerMix.picture(film, weights));
      noise[technique.ordinal()] = Noise.of(film, weights, 20).whole();
    }
    int both = Sampling.Technique.BOTH.ordinal(), bsdf = Sampling.Technique.BSDF.ordinal();
    int light = Sampling.Technique.LIGHT.ordinal();
    assertThat(mean[both]).isPositive().isCloseTo(mean[bsdf], within(0.02 * mean[bsdf]));
    assertThat(mean[light]).isCloseTo(mean[bsdf], within(0.02 * mean[bsdf]));
    assertThat(noise[both]).isLessThan(0.5 * noise[bsdf]);
  }

  /** The same room put together of six boxes round a hole, with a marked rectangle in the hole. */
  private static Shoot walls(boolean marked) {
    Sets sets = Sets.white(0.6);
    double[][] boxes = {
      {0, -0.2, 0, 4.4, 0.2, 4.4}, {0, 3, 0, 4.4, 0.2, 4.4}, {0, 0, 2.1, 4.4, 3, 0.2},
      {-2.1, 0, 0, 0.2, 3, 4.4}, {2.1, 0, 0, 0.2, 3, 4.4}, {-1.25, 0, -2.1, 1.5, 3, 0.2},
      {1.25, 0, -2.1, 1.5, 3, 0.2}, {0, 0, -2.1, 1, 1, 0.2}, {0, 2.2, -2.1, 1, 0.8, 0.2}
    };
    for (int i = 0; i < boxes.length; i++) {
      double[] b = boxes[i];
      Shape box = new Shape.Box(b[3], b[4], b[5], 0);
      Vec3 at = new Vec3(b[0], b[1], b[2]);
      String id = "wall-" + i;
      sets.piece(new Piece(id, id, null, at, Vec3.ZERO, Vec3.ONE, box, "white", null, true));
    }
    Vec3 hole = new Vec3(0, 1.6, -2);
    Shape pane = new Shape.Rectangle(1, 1.2);
    Visibility unseen = new Visibility(false, false, false, false, false, false);
    Piece opening =
        new Piece("hole", "Hole", null, hole, Vec3.ZERO, Vec3.ONE, pane, "white", null, true);
    // As it is marked in the page: a wall by its visibility, that marks an opening.
    Visibility shown = marked ? Visibility.ALL.asPortal(true) : unseen;
    return sets.piece(opening.withVisibility(shown))
        .light(Sets.dome(50))
        .seen(new Vec3(0, 1.5, 1.8), new Vec3(0.5, 0.3, 0), 1.5)
        .shoot();
  }

  @Test
  void anOpeningThatIsMarkedChangesTheNoiseAndNotTheLight() {
    double[] mean = new double[2], noise = new double[2];
    for (int marked = 0; marked < 2; marked++) {
      Shoot shoot = walls(marked == 1);
      View view = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
      Film film = new Film(24, 16, 1);
      try (Renderer renderer = new Renderer(2, 3, 1, Sampling.USUAL)) {
        renderer.trace(view, film, 300, () -> false);
      }
      mean[marked] = Sets.mean(LayerMix.picture(film, LayerWeights.of(shoot)));
      noise[marked] = Noise.of(film, LayerWeights.of(shoot), 20).whole();
    }
    assertThat(mean[1]).isPositive().isCloseTo(mean[0], within(0.03 * mean[0]));
    assertThat(noise[1]).isLessThan(0.7 * noise[0]);
  }

  @Test
  void openingsOfARoomAreFoundWhereverItStands() {
    Shape.Room room = new Shape.Room(4, 4, 3, 0.2, List.of(new Opening(Wall.RIGHT, 0.5, 1, 1, 5)));
    var opening = RoomOpening.of(room).getFirst();
    assertThat(opening.corner()).isEqualTo(new Vec3(2, 1, 0));
    assertThat(opening.height()).as("cut off at the ceiling").isEqualTo(2);
    assertThat(opening.out()).isEqualTo(X);
  }
}

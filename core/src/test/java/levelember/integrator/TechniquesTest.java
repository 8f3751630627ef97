package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Light sampling alone, BSDF sampling alone and both together give the same picture, region by
 * region, whatever stands in the way, whatever the surface and whatever the light's controls.
 */
class TechniquesTest {
  private static final int WIDTH = 12, HEIGHT = 8;

  /** Regions across and down that are compared. */
  private static final int ACROSS = 2, DOWN = 2;

  private static final Sampling BSDF = new Sampling(Technique.BSDF, true, true, false);
  private static final Sampling LIGHT = new Sampling(Technique.LIGHT, true, true, false);

  private record Case(String name, Sets sets) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static Light panel() {
    return Sets.light(
        "panel",
        new Emitter.Rectangle(1.6, 1.2, true),
        new Vec3(0.2, 1.2, -1),
        new Vec3(0, 0, 0),
        5,
        Unit.NIT);
  }

  private static Light glow() {
    return Sets.light("glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 5, Unit.NIT);
  }

  /** A floor of a material with a box on it, under a panel and a box that gives light. */
  private static Sets floor(Material material, UnaryOperator<Light> set) {
    return new Sets()
        .material(material)
        .material(Material.matte("white", "White", Rgb.grey(0.7)))
        .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
        .piece("floor", new Shape.Floor(6, 6), material.id(), Vec3.ZERO)
        .piece("box", new Shape.Box(0.4, 0.3, 0.4, 0), "white", new Vec3(-0.4, 0, 0))
        .piece("lamp", new Shape.Box(0.4, 0.4, 0.4, 0), "lamp", new Vec3(0.5, 0.9, -0.2))
        .light(set.apply(panel()))
        .light(set.apply(glow()))
        .seen(new Vec3(0, 1, 3), new Vec3(0, 0.1, 0), 1.6);
  }

  private static Sets behind(Material between) {
    return floor(Material.matte("floor", "Floor", Rgb.grey(0.7)), l -> l)
        .material(between)
        .piece("between", new Shape.Floor(30, 30), "between", new Vec3(0, 0.6, 0));
  }

  private static Case controlled(String name, LightControls controls) {
    Material floor = Material.glossy("floor", "Floor", Rgb.grey(0.6), 0.5, 1.6);
    return new Case(name, floor(floor, l -> l.withControls(controls)));
  }

  private static Sets manyLights() {
    Sets sets =
        Sets.white(0.7)
            .piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO)
            .piece("box", new Shape.Box(0.4, 0.3, 0.4, 0), "white", new Vec3(-0.4, 0, 0))
            .seen(new Vec3(0, 1, 3), new Vec3(0, 0.1, 0), 1.6);
    for (int i = 0; i < 30; i++) {
      Vec3 at = new Vec3(1.2 * Math.cos(i), 0.8 + 0.02 * i, 1.2 * Math.sin(i));
      sets.light(Sets.light("l" + i, new Emitter.Sphere(0.25), at, Vec3.ZERO, 3, Unit.NIT));
    }
    return sets;
  }

  private static List<Case> cases() {
    Material matte = Material.matte("floor", "Floor", Rgb.grey(0.6));
    Material.Glass thin = new Material.Glass(1, new Rgb(0.9, 0.8, 0.7), 1, true, 0);
    LightControls all = LightControls.WHOLE;
    List<Case> to = new ArrayList<>();
    to.add(new Case("pane", behind(Material.glass("between", "Pane", 0, 1.5, thin))));
    Maps holes = Maps.NONE.withOpacity(Texture.once("holes"));
    to.add(new Case("hole", behind(Material.matte("between", "Net", Rgb.grey(0.4)).with(holes))));
    Maps rough = Maps.NONE.withRoughness(Texture.once("holes"));
    to.add(
        new Case(
            "mapped glass",
            behind(Material.glass("between", "Mapped", 0.8, 1.5, thin).with(rough))));
    to.add(new Case("coated", floor(matte.with(new Material.Coat(1, 0.4, 1.6)), l -> l)));
    Material.Sheen sheen = new Material.Sheen(Rgb.grey(0.8), 0.4);
    to.add(new Case("sheen", floor(matte.with(sheen), l -> l)));
    to.add(controlled("links", all.linked(new Scope(false, List.of("box")), Scope.ALL)));
    to.add(controlled("shadow links", all.linked(Scope.ALL, new Scope(false, List.of("box")))));
    to.add(controlled("soft shadows", all.shadowed(0.6, new Rgb(0.2, 0.1, 0))));
    to.add(controlled("levels of parts", all.levelled(0.5, 2)));
    to.add(controlled("range", all.fading(2.2)));
    to.add(new Case("thirty lights", manyLights()));
    return to;
  }

  static Stream<Arguments> grid() {
    return cases().stream()
        .flatMap(c -> Stream.of(1, 2, 64).map(bounces -> Arguments.of(c, bounces)));
  }

  private static Pictures pictures() {
    Picture picture = Picture.black(4, 4);
    for (int i = 0; i < 16; i++) {
      double v = (i / 4 + i % 4) % 2 == 0 ? 0.9 : 0.3;
      picture.set(i % 4, i / 4, v, v, v);
    }
    return name -> picture;
  }

  @ParameterizedTest(name = "{0}, {1} bounces")
  @MethodSource("grid")
  void everyTechniqueAloneGivesWhatTheyGiveTogether(Case c, int bounces) {
    Shoot shoot = c.sets.shoot();
    double[] both = regions(shoot, Sampling.USUAL, 192, bounces);
    double[] light = regions(shoot, LIGHT, 256, bounces);
    double[] bsdf = regions(shoot, BSDF, 512, bounces);
    double mean = DoubleStream.of(both).average().orElseThrow();
    for (int i = 0; i < both.length; i++) {
      // Light over many bounces of rough glass comes in few bright paths.
      double room = (bounces > 2 ? 0.1 : 0.06) * both[i] + 0.02 * mean;
      assertThat(both[i]).isGreaterThan(0);
      assertThat(light[i]).as("light sampling, region %d", i).isCloseTo(both[i], within(room));
      assertThat(bsdf[i]).as("BSDF sampling, region %d", i).isCloseTo(both[i], within(room));
    }
  }

  /** Mean luminance of every region. */
  private static double[] regions(Shoot shoot, Sampling sampling, int samples, int bounces) {
    View view = View.of(shoot, shoot.shots().getFirst(), pictures());
    Film film = new Film(WIDTH, HEIGHT, view.layers());
    try (Renderer renderer = new Renderer(2, bounces, 3, sampling)) {
      renderer.trace(view, film, samples, () -> false);
    }
    Picture p = LayerMix.picture(film, LayerWeights.of(shoot));
    double[] to = new double[ACROSS * DOWN];
    for (int y = 0; y < HEIGHT; y++) {
      for (int x = 0; x < WIDTH; x++) {
        int region = y * DOWN / HEIGHT * ACROSS + x * ACROSS / WIDTH;
        to[region] += (p.get(x, y, 0) + p.get(x, y, 1) + p.get(x, y, 2)) / 3;
      }
    }
    for (int i = 0; i < to.length; i++) {
      to[i] *= (double) to.length / (WIDTH * HEIGHT);
    }
    return to;
  }
}

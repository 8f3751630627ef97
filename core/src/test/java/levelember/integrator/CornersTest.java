package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.path.Sampling;
import levelember.path.Sampling.Technique;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Maps;
import levelember.shoot.material.Material;
import levelember.shoot.material.Texture;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Scope;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Picture;
import levelember.texture.Pictures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Rare corners of the light transport, each with a known answer or several ways that must agree.
 */
class CornersTest {
  /** A base whose share of the BSDF's value is not the same in all channels. */
  private static final Rgb RED = new Rgb(0.9, 0.02, 0.02);

  private static final Sampling BSDF = new Sampling(Technique.BSDF, true, true, false);
  private static final Sampling LIGHT = new Sampling(Technique.LIGHT, true, true, false);

  private static Film film(
      Shoot shoot, Pictures pictures, Sampling sampling, int samples, int deep) {
    View view = View.of(shoot, shoot.shots().getFirst(), pictures);
    Film film = new Film(16, 11, view.layers());
    try (Renderer renderer = new Renderer(2, deep, 1, sampling)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return film;
  }

  private static double mean(
      Shoot shoot, Pictures pictures, Sampling sampling, int samples, int deep) {
    Film film = film(shoot, pictures, sampling, samples, deep);
    return Sets.mean(LayerMix.picture(film, LayerWeights.of(shoot)));
  }

  private static double mean(Shoot shoot, int samples, int deep) {
    return mean(shoot, Pictures.NONE, Sampling.USUAL, samples, deep);
  }

  private static void techniquesAgree(Shoot shoot, Pictures pictures, int deep, double within) {
    double both = mean(shoot, pictures, Sampling.USUAL, 128, deep);
    assertThat(both).isGreaterThan(0.001);
    assertThat(mean(shoot, pictures, LIGHT, 256, deep))
        .as("light sampling alone")
        .isCloseTo(both, within(within * both));
    assertThat(mean(shoot, pictures, BSDF, 1024, deep))
        .as("BSDF sampling alone")
        .isCloseTo(both, within(within * both));
  }

  private static Material lamp(Maps maps) {
    return Material.matte("lamp", "Lamp", Rgb.grey(0)).with(maps);
  }

  private static Light emissive(double nits) {
    return Sets.light("glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, nits, Unit.NIT);
  }

  /** A floor, and above it a card that gives light. */
  private static Sets underACard(Material floor, Material card, Visibility shows) {
    return new Sets()
        .material(floor)
        .material(card)
        .piece("floor", new Shape.Floor(6, 6), floor.id(), Vec3.ZERO)
        .piece(
            new Piece(
                "card",
                "Card",
                null,
                new Vec3(0, 1, -1),
                new Vec3(30, 0, 0),
                Vec3.ONE,
                new Shape.Rectangle(1.4, 1),
                "lamp",
                null,
                shows,
                true))
        .light(emissive(5))
        .seen(new Vec3(0, 1.2, 3), new Vec3(0, 0, -0.2), 1.6);
  }

  private static Visibility visible(boolean reflection, boolean bounce) {
    return new Visibility(false, reflection, true, true, bounce, false);
  }

  @Test
  void anEmitterWithHolesLightsByWhatIsThereOfIt() {
    Maps half = Maps.NONE.withOpacity(Texture.once("holes"));
    Picture picture = Picture.black(4, 4);
    for (int i = 0; i < 16; i++) {
      double v = i % 4 < 2 ? 0.7 : 0.1;
      picture.set(i % 4, i / 4, v, v, v);
    }
    Material white = Material.matte("white", "White", Rgb.grey(0.8));
    Shoot pierced = underACard(white, lamp(half), visible(true, true)).shoot();
    techniquesAgree(pierced, name -> picture, 1, 0.02);
    Shoot whole = underACard(white, lamp(Maps.NONE), visible(true, true)).shoot();
    double share = mean(pierced, name -> picture, Sampling.USUAL, 128, 1) / mean(whole, 128, 1);
    assertThat(share).isCloseTo(0.4, within(0.03));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.05, 0.4})
  void anEmitterHiddenFromReflectionsGivesNoHighlight(double roughness) {
    Material metal = Material.metal("metal", "Metal", Rgb.grey(0.9), roughness);
    Shoot hidden = underACard(metal, lamp(Maps.NONE), visible(false, true)).shoot();
    assertThat(mean(hidden, 64, 1)).isZero();
    Shoot seen = underACard(metal, lamp(Maps.NONE), visible(true, true)).shoot();
    assertThat(mean(seen, 64, 1)).isGreaterThan(0.05);
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void whoSeesAnEmitterIsTheSameByEveryTechnique(boolean reflection) {
    Material glossy = Material.glossy("glossy", "Glossy", Rgb.grey(0.6), 0.3, 1.8);
    Shoot shoot = underACard(glossy, lamp(Maps.NONE), visible(reflection, !reflection)).shoot();
    double both = mean(shoot, Pictures.NONE, Sampling.USUAL, 256, 1);
    double light = mean(shoot, Pictures.NONE, LIGHT, 512, 1);
    assertThat(both).isGreaterThan(0.01).isCloseTo(light, within(0.015 * light));
  }

  /** A glossy floor beside a wall that a lamp lights; the floor itself gets no direct light. */
  private static Shoot besideALitWall(Rgb floor, double bounceLevel, Visibility wall) {
    Emitter panel = new Emitter.Rectangle(1, 1, false);
    Light lamp =
        Sets.light("lamp", panel, new Vec3(0, 2, 1), new Vec3(0, 1, -2), 20, Unit.NIT)
            .withControls(LightControls.WHOLE.linked(new Scope(true, List.of("wall")), Scope.ALL));
    Shoot shoot =
        new Sets()
            .material(Material.glossy("floor", "Floor", floor, 0.25, 1.8))
            .material(Material.matte("white", "White", Rgb.grey(0.8)))
            .piece("floor", new Shape.Floor(3, 3), "floor", Vec3.ZERO)
            .piece(
                new Piece(
                    "wall",
                    "Wall",
                    null,
                    new Vec3(0, 1, -2),
                    Vec3.ZERO,
                    Vec3.ONE,
                    new Shape.Rectangle(4, 2),
                    "white",
                    null,
                    wall,
                    true))
            .light(lamp)
            .seen(new Vec3(0, 1.2, 3), new Vec3(0, 0, 0.3), 1.2)
            .shoot();
    return new Shoot(
        shoot.name(),
        shoot.pieces(),
        shoot.materials(),
        shoot.lights(),
        shoot.banks(),
        new Bounce(Bounce.MOST, bounceLevel, 0),
        0,
        shoot.shots(),
        shoot.looks());
  }

  @Test
  void theBounceLevelTakesTheDiffusePartAndLeavesTheSpecular() {
    Visibility all = Visibility.ALL;
    double both = mean(besideALitWall(RED, 1, all), 512, 2);
    double none = mean(besideALitWall(RED, 0, all), 512, 2);
    double specular = mean(besideALitWall(Rgb.grey(0), 1, all), 512, 2);
    assertThat(none).isCloseTo(specular, within(0.02 * specular));
    assertThat(both).isGreaterThan(1.05 * specular);
    double half = mean(besideALitWall(RED, 0.5, all), 512, 2);
    assertThat(half).isCloseTo((both + none) / 2, within(0.02 * both));
  }

  @Test
  void aWallSeenByBouncedLightAloneGivesTheDiffusePartAndOneSeenInReflectionsTheRest() {
    double both = mean(besideALitWall(RED, 1, Visibility.ALL), 512, 2);
    double specular = mean(besideALitWall(Rgb.grey(0), 1, Visibility.ALL), 512, 2);
    double mirrored = mean(besideALitWall(RED, 1, visible(true, false)), 512, 2);
    double bounced = mean(besideALitWall(RED, 1, visible(false, true)), 512, 2);
    assertThat(specular).isGreaterThan(0.01);
    assertThat(mirrored).isCloseTo(specular, within(0.02 * specular));
    assertThat(bounced + mirrored).isCloseTo(both, within(0.02 * both));
  }

  @Test
  void aPaneWithANormalMapLetsThroughTheSameByPathsAndShadowRays() {
    Picture lean = Picture.black(2, 2);
    for (int i = 0; i < 4; i++) {
      lean.set(i % 2, i / 2, i % 2 == 0 ? 0.95 : 0.9, 0.5, 0.6);
    }
    Material.Glass thin = new Material.Glass(1, new Rgb(0.9, 0.8, 0.7), 1, true, 0);
    Material pane =
        Material.glass("pane", "Pane", 0, 2.5, thin)
            .with(Maps.NONE.withNormal(Texture.once("lean")).withNormalStrength(1));
    Shoot shoot =
        underACard(
                Material.matte("white", "White", Rgb.grey(0.8)),
                lamp(Maps.NONE),
                visible(true, true))
            .material(pane)
            .piece("pane", new Shape.Floor(9, 9), "pane", new Vec3(0, 0.3, 0))
            .shoot();
    techniquesAgree(shoot, name -> lean, 1, 0.02);
  }

  /** On coarse facets with smooth normals light fades out before the facets cut it off. */
  @Test
  void lightFadesOutBeforeFacetsWithSmoothNormalsCutItOff() {
    List<Double> at = new ArrayList<>(), normals = new ArrayList<>();
    List<Integer> triangles = new ArrayList<>();
    int sides = 8;
    for (int i = 0; i <= sides; i++) {
      double turn = Math.PI * i / sides;
      for (double y : new double[] {-1, 1}) {
        at.addAll(List.of(Math.cos(turn), y, Math.sin(turn)));
        normals.addAll(List.of(Math.cos(turn), 0.0, Math.sin(turn)));
      }
      if (i < sides) {
        int k = 2 * i;
        triangles.addAll(List.of(k, k + 1, k + 2, k + 2, k + 1, k + 3));
      }
    }
    Sets sets =
        Sets.white(0.8)
            .piece("half", new Shape.Mesh(at, normals, triangles), "white", Vec3.ZERO)
            .seen(new Vec3(0, 0, 6), new Vec3(-0.02, 0, 0), 0.02);
    // The facet that begins in the middle of the view, whose normal is 101.25 degrees from +X.
    double before = Double.NaN, largestStep = 0, last = 0;
    for (double degrees = 8; degrees < 24; degrees += 0.5) {
      double a = Math.toRadians(degrees);
      Vec3 from = new Vec3(5 * Math.cos(a), 0, 5 * Math.sin(a));
      Light sun = Sets.light("sun", new Emitter.Sun(0.1), from, Vec3.ZERO, 1000, Unit.LUX);
      Shoot lit = lit(sets.shoot(), List.of(sun));
      last = Sets.mean(Sets.render(lit, 4, 4, 16, 1));
      largestStep = Double.isNaN(before) ? 0 : Math.max(largestStep, Math.abs(last - before));
      before = last;
    }
    double full = 0.8 * 1000 / Math.PI;
    assertThat(last).isGreaterThan(0.2 * full);
    assertThat(largestStep).isLessThan(0.06 * full);
  }

  private static Shoot lit(Shoot shoot, List<Light> lights) {
    return new Shoot(
        "Lit", shoot.pieces(), shoot.materials(), lights, 0, shoot.shots(), shoot.looks());
  }

  @Test
  void whatIsTracedOfManyLightsDoesNotDependOnTheirFaders() {
    List<Light> lights = new ArrayList<>();
    Sets sets = Sets.white(0.7).piece("floor", new Shape.Floor(6, 6), "white", Vec3.ZERO);
    for (int i = 0; i < 30; i++) {
      Vec3 at = new Vec3(2 * Math.cos(i), 1 + 0.03 * i, 2 * Math.sin(i));
      Light light = Sets.light("l" + i, new Emitter.Sphere(0.1), at, Vec3.ZERO, 5 + i, Unit.NIT);
      lights.add(light);
      sets.light(light);
    }
    Shoot shoot = sets.seen(new Vec3(0, 1, 3), Vec3.ZERO, 1.6).shoot();
    List<Light> faded = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      Light l = lights.get(i);
      faded.add(l.withLevelStops(i % 7 - 3).withMuted(i % 5 == 0).withSolo(i % 2 == 0));
    }
    Shoot other = lit(shoot, faded);
    Film a = film(shoot, Pictures.NONE, Sampling.USUAL, 4, 8);
    Film b = film(other, Pictures.NONE, Sampling.USUAL, 4, 8);
    for (int k = 0; k < 30; k++) {
      assertThat(b.sums(k)).containsExactly(a.sums(k));
    }
  }

  private static Material body(String id, double ior, double left, int priority) {
    Material.Glass glass = new Material.Glass(1, Rgb.grey(left), 0.1, false, 0, priority);
    return Material.glass(id, id, 0, ior, glass);
  }

  /** Looks straight down through slabs on a white dome's floor: what is seen is what is left. */
  private static double through(Sets slabs) {
    Shoot shoot =
        slabs.light(Sets.dome(1)).seen(new Vec3(0, 2, 0.0001), new Vec3(0, 0, 0), 0.02).shoot();
    return Sets.mean(Sets.render(shoot, 8, 8, 1024, 64));
  }

  private static Piece slab(String id, String material, double low, double high) {
    Shape box = new Shape.Box(50, high - low, 50, 0);
    Vec3 at = new Vec3(0, low, 0);
    return new Piece(id, id, null, at, Vec3.ZERO, Vec3.ONE, box, material, null, true);
  }

  @Test
  void whereBodiesOfGlassOverlapTheOneOfHigherPriorityAbsorbs() {
    // Both have the index of air, so that nothing reflects and the absorption is all there is.
    double a = 0.5, b = 0.8;
    Sets overlapping =
        new Sets()
            .material(body("a", 1, a, 2))
            .material(body("b", 1, b, 1))
            .piece(slab("a", "a", 0.0, 0.2))
            .piece(slab("b", "b", 0.1, 0.4));
    // 0.2 m of the first, and of the second the 0.2 m that it does not share.
    double wanted = Math.pow(a, 2) * Math.pow(b, 2);
    assertThat(through(overlapping)).isCloseTo(wanted, within(0.005 * wanted));
    Sets inside =
        new Sets()
            .material(body("a", 1, a, 0))
            .material(body("b", 1, b, 0))
            .piece(slab("a", "a", 0.0, 0.4))
            .piece(slab("b", "b", 0.1, 0.2));
    double nested = Math.pow(a, 3) * Math.pow(b, 1);
    assertThat(through(inside)).isCloseTo(nested, within(0.005 * nested));
  }

  /**
   * Reflected and passed by all bounces between the faces of an absorbing slab (a closed series).
   */
  @ParameterizedTest
  @ValueSource(doubles = {0.2, 0.6, 1})
  void anAbsorbingSlabLeavesWhatTheSeriesOfItsBouncesSays(double left) {
    double f = Math.pow(0.5 / 2.5, 2), a = Math.pow(left, 2);
    double series = (1 - f) * (1 - f) * a / (1 - f * f * a * a);
    double wanted = f + series * (1 + f * a);
    Sets slab = new Sets().material(body("a", 1.5, left, 0)).piece(slab("a", "a", 0, 0.2));
    assertThat(through(slab)).isCloseTo(wanted, within(0.004 * wanted));
  }

  @Test
  void aBodyInAnotherOfItsIndexIsNotSeenAndAbsorbsAsBoth() {
    double alone =
        through(new Sets().material(body("a", 1.5, 0.9, 0)).piece(slab("a", "a", 0, 0.3)));
    double nested =
        through(
            new Sets()
                .material(body("a", 1.5, 0.9, 0))
                .material(body("b", 1.5, 0.9, 0))
                .piece(slab("a", "a", 0, 0.3))
                .piece(slab("b", "b", 0.1, 0.2)));
    assertThat(nested).isCloseTo(alone, within(0.005 * alone));
  }

  /** A lossless ball in a lossless ball in even light is not seen, whatever the indices. */
  @ParameterizedTest
  @ValueSource(doubles = {1.0, 1.33, 2.2})
  void nestedLosslessGlassLosesNoLight(double inner) {
    Shoot shoot =
        new Sets()
            .material(body("outer", 1.5, 1, 0))
            .material(body("inner", inner, 1, 0))
            .piece("shell", new Shape.Sphere(0.5), "outer", Vec3.ZERO)
            .piece("ball", new Shape.Sphere(0.3), "inner", Vec3.ZERO)
            .light(Sets.dome(1))
            .seen(new Vec3(0.3, 0.4, 4), Vec3.ZERO, 0.9)
            .shoot();
    assertThat(Sets.mean(Sets.render(shoot, 8, 8, 256, 400))).isCloseTo(1, within(0.005));
  }

  /** A lamp inside of tinted glass is as dim to light sampling as to the rays that meet it. */
  @Test
  void lightInsideOfTintedGlassIsAbsorbedByEveryTechnique() {
    Light lamp =
        Sets.light("lamp", new Emitter.Sphere(0.15), new Vec3(0, 0.5, 0), Vec3.ZERO, 5, Unit.NIT);
    Shoot shoot =
        new Sets()
            .material(body("glass", 1.2, 0.95, 0))
            .material(Material.matte("white", "White", Rgb.grey(0.8)))
            .piece("block", new Shape.Box(3, 3, 3, 0), "glass", new Vec3(0, -1, 0))
            .piece("floor", new Shape.Floor(1, 1), "white", Vec3.ZERO)
            .light(lamp)
            .seen(new Vec3(0, 1.2, 4), new Vec3(0, 0, 0), 0.8)
            .shoot();
    techniquesAgree(shoot, Pictures.NONE, 4, 0.03);
  }

  /** Several cameras look at one compiled scene; each sees what it would of a scene of its own. */
  @Test
  void severalCamerasLookAtOneScene() {
    Shoot shoot =
        underACard(
                Material.glossy("floor", "Floor", Rgb.grey(0.6), 0.3, 1.5),
                lamp(Maps.NONE),
                Visibility.ALL)
            .shoot();
    Shot other = Sets.camera(new Vec3(2, 1, 2), Vec3.ZERO, 1.2);
    View first = View.of(shoot, shoot.shots().getFirst(), Pictures.NONE);
    View second = new View(first.scene(), other);
    View own = View.of(shoot, other, Pictures.NONE);
    Film shared = new Film(20, 14, 1), alone = new Film(20, 14, 1);
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      renderer.trace(first, new Film(20, 14, 1), 1, () -> false);
      renderer.trace(second, shared, 4, () -> false);
      renderer.trace(own, alone, 4, () -> false);
    }
    assertThat(shared.sums(0)).containsExactly(alone.sums(0));
    assertThat(shared.samples()).isEqualTo(4);
  }
}

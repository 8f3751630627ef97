package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import levelember.Sets;
import levelember.caustics.CausticPhotons;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.Scene;
import levelember.scene.View;
import levelember.shoot.Bounce;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.Shot;
import levelember.shoot.compile.EditCost;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Known answers of caustics, and that photons and paths part the light between them. */
class CausticsTest {
  private static final double ALBEDO = 0.05;

  private static Light sun(Vec3 from, double lux, Caustics caustics) {
    return Sets.light("sun", new Emitter.Sun(0.53), from, Vec3.ZERO, lux, Unit.LUX)
        .withControls(LightControls.WHOLE.withCaustics(caustics));
  }

  private static Shoot over(Shoot shoot, LightOverGloss way) {
    return shoot.with(shoot.bounce().with(way));
  }

  private static Picture render(Shoot shoot, int width, int height, int samples, int bounces) {
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(width, height, view.layers());
    try (Renderer renderer = new Renderer(2, bounces, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  private static Sets slab(Rgb tint, Vec3 from, Caustics caustics) {
    return Sets.white(ALBEDO)
        .material(Material.glass("glass", "Glass", 1.5, tint, 0.1))
        .piece("floor", new Shape.Floor(40, 40), "white", Vec3.ZERO)
        .piece("slab", new Shape.Box(4, 0.1, 4, 0), "glass", new Vec3(0, 0.5, 0))
        .light(sun(from, 10_000, caustics))
        .seen(new Vec3(0, 0.4, 0.8), new Vec3(0, 0, 0), 0.4);
  }

  /** What a slab lets through of unpolarised light, with all reflections inside. */
  private static double transmitted(double cos, double ior) {
    double sin = Math.sqrt(1 - cos * cos) / ior, in = Math.sqrt(1 - sin * sin);
    double s = (cos - ior * in) / (cos + ior * in), p = (ior * cos - in) / (ior * cos + in);
    double r = (s * s + p * p) / 2;
    return (1 - r) / (1 + r);
  }

  @Test
  void theSunThroughAClearSlabLightsTheFloorByWhatTheSlabLetsThrough() {
    Vec3 from = new Vec3(0, 1, 0.7);
    double cos = from.unit().y();
    Picture lit = render(slab(Rgb.WHITE, from, Caustics.CAST).shoot(), 12, 8, 96, 8);
    double once = ALBEDO / Math.PI * 10_000 * cos * transmitted(cos, 1.5);
    double expected = once / (1 - ALBEDO * reflectedDiffusely(1.5));
    assertThat(Sets.mean(lit)).isCloseTo(expected, within(0.025 * expected));
    Shoot none = over(slab(Rgb.WHITE, from, Caustics.NONE).shoot(), LightOverGloss.NONE);
    assertThat(Sets.mean(render(none, 12, 8, 16, 8))).isLessThan(0.01 * expected);
  }

  @Test
  void aTintedSlabColoursTheFloorByBeerAndLambert() {
    Picture p =
        render(
            slab(new Rgb(0.9, 0.5, 0.2), new Vec3(0, 1, 1e-3), Caustics.CAST).shoot(), 8, 6, 64, 8);
    double[] sum = new double[3];
    for (int i = 0; i < p.rgb().length; i++) {
      sum[i % 3] += p.rgb()[i];
    }
    // Straight down once through a tenth of a metre; what is reflected inside is under one percent.
    assertThat(sum[1] / sum[0]).isCloseTo(0.5 / 0.9, within(0.02));
    assertThat(sum[2] / sum[0]).isCloseTo(0.2 / 0.9, within(0.02));
  }

  @Test
  void levelAndLinksWeighWhatPhotonsCarry() {
    Vec3 from = new Vec3(0, 1, 0.7);
    double one = Sets.mean(render(slab(Rgb.WHITE, from, Caustics.CAST).shoot(), 8, 6, 16, 4));
    Caustics half = new Caustics(Caustics.Cast.ON, 0.5, 0);
    assertThat(Sets.mean(render(slab(Rgb.WHITE, from, half).shoot(), 8, 6, 16, 4)))
        .isCloseTo(one / 2, within(0.01 * one));
    Caustics none = new Caustics(Caustics.Cast.ON, 0, 0);
    assertThat(Sets.mean(render(slab(Rgb.WHITE, from, none).shoot(), 8, 6, 16, 4)))
        .isLessThan(0.02 * one);
  }

  private static Sets mirror(Caustics caustics) {
    return Sets.white(ALBEDO)
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.8), 0))
        .piece("floor", new Shape.Floor(40, 40), "white", Vec3.ZERO)
        .piece(
            "strip",
            new Shape.Box(0.6, 0.6, 0.001, 0),
            "mirror",
            new Vec3(0, 1, 0),
            new Vec3(0, 0, 0))
        .light(sun(new Vec3(0, 1, 1), 10_000, caustics))
        .seen(new Vec3(0, 3, 4), new Vec3(0, 0, 1.3), 0.3);
  }

  @Test
  void aMirrorThrowsTheSunWhereGeometrySays() {
    // An upright mirror turns the sun back down: from 1 m up it falls 1 m before it, at 45°, on
    // what the sun lights itself.
    Picture both = render(mirror(Caustics.CAST).shoot(), 6, 4, 64, 4);
    double direct = ALBEDO / Math.PI * 10_000 * Math.cos(Math.PI / 4);
    assertThat(Sets.mean(both)).isCloseTo(1.8 * direct, within(0.03 * direct));
  }

  /** A light so large that paths find it over glass. */
  private static Light panel(Caustics caustics) {
    return Sets.light(
            "panel",
            new Emitter.Rectangle(3, 3, false),
            new Vec3(0.6, 3, 0.4),
            Vec3.ZERO,
            10,
            Unit.NIT)
        .withControls(LightControls.WHOLE.withCaustics(caustics));
  }

  private static Sets stage(Caustics caustics) {
    return Sets.white(0.5)
        .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 0.1))
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
        .material(
            Material.glass(
                "frosted", "Frosted", 0.2, 1.5, new Material.Glass(1, Rgb.WHITE, 1, false, 0)))
        .material(
            Material.glass(
                "pane", "Pane", 0, 1.5, new Material.Glass(1, new Rgb(1, 0.8, 0.7), 1, true, 0)))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .light(panel(caustics))
        .seen(new Vec3(0, 1.6, 3), new Vec3(0, 0.2, 0), 2.4);
  }

  private interface Setting {
    Sets with(Sets stage);
  }

  static List<Arguments> settings() {
    Setting ball = s -> s.piece("ball", new Shape.Sphere(0.4), "glass", new Vec3(0, 0.5, 0));
    Setting frosted = s -> s.piece("ball", new Shape.Sphere(0.4), "frosted", new Vec3(0, 0.5, 0));
    Setting pane =
        s ->
            s.piece("pane", new Shape.Box(1.2, 1, 0.01, 0), "pane", new Vec3(0, 0.1, -0.4))
                .piece("ball", new Shape.Sphere(0.3), "glass", new Vec3(0, 0.4, 0.3));
    Setting mirror =
        s -> s.piece("mirror", new Shape.Box(1.2, 1, 0.02, 0), "mirror", new Vec3(0, 0.1, -0.4));
    Setting water =
        s -> s.piece("water", new Shape.Box(3, 0.3, 3, 0), "glass", new Vec3(0, 0.001, 0));
    Setting flooded =
        s -> s.piece("water", new Shape.Box(3, 0.3, 3, 0), "glass", new Vec3(0, -0.1, 0));
    Setting row =
        s ->
            s.piece("front", new Shape.Sphere(0.3), "glass", new Vec3(0.3, 0.4, 0.2))
                .piece("back", new Shape.Box(0.4, 0.8, 0.4, 0), "glass", new Vec3(-0.4, 0.1, -0.3));
    return List.of(
        Arguments.of("a glass ball", ball),
        Arguments.of("rough glass", frosted),
        Arguments.of("a pane before glass", pane),
        Arguments.of("a mirror", mirror),
        Arguments.of("water over a floor", water),
        Arguments.of("a floor in the water", flooded),
        Arguments.of("glass in front of glass", row));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("settings")
  void photonsAndPathsTogetherGiveWhatPathsGiveAlone(String name, Setting setting) {
    double[] photons = regions(setting.with(stage(Caustics.CAST)).shoot(), 64);
    double[] paths = regions(setting.with(stage(Caustics.NONE)).shoot(), 1024);
    double mean = (paths[0] + paths[1] + paths[2] + paths[3]) / 4;
    for (int i = 0; i < paths.length; i++) {
      assertThat(photons[i])
          .as("region %d of %s against %s", i, Arrays.toString(photons), Arrays.toString(paths))
          .isCloseTo(paths[i], within(0.04 * paths[i] + 0.01 * mean));
    }
  }

  private static Light of(Emitter emitter, Caustics caustics) {
    return Sets.light("other", emitter, new Vec3(0.4, 2.2, 0.2), Vec3.ZERO, 10, Unit.NIT)
        .withControls(LightControls.WHOLE.withCaustics(caustics));
  }

  private static Sets shelf(Caustics caustics) {
    return Sets.white(0.5)
        .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 0.1))
        .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
        .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("lamp", new Shape.Box(1.4, 0.1, 1.4, 0), "lamp", new Vec3(0.3, 2, 0.3))
        .light(panel(Caustics.NONE))
        .seen(new Vec3(0, 1.6, 3), new Vec3(0, 0.2, 0), 2.4);
  }

  static List<Emitter> kinds() {
    return List.of(
        new Emitter.Sphere(0.5),
        new Emitter.Tube(2, 0.3),
        new Emitter.Disc(0.9, false, 180, null),
        new Emitter.Dome(),
        new Emitter.Emissive("lamp"));
  }

  @ParameterizedTest
  @MethodSource("kinds")
  void everyKindOfLightThrowsByPhotonsWhatItThrowsByPaths(Emitter kind) {
    Vec3 at = new Vec3(0, 0.5, 0);
    Shape ball = new Shape.Sphere(0.4);
    double[] photons =
        regions(
            shelf(Caustics.NONE)
                .piece("b", ball, "glass", at)
                .light(of(kind, Caustics.CAST))
                .shoot(),
            64);
    double[] paths =
        regions(
            shelf(Caustics.NONE)
                .piece("b", ball, "glass", at)
                .light(of(kind, Caustics.NONE))
                .shoot(),
            768);
    for (int i = 0; i < paths.length; i++) {
      assertThat(photons[i]).isCloseTo(paths[i], within(0.04 * paths[i]));
    }
  }

  @Test
  void aLampThatIsHiddenFromReflectionsThrowsNothingOffAMirror() {
    Visibility hidden = new Visibility(true, false, true, true, true, false);
    assertThat(thrown(Visibility.ALL)).isGreaterThan(1.02);
    assertThat(thrown(hidden)).isEqualTo(1);
  }

  /** The floor's light with what a mirror throws of an emissive piece over that without. */
  private static double thrown(Visibility shows) {
    double[] sums = new double[2];
    for (int i = 0; i < 2; i++) {
      Sets sets =
          Sets.white(0.5)
              .material(Material.metal("mirror", "Mirror", Rgb.grey(0.9), 0))
              .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
              .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
              .piece("mirror", new Shape.Box(1.2, 1, 0.02, 0), "mirror", new Vec3(0, 0.1, -0.4))
              .piece(
                  new Piece(
                      "l",
                      "L",
                      null,
                      new Vec3(0, 1.2, 0.8),
                      Vec3.ZERO,
                      Vec3.ONE,
                      new Shape.Box(0.4, 0.1, 0.4, 0),
                      "lamp",
                      null,
                      shows,
                      true))
              .light(
                  of(
                      new Emitter.Emissive("lamp"),
                      i == 0 ? Caustics.CAST : new Caustics(Caustics.Cast.ON, 0, 0)))
              .seen(new Vec3(0, 1.6, 3), new Vec3(0, 0, 0.4), 1);
      sums[i] = Sets.mean(render(sets.shoot(), 12, 8, 16, 4));
    }
    return sums[0] / sums[1];
  }

  @Test
  void photonsMeetNoMoreSurfacesThanLightMay() {
    Shoot slab = slab(Rgb.WHITE, new Vec3(0, 1, 0.7), Caustics.CAST).shoot();
    double two = Sets.mean(render(slab.with(met(2)), 8, 6, 8, 16));
    double three = Sets.mean(render(slab.with(met(3)), 8, 6, 8, 16));
    // Through both faces of the slab, and off the floor.
    assertThat(three).isGreaterThan(10);
    assertThat(two).isLessThan(0.01 * three);
  }

  private static Bounce met(int surfaces) {
    return new Bounce(surfaces, 1, 0, LightOverGloss.NONE);
  }

  /** What a slab reflects of light that comes diffusely. */
  private static double reflectedDiffusely(double ior) {
    int steps = 1000;
    double sum = 0;
    for (int i = 0; i < steps; i++) {
      // Of cosine-weighted directions the squared cosine is even.
      sum += (1 - transmitted(Math.sqrt((i + 0.5) / steps), ior)) / steps;
    }
    return sum;
  }

  private static Shoot overWhiteFloor(int surfaces) {
    double albedo = 0.8;
    Shoot shoot =
        Sets.white(albedo)
            .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 0.1))
            .piece("floor", new Shape.Floor(40, 40), "white", Vec3.ZERO)
            .piece("slab", new Shape.Box(4, 0.1, 4, 0), "glass", new Vec3(0, 0.1, 0))
            .light(sun(new Vec3(0, 1, 1e-3), 10_000, Caustics.CAST))
            .seen(new Vec3(0, 0.04, 0.06), new Vec3(0, 0, 0), 0.02)
            .shoot();
    return shoot.with(new Bounce(surfaces, 1, 0, LightOverGloss.EVERYTHING));
  }

  /** Light that a floor reflects to the slab over it and gets back, time and again. */
  @Test
  void whatACausticLightsIsLightThatBouncesOn() {
    double once = Sets.mean(render(overWhiteFloor(3), 12, 8, 48, 16));
    double all = Sets.mean(render(overWhiteFloor(16), 12, 8, 48, 16));
    double expected = 1 / (1 - 0.8 * reflectedDiffusely(1.5));
    assertThat(all / once).isCloseTo(expected, within(0.1 * (expected - 1)));
  }

  /** A path and its photon together meet no more surfaces than light may. */
  @Test
  void photonsAndPathsShareOneBoundOnSurfaces() {
    double three = Sets.mean(render(overWhiteFloor(3), 12, 8, 16, 16));
    // Once more off the slab and the floor: two faces, the floor, the lower face, the floor.
    double four = Sets.mean(render(overWhiteFloor(4), 12, 8, 16, 16));
    double five = Sets.mean(render(overWhiteFloor(5), 12, 8, 16, 16));
    assertThat(four).isCloseTo(three, within(1e-3 * three));
    assertThat(five).isGreaterThan(1.03 * three);
  }

  private static double[] regions(Shoot shoot, int samples) {
    Picture p = render(over(shoot, LightOverGloss.EVERYTHING), 24, 16, samples, 12);
    double[] to = new double[4];
    for (int y = 0; y < 16; y++) {
      for (int x = 0; x < 24; x++) {
        to[y / 8 * 2 + x / 12] += (p.get(x, y, 0) + p.get(x, y, 1) + p.get(x, y, 2)) / (3 * 96);
      }
    }
    return to;
  }

  @Test
  void whatIsThrownOverAMaterialThatCastsNoneIsFoundByPaths() {
    Sets none = withStill(stage(Caustics.CAST)), off = withStill(stage(Caustics.NONE));
    assertThat(render(none.shoot(), 8, 6, 3, 8).rgb())
        .isEqualTo(render(off.shoot(), 8, 6, 3, 8).rgb());
  }

  @Test
  void aMovedLightHasItsOwnPhotonsTracedAlone() {
    Shoot before = twoLights(new Vec3(0.6, 3, 0.4)), after = twoLights(new Vec3(0.2, 3, 0.4));
    Shot shot = before.shots().getFirst();
    Scene scene = View.of(before, shot, name -> null).scene();
    CausticPhotons old = CausticPhotons.of(scene);
    EditCost cost = EditCost.between(before, shot, after, shot);
    CausticPhotons next =
        CausticPhotons.of(new View(scene, shot).next(after, shot, name -> null, cost).scene());
    assertThat(next.light(2)).isNotNull().isSameAs(old.light(2));
    assertThat(next.light(1)).isNotNull().isNotSameAs(old.light(1));
  }

  private static Sets withStill(Sets stage) {
    Material still = Material.glass("still", "Still", 1.5, Rgb.WHITE, 0.1).withCastsCaustics(false);
    return stage.material(still).piece("b", new Shape.Sphere(0.4), "still", new Vec3(0, 0.5, 0));
  }

  private static Shoot twoLights(Vec3 at) {
    Light other =
        Sets.light(
            "other",
            new Emitter.Rectangle(0.3, 0.3, false),
            new Vec3(0, 2, 1),
            Vec3.ZERO,
            5,
            Unit.NIT);
    return stage(Caustics.NONE)
        .piece("ball", new Shape.Sphere(0.4), "glass", new Vec3(0, 0.5, 0))
        .light(
            Sets.light("lamp", new Emitter.Rectangle(0.3, 0.3, false), at, Vec3.ZERO, 5, Unit.NIT)
                .withControls(LightControls.WHOLE.withCaustics(Caustics.CAST)))
        .light(other.withControls(LightControls.WHOLE.withCaustics(Caustics.CAST)))
        .shoot();
  }

  @Test
  void tracingIsStoppedWhilePhotonsAreTracedAndGoesOnWithTheSameBits() {
    Shoot shoot = withGlass(stage(Caustics.CAST)).shoot();
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(24, 16, 1), whole = new Film(24, 16, 1);
    try (Renderer renderer = new Renderer(2, 8, 1)) {
      AtomicInteger polls = new AtomicInteger();
      renderer.trace(view, film, 1, () -> polls.incrementAndGet() > 3);
      assertThat(film.samples()).isZero();
      renderer.trace(view, film, 2, () -> false);
      renderer.trace(View.of(shoot, shoot.shots().getFirst(), name -> null), whole, 2, () -> false);
    }
    assertThat(film.sums(0)).isEqualTo(whole.sums(0));
  }

  @Test
  void manyCopiesOfGlassAreTriedTogether() {
    Sets sets = stage(Caustics.CAST);
    for (int i = 0; i < 1500; i++) {
      Vec3 at = new Vec3(-1 + i % 40 * 0.05, 0.1 + i / 1600.0, -1 + i / 40 * 0.05);
      sets.piece("g" + i, new Shape.Sphere(0.02), "glass", at);
    }
    assertThat(Sets.mean(render(sets.shoot(), 8, 6, 1, 6))).isGreaterThan(0);
  }

  private static Sets withGlass(Sets stage) {
    return stage.piece("b", new Shape.Sphere(0.4), "glass", new Vec3(0, 0.5, 0));
  }

  @Test
  void aShootWithoutCastersKeepsItsBits() {
    Sets dry =
        stage(Caustics.NONE).piece("ball", new Shape.Sphere(0.3), "white", new Vec3(0, 0.3, 0));
    Sets lit =
        stage(Caustics.CAST).piece("ball", new Shape.Sphere(0.3), "white", new Vec3(0, 0.3, 0));
    assertThat(render(lit.shoot(), 8, 6, 3, 8).rgb())
        .isEqualTo(render(dry.shoot(), 8, 6, 3, 8).rgb());
  }

  @Test
  void theSameBitsOnAnyNumberOfThreadsAndInAnyNumberOfCalls() {
    Shoot shoot =
        stage(Caustics.CAST)
            .piece("b", new Shape.Sphere(0.4), "glass", new Vec3(0, 0.5, 0))
            .shoot();
    Film one = new Film(40, 40, 1), other = new Film(40, 40, 1);
    View first = View.of(shoot, shoot.shots().getFirst(), name -> null);
    View second = View.of(shoot, shoot.shots().getFirst(), name -> null);
    try (Renderer renderer = new Renderer(1, 8, 1)) {
      renderer.trace(first, one, 3, () -> false);
    }
    try (Renderer renderer = new Renderer(4, 8, 1)) {
      renderer.trace(second, other, 1, () -> false);
      renderer.trace(second, other, 3, () -> false);
    }
    assertThat(other.sums(0)).isEqualTo(one.sums(0));
  }
}

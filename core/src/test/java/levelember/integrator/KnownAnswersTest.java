package levelember.integrator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import levelember.Sets;
import levelember.film.Film;
import levelember.film.LayerMix;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.texture.Picture;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The renderer against answers that are known from outside it. */
class KnownAnswersTest {

  static Stream<Material> albedoOneMaterials() {
    Stream<Material> rough =
        Stream.of(0.05, 0.2, 0.35, 0.5, 0.75, 1.0)
            .flatMap(r ->
                Stream.of(
                    Material.metal("white", "metal " + r, Rgb.WHITE, r),
                    Material.glossy("white", "glossy 1.5 " + r, Rgb.WHITE, r, 1.5),
                    Material.glossy("white", "glossy 2.4 " + r, Rgb.WHITE, r, 2.4)));
    return Stream.concat(
        rough,
        Stream.of(
            Material.matte("white", "matte", Rgb.WHITE),
            Material.glass("white", "glass", 1.5, Rgb.WHITE, 1)));
  }

  private static Material white(String name, double metalness, double roughness, double glass) {
    return new Material(
        "white",
        name,
        Rgb.WHITE,
        metalness,
        Rgb.WHITE,
        null,
        roughness,
        1,
        1.6,
        new Material.Glass(glass, Rgb.WHITE, 1, false, 0),
        Material.Coat.NONE,
        Material.Sheen.NONE,
        levelember.shoot.material.Maps.NONE,
        true);
  }

  /** Every layer and mix, over roughness, metalness and index, made of stuff that loses nothing. */
  static Stream<Material> losslessLayers() {
    List<Material> all = new java.util.ArrayList<>();
    for (double r : new double[] {0.05, 0.3, 0.6, 1}) {
      // Light is caught long in the roughest, densest balls; there the mean settles slowly.
      for (double ior : new double[] {1.2, 1.5, r < 1 ? 2.4 : 1.8}) {
        all.add(Material.glass("white", "rough glass " + ior + " " + r, r, ior, glass(false, 0)));
      }
      all.add(Material.glass("white", "thin wall " + r, r, 1.5, glass(true, 0)));
      all.add(Material.glass("white", "dispersing " + r, r, 1.7, glass(false, 20)));
      Material.Coat coat = new Material.Coat(1, r, 1.5);
      all.add(Material.matte("white", "coat on matte " + r, Rgb.WHITE).with(coat));
      all.add(Material.metal("white", "coat on metal " + r, Rgb.WHITE, 0.4).with(coat));
      all.add(Material.glass("white", "coat on glass " + r, 0.3, 1.5, glass(false, 0)).with(coat));
      Material.Sheen sheen = new Material.Sheen(Rgb.WHITE, Math.max(0.1, r));
      all.add(Material.matte("white", "sheen on matte " + r, Rgb.WHITE).with(sheen));
      all.add(
          Material.glossy("white", "sheen on coat on gloss " + r, Rgb.WHITE, 0.4, 1.5)
              .with(sheen)
              .with(coat));
      all.add(white("half metal " + r, 0.5, r, 0));
      all.add(white("half glass " + r, 0, r, 0.5));
      all.add(white("a bit of each " + r, 0.3, r, 0.4));
    }
    all.add(Material.glass("white", "smooth thin wall", 0, 1.5, glass(true, 0)));
    all.add(Material.glass("white", "smooth dispersing", 0, 1.7, glass(false, 20)));
    all.add(white("half smooth glass", 0, 0, 0.5));
    return all.stream();
  }

  private static Material.Glass glass(boolean thin, double abbe) {
    return new Material.Glass(1, Rgb.WHITE, 1, thin, abbe);
  }

  @ParameterizedTest
  @MethodSource("losslessLayers")
  void whiteFurnaceReadsItsOwnLuminanceUnderEveryLayer(Material material) {
    whiteFurnaceReadsItsOwnLuminanceEverywhereOnTheSphere(material);
  }

  @Test
  void aMetalByItsComplexIndexReflectsAsTheEquationsSay() {
    // Gold near 600 nm: n 0.25, k 3.07; reflectance at normal incidence from the closed formula.
    double n = 0.25, k = 3.07;
    double wanted = ((n - 1) * (n - 1) + k * k) / ((n + 1) * (n + 1) + k * k);
    Material gold =
        Material.metal("m", "Gold", Rgb.WHITE, 0)
            .with(new Material.Index(Rgb.grey(n), Rgb.grey(k)));
    Shoot shoot =
        new Sets()
            .material(gold)
            .piece("wall", new Shape.Rectangle(4, 4), "m", Vec3.ZERO)
            .light(Sets.dome(1))
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.01)
            .shoot();
    assertThat(Sets.mean(Sets.render(shoot, 4, 4, 64, 4))).isCloseTo(wanted, within(0.005));
  }

  @Test
  void aThinTintedWallPassesWhatTheSeriesOfBouncesLeaves() {
    double f = Math.pow(0.5 / 2.5, 2), t = 0.6;
    double wanted = (1 - f) * (1 - f) * t / (1 - f * f * t * t);
    Material pane =
        Material.glass("m", "Pane", 0, 1.5, new Material.Glass(1, Rgb.grey(t), 1, true, 0));
    Shoot shoot =
        new Sets()
            .material(pane)
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece("pane", new Shape.Rectangle(2, 2), "m", Vec3.ZERO)
            .piece("back", new Shape.Rectangle(2, 2), "lamp", new Vec3(0, 0, -1))
            .light(
                Sets.light("glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 1, Unit.NIT))
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.01)
            .shoot();
    assertThat(Sets.mean(Sets.render(shoot, 4, 4, 512, 4))).isCloseTo(wanted, within(0.01));
  }

  @Test
  void glassThatDispersesBendsBlueMoreThanRed() {
    // A prism's flank seen against a sharp border: where red already sees the lamp, blue does not.
    Material flint =
        Material.glass("m", "Flint", 0, 1.7, new Material.Glass(1, Rgb.WHITE, 1, false, 15));
    Shoot shoot =
        new Sets()
            .material(flint)
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece("ball", new Shape.Sphere(1), "m", Vec3.ZERO)
            .piece("back", new Shape.Rectangle(4, 1.2), "lamp", new Vec3(0, 0, -3))
            .light(
                Sets.light("glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 1, Unit.NIT))
            .seen(new Vec3(0, 0, 8), Vec3.ZERO, 2)
            .shoot();
    Picture p = Sets.render(shoot, 48, 48, 256, 8);
    double apart = 0;
    for (int i = 0; i < p.rgb().length; i += 3) {
      apart = Math.max(apart, Math.abs(p.rgb()[i] - p.rgb()[i + 2]));
    }
    assertThat(apart).isGreaterThan(0.25);
  }

  @ParameterizedTest
  @MethodSource("albedoOneMaterials")
  void whiteFurnaceReadsItsOwnLuminanceEverywhereOnTheSphere(Material material) {
    Shoot shoot =
        new Sets()
            .material(material)
            .piece("ball", new Shape.Sphere(1), "white", Vec3.ZERO)
            .light(Sets.dome(1))
            .seen(new Vec3(0, 0, 8), Vec3.ZERO, 1.6)
            .shoot();
    // Of every pixel the mean of independent renderings, as many as it takes, against its own
    // standard error.
    int side = 14;
    double[] sum = new double[side * side], squares = new double[side * side];
    double[] error = new double[side * side];
    double errors = 1, whole = 0;
    for (int seeds = 0; errors > 0.05 && seeds < 160; ) {
      for (Picture p : Sets.renderings(shoot, side, side, 24, 400, ++seeds, 14)) {
        for (int i = 0; i < sum.length; i++) {
          double v = p.rgb()[3 * i + 1];
          sum[i] += v;
          squares[i] += v * v;
        }
      }
      seeds += 13;
      errors = whole = 0;
      for (int i = 0; i < sum.length; i++) {
        double mean = sum[i] / seeds;
        error[i] = Math.sqrt(Math.max(0, squares[i] / seeds - mean * mean) / (seeds - 1));
        errors += error[i] / sum.length;
        whole += mean / sum.length;
      }
      for (int i = 0; i < sum.length; i++) {
        assertThat(sum[i] / seeds)
            .as("%s, pixel %d, %d", material.name(), i % side, i / side)
            .isCloseTo(1, within(0.01 + 6 * error[i]));
      }
    }
    assertThat(errors).as("noise of " + material.name()).isLessThan(0.05);
    assertThat(whole).as(material.name()).isCloseTo(1, within(0.01));
  }

  /** Irradiance at a point from a polygon, Lambert 1760: E = L/2 Σ Θ·(Γ·n). */
  private static double lambert(List<Vec3> polygon, Vec3 at, Vec3 n) {
    double sum = 0;
    for (int i = 0; i < polygon.size(); i++) {
      Vec3 a = polygon.get(i).minus(at).unit();
      Vec3 b = polygon.get((i + 1) % polygon.size()).minus(at).unit();
      Vec3 cross = a.cross(b);
      sum += Math.atan2(cross.length(), a.dot(b)) * cross.unit().dot(n);
    }
    return Math.abs(sum) / 2;
  }

  @ParameterizedTest
  @CsvSource({"0,0", "0.7,0", "1.5,-0.8", "-3,2"})
  void aRectangleLightsAMatteFloorAsThePolygonFormulaSays(double x, double z) {
    Emitter.Rectangle r = new Emitter.Rectangle(1.2, 0.8, false);
    Shoot shoot =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
            .light(Sets.light("key", r, new Vec3(0, 1.5, 0), Vec3.ZERO, 100, Unit.NIT))
            .seen(new Vec3(x, 3, z + 1), new Vec3(x, 0, z), 0.001)
            .shoot();
    List<Vec3> corners =
        List.of(
            new Vec3(-0.6, 1.5, -0.4),
            new Vec3(0.6, 1.5, -0.4),
            new Vec3(0.6, 1.5, 0.4),
            new Vec3(-0.6, 1.5, 0.4));
    double wanted = 100 * lambert(corners, new Vec3(x, 0, z), Vec3.UP) * 0.5 / Math.PI;
    // The camera looks past the lamp where it stands in the way, as lamps block nothing and this
    // one shines downwards only.
    double read = Sets.mean(Sets.render(shoot, 4, 4, 4096, 0 + 1));
    assertThat(read).isCloseTo(wanted, Percentage.withPercentage(0.5));
  }

  @ParameterizedTest
  @CsvSource({"0.5,2", "0.1,3", "0.9,1.2"})
  void aSphereAboveTheFloorGivesPiTimesLuminanceTimesSquaredRatio(double radius, double d) {
    Shoot shoot =
        Sets.white(0.5)
            .piece("floor", new Shape.Floor(20, 20), "white", Vec3.ZERO)
            .light(
                Sets.light(
                    "bulb", new Emitter.Sphere(radius), new Vec3(0, d, 0), Vec3.ZERO, 10, Unit.NIT))
            .seen(new Vec3(6, 1, 0), Vec3.ZERO, 0.001)
            .shoot();
    double wanted = Math.PI * 10 * (radius / d) * (radius / d) * 0.5 / Math.PI;
    double read = Sets.mean(Sets.render(shoot, 4, 4, 1024, 1));
    assertThat(read).isCloseTo(wanted, Percentage.withPercentage(0.5));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.2, 0.5, 0.8})
  void aClosedShiningBoxReadsItsEmissionOverOneMinusAlbedo(double albedo) {
    Picture p = Sets.render(closedBox(albedo, Vec3.ZERO), 16, 16, 64, 500);
    assertThat(Sets.mean(p)).isCloseTo(2 / (1 - albedo), Percentage.withPercentage(1));
  }

  @ParameterizedTest
  @ValueSource(doubles = {20_000, 90_000})
  void soItDoesFarFromTheOrigin(double metres) {
    double near = Sets.mean(Sets.render(closedBox(0.8, Vec3.ZERO), 16, 16, 256, 500));
    Vec3 there = new Vec3(metres, 0.3 * metres, -metres);
    double far = Sets.mean(Sets.render(closedBox(0.8, there), 16, 16, 256, 500));
    assertThat(far).isCloseTo(near, Percentage.withPercentage(0.1));
  }

  private static Shoot closedBox(double albedo, Vec3 at) {
    return Sets.white(albedo)
        .piece(
            new levelember.shoot.piece.Piece(
                "room",
                "Room",
                null,
                at.plus(new Vec3(0, 1, 0)),
                new Vec3(180, 0, 0),
                Vec3.ONE,
                inwardBox(),
                "white",
                null,
                true))
        .light(Sets.light("walls", new Emitter.Emissive("white"), Vec3.ZERO, Vec3.UP, 2, Unit.NIT))
        .seen(at.plus(new Vec3(0.2, 0.1, 0.3)), at.plus(new Vec3(-0.4, 0.2, -1)), 1)
        .shoot();
  }

  /** A cube of two metres whose outsides face inwards. */
  private static Shape inwardBox() {
    List<Double> p =
        List.of(
            -1., 0., -1., 1., 0., -1., 1., 2., -1., -1., 2., -1., -1., 0., 1., 1., 0., 1., 1., 2.,
            1., -1., 2., 1.);
    List<Integer> t =
        List.of(
            0, 1, 2, 0, 2, 3, 5, 4, 7, 5, 7, 6, 4, 0, 3, 4, 3, 7, 1, 5, 6, 1, 6, 2, 3, 2, 6, 3, 6,
            7, 4, 5, 1, 4, 1, 0);
    return new Shape.Mesh(p, List.of(), t);
  }

  private static Sets slab() {
    return Sets.white(0)
        .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1))
        .piece("slab", new Shape.Box(4, 4, 0.1, 0), "glass", new Vec3(0, -2, 0));
  }

  @Test
  void aGlassSlabInAnEvenDomeIsNotSeen() {
    Shoot shoot = slab().light(Sets.dome(3)).seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.5).shoot();
    assertThat(Sets.mean(Sets.render(shoot, 8, 8, 64, 64))).isCloseTo(3, within(0.003));
  }

  @Test
  void aGlassSlabLetsThroughTwoNOverNSquaredPlusOne() {
    // A shining wall behind the slab, black elsewhere: only what is transmitted arrives.
    Shoot shoot =
        slab()
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece("wall", new Shape.Rectangle(3, 3), "lamp", new Vec3(0, 0, -1))
            .light(
                Sets.light("wall", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 1, Unit.NIT))
            .seen(new Vec3(0, 0, 5), Vec3.ZERO, 0.01)
            .shoot();
    double wanted = 2 * 1.5 / (1.5 * 1.5 + 1);
    assertThat(Sets.mean(Sets.render(shoot, 16, 16, 1024, 64)))
        .isCloseTo(wanted, Percentage.withPercentage(0.5));
  }

  @Test
  void behindGlassWithoutCausticsAPointGivesTheFloorNothing() {
    Shoot shoot =
        Sets.white(0.8)
            .material(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1))
            .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
            .piece("slab", new Shape.Box(4, 0.05, 4, 0), "glass", new Vec3(0, 0.5, 0))
            .light(
                Sets.light("p", new Emitter.Point(), new Vec3(0, 1, 0), Vec3.ZERO, 1, Unit.CANDELA)
                    .withControls(LightControls.WHOLE.withCaustics(Caustics.NONE)))
            .seen(new Vec3(0, 0.3, 1.9), Vec3.ZERO, 0.01)
            .shoot();
    assertThat(Sets.mean(Sets.render(shoot, 4, 4, 64, 16))).isZero();
  }

  @Test
  void oneCandelaOneMetreAboveWhiteReadsAlbedoOverPi() {
    Shoot shoot =
        Sets.white(0.8)
            .piece("floor", new Shape.Floor(4, 4), "white", Vec3.ZERO)
            .light(
                Sets.light("p", new Emitter.Point(), new Vec3(0, 1, 0), Vec3.ZERO, 1, Unit.CANDELA))
            .seen(new Vec3(0, 0.5, 1), Vec3.ZERO, 0.001)
            .shoot();
    assertThat(Sets.mean(Sets.render(shoot, 4, 4, 16, 1)))
        .isCloseTo(0.8 / Math.PI, Percentage.withPercentage(0.01));
  }

  private static Shoot manyLights() {
    Emitter.Rectangle panel = new Emitter.Rectangle(0.5, 0.5, false);
    return Sets.white(0.6)
        .material(Material.metal("brass", "Brass", new Rgb(0.9, 0.7, 0.4), 0.25))
        .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
        .piece("ball", new Shape.Sphere(0.5), "brass", new Vec3(0, 0.5, 0))
        .light(Sets.light("key", panel, new Vec3(2, 2, 1), Vec3.ZERO, 900, Unit.LUMEN))
        .light(
            Sets.light(
                "bulb", new Emitter.Sphere(0.1), new Vec3(-1, 1, 1), Vec3.ZERO, 300, Unit.LUMEN))
        .light(
            Sets.light("p", new Emitter.Point(), new Vec3(0, 2, -1), Vec3.ZERO, 20, Unit.CANDELA))
        .light(Sets.dome(2))
        .seen(new Vec3(0, 1.5, 4), new Vec3(0, 0.4, 0), 3)
        .shoot();
  }

  private static Shoot with(Shoot s, List<Light> lights) {
    return new Shoot(
        s.name(), s.pieces(), s.materials(), lights, s.masterStops(), s.shots(), s.looks());
  }

  @Test
  void layersAddUpToThePicture() {
    Shoot shoot = manyLights();
    Film film = Sets.film(shoot, 32, 24, 4, 8, 2);
    float[] weights = LayerWeights.of(shoot);
    Picture whole = LayerMix.picture(film, weights);
    double[] sum = new double[whole.rgb().length];
    for (int k = 0; k < film.layers(); k++) {
      Picture one = LayerMix.layer(film, k, weights);
      for (int i = 0; i < sum.length; i++) {
        sum[i] += one.rgb()[i];
      }
    }
    for (int i = 0; i < sum.length; i++) {
      assertThat((double) whole.rgb()[i]).isCloseTo(sum[i], within(1e-6 * (1 + sum[i])));
    }
  }

  @Test
  void aMutedLightEqualsAPictureWithoutIt() {
    Shoot shoot = manyLights();
    Light key = shoot.lights().getFirst();
    Light muted =
        new Light(
            key.id(),
            key.name(),
            key.emitter(),
            key.position(),
            key.aim(),
            0,
            key.brightness(),
            3,
            key.colour(),
            true,
            false,
            true);
    List<Light> rest = shoot.lights().subList(1, shoot.lights().size());
    Shoot quiet = with(shoot, Stream.concat(Stream.of(muted), rest.stream()).toList());
    assertThat(Sets.render(quiet, 32, 24, 4, 8).rgb())
        .containsExactly(Sets.render(with(shoot, rest), 32, 24, 4, 8).rgb());
  }

  @Test
  void oneThreadAndThreeGiveTheSameBits() {
    Shoot shoot = manyLights();
    Film one = Sets.film(shoot, 40, 30, 3, 8, 1);
    Film three = Sets.film(shoot, 40, 30, 3, 8, 3);
    for (int k = 0; k < one.layers(); k++) {
      assertThat(three.sums(k)).containsExactly(one.sums(k));
    }
  }

  @Test
  void aRenderTakenUpAgainGivesTheSameBits() {
    Shoot shoot = manyLights();
    View view = View.of(shoot, shoot.shots().getFirst(), levelember.texture.Pictures.NONE);
    Film film = new Film(40, 30, view.layers());
    try (Renderer r = new Renderer(2, 8, 1)) {
      int[] asked = {0};
      r.trace(view, film, 1, () -> false);
      r.trace(view, film, 3, () -> ++asked[0] > 40);
      r.trace(view, film, 3, () -> false);
    }
    Film whole = Sets.film(shoot, 40, 30, 3, 8, 2);
    for (int k = 0; k < film.layers(); k++) {
      assertThat(film.sums(k)).containsExactly(whole.sums(k));
    }
  }

  @Test
  void samplingTheLightAndMeetingItByChanceAgree() {
    // A large panel over a mirror-like and over a matte floor: each technique is good at one.
    for (double roughness : new double[] {0.1, 0.6}) {
      Sets sets =
          new Sets()
              .material(Material.metal("m", "Metal", Rgb.grey(0.9), roughness))
              .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
              .piece("floor", new Shape.Floor(10, 10), "m", Vec3.ZERO)
              .seen(new Vec3(0, 1, 2), Vec3.ZERO, 0.5);
      Emitter.Rectangle panel = new Emitter.Rectangle(1, 1, false);
      Shoot drawn =
          sets.light(Sets.light("l", panel, new Vec3(0, 1, -2), Vec3.ZERO, 5, Unit.NIT)).shoot();
      Sets met =
          new Sets()
              .material(Material.metal("m", "Metal", Rgb.grey(0.9), roughness))
              .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
              .piece("floor", new Shape.Floor(10, 10), "m", Vec3.ZERO)
              .piece(
                  new levelember.shoot.piece.Piece(
                      "card",
                      "Card",
                      null,
                      new Vec3(0, 1, -2),
                      new Vec3(Math.toDegrees(Math.atan2(1, 2)), 0, 0),
                      Vec3.ONE,
                      new Shape.Rectangle(1, 1),
                      "lamp",
                      null,
                      true))
              .light(Sets.light("l", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 5, Unit.NIT))
              .seen(new Vec3(0, 1, 2), Vec3.ZERO, 0.5);
      double a = Sets.mean(Sets.render(drawn, 16, 16, 512, 1));
      double b = Sets.mean(Sets.render(met.shoot(), 16, 16, 2048, 1));
      assertThat(a).as("roughness " + roughness).isCloseTo(b, Percentage.withPercentage(1));
    }
  }

  /** A shining panel as pieces, copied, mirrored and turned, gives what a rectangle light gives. */
  @Test
  void shiningPiecesLightAsRectanglesOfTheSameLuminanceDo() {
    Sets room =
        Sets.white(0.7)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .seen(new Vec3(1.5, 2, 2), new Vec3(0.4, 0, 0), 1);
    Emitter.Rectangle r = new Emitter.Rectangle(0.8, 0.4, false);
    Vec3 place = new Vec3(0, 1.2, 0);
    Light panel = Sets.light("panel", r, place, new Vec3(0, 0, 0), 100, Unit.NIT);
    double wanted = Sets.mean(Sets.render(room.light(panel).shoot(), 8, 8, 256, 4));

    Sets shining =
        Sets.white(0.7)
            .piece("floor", new Shape.Floor(8, 8), "white", Vec3.ZERO)
            .seen(new Vec3(1.5, 2, 2), new Vec3(0.4, 0, 0), 1)
            .material(Material.matte("lamp", "Lamp", Rgb.grey(0)))
            .piece(
                new Piece(
                    "panel",
                    "Panel",
                    null,
                    place.minus(new Vec3(0.3, 0, 0)),
                    new Vec3(90, 0, 0),
                    new Vec3(-1, 1, 1),
                    new Shape.Rectangle(0.2, 0.4),
                    "lamp",
                    new Piece.Copies(4, new Vec3(0.2, 0, 0), Vec3.ZERO),
                    true))
            .light(
                Sets.light(
                    "glow", new Emitter.Emissive("lamp"), Vec3.ZERO, Vec3.UP, 100, Unit.NIT));
    double got = Sets.mean(Sets.render(shining.shoot(), 8, 8, 256, 4));
    assertThat(got).isCloseTo(wanted, within(0.01 * wanted));
  }
}

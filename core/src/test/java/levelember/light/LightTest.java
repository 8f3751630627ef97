package levelember.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.photometry.ColourTemperature;
import levelember.photometry.LampUnits;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Gobo;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.texture.Picture;
import levelember.texture.Texels;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class LightTest {
  private static final ReferencePoint ORIGIN = new ReferencePoint();

  private static Light light(Emitter e, Vec3 place, Vec3 aim) {
    return new Light(
        "l",
        "L",
        e,
        place,
        aim,
        25,
        new Brightness(1, e.units().getFirst()),
        0,
        LightColour.NEUTRAL,
        false,
        false,
        true);
  }

  private static Picture sky() {
    Picture p = Picture.black(32, 16);
    Random random = new Random(3);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = (float) Math.pow(random.nextDouble(), 6) * 40;
    }
    p.set(20, 4, 900, 800, 700);
    return p;
  }

  /** Bright all over, as what is dark is not drawn. */
  private static Texels texels() {
    Picture p = Picture.black(8, 8);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = 0.5f + 0.05f * (i % 7);
    }
    return Texels.of(p);
  }

  static Stream<LightSource> lights() {
    Vec3 place = new Vec3(0.4, 1.2, -0.3), aim = new Vec3(0.1, 0, 0.2);
    Emitter.Rectangle near = new Emitter.Rectangle(1.4, 0.5, false);
    Emitter.Rectangle tiny = new Emitter.Rectangle(0.004, 0.003, true);
    Emitter.Sphere ball = new Emitter.Sphere(0.3);
    Emitter.Disc disc = new Emitter.Disc(0.5, false, 180, "p");
    Emitter.Tube tube = new Emitter.Tube(1.5, 0.2);
    Emitter.Spot spot =
        new Emitter.Spot(120, 0.2, 0.3, 0.5, null, Gobo.of("p"), new Emitter.Doors(80, 80, 80, 80));
    Emitter.Dome dome = new Emitter.Dome(new Rgb(0.2, 0.5, 1), new Rgb(0.3, 0.2, 0.1));
    Emitter.Environment tilted = new Emitter.Environment("sky", 37, 25, 0, 0);
    Emitter.Environment env = new Emitter.Environment("sky", 37);
    return Stream.of(
        new RectangleLight(light(near, place, aim), near, null),
        new RectangleLight(light(near, place, aim), near, texels()),
        new RectangleLight(light(tiny, place, aim), tiny, null),
        new DiscLight(light(disc, place, aim), disc, texels()),
        new TubeLight(light(tube, place, aim), tube),
        new SpotLight(light(spot, place, aim), spot, texels()),
        new SunLight("sun", true, place, 12, new double[] {1, 1, 1}),
        new SphereLight(light(ball, place, aim), ball),
        new DomeLight(light(dome, place, aim), dome),
        new EnvironmentLight(light(env, place, aim), env, sky()),
        new EnvironmentLight(light(tilted, place, aim), tilted, sky()));
  }

  @ParameterizedTest
  @MethodSource("lights")
  void whatIsDrawnIsMetWithTheSameDensityAndRadiance(LightSource source) {
    Random random = new Random(1);
    LightSample drawn = new LightSample(), met = new LightSample();
    int agree = 0;
    for (int i = 0; i < 2000; i++) {
      float u = random.nextFloat(), v = random.nextFloat();
      assertThat(source.sample(ORIGIN, u, v, drawn)).isTrue();
      assertThat(Math.sqrt(drawn.x * drawn.x + drawn.y * drawn.y + drawn.z * drawn.z))
          .isCloseTo(1, within(1e-5));
      if (source.hit(ORIGIN, drawn.x, drawn.y, drawn.z, Float.POSITIVE_INFINITY, met)
          && Math.abs(met.pdf - drawn.pdf) < 0.01 * drawn.pdf
          && Math.abs(met.r - drawn.r) < 0.01 * drawn.r + 1e-6) {
        agree++;
      }
    }
    // Single floats let a few of the directions drawn at an edge fall on its other side.
    assertThat(agree).isGreaterThan(1960);
  }

  /** The mean of 1/density over drawn directions is the solid angle that a light fills. */
  @ParameterizedTest
  @MethodSource("lights")
  void densitiesIntegrateToTheSolidAngle(LightSource source) {
    Random random = new Random(2);
    LightSample ray = new LightSample();
    int n = 400_000, hits = 0;
    for (int i = 0; i < n; i++) {
      double y = 1 - 2 * random.nextDouble(), r = Math.sqrt(1 - y * y);
      double phi = 2 * Math.PI * random.nextDouble();
      if (source.hit(
              ORIGIN,
              (float) (r * Math.cos(phi)),
              (float) y,
              (float) (r * Math.sin(phi)),
              Float.POSITIVE_INFINITY,
              ray)
          && ray.pdf > 0) {
        hits++;
      }
    }
    double solid = 4 * Math.PI * hits / n;
    double sum = 0;
    int draws = 100_000;
    for (int i = 0; i < draws; i++) {
      source.sample(ORIGIN, random.nextFloat(), random.nextFloat(), ray);
      sum += 1 / ray.pdf;
    }
    // Three standard errors of counting, and 5 % for the spread of 1/density of the sky.
    double error = 3 * 4 * Math.PI * Math.sqrt(hits + 1.0) / n;
    assertThat(sum / draws).isCloseTo(solid, within(error + 0.05 * solid));
  }

  @Test
  void theMiddleOfTheSurroundingLiesAheadAndTurnsWithTheLight() {
    Picture p = Picture.black(360, 180);
    p.set(180, 90, 1, 1, 1);
    Emitter.Environment ahead = new Emitter.Environment("p", 0);
    EnvironmentLight light = new EnvironmentLight(light(ahead, Vec3.ZERO, Vec3.UP), ahead, p);
    LightSample ray = new LightSample();
    light.sample(ORIGIN, 0.5f, 0.5f, ray);
    assertThat(ray.z).isLessThan(-0.999f);
    Emitter.Environment turned = new Emitter.Environment("p", 90);
    new EnvironmentLight(light(turned, Vec3.ZERO, Vec3.UP), turned, p)
        .sample(ORIGIN, 0.5f, 0.5f, ray);
    assertThat(ray.x).isLessThan(-0.999f);
  }

  @ParameterizedTest
  @CsvSource({
    // Planckian locus (CIE 1931, published tables) up to 4000 K, CIE daylight from 5000 K.
    "2000, 0.5267, 0.4133",
    "3200, 0.4234, 0.3990",
    "5000, 0.3457, 0.3587",
    "6500, 0.3128, 0.3292",
    "10000, 0.2788, 0.2920"
  })
  void kelvinLiesOnThePublishedLocus(double kelvin, double x, double y) {
    double[] xy = ColourTemperature.xy(kelvin, 0);
    assertThat(xy[0]).isCloseTo(x, within(0.002));
    assertThat(xy[1]).isCloseTo(y, within(0.002));
  }

  @Test
  void colourDoesNotChangeLuminance() {
    for (double kelvin = 1500; kelvin < 20_000; kelvin *= 1.3) {
      double[] c = ColourTemperature.rgb(kelvin, 5);
      assertThat(0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2]).isCloseTo(1, within(1e-9));
    }
    double[] white = ColourTemperature.rgb(6504, 0);
    assertThat(white[0]).isCloseTo(1, within(0.01));
    assertThat(white[2]).isCloseTo(1, within(0.01));
  }

  @Test
  void tintAddsGreenAboveTheLocus() {
    assertThat(ColourTemperature.rgb(4500, 15)[1])
        .isGreaterThan(ColourTemperature.rgb(4500, 0)[1])
        .isGreaterThan(ColourTemperature.rgb(4500, -15)[1]);
  }

  @ParameterizedTest
  @CsvSource({"LUMEN", "CANDELA", "LUX", "NIT", "WATT"})
  void aBrightnessGoesThroughEveryUnitAndBack(Unit unit) {
    Emitter bulb = new Emitter.Sphere(0.05);
    Brightness lumens = new Brightness(800, Unit.LUMEN);
    Brightness there = LampUnits.in(bulb, lumens, unit);
    assertThat(LampUnits.in(bulb, there, Unit.LUMEN).value())
        .isCloseTo(800, Percentage.withPercentage(1e-6));
  }

  static Stream<Arguments> faces() {
    // Height of the receiver: a metre from the face, or from the nearest point of a body.
    return Stream.of(
        Arguments.of(new Emitter.Rectangle(2, 2, false), 1.0),
        Arguments.of(new Emitter.Rectangle(0.1, 3, false), 1.0),
        Arguments.of(new Emitter.Rectangle(1, 1.5, false, 40, null), 1.0),
        Arguments.of(new Emitter.Disc(0.7, false, 180, null), 1.0),
        Arguments.of(new Emitter.Disc(0.7, false, 30, null), 1.0),
        Arguments.of(new Emitter.Sphere(0.4), 1.4),
        Arguments.of(new Emitter.Tube(1.2, 0.02), 1.02),
        Arguments.of(new Emitter.Tube(0.5, 0.3), 1.3));
  }

  /** Lux said of a lamp are there one metre from its face, whatever its size. */
  @ParameterizedTest
  @MethodSource("faces")
  void luxAreThoseAtOneMetreFromTheFace(Emitter emitter, double distance) {
    Light light =
        light(emitter, Vec3.ZERO, new Vec3(0, 0, 1)).withBrightness(new Brightness(1000, Unit.LUX));
    LightSource source =
        switch (emitter) {
          case Emitter.Rectangle r -> new RectangleLight(light, r, null);
          case Emitter.Disc d -> new DiscLight(light, d, null);
          case Emitter.Sphere s -> new SphereLight(light, s);
          case Emitter.Tube t -> new TubeLight(light, t);
          default -> throw new AssertionError(emitter);
        };
    LightSample ray = new LightSample();
    ReferencePoint from = new ReferencePoint();
    from.set(0, 0, (float) distance);
    int n = 400;
    double sum = 0;
    for (int i = 0; i < n * n; i++) {
      float first = (i % n + 0.5f) / n, second = (i / n + 0.5f) / n;
      if (source.sample(from, first, second, ray)) {
        sum += ray.g * Math.max(0, -ray.z) / ray.pdf / (n * n);
      }
    }
    assertThat(sum * LampUnits.tracedValue(light)).isCloseTo(1000, within(3.0));
  }

  @Test
  void wattsGiveLightByTheEfficacyOfTheLamp() {
    Emitter bulb = new Emitter.Sphere(0.05);
    Brightness filament = new Brightness(60, Unit.WATT, 12);
    Brightness lumens = LampUnits.in(bulb, filament, Unit.LUMEN);
    assertThat(lumens.value()).isCloseTo(720, Percentage.withPercentage(1e-9));
    assertThat(LampUnits.in(bulb, lumens, Unit.WATT).value())
        .isCloseTo(60, Percentage.withPercentage(1e-9));
    assertThat(LampUnits.in(bulb, new Brightness(60, Unit.WATT), Unit.LUMEN).value())
        .isCloseTo(6000, Percentage.withPercentage(1e-9));
  }

  @Test
  void aLambertianFaceEmitsPiTimesAreaTimesLuminance() {
    Emitter panel = new Emitter.Rectangle(2, 0.5, false);
    assertThat(LampUnits.in(panel, new Brightness(1, Unit.NIT), Unit.LUMEN).value())
        .isCloseTo(Math.PI, within(1e-12));
    assertThat(
            LampUnits.in(new Emitter.Point(), new Brightness(1, Unit.CANDELA), Unit.LUMEN).value())
        .isCloseTo(4 * Math.PI, within(1e-12));
  }

  private static float[] scattered(int count, long seed) {
    Random random = new Random(seed);
    float[] to = new float[9 * count];
    for (int i = 0; i < count; i++) {
      float x = random.nextFloat() * 4 - 2,
          y = 1 + random.nextFloat(),
          z = random.nextFloat() * 4 - 2;
      for (int k = 0; k < 3; k++) {
        to[9 * i + 3 * k] = x + random.nextFloat() * 0.2f;
        to[9 * i + 3 * k + 1] = y + random.nextFloat() * 0.2f;
        to[9 * i + 3 * k + 2] = z + random.nextFloat() * 0.2f;
      }
    }
    return to;
  }

  @Test
  void theLightTreeDrawsEachTriangleAsOftenAsItSays() {
    int count = 60;
    LightTree tree = new LightTree(scattered(count, 8));
    LightTree.Sample sample = new LightTree.Sample();
    int[] drawn = new int[count];
    int rounds = 200_000;
    int none = 0;
    for (int i = 0; i < rounds; i++) {
      tree.sample(0.2f, 0, 0.1f, 0, 0, 0, 1, (i + 0.5) / rounds, sample);
      if (sample.chance[0] > 0) {
        drawn[sample.triangle[0]]++;
        assertThat(sample.chance[0])
            .isCloseTo(
                tree.chance(sample.triangle[0], 0.2f, 0, 0.1f, 0, 0, 0, sample), within(1e-6));
      } else {
        none++;
      }
    }
    assertThat(none).isLessThan(rounds / 10);
    for (int i = 0; i < count; i++) {
      double said = tree.chance(i, 0.2f, 0, 0.1f, 0, 0, 0, sample);
      assertThat((double) drawn[i] / rounds).as("triangle " + i).isCloseTo(said, within(1e-3));
    }
  }

  @Test
  void theLightTreeNeverLeavesOutATriangleThatCanBeSeen() {
    float[] triangles = scattered(80, 9);
    LightTree tree = new LightTree(triangles);
    Random random = new Random(2);
    for (int i = 0; i < 500; i++) {
      float px = random.nextFloat() * 8 - 4, py = random.nextFloat() * 4 - 1;
      float pz = random.nextFloat() * 8 - 4;
      for (int t = 0; t < 80; t++) {
        float facing = 0;
        for (int k = 0; k < 3; k++) {
          float p = k == 0 ? px : k == 1 ? py : pz;
          facing += (p - tree.corner(t, 0, k)) * tree.normal(t, k);
        }
        if (facing > 1e-3) {
          assertThat(tree.chance(t, px, py, pz, 0, 0, 0, new LightTree.Sample())).isPositive();
        }
      }
    }
  }

  @Test
  void drawsOfOneSurfaceAreStrataAndKeepToItsSide() {
    int count = 60;
    LightTree tree = new LightTree(scattered(count, 8));
    LightTree.Sample sample = new LightTree.Sample();
    // Looks along x: what lies behind is not drawn, and each triangle as often as is said.
    float px = 0.2f, py = 0.4f, pz = 0.1f;
    double[] drawn = new double[count];
    int rounds = 100_000, none = 0;
    for (int i = 0; i < rounds; i++) {
      tree.sample(px, py, pz, 1, 0, 0, LightTree.MOST, (i + 0.5) / rounds, sample);
      for (int k = 0; k < LightTree.MOST; k++) {
        if (sample.chance[k] > 0) {
          drawn[sample.triangle[k]] += 1.0 / (rounds * LightTree.MOST);
        } else {
          none++;
        }
      }
    }
    assertThat(none).isLessThan(rounds);
    int behind = 0;
    for (int i = 0; i < count; i++) {
      double said = tree.chance(i, px, py, pz, 1, 0, 0, sample);
      assertThat(drawn[i]).as("triangle " + i).isCloseTo(said, within(1e-4));
      boolean ahead = false;
      for (int corner = 0; corner < 3; corner++) {
        ahead |= tree.corner(i, corner, 0) > px;
      }
      behind += ahead ? 0 : 1;
      if (!ahead && tree.centre(i, 0) < -1) {
        assertThat(said).as("behind " + i).isZero();
      }
    }
    assertThat(behind).isGreaterThan(10);
  }

  @Test
  void moreTrianglesAreDrawnWhereTheySurroundTheSurface() {
    LightTree tree = new LightTree(scattered(60, 8));
    assertThat(tree.parts(0, 1.5f, 0)).isEqualTo(LightTree.MOST);
    assertThat(tree.parts(0, -2, 0)).isBetween(3, LightTree.MOST);
    assertThat(tree.parts(0, -30, 0)).isEqualTo(1);
    assertThat(new LightTree(scattered(1, 8)).parts(0, 1.5f, 0)).isEqualTo(1);
  }

  @Test
  void vectorsSayTheSameOfNodesAsOneByOne() {
    ImportanceBound plain = new ImportanceBound(), wide = new WideImportanceBound();
    Random random = new Random(12);
    float[] nodes = new float[ImportanceBound.NUMBERS * ImportanceBound.LANES];
    float[] one = new float[ImportanceBound.LANES], other = new float[ImportanceBound.LANES];
    int nothing = 0;
    for (int round = 0; round < 2000; round++) {
      for (int k = 0; k < ImportanceBound.LANES; k++) {
        double angle = random.nextInt(3) == 0 ? Math.PI : random.nextDouble() * Math.PI / 2;
        Vec3 axis =
            new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
        float[] numbers = {
          2 * random.nextFloat() - 1,
          2 * random.nextFloat() - 1,
          2 * random.nextFloat() - 1,
          random.nextFloat() * 0.3f,
          (float) axis.x(),
          (float) axis.y(),
          (float) axis.z(),
          (float) Math.cos(angle),
          (float) Math.sin(angle),
          k == 7 ? 0 : random.nextFloat()
        };
        for (int i = 0; i < numbers.length; i++) {
          nodes[i * ImportanceBound.LANES + k] = numbers[i];
        }
      }
      float nx = round % 2, px = random.nextFloat() - 0.5f;
      plain.of(nodes, 0, px, 0.1f, 0.2f, nx, 0, 0, one);
      wide.of(nodes, 0, px, 0.1f, 0.2f, nx, 0, 0, other);
      for (int k = 0; k < ImportanceBound.LANES; k++) {
        assertThat(other[k]).isEqualTo(one[k]);
        nothing += one[k] == 0 ? 1 : 0;
      }
    }
    assertThat(nothing).isBetween(2000, 12_000);
  }
}

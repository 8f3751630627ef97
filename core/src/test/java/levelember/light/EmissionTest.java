package levelember.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.lighting.Brightness;
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
import org.junit.jupiter.params.provider.MethodSource;

/** What lights emit is what they light with: light paths and camera paths see the same light. */
class EmissionTest {
  private static final BoundingSphere SET = new BoundingSphere(0.1, 0, -0.2, 1.5);

  private static Light light(Emitter e) {
    Vec3 place = new Vec3(0.4, 1.2, -0.3), aim = new Vec3(0.1, 0, 0.2);
    Brightness one = new Brightness(1, e.units().getFirst());
    LightColour white = LightColour.NEUTRAL;
    return new Light("l", "L", e, place, aim, 25, one, 0, white, false, false, true);
  }

  private static Picture gradient(int width, int height) {
    Picture p = Picture.black(width, height);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        double g = 0.2 + 1.5 * x / width + 0.4 * y / height;
        p.set(x, y, g, 0.5 * g, 0.1 + (double) y / height);
      }
    }
    return p;
  }

  private static float[] piece() {
    // A quarter of a roof over the origin: two triangles of unequal size, facing down.
    return new float[] {
      -0.8f, 1.1f, -0.6f, 0.7f, 1.1f, -0.6f, 0.7f, 1.3f, 0.5f,
      -0.3f, 0.9f, 0.2f, 0.1f, 0.9f, 0.2f, 0.1f, 0.9f, 0.5f
    };
  }

  static Stream<Arguments> lights() {
    Texels picture = Texels.of(gradient(8, 8));
    Emitter.Rectangle face = new Emitter.Rectangle(1.4, 0.5, false);
    Emitter.Rectangle crate = new Emitter.Rectangle(0.8, 0.5, true, 60, null);
    Emitter.Disc disc = new Emitter.Disc(0.5, true, 180, "p");
    Emitter.Sphere ball = new Emitter.Sphere(0.3);
    Emitter.Tube tube = new Emitter.Tube(1.5, 0.1);
    Emitter.Point point = new Emitter.Point();
    Emitter.Spot sharp = new Emitter.Spot(70, 0.3, 0, 0.25, null, null, null);
    Emitter.Spot soft =
        new Emitter.Spot(80, 0.2, 0.1, 0.3, null, Gobo.of("p"), new Emitter.Doors(30, 80, 25, 80));
    Emitter.Dome dome = new Emitter.Dome(new Rgb(0.2, 0.5, 1), new Rgb(0.3, 0.2, 0.1));
    Emitter.Environment sky = new Emitter.Environment("sky", 37, 25, 0, 0);
    Emitter.Emissive emissive = new Emitter.Emissive("m", null);
    Vec3 up = new Vec3(0.3, 1, 0.2);
    return Stream.of(
        Arguments.of("face", new RectangleLight(light(face), face, null)),
        Arguments.of("picture", new RectangleLight(light(face), face, picture)),
        Arguments.of("crate", new RectangleLight(light(crate), crate, picture)),
        Arguments.of("disc", new DiscLight(light(disc), disc, picture)),
        Arguments.of("ball", new SphereLight(light(ball), ball)),
        Arguments.of("tube", new TubeLight(light(tube), tube)),
        Arguments.of("point", new PointLight(light(point), point)),
        Arguments.of("spot", new SpotLight(light(sharp), sharp, null)),
        Arguments.of("gobo", new SpotLight(light(soft), soft, picture)),
        Arguments.of("sun", new SunLight("sun", true, up, 12, new double[] {1, 0.5, 2})),
        Arguments.of("sharp sun", new SunLight("sun", true, up, 0, new double[] {1, 0.5, 2})),
        Arguments.of("dome", new DomeLight(light(dome), dome)),
        Arguments.of("sky", new EnvironmentLight(light(sky), sky, gradient(32, 16))),
        Arguments.of("piece", new EmissiveLight(light(emissive), emissive, piece(), null, null)));
  }

  /** Half the side of the patch, m: what it gets is compared quarter by quarter. */
  private static final double HALF = 0.8;

  @ParameterizedTest(name = "{0}")
  @MethodSource("lights")
  void lightPathsBringToAPatchWhatLightSamplingFindsThere(String name, LightSource light) {
    double[][] sampled = sampled(light), emitted = emitted(light);
    for (int quarter = 0; quarter < 4; quarter++) {
      for (int c = 0; c < 3; c++) {
        assertThat(emitted[quarter][c])
            .as("quarter " + quarter + ", channel " + c)
            .isCloseTo(sampled[quarter][c], within(0.03 * sampled[0][c] + 1e-9));
      }
    }
    assertThat(sampled[0][0]).isPositive();
  }

  private static int quarter(double x, double z) {
    return (x > 0 ? 1 : 0) + (z > 0 ? 2 : 0);
  }

  /** Flux that arrives from above at each quarter of a patch in the plane y = 0, lm. */
  private static double[][] sampled(LightSource light) {
    Random random = new Random(4);
    LightSample ray = new LightSample();
    ReferencePoint from = new ReferencePoint();
    double[][] sum = new double[4][3];
    int n = 200_000;
    for (int i = 0; i < n; i++) {
      double x = HALF * (2 * random.nextDouble() - 1), z = HALF * (2 * random.nextDouble() - 1);
      from.set((float) x, 0, (float) z, 0, 1, 0);
      if (light.choosing()) {
        light.choose(from, 1, random.nextFloat(), ray);
        ray.part = 0;
      }
      if (light.sample(from, random.nextFloat(), random.nextFloat(), ray) && ray.y > 0) {
        double w = 4 * HALF * HALF * ray.y / ray.pdf / n;
        double[] to = sum[quarter(x, z)];
        to[0] += w * ray.r;
        to[1] += w * ray.g;
        to[2] += w * ray.b;
      }
    }
    return sum;
  }

  private static double[][] emitted(LightSource light) {
    Random random = new Random(5);
    EmissionSample ray = new EmissionSample();
    double[][] sum = new double[4][3];
    double length = 0;
    int n = 700_000;
    for (int i = 0; i < n; i++) {
      double u = random.nextDouble(), v = random.nextDouble(), s = random.nextDouble();
      if (!light.emit(SET, u, v, s, random.nextDouble(), ray)) {
        continue;
      }
      length = Math.max(length, Math.abs(ray.dx * ray.dx + ray.dy * ray.dy + ray.dz * ray.dz - 1));
      double t = -ray.y / ray.dy;
      double x = ray.x + t * ray.dx, z = ray.z + t * ray.dz;
      if (ray.dy < 0 && t > 0 && Math.abs(x) < HALF && Math.abs(z) < HALF) {
        double[] to = sum[quarter(x, z)];
        to[0] += ray.flux(ray.r) / n;
        to[1] += ray.flux(ray.g) / n;
        to[2] += ray.flux(ray.b) / n;
      }
    }
    assertThat(length).isLessThan(1e-5);
    return sum;
  }

  @Test
  void fluxIsThatOfClosedForms() {
    Emitter.Rectangle face = new Emitter.Rectangle(1.4, 0.5, true);
    is(new RectangleLight(light(face), face, null), 2 * Math.PI * 0.7);
    Emitter.Disc disc = new Emitter.Disc(0.5, false, 180, null);
    is(new DiscLight(light(disc), disc, null), Math.PI * Math.PI * 0.25);
    Emitter.Sphere ball = new Emitter.Sphere(0.3);
    is(new SphereLight(light(ball), ball), 4 * Math.PI * Math.PI * 0.09);
    Emitter.Tube tube = new Emitter.Tube(1.5, 0.1);
    is(new TubeLight(light(tube), tube), 2 * Math.PI * Math.PI * 0.1 * 1.5);
    Emitter.Point point = new Emitter.Point();
    is(new PointLight(light(point), point), 4 * Math.PI);
    Emitter.Spot spot = new Emitter.Spot(60, 0, 0, 0.25, null, null, null);
    is(new SpotLight(light(spot), spot, null), 2 * Math.PI * (1 - Math.cos(Math.PI / 6)));
    double[] lux = {1, 1, 1};
    is(new SunLight("s", true, new Vec3(0, 1, 1), 0.5, lux), Math.PI * 1.5 * 1.5);
    Emitter.Dome dome = new Emitter.Dome(new Rgb(1, 1, 1), new Rgb(1, 1, 1));
    is(new DomeLight(light(dome), dome), 4 * Math.PI * Math.PI * 1.5 * 1.5);
  }

  private static void is(LightSource light, double lumens) {
    for (double channel : light.flux(SET)) {
      assertThat(channel)
          .as(light.getClass().getSimpleName())
          .isCloseTo(lumens, Percentage.withPercentage(1));
    }
  }
}

package levelember.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import levelember.math.Rgb;
import levelember.math.Vec3;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightColour;
import levelember.texture.Picture;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Surroundings drawn for points of which one side is lit. */
class OneSidedSamplingTest {
  private static final Vec3[] NORMALS = {
    Vec3.UP, new Vec3(0, -1, 0), new Vec3(0.6, 0, -0.8), new Vec3(-0.48, 0.6, 0.64)
  };

  private static Light light(Emitter e) {
    Brightness one = new Brightness(1, e.units().getFirst());
    return new Light(
        "l", "L", e, Vec3.ZERO, Vec3.UP, 0, one, 0, LightColour.NEUTRAL, false, false, true);
  }

  /** Uneven all over, with one small bright patch; of a size that cells do not divide. */
  private static Picture picture(int width, int height) {
    Picture p = Picture.black(width, height);
    Random random = new Random(5);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = (float) (0.1 + random.nextDouble());
    }
    p.set(width / 5, height / 4, 60, 50, 40);
    return p;
  }

  static Stream<LightSource> surroundings() {
    Emitter.Dome dome = new Emitter.Dome(new Rgb(0.2, 0.5, 1), new Rgb(0.3, 0.2, 0.1));
    Emitter.Environment level = new Emitter.Environment("sky", 70, 0, 0, 0);
    Emitter.Environment tilted = new Emitter.Environment("sky", 37, 25, 0, 0);
    return Stream.of(
        new DomeLight(light(dome), dome),
        new EnvironmentLight(light(level), level, picture(75, 37)),
        new EnvironmentLight(light(tilted), tilted, picture(75, 37)),
        new EnvironmentLight(light(level), level, picture(8, 4)));
  }

  private static ReferencePoint facing(Vec3 n) {
    ReferencePoint to = new ReferencePoint();
    to.set(0, 0, 0, (float) n.x(), (float) n.y(), (float) n.z());
    return to;
  }

  private static double cosine(Vec3 n, LightSample at) {
    return n.x() * at.x + n.y() * at.y + n.z() * at.z;
  }

  @ParameterizedTest
  @MethodSource("surroundings")
  void whatIsDrawnIsMetWithTheSameDensity(LightSource source) {
    Random random = new Random(1);
    LightSample drawn = new LightSample(), met = new LightSample();
    for (Vec3 normal : NORMALS) {
      ReferencePoint from = facing(normal);
      int agree = 0;
      for (int i = 0; i < 4000; i++) {
        if (source.sample(from, random.nextFloat(), random.nextFloat(), drawn)
            && source.hit(from, drawn.x, drawn.y, drawn.z, Float.POSITIVE_INFINITY, met)
            && Math.abs(met.pdf - drawn.pdf) < 0.01 * drawn.pdf
            && Math.abs(met.g - drawn.g) < 0.01 * drawn.g) {
          agree++;
        }
      }
      // Single floats let a few of the directions drawn at an edge fall on its other side.
      assertThat(agree).as(normal.toString()).isGreaterThan(3960);
    }
  }

  /** The mean of radiance × cosine over density is the illuminance, whatever the density. */
  @ParameterizedTest
  @MethodSource("surroundings")
  void theLightOfAnEvenReceiverIsTheSameWithLessVariance(LightSource source) {
    for (Vec3 normal : NORMALS) {
      double[] sided = illuminance(source, facing(normal), normal);
      double[] whole = illuminance(source, new ReferencePoint(), normal);
      double error = 4 * Math.sqrt(sided[1] + whole[1]);
      assertThat(sided[0]).as(normal.toString()).isCloseTo(whole[0], within(error));
      assertThat(sided[1]).as(normal.toString()).isLessThan(0.8 * whole[1]);
    }
  }

  /** Mean, and its variance. */
  private static double[] illuminance(LightSource source, ReferencePoint from, Vec3 normal) {
    Random random = new Random(2);
    LightSample drawn = new LightSample();
    int n = 100_000;
    double sum = 0, squares = 0;
    for (int i = 0; i < n; i++) {
      if (source.sample(from, random.nextFloat(), random.nextFloat(), drawn)) {
        double value = drawn.g * Math.max(0, cosine(normal, drawn)) / drawn.pdf;
        sum += value;
        squares += value * value;
      }
    }
    double mean = sum / n;
    return new double[] {mean, (squares / n - mean * mean) / n};
  }

  /** No direction of the lit side is left out. */
  @ParameterizedTest
  @MethodSource("surroundings")
  void everyDirectionOfTheLitSideCanBeDrawn(LightSource source) {
    Random random = new Random(3);
    LightSample met = new LightSample();
    for (Vec3 normal : NORMALS) {
      ReferencePoint from = facing(normal);
      double sum = 0;
      int n = 200_000;
      for (int i = 0; i < n; i++) {
        double y = 1 - 2 * random.nextDouble(), r = Math.sqrt(1 - y * y);
        double turns = 2 * Math.PI * random.nextDouble();
        met.x = (float) (r * Math.cos(turns));
        met.y = (float) y;
        met.z = (float) (r * Math.sin(turns));
        assertThat(source.hit(from, met.x, met.y, met.z, Float.POSITIVE_INFINITY, met)).isTrue();
        sum += met.pdf;
        if (cosine(normal, met) > 1e-4) {
          assertThat(met.pdf).isPositive();
        }
      }
      assertThat(sum / n * 4 * Math.PI).as(normal.toString()).isCloseTo(1, within(0.03));
    }
  }
}

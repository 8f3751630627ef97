package levelember.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import levelember.Sets;
import levelember.light.DomeLight;
import levelember.light.LightSample;
import levelember.light.LightSource;
import levelember.light.PointLight;
import levelember.light.RectangleLight;
import levelember.light.ReferencePoint;
import levelember.light.SphereLight;
import levelember.light.TubeLight;
import levelember.math.Vec3;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import org.junit.jupiter.api.Test;

class RigTreeTest {
  private final Random random = new Random(7);
  private final LightSource[] lights = lights(60);
  private final RigTree tree = new RigTree(lights, even());

  private float[] even() {
    float[] to = new float[lights.length];
    Arrays.fill(to, 1);
    return to;
  }

  /** Balls, faces, tubes and points strewn about, and one surrounding. */
  private LightSource[] lights(int count) {
    List<LightSource> to = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      Vec3 at = somewhere(), aim = somewhere();
      switch (k % 4) {
        case 0 -> {
          Emitter.Sphere e = new Emitter.Sphere(0.05 + 0.3 * random.nextDouble());
          to.add(new SphereLight(light(e, at, aim, Unit.NIT), e));
        }
        case 1 -> {
          Emitter.Rectangle e = new Emitter.Rectangle(0.2, 1.5, true);
          to.add(new RectangleLight(light(e, at, aim, Unit.NIT), e, null));
        }
        case 2 -> {
          Emitter.Tube e = new Emitter.Tube(2, 0.1);
          to.add(new TubeLight(light(e, at, aim, Unit.NIT), e));
        }
        default -> {
          Emitter.Point e = new Emitter.Point();
          to.add(new PointLight(light(e, at, aim, Unit.CANDELA), e));
        }
      }
    }
    Emitter.Dome dome = new Emitter.Dome();
    to.add(new DomeLight(light(dome, Vec3.ZERO, Vec3.UP, Unit.NIT), dome));
    return to.toArray(LightSource[]::new);
  }

  private Light light(Emitter e, Vec3 at, Vec3 aim, Unit unit) {
    return Sets.light("l", e, at, aim, 1, unit);
  }

  private Vec3 somewhere() {
    return new Vec3(
        8 * random.nextDouble() - 4, 3 * random.nextDouble(), 8 * random.nextDouble() - 4);
  }

  @Test
  void theChancesOfAllLightsWithAPlaceAddUpToOne() {
    double sum = 0;
    for (int k = 0; k < lights.length; k++) {
      sum += tree.has(k) ? tree.chance(k, 0.3f, 1, -0.2f) : 0;
    }
    assertThat(tree.has(lights.length - 1)).as("a dome has no place").isFalse();
    assertThat(sum).isCloseTo(1, within(1e-4));
  }

  @Test
  void lightsAreDrawnAsOftenAsTheirChanceSays() {
    int n = 200_000;
    int[] drawn = new int[lights.length];
    RigTree.Sample sample = new RigTree.Sample();
    for (int i = 0; i < n; i++) {
      tree.sample(0.3f, 1, -0.2f, (i + 0.5f) / n, sample);
      drawn[sample.light]++;
      assertThat(sample.chance)
          .isCloseTo(tree.chance(sample.light, 0.3f, 1, -0.2f), within(1e-5f * n * sample.chance));
    }
    for (int k = 0; k < lights.length - 1; k++) {
      double wanted = tree.chance(k, 0.3f, 1, -0.2f);
      assertThat(drawn[k] / (double) n).isCloseTo(wanted, within(0.02 * wanted + 2e-5));
    }
  }

  @Test
  void whatIsNearAndBrightIsDrawnMost() {
    int nearest = 0;
    float most = 0;
    for (int k = 0; k < lights.length - 1; k++) {
      float gives = lights[k].importance(0.3f, 1, -0.2f);
      if (gives > most) {
        most = gives;
        nearest = k;
      }
    }
    float own = tree.chance(nearest, 0.3f, 1, -0.2f);
    assertThat(own).isGreaterThan(3f / lights.length);
  }

  @Test
  void whatIsSetBrighterIsDrawnMoreAndWhatIsSetToNothingStillIs() {
    float[] brightness = even();
    brightness[5] = 10_000;
    brightness[9] = 0;
    RigTree set = new RigTree(lights, brightness);
    float before = tree.chance(5, 0.3f, 1, -0.2f), after = set.chance(5, 0.3f, 1, -0.2f);
    assertThat(after / (1 - after)).isGreaterThan(20 * before / (1 - before));
    assertThat(set.chance(9, 0.3f, 1, -0.2f)).isPositive();
  }

  @Test
  void noLightThatARayMeetsIsPassedBy() {
    int[] found = new int[lights.length];
    LightSample ray = new LightSample();
    int met = 0;
    ReferencePoint from = new ReferencePoint();
    for (int i = 0; i < 20_000; i++) {
      Vec3 origin = somewhere(), way = somewhere().minus(somewhere()).unit();
      float ox = (float) origin.x(), oy = (float) origin.y(), oz = (float) origin.z();
      from.set(ox, oy, oz);
      // Some rays run along an axis, where a slab's test divides by nothing.
      float dx = i % 5 == 0 ? 0 : (float) way.x(), dy = i % 7 == 0 ? 0 : (float) way.y();
      float dz = (float) way.z(), far = i % 3 == 0 ? 2 : Float.POSITIVE_INFINITY;
      float l = (float) Math.sqrt(dx * dx + dy * dy + dz * dz);
      dx /= l;
      dy /= l;
      dz /= l;
      List<Integer> there = new ArrayList<>();
      int count = tree.along(ox, oy, oz, dx, dy, dz, far, found);
      for (int k = 0; k < count; k++) {
        there.add(found[k]);
      }
      assertThat(there).doesNotHaveDuplicates();
      for (int k = 0; k < lights.length - 1; k++) {
        if (lights[k].hit(from, dx, dy, dz, far, ray)) {
          assertThat(there).contains(k);
          met++;
        }
      }
    }
    assertThat(met).isGreaterThan(1000);
  }
}

package levelember.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import levelember.math.Rgb;
import levelember.math.Sampler;
import levelember.shoot.material.Material;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

class AdjointTest {
  private static Material glass(double roughness, double ior) {
    Material.Glass clear = new Material.Glass(1, Rgb.WHITE, 1, false, 0);
    return Material.glass("m", "glass " + roughness + " of " + ior, roughness, ior, clear);
  }

  private static float[] direction(Random random, float side) {
    float z = side * (0.3f + 0.65f * random.nextFloat());
    double r = Math.sqrt(1 - z * z), phi = 2 * Math.PI * random.nextDouble();
    return new float[] {(float) (r * Math.cos(phi)), (float) (r * Math.sin(phi)), z};
  }

  /** BSDF for light from one direction to the other, without the cosine. */
  private static double value(LayeredSurface surface, float[] from, float[] to) {
    Scattering s = new Scattering();
    surface.material(s);
    float side = to[2] > 0 ? 1 : -1;
    surface.prepare(to[0], to[1], side * to[2], to[2] > 0, 0, 1, s);
    surface.evaluate(from[0], from[1], side * from[2], s);
    return s.g / Math.abs(from[2]);
  }

  /**
   * f(i, o) / n_i² is f(o, i) / n_o² for radiance over the square of the index, so that the adjoint
   * is the BSDF itself. What single scattering loses is given back by the outgoing direction alone,
   * hence the tolerance on the roughest.
   */
  @Test
  void roughGlassIsReciprocalOverTheSquareOfTheIndex() {
    Random random = new Random(6);
    for (double ior : new double[] {1.33, 1.5, 2}) {
      for (double roughness : new double[] {0.2, 0.35}) {
        LayeredSurface surface = new LayeredSurface(glass(roughness, ior));
        int compared = 0;
        for (int i = 0; i < 4000; i++) {
          float[] outside = direction(random, 1), inside = direction(random, -1);
          double in = value(surface, outside, inside), out = value(surface, inside, outside);
          if (in > 1e-3 && out > 1e-3) {
            assertThat(in * ior * ior)
                .as(ior + " " + roughness)
                .isCloseTo(out, Percentage.withPercentage(12));
            compared++;
          }
        }
        assertThat(compared).isGreaterThan(300);
      }
    }
  }

  /** A light path in at one face of a body and out at the other loses nothing on the way. */
  @Test
  void fluxThroughClearGlassStaysTheSame() {
    for (Material material : List.of(glass(0, 1.5), glass(0.2, 1.5), glass(0.3, 2))) {
      LayeredSurface surface = new LayeredSurface(material);
      Scattering s = new Scattering();
      surface.material(s);
      Sampler points = new Sampler();
      double left = 0;
      int n = 20_000;
      for (int i = 0; i < n; i++) {
        points.start(1, 3, i);
        double flux = 1;
        float x = 0.5f, z = (float) Math.sqrt(0.75);
        boolean outside = true;
        // Between two parallel faces, until it is out on either side.
        for (int k = 0; k < 40 && flux > 0; k++) {
          surface.prepare(x, 0, z, outside, 0, 1, s);
          points.pair(1 + 3 * k);
          surface.sample(points.u, points.v, points.single(3 + 3 * k), s);
          flux *= s.pdf > 0 ? s.g : 0;
          boolean out = s.through ? !outside : outside;
          z = Math.abs(s.z);
          x = (float) Math.sqrt(Math.max(0, 1 - z * z));
          outside = false;
          if (out) {
            break;
          }
        }
        left += flux / n;
      }
      assertThat(left).as(material.name()).isCloseTo(1, within(0.03));
    }
  }

  @Test
  void withOneNormalThereIsNothingToCorrect() {
    assertThat(Adjoint.correction(0.4f, 0.4f, -0.7f, -0.7f)).isEqualTo(1);
    assertThat(Adjoint.correction(0.4f, 0, 0.7f, 0.7f)).isZero();
  }

  /**
   * On a matte face whose shading normal leans, light paths bring to a detector what paths from the
   * detector find.
   */
  @Test
  void lightPathsAndCameraPathsAgreeUnderALeaningNormal() {
    LayeredSurface surface = new LayeredSurface(Material.matte("m", "matte", Rgb.grey(0.6)));
    Scattering s = new Scattering();
    surface.material(s);
    double lean = 0.4, nx = Math.sin(lean), nz = Math.cos(lean);
    Random random = new Random(9);
    double camera = 0, light = 0;
    int n = 400_000;
    for (int i = 0; i < n; i++) {
      double[] a = above(random), b = above(random);
      double aShading = a[0] * nx + a[2] * nz, bShading = b[0] * nx + b[2] * nz;
      if (aShading <= 0 || bShading <= 0) {
        continue;
      }
      // Radiance from a cone of directions, importance of another; both uniform over hemispheres.
      double radiance = a[0] > 0.2 ? 1 : 0, importance = b[1] > 0.3 ? 1 : 0;
      double both = radiance * importance * 4 * Math.PI * Math.PI / n;
      camera += both * b[2] * flat(surface, s, b, a, nx, nz);
      float correction =
          Adjoint.correction((float) aShading, (float) a[2], (float) bShading, (float) b[2]);
      light += both * a[2] * flat(surface, s, a, b, nx, nz) * correction;
    }
    assertThat(camera).isPositive();
    assertThat(light).isCloseTo(camera, Percentage.withPercentage(1.5));
  }

  /** Value times cosine of the sampled direction, both given in the frame of the geometry. */
  private static double flat(
      LayeredSurface surface,
      Scattering s,
      double[] prepared,
      double[] sampled,
      double nx,
      double nz) {
    float[] p = turned(prepared, nx, nz), q = turned(sampled, nx, nz);
    surface.prepare(p[0], p[1], p[2], true, 0, 1, s);
    surface.evaluate(q[0], q[1], q[2], s);
    return s.g;
  }

  private static float[] turned(double[] d, double nx, double nz) {
    return new float[] {
      (float) (d[0] * nz - d[2] * nx), (float) d[1], (float) (d[0] * nx + d[2] * nz)
    };
  }

  private static double[] above(Random random) {
    double z = random.nextDouble(), r = Math.sqrt(1 - z * z);
    double phi = 2 * Math.PI * random.nextDouble();
    return new double[] {r * Math.cos(phi), r * Math.sin(phi), z};
  }
}

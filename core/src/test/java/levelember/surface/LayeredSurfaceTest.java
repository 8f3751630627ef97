package levelember.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import levelember.math.Rgb;
import levelember.math.Sampler;
import levelember.shoot.material.Material;
import org.junit.jupiter.api.Test;

class LayeredSurfaceTest {
  private static final int DRAWS = 1 << 14;

  private static List<Material> lossless() {
    List<Material> all = new ArrayList<>();
    for (double r : new double[] {0.1, 0.3, 0.5, 0.8}) {
      all.add(Material.metal("m", "metal " + r, Rgb.WHITE, r));
      all.add(glass("glass 1.5 " + r, r, 1.5, false));
      all.add(glass("glass 2.4 " + r, r, 2.4, false));
      all.add(glass("thin " + r, r, 1.5, true));
      all.add(
          Material.metal("m", "coat and sheen " + r, Rgb.WHITE, 0.3)
              .with(new Material.Coat(0.7, r, 1.5))
              .with(new Material.Sheen(Rgb.grey(0.8), r)));
    }
    all.add(glass("smooth glass", 0, 1.5, false));
    all.add(glass("smooth thin", 0, 1.5, true));
    return all;
  }

  private static Material glass(String name, double roughness, double ior, boolean thin) {
    return Material.glass("m", name, roughness, ior, new Material.Glass(1, Rgb.WHITE, 1, thin, 0));
  }

  private static double drawn(Material material, float cos, boolean entering) {
    LayeredSurface surface = new LayeredSurface(material);
    Scattering s = new Scattering();
    surface.material(s);
    Sampler points = new Sampler();
    float sin = (float) Math.sqrt(1 - cos * cos);
    surface.prepare(sin, 0, cos, entering, 0, 1, s);
    double sum = 0;
    for (int i = 0; i < DRAWS; i++) {
      points.start(1, 5, i);
      points.pair(1);
      surface.sample(points.u, points.v, points.single(2), s);
      sum += s.pdf > 0 ? s.g : 0;
    }
    return sum / DRAWS;
  }

  @Test
  void whatIsDrawnFromLosslessSurfacesCarriesAllLight() {
    for (Material material : lossless()) {
      for (float cos : new float[] {0.02f, 0.1f, 0.3f, 0.6f, 0.95f}) {
        for (boolean entering : new boolean[] {true, false}) {
          assertThat(drawn(material, cos, entering))
              .as(material.name() + " at " + cos + (entering ? " outside" : " inside"))
              .isCloseTo(1, within(0.012));
        }
      }
    }
  }

  /** A smooth gloss and a smooth coat reflect as their index says, at every angle. */
  @Test
  void glossAndCoatReflectByTheirIndex() {
    Material black = Material.matte("m", "black", Rgb.grey(0));
    for (double ior : new double[] {1.33, 1.5, 2.2}) {
      Material gloss = Material.glossy("m", "gloss", Rgb.grey(0), 0.05, ior);
      Material coat = black.with(new Material.Coat(1, 0.05, ior));
      for (double degrees : new double[] {0, 30, 54, 70, 80}) {
        double cos = Math.cos(Math.toRadians(degrees));
        double inside = Math.sqrt(1 - (1 - cos * cos) / (ior * ior));
        double s = (cos - ior * inside) / (cos + ior * inside);
        double p = (ior * cos - inside) / (ior * cos + inside);
        double wanted = (s * s + p * p) / 2;
        for (Material m : List.of(gloss, coat)) {
          assertThat(drawn(m, (float) cos, true))
              .as(m.name() + " of " + ior + " at " + degrees)
              .isCloseTo(wanted, within(0.03 * wanted));
        }
      }
    }
  }

  /**
   * The density integrates to what is drawn, and values to the albedo, over a grid of directions.
   */
  @Test
  void valuesAndDensitiesAgreeWithWhatIsDrawn() {
    List<Material> all =
        List.of(
            Material.glossy("m", "glossy", new Rgb(0.6, 0.4, 0.2), 0.4, 1.5),
            Material.metal("m", "metal", new Rgb(0.9, 0.6, 0.3), 0.5),
            glass("glass", 0.5, 1.5, false),
            glass("thin", 0.5, 1.5, true),
            Material.matte("m", "coated", Rgb.grey(0.5))
                .with(new Material.Coat(1, 0.4, 1.5))
                .with(new Material.Sheen(Rgb.grey(0.5), 0.4)));
    Scattering s = new Scattering();
    for (Material material : all) {
      LayeredSurface surface = new LayeredSurface(material);
      surface.material(s);
      for (boolean entering : new boolean[] {true, false}) {
        surface.prepare(0.6f, 0, 0.8f, entering, 0, 1, s);
        double value = 0, density = 0;
        int n = 300;
        for (int i = 0; i < 2 * n; i++) {
          double z = (i + 0.5) / n - 1, r = Math.sqrt(1 - z * z);
          for (int j = 0; j < n; j++) {
            double turn = 2 * Math.PI * (j + 0.5) / n;
            float ix = (float) (r * Math.cos(turn)), iy = (float) (r * Math.sin(turn));
            surface.evaluate(ix, iy, (float) z, s);
            value += s.g * 2 * Math.PI / n / n;
            density += s.pdf * 2 * Math.PI / n / n;
          }
        }
        String at = material.name() + (entering ? " outside" : " inside");
        assertThat(value).as(at).isCloseTo(drawn(material, 0.8f, entering), within(0.01));
        assertThat(density).as(at).isBetween(0.9, 1.003);
      }
    }
  }

  /** What a coat and a sheen reflect is the same when the two directions change places. */
  @Test
  void coatAndSheenReflectTheSameBothWays() {
    Material matte = Material.matte("m", "matte", Rgb.grey(0.6));
    List<Material> all =
        List.of(
            matte.with(new Material.Coat(1, 0.1, 1.5)),
            matte.with(new Material.Sheen(Rgb.grey(0.8), 0.3)),
            Material.metal("m", "metal", new Rgb(0.9, 0.7, 0.5), 0.3)
                .with(new Material.Coat(1, 0.2, 1.8))
                .with(new Material.Sheen(Rgb.grey(0.5), 0.4)));
    for (Material material : all) {
      LayeredSurface surface = new LayeredSurface(material);
      Scattering s = new Scattering();
      surface.material(s);
      for (double azimuth : new double[] {0, 70, 180}) {
        double there = value(surface, s, 10, 78, azimuth),
            back = value(surface, s, 78, 10, azimuth);
        // The compensation of microfacets for scattering of higher order is not quite the same.
        assertThat(there)
            .as(material.name() + " at " + azimuth)
            .isCloseTo(back, within(0.04 * back));
      }
    }
  }

  /** The BSDF for an outgoing and an incident direction, by degrees from the normal. */
  private static double value(
      LayeredSurface surface, Scattering s, double out, double in, double azimuth) {
    double o = Math.toRadians(out), i = Math.toRadians(in), turn = Math.toRadians(azimuth);
    surface.prepare((float) Math.sin(o), 0, (float) Math.cos(o), true, 0, 1, s);
    float ix = (float) (Math.sin(i) * Math.cos(turn)), iy = (float) (Math.sin(i) * Math.sin(turn));
    surface.evaluate(ix, iy, (float) Math.cos(i), s);
    return s.g / Math.cos(i);
  }

  @Test
  void smoothGlassSettlesOnAWavelengthOnlyForWhatItRefracts() {
    Material flint =
        Material.glass("m", "Flint", 0, 1.62, new Material.Glass(1, Rgb.WHITE, 1, false, 25));
    LayeredSurface surface = new LayeredSurface(flint);
    Scattering s = new Scattering();
    surface.material(s);
    float sin = 0.8f, cos = 0.6f;
    assertThat(surface.needsWavelengthToScatter(s, true, 1)).isFalse();
    assertThat(surface.needsWavelengthToScatter(s, false, 1)).as("total reflection").isTrue();
    assertThat(surface.needsWavelengthToScatter(s, true, 1.62f)).as("in oil").isTrue();
    int n = 200_000;
    double[] reflected = new double[3], refracted = new double[3];
    double red = 0, blue = 0;
    for (int i = 0; i < n; i++) {
      surface.prepare(sin, 0, cos, true, -1, 1, s);
      float wave = (i * 0.618034f) % 1;
      surface.sample(0.5f, 0.5f, (i + 0.5f) / n, s);
      double[] to = s.through ? refracted : reflected;
      float[] response = {1, 1, 1};
      if (s.through) {
        surface.disperse(wave, s);
        for (int c = 0; c < 3; c++) {
          response[c] = Spectrum.response(wave, c);
        }
        assertThat(s.x * s.x + s.y * s.y + s.z * s.z).isCloseTo(1, within(1e-4f));
        red += response[0] * -s.x;
        blue += response[2] * -s.x;
      }
      to[0] += response[0] * s.r / n;
      to[1] += response[1] * s.g / n;
      to[2] += response[2] * s.b / n;
    }
    for (int c = 0; c < 3; c++) {
      float index = Spectrum.channelIndex(c, 1.62, 25);
      float f = Fresnel.dielectric(cos, 1 / index);
      assertThat(reflected[c]).isCloseTo(f, within(1e-4));
      assertThat(refracted[c]).isCloseTo(1 - f, within(1e-3));
    }
    // sin / n: 0.8 / 1.612 for red, 0.8 / 1.638 for blue.
    assertThat(red / refracted[0] / n).isGreaterThan(1.01 * blue / refracted[2] / n);
  }
}

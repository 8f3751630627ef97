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
import levelember.photometry.LayerWeights;
import levelember.scene.View;
import levelember.shoot.LightOverGloss;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness.Unit;
import levelember.shoot.lighting.Caustics;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.shoot.lighting.LightControls;
import levelember.shoot.material.Material;
import levelember.shoot.piece.Piece;
import levelember.shoot.piece.Shape;
import levelember.shoot.piece.Visibility;
import levelember.surface.Spectrum;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** Where caustics fall, and how much of them, by geometrical optics. */
class CausticGeometryTest {
  private static final double ALBEDO = 0.05;
  private static final Visibility UNSEEN = new Visibility(false, true, true, true, true, false);

  private static Light lamp(Emitter emitter, Vec3 from, Vec3 aim, double value, Unit unit) {
    return Sets.light("lamp", emitter, from, aim, value, unit)
        .withControls(LightControls.WHOLE.withCaustics(Caustics.CAST));
  }

  /** What falls under a ball of glass. */
  private static Picture ball(Caustics caustics) {
    Light sun = lamp(new Emitter.Sun(0.53), new Vec3(0, 5, 1e-3), Vec3.ZERO, 10_000, Unit.LUX);
    Sets sets =
        floor(Material.glass("glass", "Glass", 1.5, Rgb.WHITE, 1))
            .piece(unseen(new Shape.Sphere(0.3), new Vec3(0, 0.7, 0)))
            .light(sun.withControls(LightControls.WHOLE.withCaustics(caustics)))
            .seen(new Vec3(0, 6, 1e-3), Vec3.ZERO, 0.36);
    return render(sets, 24, 24, 32);
  }

  @Test
  void edgesSoftenByAShareOfTheWayAndCausticsFadeWhereTheyAreTold() {
    Picture sharp = ball(Caustics.CAST), soft = ball(new Caustics(Caustics.Cast.ON, 1, 0, 0.3, 0));
    double mean = Sets.mean(sharp);
    assertThat(Sets.mean(soft)).isCloseTo(mean, within(0.08 * mean));
    // Three tenths of some 0.4 m, many times the radius that photons would have.
    assertThat(soft.get(12, 12, 1)).isLessThan(0.8f * sharp.get(12, 12, 1));
    // Half way to where it has faded a sixteenth is gone, and past it all.
    double faded = Sets.mean(ball(new Caustics(Caustics.Cast.ON, 1, 0, 0, 0.85)));
    assertThat(faded).isBetween(0.85 * mean, 0.99 * mean);
    assertThat(Sets.mean(ball(new Caustics(Caustics.Cast.ON, 1, 0, 0, 0.3))))
        .isLessThan(0.02 * mean);
    assertThat(ball(new Caustics(Caustics.Cast.ON, 1, 0, 0, 0)).rgb()).isEqualTo(sharp.rgb());
  }

  /** A piece that the camera looks through as if it were not there. */
  private static Piece unseen(Shape shape, Vec3 place) {
    return new Piece(
        "glass", "Glass", null, place, Vec3.ZERO, Vec3.ONE, shape, "glass", null, UNSEEN, true);
  }

  private static Sets floor(Material glass) {
    return Sets.white(ALBEDO)
        .material(glass)
        .piece("floor", new Shape.Floor(40, 40), "white", Vec3.ZERO);
  }

  private static Picture render(Sets sets, int width, int height, int samples) {
    Shoot shoot = sets.shoot();
    shoot = shoot.with(shoot.bounce().with(LightOverGloss.NONE));
    View view = View.of(shoot, shoot.shots().getFirst(), name -> null);
    Film film = new Film(width, height, view.layers());
    try (Renderer renderer = new Renderer(2, 12, 1)) {
      renderer.trace(view, film, samples, () -> false);
    }
    return LayerMix.picture(film, LayerWeights.of(shoot));
  }

  @Test
  void aGlassBallTurnsLightAsideAndLosesNone() {
    // Of a low index, so that it reflects next to nothing past the floor that is seen.
    Material glass = Material.glass("glass", "Glass", 1.15, Rgb.WHITE, 1);
    Light sun = lamp(new Emitter.Sun(0.53), new Vec3(0, 5, 1e-3), Vec3.ZERO, 10_000, Unit.LUX);
    Vec3 eye = new Vec3(0, 6, 1e-3);
    Sets with =
        floor(glass)
            .piece(unseen(new Shape.Sphere(0.3), new Vec3(0, 0.5, 0)))
            .light(sun)
            .seen(eye, Vec3.ZERO, 0.9);
    Sets without = floor(glass).light(sun).seen(eye, Vec3.ZERO, 0.9);
    Picture lit = render(with, 24, 24, 64);
    double open = Sets.mean(render(without, 24, 24, 4));
    assertThat(Sets.mean(lit)).isCloseTo(open, within(0.02 * open));
    // The middle has what the ball gathers, and the rest of its shadow is dark.
    assertThat(lit.get(12, 12, 1)).isGreaterThan((float) (3 * open));
    assertThat(lit.get(6, 12, 1)).isLessThan((float) (0.1 * open));
  }

  @Test
  void aLensIsBrightestAtTheImageOfTheLamp() {
    double radius = 0.5, index = 1.5, aperture = 0.06, lampAt = 1;
    double focal = radius / (2 * (index - 1)), image = 1 / (1 / focal - 1 / lampAt);
    assertThat(image).isCloseTo(1, within(1e-9));
    double[] peaks = new double[3];
    double[] at = {0.8, 1, 1.25};
    for (int i = 0; i < at.length; i++) {
      double high = at[i] * image;
      Sets sets =
          floor(Material.glass("glass", "Glass", index, Rgb.WHITE, 1))
              .piece(unseen(lens(radius, aperture), new Vec3(0, high, 0)))
              .light(
                  lamp(
                      new Emitter.Disc(0.003, false, 180, null),
                      new Vec3(0, high + lampAt, 0),
                      Vec3.ZERO,
                      10,
                      Unit.CANDELA))
              .seen(new Vec3(0, 3, 1e-3), Vec3.ZERO, 0.04);
      Picture p = render(sets, 16, 16, 48);
      for (int k = 0; k < 256; k++) {
        peaks[i] = Math.max(peaks[i], p.get(k % 16, k / 16, 1));
      }
    }
    assertThat(peaks[1]).isGreaterThan(4 * peaks[0]).isGreaterThan(4 * peaks[2]);
  }

  /** Convex on both sides, standing on its edge's level. */
  private static Shape lens(double radius, double aperture) {
    double bulge = radius - Math.sqrt(radius * radius - aperture * aperture);
    List<Shape.Corner> profile = new ArrayList<>();
    for (int side = -1; side <= 1; side += 2) {
      for (int i = 0; i <= 96; i++) {
        double r = side < 0 ? aperture * i / 96 : aperture * (96 - i) / 96;
        double sag = bulge - (radius - Math.sqrt(radius * radius - r * r));
        profile.add(new Shape.Corner(r, side * (sag + 1e-4)));
      }
    }
    return new Shape.Lathe(profile, false, 30);
  }

  @Test
  void aPrismSpreadsColoursByItsAbbeNumber() {
    double index = 1.6, abbe = 20, side = 0.02, high = 1;
    Material glass =
        Material.glass(
            "glass", "Glass", 0, index, new Material.Glass(1, Rgb.WHITE, 1, false, abbe));
    // One face level, met by light straight down, and one at 30° below: no ray is bent but there.
    double apex = Math.toRadians(30);
    double red = landing(0, apex, index, abbe, high), blue = landing(2, apex, index, abbe, high);
    double middle = (red + blue) / 2, width = 0.24;
    Sets sets =
        floor(glass)
            .piece(unseen(prism(side, apex), new Vec3(0, high, 0)))
            .light(lamp(new Emitter.Sun(0.1), new Vec3(0, 5, 0), Vec3.ZERO, 10_000, Unit.LUX))
            .seen(new Vec3(middle, 3, 1e-3), new Vec3(middle, 0, 0), width);
    Picture p = render(sets, 48, 8, 96);
    double atRed = centroid(p, 0, middle, width), atBlue = centroid(p, 2, middle, width);
    assertThat(Math.abs(blue - red)).isGreaterThan(0.02);
    assertThat(atBlue - atRed).isCloseTo(blue - red, within(0.06 * Math.abs(blue - red)));
    assertThat((atBlue + atRed) / 2).isCloseTo(middle, within(0.004));
  }

  /** Where a channel's light falls on the mean, by Snell's law at the lower face alone. */
  private static double landing(int channel, double apex, double ior, double abbe, double high) {
    double b = (ior - 1) / abbe / (1 / (486.13 * 486.13) - 1 / (656.27 * 656.27));
    double sum = 0, weight = 0;
    for (int i = 0; i < 300; i++) {
      float wave = (i + 0.5f) / 300;
      double nm = 400 + 300 * wave;
      double n = ior + b * (1 / (nm * nm) - 1 / (587.56 * 587.56));
      double turn = Math.asin(n * Math.sin(apex)) - apex;
      double w = Spectrum.response(wave, channel);
      sum += w * high * Math.tan(turn);
      weight += w;
    }
    return sum / weight;
  }

  /** A wedge whose upper face is level, and whose lower one falls towards +X. */
  private static Shape prism(double side, double apex) {
    double h = side / 2, low = -side * Math.tan(apex);
    List<Double> at = new ArrayList<>();
    for (int z = -1; z <= 1; z += 2) {
      for (double[] c : new double[][] {{-h, 0}, {h, 0}, {h, low}}) {
        at.addAll(List.of(c[0], c[1], z * h));
      }
    }
    List<Integer> triangles =
        List.of(
            0, 2, 1, 3, 4, 5, // both ends
            0, 1, 4, 0, 4, 3, // above
            1, 2, 5, 1, 5, 4, // the side
            2, 0, 3, 2, 3, 5); // below
    List<Integer> out = new ArrayList<>();
    for (int i = 0; i < triangles.size(); i += 3) {
      out.addAll(List.of(triangles.get(i), triangles.get(i + 2), triangles.get(i + 1)));
    }
    return new Shape.Mesh(at, List.of(), out);
  }

  private static double centroid(Picture p, int channel, double middle, double width) {
    double sum = 0, weight = 0;
    for (int y = 0; y < p.height(); y++) {
      for (int x = 0; x < p.width(); x++) {
        // The open floor's own light is taken off by that of the far row.
        double v = p.get(x, y, channel) - p.get(x, 0, channel);
        sum += v * (middle + width * ((x + 0.5) / p.width() - 0.5));
        weight += v;
      }
    }
    return sum / weight;
  }
}

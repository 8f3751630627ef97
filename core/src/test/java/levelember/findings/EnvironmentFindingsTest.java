package levelember.findings;

import static levelember.findings.Studio.inSurrounding;
import static levelember.findings.Studio.light;
import static levelember.findings.Studio.look;
import static levelember.findings.Studio.surrounding;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.UnaryOperator;
import levelember.findings.inspection.Finding;
import levelember.math.Vec3;
import levelember.shoot.Shoot;
import levelember.shoot.lighting.Brightness;
import levelember.shoot.lighting.Emitter;
import levelember.shoot.lighting.Light;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;

/** What is found about surrounding pictures and plates. */
class EnvironmentFindingsTest {
  private static Picture halves(double right) {
    return surrounding(
        256,
        p -> {
          for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
              float v = (float) (1 + (right - 1) * x / (p.width() - 1));
              p.set(x, y, v, v, v);
            }
          }
          return p;
        });
  }

  @Test
  void seamsOfSurroundings() {
    inSurrounding("a.hdr", halves(2), false).found(Finding.Kind.ENVIRONMENT_SEAM);
    inSurrounding("a.hdr", halves(1.05), false).hasNo(Finding.Kind.ENVIRONMENT_SEAM);
  }

  @Test
  void coarseSurroundingsThatAreSeen() {
    Picture coarse = surrounding(64, p -> p), fine = surrounding(2048, p -> p);
    inSurrounding("a.hdr", coarse, true).found(Finding.Kind.ENVIRONMENT_COARSE);
    inSurrounding("a.hdr", fine, true).hasNo(Finding.Kind.ENVIRONMENT_COARSE);
    inSurrounding("a.hdr", coarse, false).hasNo(Finding.Kind.ENVIRONMENT_COARSE);
  }

  private static Picture sunny(int pixels, double value) {
    return surrounding(
        1024,
        p -> {
          for (int y = 0; y < pixels; y++) {
            for (int x = 0; x < pixels; x++) {
              float v = (float) value;
              p.set(300 + x, 100 + y, v, v, v);
            }
          }
          return p;
        });
  }

  @Test
  void sunsInSurroundingsThatWereClipped() {
    Finding clipped =
        inSurrounding("a.hdr", sunny(4, 64), false).found(Finding.Kind.ENVIRONMENT_SUN_CLIPPED);
    assertThat(clipped.mends()).hasSize(1);
    // The sun that gives back what is missing is the same sun, no second one.
    assertThat(look(clipped.mends().getFirst().after(), n -> sunny(4, 64)))
        .noneMatch(f -> f.kind() == Finding.Kind.TWO_SUNS);
    inSurrounding("a.hdr", sunny(4, 16_000), false).hasNo(Finding.Kind.ENVIRONMENT_SUN_CLIPPED);
  }

  @Test
  void highlightsOfSurroundingsThatWereClipped() {
    // Windows: two, apart, so that they are no sun.
    UnaryOperator<Picture> windows =
        p -> {
          for (int y = 100; y < 160; y++) {
            for (int x = 0; x < 80; x++) {
              p.set(200 + x, y, 20, 20, 20);
              p.set(700 + x, y, 20, 20, 20);
            }
          }
          return p;
        };
    Finding clipped =
        inSurrounding("a.hdr", surrounding(1024, windows), false)
            .found(Finding.Kind.ENVIRONMENT_CLIPPED);
    assertThat(clipped.mends()).hasSize(1);
    Shoot mended = clipped.mends().getFirst().after();
    assertThat(mended.lights()).extracting(Light::name).contains("Highlight of around");
    UnaryOperator<Picture> whole =
        p -> {
          windows.apply(p);
          p.set(220, 120, 25, 25, 25);
          return p;
        };
    inSurrounding("a.hdr", surrounding(1024, whole), false).hasNo(Finding.Kind.ENVIRONMENT_CLIPPED);
  }

  @Test
  void picturesWithoutRangeAsLight() {
    // A bright side is no lamp, a bright window is one.
    assertThat(
            inSurrounding("a.jpg", halves(1.02), false)
                .found(Finding.Kind.ENVIRONMENT_NOT_HDR)
                .mends())
        .isEmpty();
    assertThat(
            inSurrounding("a.jpg", sunny(60, 4), false)
                .found(Finding.Kind.ENVIRONMENT_NOT_HDR)
                .mends())
        .hasSize(1);
    inSurrounding("a.hdr", halves(1.1), false).hasNo(Finding.Kind.ENVIRONMENT_NOT_HDR);
  }

  /** A picture behind the set, warmer and brighter to the left or not. */
  private static Studio before(double red, double left) {
    Studio studio = new Studio();
    studio.pictures =
        n ->
            surrounding(
                256,
                p -> {
                  for (int y = 0; y < p.height(); y++) {
                    for (int x = 0; x < p.width(); x++) {
                      float v = (float) (0.5 * (x < p.width() / 2 ? left : 1));
                      p.set(x, y, (float) (v * red), v, (float) (v / red));
                    }
                  }
                  return p;
                });
    studio.lights.removeLast();
    studio.lights.add(
        light("plate", new Emitter.Plate("p.exr"), Vec3.ZERO, Vec3.UP, 30, Brightness.Unit.NIT)
            .withSeenDirectly(true));
    studio.shot = s -> s.withAim(new Vec3(0, 1.4, 0));
    return studio;
  }

  @Test
  void backdropsOfAnotherWhiteThanTheKey() {
    before(1.8, 1).found(Finding.Kind.BACKDROP_COLOUR);
    before(1, 1).hasNo(Finding.Kind.BACKDROP_COLOUR);
  }

  @Test
  void backdropsThatAreBrightOnTheOtherSide() {
    before(1, 0.3).found(Finding.Kind.BACKDROP_DIRECTION);
    before(1, 3).hasNo(Finding.Kind.BACKDROP_DIRECTION);
  }

  @Test
  void platesThatFallIntoBands() {
    Studio bands = before(1, 1);
    bands.with("plate", l -> l.withEmitter(new Emitter.Plate("p.jpg")));
    bands.pictures =
        n ->
            surrounding(
                256,
                p -> {
                  java.util.Arrays.fill(p.rgb(), 0.004f);
                  return p;
                });
    bands.with("plate", l -> l.withBrightness(new Brightness(2000, Brightness.Unit.NIT)));
    bands.found(Finding.Kind.PLATE_BANDING);
    Studio even = before(1, 1);
    even.with("plate", l -> l.withEmitter(new Emitter.Plate("p.jpg")));
    even.hasNo(Finding.Kind.PLATE_BANDING);
  }
}

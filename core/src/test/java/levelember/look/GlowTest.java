package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import levelember.math.Colour;
import levelember.math.Rgb;
import levelember.shoot.look.Glow;
import levelember.shoot.look.Look;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GlowTest {
  private static final Look PLAIN = new Look("l", "L", 0, 0.5, 3);

  private static Picture dot(int w, int h, int size, float value) {
    Picture p = Picture.black(w, h);
    for (int y = h / 2; y < h / 2 + size; y++) {
      for (int x = w / 2; x < w / 2 + size; x++) {
        p.set(x, y, value, 0.5 * value, 0.25 * value);
      }
    }
    return p;
  }

  private static double sum(Picture p, int channel) {
    double sum = 0;
    for (int i = channel; i < p.rgb().length; i += 3) {
      sum += p.rgb()[i];
    }
    return sum;
  }

  private static Picture lit(Picture p, Glow glow) {
    return new Development(PLAIN.with(glow)).exposedLight(p, LookInputs.NONE);
  }

  private static Glow off() {
    return Glow.bloom("g", "Glow", 0.3, 4).with(Glow.Bloom.OFF);
  }

  @Test
  void aDotThroughABloomKeepsItsLight() {
    Picture dot = dot(1024, 1024, 2, 1e5f);
    for (double size : new double[] {0.2, 1, 3}) {
      Picture lit = lit(dot, Glow.bloom("g", "Glow", 0.3, size));
      for (int k = 0; k < 3; k++) {
        assertThat(sum(lit, k) / sum(dot, k)).as("size " + size).isCloseTo(1, within(0.01));
      }
      assertThat(lit.get(512, 512, 0)).isLessThan(dot.get(512, 512, 0));
    }
  }

  @Test
  void halfOfWhatABloomSpreadsStaysWithinItsSize() {
    int n = 1024;
    Picture lit = lit(dot(n, n, 2, 1e5f), Glow.bloom("g", "Glow", 1, 3));
    double inside = 0, radius = 0.03 * n;
    for (int y = 0; y < n; y++) {
      for (int x = 0; x < n; x++) {
        if (Math.hypot(x + 0.5 - n / 2 - 1, y + 0.5 - n / 2 - 1) < radius) {
          inside += lit.get(x, y, 0);
        }
      }
    }
    assertThat(inside / sum(lit, 0)).isCloseTo(0.5, within(0.02));
  }

  @Test
  void streaksAndGhostsKeepTheLightThatStaysInTheFrame() {
    Picture dot = Picture.black(640, 640);
    dot.set(300, 310, 1e5, 1e5, 1e5);
    Glow starRays = off().with(new Glow.StarRays(true, 0.4, 5, 20, 12, Glow.Halo.OWN));
    assertThat(sum(lit(dot, starRays), 1) / 1e5).isCloseTo(1, within(0.02));
    Glow even = off().with(new Glow.StarRays(true, 0.4, 6, 90, 12, Glow.Halo.OWN));
    assertThat(sum(lit(dot, even), 1) / 1e5).isCloseTo(1, within(0.02));
    Glow lensFlare = off().with(new Glow.LensFlare(true, 0.4, 4, 1, Glow.Halo.OWN));
    assertThat(sum(lit(dot, lensFlare), 1) / 1e5).isCloseTo(1, within(0.05));
  }

  @Test
  void aStreakFallsToATenthOverItsLengthToTheSideThatWasAsked() {
    Picture dot = Picture.black(900, 400);
    dot.set(450, 200, 1e5, 1e5, 1e5);
    Picture lit = lit(dot, off().with(new Glow.StarRays(true, 0.5, 1, 0, 25, Glow.Halo.OWN)));
    double near = column(lit, 500), far = column(lit, 600);
    assertThat(far / near).isCloseTo(0.1, within(0.01));
    assertThat(column(lit, 400)).isLessThan(near / 1000);
    Picture up = lit(dot, off().with(new Glow.StarRays(true, 0.5, 1, 90, 25, Glow.Halo.OWN)));
    assertThat(sumRow(up, 150)).isGreaterThan(100 * sumRow(up, 250));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 30, 45, 100, 163, 200, 270, 317})
  void aStreakRunsAlongTheLineThatWasAskedWithinTheFrame(double degrees) {
    Picture dot = Picture.black(400, 300);
    dot.set(200, 150, 1e5, 1e5, 1e5);
    Glow one = off().with(new Glow.StarRays(true, 0.5, 1, degrees, 25, Glow.Halo.OWN));
    Picture lit = lit(dot, one);
    double dx = Math.cos(Math.toRadians(degrees)), dy = -Math.sin(Math.toRadians(degrees));
    for (int far = 20; far < 140; far += 20) {
      double on = around(lit, 200 + far * dx, 150 + far * dy);
      double beside = around(lit, 200 + far * dx - 8 * dy, 150 + far * dy + 8 * dx);
      double behind = around(lit, 200 - far * dx, 150 - far * dy);
      assertThat(on).as("%d pixels along", far).isGreaterThan(100 * Math.max(beside, behind));
    }
  }

  /** The mean of the nine pixels around a place. */
  private static double around(Picture p, double x, double y) {
    double sum = 0;
    for (int j = -1; j <= 1; j++) {
      for (int i = -1; i <= 1; i++) {
        int column = (int) Math.round(x) + i, row = (int) Math.round(y) + j;
        boolean inside = column >= 0 && row >= 0 && column < p.width() && row < p.height();
        sum += inside ? p.get(column, row, 0) / 9 : 0;
      }
    }
    return sum;
  }

  @Test
  void ghostsStandWhereTheMiddleMirrorsTheSource() {
    Picture dot = Picture.black(400, 300);
    dot.set(260, 120, 1e5, 1e5, 1e5);
    Picture lit = lit(dot, off().with(new Glow.LensFlare(true, 0.5, 2, 1, Glow.Halo.OWN)));
    // The first is mirrored at half the size, the second stands at 0.6 on the source's own side.
    double first = around(lit, 200 - 30, 150 + 15), second = around(lit, 200 + 36, 150 - 18);
    assertThat(first).isGreaterThan(20 * around(lit, 200 + 30, 150 + 15));
    assertThat(second).isGreaterThan(20 * around(lit, 200 - 36, 150 - 18));
  }

  private static double column(Picture p, int x) {
    double sum = 0;
    for (int y = 0; y < p.height(); y++) {
      sum += p.get(x, y, 0);
    }
    return sum;
  }

  private static double sumRow(Picture p, int y) {
    double sum = 0;
    for (int x = 0; x < p.width(); x++) {
      sum += p.get(x, y, 0);
    }
    return sum;
  }

  @Test
  void aFourTimesLargerPrintLooksTheSame() {
    int n = 480;
    Picture small = dot(n, n, 6, 1e4f), large = dot(4 * n, 4 * n, 24, 1e4f);
    Glow glow =
        new Glow(
            "g",
            "Glow",
            true,
            Glow.Source.PICTURE,
            0,
            1,
            false,
            new Glow.Bloom(true, 0.3, 3, Glow.Halo.OWN),
            new Glow.StarRays(true, 0.1, 4, 10, 20, Glow.Halo.OWN),
            new Glow.LensFlare(true, 0.05, 2, 1, Glow.Halo.OWN));
    Picture a = lit(small, glow), b = lit(large, glow);
    double error = 0, all = 0;
    for (int y = 0; y < n; y++) {
      for (int x = 0; x < n; x++) {
        double mean = 0;
        for (int j = 0; j < 4; j++) {
          for (int i = 0; i < 4; i++) {
            mean += b.get(4 * x + i, 4 * y + j, 0) / 16;
          }
        }
        error += Math.abs(mean - a.get(x, y, 0));
        all += mean;
      }
    }
    assertThat(error / all).isLessThan(0.03);
  }

  @Test
  void nothingUnderTheThresholdGlows() {
    Picture p = dot(200, 200, 4, 0.5f);
    Picture lit = lit(p, Glow.bloom("g", "Glow", 0.5, 5));
    assertThat(lit.rgb()).isEqualTo(p.rgb());
  }

  @Test
  void aHaloOfItsOwnColourHasTheSourcesLuminance() {
    Rgb teal = new Rgb(0.1, 0.8, 0.7);
    Picture dot = dot(400, 400, 2, 1e5f);
    Picture lit = lit(dot, off().with(new Glow.Bloom(true, 1, 3, new Glow.Halo(teal, 1))));
    assertThat(sum(lit, 0) / sum(lit, 1)).isCloseTo(0.125, within(0.002));
    assertThat(luminance(lit) / luminance(dot)).isCloseTo(1, within(0.02));
  }

  private static double luminance(Picture p) {
    return Colour.luminance((float) sum(p, 0), (float) sum(p, 1), (float) sum(p, 2));
  }

  @Test
  void offIsThePictureItself() {
    Picture p = dot(100, 80, 3, 1e4f);
    Glow glow = Glow.bloom("g", "Glow", 0.3, 4);
    Glow silent =
        new Glow(
            "g",
            "Glow",
            false,
            glow.source(),
            0,
            1,
            false,
            glow.bloom(),
            Glow.StarRays.OFF,
            Glow.LensFlare.OFF);
    assertThat(lit(p, silent).rgb()).isEqualTo(p.rgb());
  }

  @Test
  void aLampOutsideOfTheFrameGlowsIn() {
    int w = 200, h = 100, m = 26;
    Picture frame = Picture.black(w, h);
    Picture around = Picture.black(w + 2 * m, h + 2 * m);
    // Six pixels to the left of the frame, in the middle row.
    for (int y = 0; y < 4; y++) {
      around.set(m - 6, m + 50 + y, 1e5, 1e5, 1e5);
    }
    Look look = PLAIN.with(Glow.bloom("g", "Glow", 0.3, 6).beyondFrame());
    LookInputs inputs = new LookInputs(null, null, List.of(around), List.of(m));
    Picture lit = new Development(look).exposedLight(frame, inputs);
    assertThat(lit.get(0, 51, 1)).isGreaterThan(80f);
    assertThat(lit.get(0, 51, 1)).isGreaterThan(10 * lit.get(60, 51, 1));
    assertThat(lit.get(0, 51, 1)).isGreaterThan(2 * lit.get(0, 10, 1));
  }
}

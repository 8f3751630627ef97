package levelember.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import levelember.shoot.look.Look;
import levelember.shoot.look.Tone;
import levelember.shoot.look.WhiteBalance;
import levelember.texture.Picture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RowMathTest {
  private static float[] random(Random random, int n, double wide) {
    float[] to = new float[n];
    for (int i = 0; i < n; i++) {
      to[i] = i % 17 == 0 ? 0 : (float) Math.exp(wide * random.nextGaussian());
    }
    return to;
  }

  @Test
  void powersAreRightToSevenDigits() {
    for (double x = 1e-6; x < 1e4; x *= 1.37) {
      for (float p : new float[] {1 / 2.4f, 1.45f, 0.7f, 2.2f}) {
        double exact = Math.pow((float) x, p);
        assertThat(RowMath.power((float) x, p) / exact).isCloseTo(1, within(2e-6));
      }
    }
    assertThat(RowMath.power(1, 0.3f)).isEqualTo(1f);
  }

  @ParameterizedTest
  @EnumSource(Tone.Curve.class)
  void wideAndPlainRowsGiveTheSameBits(Tone.Curve kind) {
    Random random = new Random(3);
    int n = 1021;
    float[][] a = {random(random, n, 3), random(random, n, 3), random(random, n, 3)};
    float[][] b = {a[0].clone(), a[1].clone(), a[2].clone()};
    Look look = new Look("l", "L", 1, 0.4, 3).with(Tone.of(kind, 3).shaped(0.01, 1.2, 1.3));
    float[] matrix = Balance.matrix(new WhiteBalance(3400, 5));
    RowMath.ToneTerms terms = new DisplayCurve(look).terms(matrix);
    RowMath wide = RowMath.ofMachine();
    wide.tone(a[0], a[1], a[2], n, terms, new float[2][n]);
    new PlainRows().tone(b[0], b[1], b[2], n, terms, null);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
      for (float v : a[k]) {
        assertThat(v).isBetween(0f, 1f);
      }
    }
    RowMath.WheelTerms wheels =
        new RowMath.WheelTerms(
            new float[] {1.1f, 0.9f, 1},
            new float[] {-0.02f, 0.03f, 0},
            new float[] {1.2f, 1, 0.8f},
            1.15f);
    wide.wheels(a[0], a[1], a[2], n, wheels, new float[n]);
    new PlainRows().wheels(b[0], b[1], b[2], n, wheels, null);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
    }
  }

  @Test
  void wideAndPlainRowsPartAndBendAlike() {
    Random random = new Random(5);
    int n = 333;
    float[] pixels = new float[3 * n + 5];
    for (int i = 0; i < pixels.length; i++) {
      pixels[i] = random.nextFloat();
    }
    float[] curve = new float[66];
    for (int i = 0; i < curve.length; i++) {
      curve[i] = (float) Math.sqrt(Math.min(1, i / 64.0));
    }
    float[][] a = new float[3][n], b = new float[3][n];
    RowMath wide = RowMath.ofMachine(), plain = new PlainRows();
    wide.part(pixels, 4, a[0], a[1], a[2], n);
    plain.part(pixels, 4, b[0], b[1], b[2], n);
    for (int k = 0; k < 3; k++) {
      assertThat(a[k]).isEqualTo(b[k]);
      a[k][7] = 1;
      b[k][7] = 1;
      wide.bend(a[k], n, curve);
      plain.bend(b[k], n, curve);
      assertThat(a[k]).isEqualTo(b[k]);
      assertThat(a[k][7]).isEqualTo(1f);
    }
    assertThat(a[1][20]).isCloseTo((float) Math.sqrt(pixels[4 + 61]), within(1e-3f));
  }

  @Test
  void wideAndPlainRowsSmoothAlikeAndStopAtEdges() {
    Random random = new Random(9);
    int w = 67, h = 29;
    float[][] planes = new float[4][w * h];
    float[] in = new float[w * h];
    for (int i = 0; i < w * h; i++) {
      boolean left = i % w < 30;
      // Two surfaces that look different ways, and some pixels that show nothing.
      boolean nothing = random.nextInt(40) == 0;
      planes[0][i] = nothing ? 0 : left ? 1 : 0;
      planes[1][i] = nothing || left ? 0 : 1;
      planes[3][i] = nothing ? 0 : 0.5f + 0.004f * random.nextFloat();
      in[i] = nothing ? 9 : (left ? 1 : 2) + 0.2f * (random.nextFloat() - 0.5f);
    }
    RowMath.Surfaces surfaces = RowMath.Surfaces.of(w, h, planes);
    float[] spots = new float[w * h];
    spots[7 * w + 12] = 1;
    spots[20 * w + 50] = 1;
    for (int step = 1; step <= 3; step++) {
      float[] wide = new float[w * h], plain = new float[w * h];
      for (int y = 0; y < h; y++) {
        RowMath.ofMachine().smooth(spots, surfaces, y, step, wide);
        new PlainRows().smooth(spots, surfaces, y, step, plain);
      }
      assertThat(wide).isEqualTo(plain).contains(0f).isNotEqualTo(new float[w * h]);
    }
    for (int step = 1; step <= 3; step++) {
      float[] wide = new float[w * h], plain = new float[w * h];
      for (int y = 0; y < h; y++) {
        RowMath.ofMachine().smooth(in, surfaces, y, step, wide);
        new PlainRows().smooth(in, surfaces, y, step, plain);
      }
      assertThat(wide).isEqualTo(plain);
      for (int i = 0; i < w * h; i++) {
        boolean nothing = planes[3][i] == 0;
        double mean = nothing ? 9 : i % w < 30 ? 1 : 2;
        assertThat(wide[i]).isCloseTo((float) mean, within(0.1f));
      }
    }
  }

  @Test
  void wideAndPlainRowsBendAlikeAndReadARampWhereTheLensSays() {
    int w = 83, h = 41;
    Picture ramp = Picture.black(w, h);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        ramp.set(x, y, 100 + x, 100 + y, x * y);
      }
    }
    RowMath.Planes planes = LensDistortion.planes(ramp);
    float perCorner = 4f / (w * w + h * h);
    for (float d : new float[] {0, -0.3f, 0.4f}) {
      RowMath.Lens lens = new RowMath.Lens(d, perCorner, 0.9f / (1 + Math.max(d, 0)));
      for (int k = 0; k < 3; k++) {
        for (int y = 0; y < h; y++) {
          float[] wide = new float[w], plain = new float[w];
          RowMath.ofMachine().lens(planes, k, lens, y, wide, new RowMath.LensMemory(w));
          new PlainRows().lens(planes, k, lens, y, plain, null);
          assertThat(wide).isEqualTo(plain);
          double v = y + 0.5 - h / 2.0;
          for (int x = 4; x < w - 4 && k < 2; x++) {
            double u = x + 0.5 - w / 2.0;
            double s = lens.s() * (1 + d * (u * u + v * v) * perCorner);
            // A straight line is read right between pixels, away from the border.
            double at = k == 0 ? s * u + w / 2.0 - 0.5 : s * v + h / 2.0 - 0.5;
            if (at > 1 && at < (k == 0 ? w : h) - 3) {
              assertThat(wide[x]).isCloseTo((float) (100 + at), within(1e-3f));
            }
          }
        }
      }
    }
  }

  @Test
  void aLensThatReachesOverTheBorderFindsTheOutermostPixels() {
    Picture p = Picture.black(40, 20);
    for (int i = 0; i < p.rgb().length; i++) {
      p.rgb()[i] = i % 120 < 60 ? 1 : 5;
    }
    float[] row = new float[40];
    RowMath.Lens far = new RowMath.Lens(0, 1f / 500, 3);
    RowMath.ofMachine().lens(LensDistortion.planes(p), 1, far, 3, row, new RowMath.LensMemory(40));
    assertThat(row[0]).isEqualTo(1f);
    assertThat(row[39]).isEqualTo(5f);
  }
}
